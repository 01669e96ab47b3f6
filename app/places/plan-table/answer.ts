import type { Away } from "#app/wording/sending.ts";
import type { Passed, PassedWhy, PlanChange, PlanField } from "#core/format/plan-table.ts";

/** What a table would change, before any of it is. */
export type PlanRead = {
  readonly changes: readonly PlanChange[];
  readonly passed: readonly Passed[];
  readonly columns: readonly string[];
  /** Whether the file does not say how its letters are written, so that it was guessed. */
  readonly guessed: boolean;
};
type Refused = "no-file" | "too-large" | "no-head" | "two-ways" | "too-many-rows" | "not-found";
export type PlanAnswer =
  | { readonly ok: true; readonly said: string }
  | { readonly ok: true; readonly read: PlanRead }
  | { readonly ok: false; readonly reason: Refused | Away };

/** Why nothing was done, in words. */
export const WHY: Readonly<Record<Refused, string>> = {
  "no-file": "Choose a table first: a file whose name ends in .csv.",
  "too-large": "That file is over 4 MB, more than the plan of a month can be. Nothing was read.",
  "no-head":
    "The first row has to name the columns: “dates” or “number”, and “title”, “prompt” or “note”. Nothing was changed.",
  "two-ways":
    "Its dates can be read with the day first or the month first. Write them as 2026-12-05. Nothing was changed.",
  "too-many-rows": "That table has over two thousand rows. Nothing was read.",
  "not-found": "Those days are not in this album any more.",
};

export const FIELD_NAME: Readonly<Record<PlanField, string>> = { title: "Title", prompt: "Prompt", note: "Note" };

/** Why rows were passed over, after “Row 4:” or “Rows 4, 5:”. */
export const PASSED: Readonly<Record<PassedWhy, string>> = {
  "no-day": "no day is named",
  outside: "outside the album",
  twice: "of a day that an earlier row is of; the first counts",
  several: "of days that share a page, with something new on it: change that on the days",
  "too-long": "more than there is room for",
};
