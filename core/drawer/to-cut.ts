import { inches, type Length } from "../measure/length.ts";
import { areaOf } from "../measure/rect.ts";
import { type Size, size, turned } from "../measure/size.ts";
import { type CutSheet, type CuttingPlan, planCutting, type ToCut } from "./cutting-plan.ts";
import { isSheet } from "./stock.ts";
import type { KeptThing } from "./thing.ts";
import type { Use } from "./uses.ts";

/** A piece of a page that was cut out: a base where it has no side. */
export type CutOut = Pick<Use, "leaf" | "face" | "piece">;

/** One paper and everything that is still to be cut of it, on what there is of it. */
export type PaperPlan<P> = CuttingPlan & {
  readonly name: string;
  /** Its pattern has a top, so nothing is turned. */
  readonly hasTop: boolean;
  readonly oneSided: boolean;
  /** Some of its sheets keep a motif: what is too large beside that might go with it. */
  readonly keepsMotif: boolean;
  /** What each piece of the plan is, by its id. */
  readonly uses: ReadonlyMap<string, Use<P>>;
};

/** Papers of one name are one paper: whole sheets, and what was left of some. */
const paperOf = ({ kind, name }: Pick<KeptThing, "kind" | "name">): string =>
  `${kind} ${name.trim().toLocaleLowerCase("en")}`;

/** What a use is called in a plan, each of its layers, and each blank, for itself. */
const cutsOf = (use: Use, at: number, hasTop: boolean): ToCut[] =>
  Array.from({ length: use.layers }, () => use.blanks ?? [use.size])
    .flat()
    .map((made, nth) => ({
      id: `${at}-${nth}`,
      // Upright as it will lie, where the pattern has a top.
      size: hasTop && use.across ? turned(made) : made,
    }));

/** What is still to be cut of each paper of the drawer, and how. What is cut already, or used, is not. */
export function papersToCut<P>(things: readonly KeptThing[], uses: readonly Use<P>[], step: Length): PaperPlan<P>[] {
  const sheets = things.filter(isSheet);
  return [...new Set(sheets.map(paperOf))].flatMap((paper): PaperPlan<P>[] => {
    const family = sheets.filter((each) => paperOf(each) === paper);
    const ids = new Set(family.map(({ id }) => id));
    const open = uses.filter((use) => ids.has(use.thing) && !use.cut && !use.used);
    const [first] = [...family].sort((a, b) => areaOf(b.size ?? NOWHERE) - areaOf(a.size ?? NOWHERE));
    if (open.length === 0 || !first) return [];
    const hasTop = family.some((each) => each.hasTop);
    const plan = planCutting({
      sheets: family.flatMap(({ id, size: made, count, motif }) =>
        made ? [{ thing: id, size: made, count, motif }] : [],
      ),
      cuts: open.flatMap((use, at) => cutsOf(use, at, hasTop)),
      canTurn: !hasTop,
      step,
    });
    const named = open.flatMap((use, at) => cutsOf(use, at, hasTop).map(({ id }) => [id, use] as const));
    return [
      {
        ...{ ...plan, name: first.name, hasTop, oneSided: family.some((each) => each.oneSided) },
        keepsMotif: family.some(({ motif, count }) => motif !== null && count > 0),
        uses: new Map(named),
      },
    ];
  });
}
const NOWHERE = { w: 0, h: 0 } as Size;

/** The uses that a sheet finishes: those whose last layer comes of it, and of no sheet after it. */
export function finishedBy<P>({ sheets, uses }: PaperPlan<P>, sheet: CutSheet): Use<P>[] {
  const later = new Set(
    sheets.slice(sheets.indexOf(sheet) + 1).flatMap(({ pieces }) => pieces.map(({ id }) => uses.get(id))),
  );
  const here = new Set(sheet.pieces.map(({ id }) => uses.get(id)));
  return [...here].flatMap((use) => (use && !later.has(use) ? [use] : []));
}

/** Small things that remainders become: a card of 3 × 4, a tag of 2 × 4. Common practice. */
const SMALL = [size(inches(3), inches(4)), size(inches(2), inches(4))] as const;
/** Narrower than this a remainder is a strip nobody keeps. */
const LEAST_KEPT = inches(1);

export const isWorthKeeping = ({ w, h }: Size): boolean => Math.min(w, h) >= LEAST_KEPT;

/** What a remainder makes as it is: so many cards, or else tags, upright or all turned; null where it makes none. */
export function makes({ w, h }: Size): { readonly size: Size; readonly count: number } | null {
  for (const small of SMALL) {
    const rows = (a: number, b: number) => Math.floor(a / small.w) * Math.floor(b / small.h);
    const count = Math.max(rows(w, h), rows(h, w));
    if (count > 0) return { size: small, count };
  }
  return null;
}
