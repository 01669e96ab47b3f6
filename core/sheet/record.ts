import type { Rect } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";
import type { CalendarDate } from "../month/dates.ts";
import type { CutStep } from "./cutting.ts";

/** What a sheet carries: prints of pictures, or cards. */
export type SheetOf = "photos" | "cards";

/** A sheet that was made: its paper, how it is cut, which cuts are done, and when it was printed. */
export type SheetRecord = {
  readonly id: string;
  readonly number: number;
  readonly of: SheetOf;
  readonly paper: Size;
  readonly cuts: readonly CutStep[];
  readonly waste: readonly Rect[];
  readonly cutsDone: readonly number[];
  readonly printedAt: string | null;
  /** The printer it was made for, and whether it is printed to the paper's edge there. */
  readonly printerId: string | null;
  readonly borderless: boolean;
};
/** An order at the lab: when it went, when it is due, and whether it has come. */
export type OrderRecord = {
  readonly id: string;
  readonly number: number;
  readonly orderedOn: CalendarDate;
  readonly dueOn: CalendarDate;
  readonly arrived: boolean;
  /** The lab it went to; null where that is kept no more. */
  readonly labId: string | null;
};
