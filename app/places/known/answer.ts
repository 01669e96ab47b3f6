import type { Away } from "#app/wording/sending.ts";
import type { Told } from "#core/month/known.ts";

/** What came of reading a calendar. */
export type ReadTold = Told & { readonly source: string; readonly unknownZones: number; readonly leftOut: number };
type Refused =
  | "no-file"
  | "too-large"
  | "not-a-calendar"
  | "cut-off"
  | "too-many"
  | "too-many-dates"
  | "not-a-day"
  | "note-full"
  | "changed-elsewhere"
  | "not-found";
export type KnownAnswer =
  | { readonly ok: true; readonly said?: string; readonly read?: ReadTold }
  | { readonly ok: false; readonly reason: Refused | Away };

/** Why nothing was done, in words. */
export const WHY: Readonly<Record<Refused, string>> = {
  "no-file": "Choose a calendar file first: its name ends in .ics.",
  "too-large": "That file is over 10 MB, more than a calendar of this month can be. Nothing was read.",
  "not-a-calendar": "That file is no calendar: an .ics file begins with BEGIN:VCALENDAR. Nothing was changed.",
  "cut-off": "That file ends in the middle, so nothing was read from it. Save it from the calendar once more.",
  "too-many": "That is more than two thousand events in this month. Nothing was read.",
  "too-many-dates": "Your hours have a hundred dates that are otherwise. Take some out there first.",
  "not-a-day": "It needs a name, and a day of the album.",
  "note-full": "That note is as long as a note can be.",
  "changed-elsewhere": "Somebody changed that meanwhile. It is shown as it is now: press once more.",
  "not-found": "That is not there any more.",
};
