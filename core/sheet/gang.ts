import { MOST_ACROSS, readPrintOf, type Tile, tileAt, writePrintOf } from "../album/tiles.ts";
import type { Length } from "../measure/length.ts";
import { type Rect, rect, sizeOf } from "../measure/rect.ts";
import { type Size, sameSize } from "../measure/size.ts";
import { type CutStep, cutList, type Spare, wholePaper, withSpares } from "./cutting.ts";
import {
  fits,
  largestThatFits,
  type PackPlan,
  type PackTask,
  printed,
  type Region,
  type Wanted,
  waysOf,
} from "./pack/task.ts";
import { layOut } from "./pack/tidy.ts";

/** One print wanted: what it is of (see `writePrintOf`), and how large. */
export type PrintWish = { readonly id: string; readonly size: Size };

export type GangSettings = {
  /** Papers with the part of each that takes prints. */
  readonly papers: readonly { readonly size: Size; readonly printable: Rect }[];
  readonly gap: Length;
  readonly canTurn: boolean;
};

/** A print on its sheet, from the paper's left upper corner; `spare` ones are insurance against a mis-cut. */
export type GangedPrint = { readonly id: string; readonly at: Rect; readonly turned: boolean; readonly spare: boolean };

export type GangedSheet = {
  readonly paper: Size;
  readonly prints: readonly GangedPrint[];
  /** What is left over of the printable part. */
  readonly waste: readonly Rect[];
  readonly cuts: readonly CutStep[];
};

/** Wishes as the packing counts them: so many of each size, in the order in which the sizes first come. */
export function taskOf(wishes: readonly PrintWish[], { papers, gap, canTurn }: GangSettings): PackTask {
  const wanted: { size: Size; count: number; canTurn: boolean }[] = [];
  for (const { size } of wishes) {
    const same = wanted.find((each) => sameSize(each.size, size));
    if (same) same.count += 1;
    else wanted.push({ size, count: 1, canTurn });
  }
  return { wanted, papers: papers.map(({ printable }) => ({ area: sizeOf(printable) })), gap };
}

export type TooLarge = PrintWish & {
  readonly largest: Size;
  /** How many pieces a print must be made in, side by side and one above the other, to fit the papers. */
  readonly tiles: { readonly across: number; readonly down: number };
};

/** The wishes that no paper takes, with the largest print that fits and the tiles it would take; the rest go on. */
export function sortByFit<T extends PrintWish>(
  wishes: readonly T[],
  settings: GangSettings,
): { fitting: T[]; tooLarge: (T & TooLarge)[] } {
  const { papers } = taskOf([], settings);
  const fitting: T[] = [];
  const tooLarge: (T & TooLarge)[] = [];
  for (const wish of wishes) {
    const each: Wanted = { size: wish.size, count: 1, canTurn: settings.canTurn };
    if (papers.some(({ area }) => waysOf(each).some((turn) => fits(printed(each, turn), area)))) {
      fitting.push(wish);
      continue;
    }
    const ways = papers.flatMap(({ area }) =>
      waysOf(each).map((turn) => {
        const made = printed(each, turn);
        const tiles = { across: Math.ceil(made.w / area.w), down: Math.ceil(made.h / area.h) };
        return turn ? { across: tiles.down, down: tiles.across } : tiles;
      }),
    );
    const fewest = ways.reduce((a, b) => (b.across * b.down < a.across * a.down ? b : a));
    tooLarge.push({ ...wish, largest: largestThatFits(wish.size, papers, settings.canTurn), tiles: fewest });
  }
  return { fitting, tooLarge };
}

/** Whether a print can be made in the parts that the papers would take: it is no part itself, and they are not too many. */
export const canBeParted = ({ id, tiles }: TooLarge): boolean =>
  readPrintOf(id)?.tile === null && Math.max(tiles.across, tiles.down) <= MOST_ACROSS;

/** A wish as the parts it is made in. */
export const inParts = <T extends PrintWish>(wish: T, tiles: readonly Tile[]): T[] =>
  tiles.map((tile) => ({
    ...wish,
    id: writePrintOf({ id: wish.id, tile }),
    size: sizeOf(tileAt(wish.size, tile)),
  }));

/** Which wish each print of each sheet is: the first wishes on the first sheets, sizes as the plan has them. */
export function gangSheets(
  plan: PackPlan,
  wishes: readonly PrintWish[],
  settings: GangSettings,
  spares: readonly Spare[],
): GangedSheet[] {
  const { wanted, gap } = taskOf(wishes, settings);
  const waiting = wanted.map(({ size }) => wishes.filter((wish) => sameSize(wish.size, size)));
  const offered = [...spares];
  // Sheets on which the earliest wishes' sizes are come first; fuller sheets before the one with room to spare.
  const inOrder = [...plan.sheets].sort((a, b) => sum(b.counts, wanted) - sum(a.counts, wanted));
  return inOrder.flatMap((sheet) => {
    const paper = settings.papers[sheet.paper];
    if (!paper) return [];
    const { printable } = paper;
    const filled = withSpares(sheet.root, sizeOf(printable), wanted, offered, gap);
    for (const id of filled.used)
      offered.splice(
        offered.findIndex((spare) => spare.id === id),
        1,
      );
    const whole = wholePaper(filled.root, paper.size, printable, filled.wanted);
    const laid = layOut(whole, rect(0, 0, paper.size.w, paper.size.h), filled.wanted);
    const prints = laid.prints.map(({ type, turned, at }): GangedPrint => {
      const spare = filled.used[type - wanted.length];
      if (spare !== undefined) return { id: spare, at, turned, spare: true };
      const wish = waiting[type]?.shift();
      if (!wish) throw new Error("a sheet carries a print that nobody wants");
      return { id: wish.id, at, turned, spare: false };
    });
    return [
      {
        paper: paper.size,
        prints,
        waste: restOf(filled.root, printable, filled.wanted),
        cuts: cutList(whole, paper.size),
      },
    ];
  });
}

const sum = (counts: readonly number[], wanted: readonly Wanted[]): number =>
  counts.reduce((area, count, type) => area + count * (wanted[type]?.size.w ?? 0) * (wanted[type]?.size.h ?? 0), 0);

const restOf = (root: Region, printable: Rect, wanted: readonly Wanted[]): Rect[] =>
  layOut(root, printable, wanted).waste;
