import type { DayEdit } from "#core/album/edit.ts";
import { MATTER_NAME } from "#core/album/matter-name.ts";
import type { Part } from "#core/album/model.ts";
import type { BookEdit } from "#core/book/edit.ts";
import type { Did, Stashed } from "#core/journal/did.ts";
import type { RollMark } from "#core/photo/roll.ts";
import { many } from "./count.ts";
import { shortDate } from "./dates.ts";
import { STEP_NAME } from "./day.ts";

/** How days and leaves are called, by their ids: "5 Dec", "the page of 5 Dec". */
export type Names = { readonly day: (id: string) => string; readonly leaf: (id: string) => string };

const OF_DAY: Record<Exclude<DayEdit["kind"], "step" | "waive">, (day: string) => string> = {
  title: (day) => `title of ${day} changed`,
  note: (day) => `note of ${day} changed`,
  prompt: (day) => `prompt of ${day} changed`,
  technique: (day) => `technique of ${day} changed`,
  "let-go": (day) => `prompt of ${day} let go`,
  numeral: (day) => `number of ${day} changed`,
  "add-card": (day) => `card put on ${day}`,
  "card-text": (day) => `words of a card of ${day} changed`,
  "card-back": (day) => `words on the back of a card of ${day} changed`,
  "card-size": (day) => `size of a card of ${day} changed`,
  "card-setting": (day) => `lettering of a card of ${day} changed`,
  "card-preprint": (day) => `picture under a card of ${day} changed`,
  "card-secrecy": (day) => `what is private on a card of ${day} changed`,
  "carry-over": (day) => `words of a card of ${day} carried on`,
  "remove-card": (day) => `card of ${day} taken off`,
  "add-jotting": (day) => `jotting of ${day} written`,
  "jotting-text": (day) => `jotting of ${day} changed`,
  "jotting-private": (day) => `until when a jotting of ${day} is private changed`,
  "remove-jotting": (day) => `jotting of ${day} taken off`,
  "add-photo": (day) => `picture put on ${day}`,
  "photo-alt": (day) => `description of a picture of ${day} changed`,
  "photo-picture": (day) => `another picture of ${day}`,
  "photo-print": (day) => `size of a print of ${day} changed`,
  "photo-crop": (day) => `crop of a print of ${day} changed`,
  "photo-repeat": (day) => `how a pattern of ${day} is repeated, changed`,
  "photo-together": (day) => `which pictures of ${day} share a print changed`,
  "photo-together-crop": (day) => `crop of a picture in a shared print of ${day} changed`,
  "photo-on-it": (day) => `what is printed on a picture of ${day} changed`,
  "photo-private": (day) => `until when a picture of ${day} is private changed`,
  "leave-alone": (day) => `slip in the words of ${day} left alone, or told again`,
  "day-private": (day) => `until when ${day} is private changed`,
  "every-year": (day) => `whether ${day} stands every year changed`,
  "next-year": (day) => `note of ${day} for next year changed`,
  dries: (day) => `until when ${day} dries changed`,
  "remove-photo": (day) => `picture of ${day} taken off`,
  finish: (day) => `all steps of ${day} ticked`,
};

const WITHOUT: Record<Part, string> = {
  prompt: "a prompt",
  photos: "photos",
  words: "words",
  paper: "a page of its own",
};

const OF_BOOK: Record<Exclude<BookEdit["kind"], "tick">, (leaf: string) => string> = {
  arrange: (leaf) => `${leaf} laid out`,
  "arrange-many": () => "pages laid out",
  "add-leaf": () => "page added to the book",
  "give-leaf": (leaf) => `${leaf} put into the book`,
  "copy-leaf": () => "page copied",
  "move-leaf": (leaf) => `${leaf} moved in the book`,
  "turn-leaf": (leaf) => `${leaf} turned over`,
  "remove-leaf": (leaf) => `${leaf} taken out of the book`,
  "free-leaf": (leaf) => `${leaf} made blank again`,
  "glue-leaf": () => "pages glued together, or taken apart",
  "own-side": (leaf) => `whose a side of ${leaf} is, changed`,
  "share-side": (leaf) => `who shares a side of ${leaf}, changed`,
  make: (leaf) => `paper of ${leaf} changed`,
  "tick-making": (leaf) => `a step at the bench for ${leaf} ticked or unticked`,
  lie: (leaf) => `how ${leaf} lies, changed`,
  part: () => "book parted into volumes, or joined again",
  "say-line": (leaf) => `line under the opening at ${leaf} changed`,
  "leave-seen": (leaf) => `what is seen through ${leaf} left as it is`,
};

