import { LIMITS } from "../limits.ts";
import type { CalendarDate } from "../month/dates.ts";
import type { PictureFace, PictureFacts } from "./crop.ts";
import type { Look } from "./look.ts";
import type { OnIt, OnItMark } from "./on-it.ts";

/** A picture's file may have as many bytes as this. */
export const MOST_BYTES = LIMITS.pictureBytes.most;

/** One picture of the household's roll, with what the roll says and knows of it. */
export type RollPhoto = {
  readonly id: string;
  readonly name: string;
  readonly facts: PictureFacts;
  /** The camera's own clock, `YYYY-MM-DDTHH:MM:SS`, and how far it is from Greenwich. */
  readonly capturedAt: string | null;
  readonly offset: string | null;
  readonly givenDate: CalendarDate | null;
  readonly hasPlace: boolean;
  readonly people: OnIt;
  readonly star: boolean;
  readonly setAside: boolean;
  readonly banked: boolean;
  readonly fingerprint: string | null;
  readonly sharpness: number;
};

/** One thing said of pictures of the roll; all of it can be said otherwise again. */
export type RollMark =
  | { readonly kind: "star" | "set-aside" | "banked"; readonly on: boolean }
  | { readonly kind: "date"; readonly date: CalendarDate | null }
  | { readonly kind: "look"; readonly look: Look }
  | OnItMark
  | { readonly kind: "faces"; readonly faces: readonly PictureFace[] }
  /** Into the tray; from there it is put back. */
  | { readonly kind: "away" };
