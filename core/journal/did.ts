import type { DayEdit } from "../album/edit.ts";
import type { LeafStep, SideStep } from "../album/leaf.ts";
import type { Matter, Part, Step } from "../album/model.ts";
import type { TallyChange } from "../album/tally.ts";
import type { BookEdit } from "../book/edit.ts";
import type { CalendarDate } from "../month/dates.ts";
import type { RollMark } from "../photo/roll.ts";
import type { SheetOf } from "../sheet/record.ts";
import type { Jar } from "../words/slip.ts";

/** What belongs to the household and lies ready for all its albums. */
export type Stashed = "picture" | "deck" | "hand" | "stamp-set" | "layout" | "template" | "making" | "format" | "thing";

/**
 * What somebody did, as a line of the journal: enough to name it, and nothing that anybody wrote. Days and leaves are
 * told by their ids, because a day may stand on another date by the time it is read.
 */
export type Did =
  | { readonly what: "day"; readonly how: Exclude<DayEdit["kind"], "step" | "waive">; readonly day: string }
  | { readonly what: "step"; readonly day: string; readonly step: Step; readonly done: boolean }
  | { readonly what: "waive"; readonly day: string; readonly part: Part; readonly on: boolean }
  | { readonly what: "month"; readonly how: "skip" | "take-up" | "merge" | "split" | "move"; readonly day: string }
  /** Several days told or skipped in one go. */
  | { readonly what: "told" }
  /** A jotting, and pictures of the roll, put on a day in one go. */
  | { readonly what: "bring"; readonly day: string; readonly jotting: boolean; readonly pictures: number }
  | { readonly what: "carry"; readonly piece: "photo" | "jotting"; readonly day: string; readonly to: string }
  | { readonly what: "book"; readonly how: Exclude<BookEdit["kind"], "tick">; readonly leaf: string }
  | { readonly what: "leaf-step"; readonly leaf: string; readonly step: LeafStep | SideStep; readonly done: boolean }
  | { readonly what: "try-out"; readonly how: "add" | "arrange" | "drop" | "keep"; readonly leaf: string }
  | { readonly what: "matter"; readonly how: "add" | "date" | "month" | "remove"; readonly matter: Matter }
  /** Said of pictures of the roll; `date` is the day of a single one, if it has one. */
  | {
      readonly what: "mark";
      readonly mark: RollMark["kind"];
      readonly on: boolean;
      readonly pictures: number;
      readonly date: CalendarDate | null;
    }
  | { readonly what: "who-goes-where"; readonly pictures: number }
  | { readonly what: "foundations"; readonly pages: number }
  | { readonly what: "deal"; readonly jar: Jar; readonly days: number }
  | { readonly what: "plan-table"; readonly days: number }
  | { readonly what: "sheets-made"; readonly of: SheetOf; readonly sheets: number }
  | {
      readonly what: "sheet";
      readonly how: "printed" | "not-printed" | "dropped" | "cut" | "cut-open" | "all-cut";
      readonly number: number;
    }
  /** Several sheets that came out of the printer, or did not, in one go. */
  | { readonly what: "sheets-printed"; readonly on: boolean; readonly sheets: number }
  | { readonly what: "print"; readonly how: "spoiled" | "not-spoiled" }
  | { readonly what: "printed-elsewhere"; readonly of: SheetOf; readonly on: boolean; readonly prints: number }
  | {
      readonly what: "order";
      readonly how: "made" | "arrived" | "not-arrived" | "cut-out" | "not-cut-out" | "dropped";
      readonly number: number;
    }
  | {
      readonly what:
        | "settings"
        | "measures"
        | "ruler"
        | "first-evening"
        | "photo-rule"
        | "printer"
        | "people"
        | "time-zone"
        | "hours"
        | "sky"
        | "offer"
        | "known"
        | "next-album";
    }
  | { readonly what: "tally"; readonly how: TallyChange["how"] }
  | { readonly what: "loose-end"; readonly how: "left" | "tonight" | "not-tonight" }
  | { readonly what: "from-tray"; readonly thing: "card" | "jotting" | "photo" | "leaf" | "try-out" }
  | {
      readonly what: "stash";
      readonly how: "kept" | "renamed" | "counted" | "cut" | "put-on" | "put-away" | "put-back";
      readonly thing: Stashed;
    };