const MARKED: Record<RollMark["kind"], readonly [on: string, off: string]> = {
  star: ["starred", "no longer starred"],
  "set-aside": ["set aside", "no longer set aside"],
  banked: ["banked", "no longer banked"],
  date: ["given another day", "given another day"],
  look: ["given another look", "given another look"],
  faces: ["given faces to keep", "given faces to keep"],
  person: ["marked with who is on it", "cleared of somebody"],
  nobody: ["marked: nobody is on it", "not marked any more: nobody is on it"],
  away: ["put in the tray", "put in the tray"],
};

const STASHED: Record<Stashed, string> = {
  picture: "picture of the roll",
  deck: "deck",
  hand: "hand",
  "stamp-set": "set of stamps",
  layout: "pocket layout",
  template: "template",
  making: "settings of a construction",
  format: "measured book",
  thing: "thing of the drawer",
};
const STASH_HOW = {
  kept: "kept",
  renamed: "given another name",
  counted: "counted anew",
  cut: "cut up",
  "put-on": "put on a page",
  "put-away": "put in the tray",
  "put-back": "put back from the tray",
} as const;
const FROM_TRAY = { card: "card", jotting: "jotting", photo: "picture", leaf: "page", "try-out": "try-out" } as const;
const OF_MONTH = {
  skip: (day: string) => `${day} skipped`,
  "take-up": (day: string) => `${day} taken up again`,
  merge: (day: string) => `${day} put on one page with its neighbour`,
  split: (day: string) => `${day} given a page of its own`,
  move: (day: string) => `story of ${day} moved`,
} as const;
const TRIED = {
  add: "try-out set beside",
  arrange: "try-out laid out beside",
  drop: "try-out put away beside",
  keep: "try-out chosen for",
} as const;
const OF_END = {
  left: "loose end left as it is",
  tonight: "loose end kept for tonight",
  "not-tonight": "loose end not for tonight",
} as const;
const OF_TALLY = {
  add: "something more to count over the month",
  name: "what is counted over the month given another name",
  remove: "what was counted over the month taken out",
  mark: "counted once more",
  "mark-text": "words of what was counted changed",
  unmark: "counted once less",
} as const;
const OF_SHEET = {
  printed: "said to be printed",
  "not-printed": "said not to be printed",
  dropped: "put away",
  cut: "a cut ticked",
  "cut-open": "a cut unticked",
  "all-cut": "all cuts ticked",
} as const;
const OF_ORDER = {
  made: "made",
  arrived: "said to have come",
  "not-arrived": "said not to have come",
  "cut-out": "said to be cut out",
  "not-cut-out": "said not to be cut out",
  dropped: "taken back",
} as const;
const OF_ALBUM = {
  settings: "settings of the album changed",
  measures: "measures of the book changed",
  ruler: "thickness of the closed book measured",
  "first-evening": "step of the first evening left",
  "photo-rule": "which pictures a day may have, changed",
  printer: "measures of the printer changed",
  "time-zone": "the clock the household goes by changed",
  hours: "hours and minutes of one’s own changed",
  offer: "way to catch up answered with “No”",
  known: "what is known ahead changed",
  "next-album": "note for the next album changed",
  sky: "where the household lives on the globe changed",
  people: "names of people changed",
} as const;

const ticked = (done: boolean) => (done ? "ticked" : "unticked");

