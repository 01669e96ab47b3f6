import { type Size, turned } from "../measure/size.ts";
import { type CalendarDate, dayCount } from "../month/dates.ts";
import { assign, NEVER } from "./assign.ts";
import { AS_IT_COMES, frameFor, lostOf, type PictureFacts, pixelsPerInch, verdictOn } from "./crop.ts";

/** Which pictures a day's prints may be of: taken that day; or banked ahead for it too; or of any day of the year. */
export const PHOTO_RULES = ["that-day", "banked", "any"] as const;
export type PhotoRule = (typeof PHOTO_RULES)[number];
export const USUAL_RULE: PhotoRule = "banked";

/** A print that a page waits for. */
export type Wanted = {
  readonly id: string;
  /** The page it is on, in the order of pages, and the dates that page covers. */
  readonly page: number;
  readonly dates: readonly CalendarDate[];
  readonly print: Size;
  /** It may be turned where that saves the picture: no room of its shape is kept for it. */
  readonly canTurn: boolean;
};

export type Candidate = {
  readonly id: string;
  readonly facts: PictureFacts;
  readonly taken: CalendarDate | null;
  readonly banked: boolean;
  readonly star: boolean;
  /** The group of near-doubles it is one of, and its place in it by sharpness, 0 the sharpest. */
  readonly group: string | null;
  readonly rank: number;
  /** On a page of the album already. */
  readonly placed: boolean;
};

export type ProposeSettings = { readonly rule: PhotoRule; readonly twice: boolean };

/** What speaks for and against a picture for a wanted print: said to the keeper, and the parts of its cost. */
export type Why = {
  readonly date: "that-day" | "banked" | "other-day" | "no-date";
  readonly daysOff: number;
  readonly lost: number;
  readonly ppi: number;
  readonly star: boolean;
  readonly double: boolean;
  readonly again: boolean;
  /** The print is turned for it. */
  readonly turned: boolean;
};
export type Proposal = { readonly want: string; readonly photo: string; readonly cost: number; readonly why: Why };

/** A crop that takes more than a quarter of a picture is not proposed as settled. Common practice. */
const MUCH = 0.25;
export const losesMuch = ({ lost }: Pick<Why, "lost">): boolean => lost > MUCH;

/** A wanted print left empty costs as much as a picture that is wrong in every way but one; below that, something is better than nothing. */
export const EMPTY_COST = 120;

const RESOLUTION = { ample: 0, good: 4, just: 25, soft: 70 } as const;

/** How a picture fits a print, whatever the day. */
type Fit = { readonly lost: number; readonly ppi: number; readonly turned: boolean };
function fitOf({ facts }: Candidate, { print, canTurn }: Pick<Wanted, "print" | "canTurn">): Fit {
  const lying = (size: Size, isTurned: boolean): Fit => ({
    lost: lostOf(frameFor(facts, size, AS_IT_COMES)).area,
    ppi: pixelsPerInch(facts, size, AS_IT_COMES),
    turned: isTurned,
  });
  const asItIs = lying(print, false);
  const other = canTurn ? lying(turned(print), true) : asItIs;
  return other.lost < asItIs.lost ? other : asItIs;
}

/** A wanted print and a picture, with what was worked out for them once because it is the same for many pairs. */
type Pair = {
  readonly photo: Candidate;
  readonly fit: Fit;
  /** The wanted print's dates and the day the picture was taken, counted in days. */
  readonly days: readonly number[];
  readonly taken: number | null;
};

/** The cost of a picture for a wanted print and what it is made of; null when the album's rule forbids it. From memory. */
function priceOf({ photo, fit, days, taken }: Pair, settings: ProposeSettings): { cost: number; why: Why } | null {
  if (photo.placed && !settings.twice) return null;
  const off =
    taken === null ? 0 : days.reduce((least, day) => Math.min(least, Math.abs(day - taken)), Number.MAX_VALUE);
  const date: Why["date"] =
    taken !== null && off === 0 ? "that-day" : photo.banked ? "banked" : taken !== null ? "other-day" : "no-date";
  if (date !== "that-day" && settings.rule === "that-day") return null;
  if (date !== "that-day" && date !== "banked" && settings.rule === "banked") return null;
  const { lost, ppi, turned: isTurned } = fit;
  const dateCost = { "that-day": 0, banked: 30, "other-day": 25 + Math.min(50, off * 2), "no-date": 40 }[date];
  const cost =
    dateCost +
    Math.round(lost * 100) +
    RESOLUTION[verdictOn(ppi)] +
    (photo.star ? 0 : 12) +
    Math.min(3, photo.rank) * 15 +
    (photo.placed ? 40 : 0);
  const { star, placed: again } = photo;
  const why: Why = { date, daysOff: off, lost, ppi, star, double: photo.rank > 0, again, turned: isTurned };
  return { cost, why };
}

/** Every wanted print with every picture. A picture is laid once into each size of print, however many are of that size. */
export function weighAll(
  wanted: readonly Wanted[],
  photos: readonly Candidate[],
  settings: ProposeSettings,
): ({ cost: number; why: Why } | null)[][] {
  const taken = photos.map((photo) => (photo.taken === null ? null : dayCount(photo.taken)));
  const fits = new Map<string, Fit[]>();
  return wanted.map((want) => {
    const { print, canTurn, dates } = want;
    const size = `${print.w} ${print.h} ${canTurn}`;
    const known = fits.get(size) ?? photos.map((photo) => fitOf(photo, want));
    fits.set(size, known);
    const days = dates.map(dayCount);
    return photos.map((photo, at) =>
      priceOf({ photo, days, fit: known[at] ?? fitOf(photo, want), taken: taken[at] ?? null }, settings),
    );
  });
}

