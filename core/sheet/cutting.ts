import { type Length, ticks } from "../measure/length.ts";
import { type Rect, rect, rectOf } from "../measure/rect.ts";
import { type Size, size } from "../measure/size.ts";
import { type Region, WASTE, type Wanted } from "./pack/task.ts";
import { halves, tidied } from "./pack/tidy.ts";

/** What one side of a cut is: a finished print (by its number on the sheet), paper to cut on, or waste. */
export type CutPart =
  | { readonly kind: "print"; readonly print: number }
  | { readonly kind: "cut-on"; readonly prints: readonly number[] }
  | { readonly kind: "waste" };

/**
 * One straight cut from edge to edge of the piece in hand. The measure is taken from the edge whose part is kept, so that
 * what is measured is what is wanted, unless it can be set from the other edge only: `from` says which edge lies at the
 * rule, `measure` how far from it the blade is.
 */
export type CutStep = {
  readonly piece: Rect;
  readonly axis: "x" | "y";
  /** The line on the sheet: its x for a cut down it, its y for a cut across. */
  readonly line: Length;
  readonly from: "left" | "right" | "top" | "bottom";
  readonly measure: Length;
  readonly first: CutPart;
  readonly second: CutPart;
};

/** How a whole paper is divided: the printer's white edge first, then the sheet's own cuts, none twice. */
export function wholePaper(root: Region, paper: Size, printable: Rect, wanted: readonly Wanted[]): Region {
  const rest = size(ticks(paper.w - printable.x), ticks(paper.h - printable.y));
  const inner = tidied(root, rest, wanted);
  const below: Region =
    printable.y > 0 ? { kind: "cut", axis: "y", at: printable.y, first: WASTE, second: inner } : inner;
  return printable.x > 0 ? { kind: "cut", axis: "x", at: printable.x, first: WASTE, second: below } : below;
}

/** Prints of a region in the order they are met, which is how they are numbered on their sheet. */
const countPrints = (region: Region): number =>
  region.kind === "print" ? 1 : region.kind === "cut" ? countPrints(region.first) + countPrints(region.second) : 0;

const range = (from: number, count: number) => Array.from({ length: count }, (_, at) => from + at);

function partOf(region: Region, from: number): CutPart {
  if (region.kind === "waste") return { kind: "waste" };
  if (region.kind === "print") return { kind: "print", print: from };
  return { kind: "cut-on", prints: range(from, countPrints(region)) };
}

/**
 * The cuts of a sheet in the order they are made: a piece is cut until nothing of it is left to cut before the next one
 * is taken up, so that few pieces lie about. A measure that is not a whole number of `step`s, as from the edge of a print
 * that is none, is taken from the other edge where it is one from there.
 */
export function cutList(whole: Region, paper: Size, step: Length): CutStep[] {
  const steps: CutStep[] = [];
  const walk = (region: Region, piece: Rect, from: number): void => {
    if (region.kind !== "cut") return;
    const { axis, at, first, second } = region;
    const inFirst = countPrints(first);
    const across = axis === "x" ? piece.w : piece.h;
    const other = ticks(across - at);
    const keepsSecond = first.kind === "waste";
    const turns = (keepsSecond ? other : at) % step !== 0 && (keepsSecond ? at : other) % step === 0;
    const fromSecond = keepsSecond !== turns;
    steps.push({
      piece,
      axis,
      line: ticks((axis === "x" ? piece.x : piece.y) + at),
      from: axis === "x" ? (fromSecond ? "right" : "left") : fromSecond ? "bottom" : "top",
      measure: fromSecond ? other : at,
      first: partOf(first, from),
      second: partOf(second, from + inFirst),
    });
    const [one, two] = halves(region, piece);
    walk(first, one, from);
    walk(second, two, from + inFirst);
  };
  walk(whole, rectOf(paper), 0);
  return steps;
}

/** A print offered room that is left over: of which size, and what it stands for. */
export type Spare = { readonly id: string; readonly size: Size; readonly canTurn: boolean };

/**
 * Offers what is left of a sheet to spares, in the order given, each once: the first that fits the largest rest goes in.
 * Returns the region with them laid and which went where, numbered as `wanted` with the spares after it.
 */
export function withSpares(
  root: Region,
  area: Size,
  wanted: readonly Wanted[],
  spares: readonly Spare[],
  gap: Length,
): { root: Region; wanted: Wanted[]; used: string[] } {
  const all: Wanted[] = [...wanted];
  const used: string[] = [];
  const left = [...spares];
  const fill = (free: Rect): Region => {
    // A gap is kept to whatever lies beside the rest; none to the edge of the printable part.
    const keep = (isEdge: boolean) => (isEdge ? 0 : gap);
    const [before, above] = [keep(free.x === 0), keep(free.y === 0)];
    const [after, below] = [keep(free.x + free.w >= area.w), keep(free.y + free.h >= area.h)];
    for (const [at, spare] of left.entries()) {
      const ways = spare.canTurn && spare.size.w !== spare.size.h ? [false, true] : [false];
      for (const turned of ways) {
        const made = turned ? size(spare.size.h, spare.size.w) : spare.size;
        if (made.w > free.w - before - after || made.h > free.h - above - below) continue;
        left.splice(at, 1);
        used.push(spare.id);
        all.push({ size: spare.size, count: 1, canTurn: spare.canTurn });
        const print: Region = { kind: "print", type: all.length - 1, turned };
        const inner = rect(free.x + before, free.y + above, free.w - before, free.h - above);
        const [right, under] = [inner.w - made.w, inner.h - made.h];
        const column: Region =
          under > 0
            ? {
                kind: "cut",
                axis: "y",
                at: made.h,
                first: print,
                second: fill(rect(inner.x, inner.y + made.h, made.w, under)),
              }
            : print;
        const whole: Region =
          right > 0
            ? {
                kind: "cut",
                axis: "x",
                at: made.w,
                first: column,
                second: fill(rect(inner.x + made.w, inner.y, right, inner.h)),
              }
            : column;
        return cutOff("x", before, cutOff("y", above, whole));
      }
    }
    return WASTE;
  };
  const walk = (region: Region, at: Rect): Region => {
    if (region.kind === "waste") return fill(at);
    if (region.kind === "print") return region;
    const [one, two] = halves(region, at);
    return { ...region, first: walk(region.first, one), second: walk(region.second, two) };
  };
  return { root: walk(root, rectOf(area)), wanted: all, used };
}

/** A region with a strip of waste before it. */
const cutOff = (axis: "x" | "y", at: number, region: Region): Region =>
  at > 0 ? { kind: "cut", axis, at: ticks(at), first: WASTE, second: region } : region;