/** What somebody did, in words that can follow a colon: "title of 5 Dec changed". */
export function didWords(did: Did, names: Names): string {
  switch (did.what) {
    case "day":
      return OF_DAY[did.how](names.day(did.day));
    case "step":
      return `“${STEP_NAME[did.step]}” of ${names.day(did.day)} ${ticked(did.done)}`;
    case "waive":
      return `${names.day(did.day)} to do ${did.on ? "without" : "with"} ${WITHOUT[did.part]}`;
    case "month":
      return OF_MONTH[did.how](names.day(did.day));
    case "told":
      return "which days are told, changed";
    case "bring": {
      const pictures = did.pictures === 1 ? "a picture" : many(did.pictures, "picture");
      if (!did.jotting)
        return `${did.pictures === 1 ? "picture" : many(did.pictures, "picture")} put on ${names.day(did.day)}`;
      return `jotting of ${names.day(did.day)} written${did.pictures > 0 ? `, with ${pictures}` : ""}`;
    }
    case "carry":
      return `${did.piece === "photo" ? "picture" : "jotting"} of ${names.day(did.day)} moved to ${shortDate(did.to)}`;
    case "book":
      return OF_BOOK[did.how](names.leaf(did.leaf));
    case "leaf-step":
      return `“${STEP_NAME[did.step]}” of ${names.leaf(did.leaf)} ${ticked(did.done)}`;
    case "try-out":
      return `${TRIED[did.how]} ${names.leaf(did.leaf)}`;
    case "matter": {
      const name = MATTER_NAME[did.matter].toLowerCase();
      return did.how === "date"
        ? `date of the ${name} changed`
        : did.how === "month"
          ? `squares of the ${name} changed`
          : `${name} ${did.how === "add" ? "added" : "taken out"}`;
    }
    case "mark": {
      const one = did.date === null ? "undated picture" : `picture of ${shortDate(did.date)}`;
      return `${did.pictures === 1 ? one : many(did.pictures, "picture")} ${MARKED[did.mark][did.on ? 0 : 1]}`;
    }
    case "who-goes-where":
      return `${many(did.pictures, "picture")} put on ${did.pictures === 1 ? "its day" : "their days"}`;
    case "foundations":
      return `${many(did.pages, "foundation page")} set`;
    case "deal":
      return `${many(did.days, did.jar)} dealt`;
    case "plan-table":
      return `plan of ${many(did.days, "day")} taken over from a table`;
    case "sheets-made":
      return `${many(did.sheets, did.of === "photos" ? "print sheet" : "sheet of cards", did.of === "photos" ? "print sheets" : "sheets of cards")} made`;
    case "sheet":
      return `print sheet ${did.number}: ${OF_SHEET[did.how]}`;
    case "sheets-printed":
      return `${many(did.sheets, "print sheet")} said ${did.on ? "" : "not "}to be printed`;
    case "print":
      return did.how === "spoiled" ? "print said to be spoiled" : "print said to be good again";
    case "printed-elsewhere":
      return `${many(did.prints, did.of === "photos" ? "print" : "card")} said ${did.on ? "to be on paper" : "not to be on paper"}`;
    case "order":
      return `lab order ${did.number} ${OF_ORDER[did.how]}`;
    case "settings":
    case "measures":
    case "ruler":
    case "first-evening":
    case "photo-rule":
    case "printer":
    case "people":
    case "time-zone":
    case "hours":
    case "sky":
    case "offer":
    case "known":
    case "next-album":
      return OF_ALBUM[did.what];
    case "tally":
      return OF_TALLY[did.how];
    case "loose-end":
      return OF_END[did.how];
    case "from-tray":
      return `${FROM_TRAY[did.thing]} put back from the tray`;
    case "stash":
      return `${STASHED[did.thing]} ${STASH_HOW[did.how]}`;
  }
}

/** The same as a sentence of its own. */
export function didSentence(did: Did, names: Names): string {
  const words = didWords(did, names);
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** What stood in the way of taking a change back, or of doing it again. */
export type SinceSaid = { readonly words: string; readonly by: string; readonly at: string } | null;

export const turnedSaid = (way: "back" | "again", words: string): string =>
  `${way === "back" ? "Taken back" : "Done again"}: ${words}.`;

/** Why a change was left as it is; `since` is what was done after it on the same thing. */
export function notTurnedSaid(way: "back" | "again", words: string, since: SinceSaid): string {
  const begin = `Not ${way === "back" ? "taken back" : "done again"}: ${words}.`;
  return since
    ? `${begin} Since then: ${since.words} (${since.by}, ${since.at}). That would be undone with it.`
    : `${begin} The same thing has been changed since, and that would be undone with it.`;
}

export const NOTHING_LEFT = {
  back: "Nothing of yours in this album is left to take back.",
  again: "Nothing you took back is left to do again.",
} as const;
export const NO_LONGER_KEPT =
  "It is not kept any more how it was before: that is for 30 days, and until the tray is emptied.";