/** Near-doubles on one page or on neighbours look like a mistake. */
const TOO_NEAR = 1;

/** How often near-doubles are parted and everything weighed anew; after that, those still too near are left out. */
const MOST_ROUNDS = 24;

/**
 * The columns that can be of use: for each row as many of its cheapest as there are rows, since the others can take no
 * more than all but one of them.
 */
function usefulColumns(cost: readonly (readonly number[])[]): number[] {
  const useful = new Set<number>();
  for (const row of cost) {
    const dearest = new Float64Array(row).sort()[cost.length - 1] ?? NEVER;
    let ties = cost.length - row.filter((each) => each < dearest).length;
    for (const [column, each] of row.entries())
      if (Number.isFinite(each) && (each < dearest || (each === dearest && ties-- > 0))) useful.add(column);
  }
  return [...useful].sort((one, other) => one - other);
}

/** The cheapest pictures for a wanted print that are proposed for none, the cheapest first. */
function nextBest(
  want: Wanted,
  row: readonly ({ cost: number; why: Why } | null)[],
  photos: readonly Candidate[],
  proposed: ReadonlySet<string>,
  most: number,
): Proposal[] {
  const best: Proposal[] = [];
  for (const [at, each] of row.entries()) {
    const photo = photos[at];
    if (!each || !photo || proposed.has(photo.id)) continue;
    const place = best.findIndex(({ cost }) => cost > each.cost);
    if (place < 0 && best.length >= most) continue;
    best.splice(place < 0 ? best.length : place, 0, { want: want.id, photo: photo.id, ...each });
    if (best.length > most) best.pop();
  }
  return best;
}

/** How many others are told for each print beside the one that is proposed. */
const OTHERS = 4;

/**
 * Gives every waiting print a picture at the least total cost, and tells the next best of each. Near-doubles that would come to lie on one page or on
 * neighbouring ones are parted: the dearer of the two pairings is ruled out and everything is weighed anew.
 */
export function propose(
  wanted: readonly Wanted[],
  photos: readonly Candidate[],
  settings: ProposeSettings,
): { proposals: Proposal[]; empty: string[]; others: ReadonlyMap<string, readonly Proposal[]> } {
  const weighed = weighAll(wanted, photos, settings);
  const costs = weighed.map((row) => row.map((each) => (each && each.cost < EMPTY_COST ? each.cost : NEVER)));
  const columns = usefulColumns(costs);
  const chosen = columns.flatMap((column) => photos[column] ?? []);
  // Leaving a wanted print empty is a column of its own, one for each.
  const cost = costs.map((row) => [...columns.map((column) => row[column] ?? NEVER), ...wanted.map(() => EMPTY_COST)]);
  let given = assign(cost);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const clashes = nearDoublesIn(wanted, chosen, given, cost);
    if (clashes.length === 0) break;
    for (const { row, column } of clashes) {
      const prices = cost[row];
      if (prices) prices[column] = NEVER;
    }
    given = assign(cost);
  }
  for (const { row } of nearDoublesIn(wanted, chosen, given, cost)) given[row] = null;
  const proposals = given.flatMap((at, row): Proposal[] => {
    const [want, column] = [wanted[row], at === null ? undefined : columns[at]];
    const photo = column === undefined ? undefined : photos[column];
    const each = column === undefined ? null : weighed[row]?.[column];
    return want && photo && each ? [{ want: want.id, photo: photo.id, ...each }] : [];
  });
  const filled = new Set(proposals.map(({ want }) => want));
  const proposed = new Set(proposals.map(({ photo }) => photo));
  return {
    proposals,
    empty: wanted.flatMap(({ id }) => (filled.has(id) ? [] : [id])),
    others: new Map(wanted.map((want, at) => [want.id, nextBest(want, weighed[at] ?? [], photos, proposed, OTHERS)])),
  };
}

/** The dearer half of every pair of near-doubles given to one page or neighbours; no half twice. */
function nearDoublesIn(
  wanted: readonly Wanted[],
  photos: readonly Candidate[],
  given: readonly (number | null)[],
  cost: readonly (readonly number[])[],
): { row: number; column: number }[] {
  const groups = new Map<string, { row: number; column: number; page: number; price: number }[]>();
  for (const [row, column] of given.entries()) {
    const group = column === null ? null : photos[column]?.group;
    if (column === null || !group) continue;
    const one = { row, column, page: wanted[row]?.page ?? 0, price: cost[row]?.[column] ?? 0 };
    groups.set(group, [...(groups.get(group) ?? []), one]);
  }
  // The cheapest of a group stays; any that lies too near one that stays has to go.
  return [...groups.values()].flatMap((members) => {
    const staying: number[] = [];
    return [...members]
      .sort((one, other) => one.price - other.price)
      .filter(({ page }) => {
        const tooNear = staying.some((other) => Math.abs(other - page) <= TOO_NEAR);
        if (!tooNear) staying.push(page);
        return tooNear;
      })
      .map(({ row, column }) => ({ row, column }));
  });
}
