import { datedAs } from "#app/wording/dates.ts";
import { RING_NAME, RING_STATE } from "#app/wording/day.ts";
import { fullness, RINGS } from "#core/album/steps.ts";
import { type StateCode, stateAt, stateNamed } from "./states.ts";

/** One page's worth of days in one line: all that the strip, the dial and the list need to draw it. */
export type PageRow = {
  /** The first of its days, and its date, by which it is addressed. */
  readonly dayId: string;
  readonly date: string;
  /** The dates that share its page with the first, most often none. */
  readonly also: readonly string[];
  readonly label: string;
  readonly title: string;
  readonly states: StateCode;
  readonly skipped: boolean;
};

export const datesOn = (row: PageRow): number => 1 + row.also.length;
export const isInBook = (row: PageRow): boolean => stateAt(row.states, 4) === "d";

/** Share of the page that is done, 0 to 1. */
export const fullnessOf = ({ states }: PageRow): number => {
  const [prompt, photos, words, paper, book] = RINGS.map((_, at) => stateNamed(states, at)) as [
    never,
    never,
    never,
    never,
    never,
  ];
  return fullness({ prompt, photos, words, paper, book });
};

/** `9, Wed 9 Dec, First snow on the shed`: numbers are not always the dates, and past days are looked for by theirs. */
export const nameOf = ({ label, date, also, title }: PageRow): string =>
  [label, datedAs([date, ...also]), title].filter((part) => part !== "").join(", ");

/** A page and how far it is, for a tooltip. */
export const briefly = (row: PageRow): string =>
  row.skipped
    ? `${nameOf(row)}, skipped`
    : isInBook(row)
      ? `${nameOf(row)}, in the book`
      : `${nameOf(row)}, ${Math.round(fullnessOf(row) * 100)} per cent`;

/** A page and its five rings, for a reader. */
export const spoken = (row: PageRow): string =>
  row.skipped
    ? `${nameOf(row)}: skipped`
    : `${nameOf(row)}: ${RINGS.map((ring, at) => `${RING_NAME[ring].toLowerCase()} ${RING_STATE[stateNamed(row.states, at)]}`).join(", ")}`;
