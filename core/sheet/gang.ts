import { MOST_ACROSS, readPrintOf, type Tile, tileAt, writePrintOf } from "../album/tiles.ts";
import { inches, type Length, millimetres, ticks } from "../measure/length.ts";
import { type Rect, rect, sizeOf } from "../measure/rect.ts";
import { type Size, sameSize, size } from "../measure/size.ts";
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
  /** Cuts are laid at whole numbers of this from where they are measured, wherever a print's own size lets them. */
  readonly step: Length;
};

/** Cuts may be laid to a sixteenth of an inch or to half a millimetre, as rulers and trimmers are marked; or anywhere. */
export const CUT_STEPS = {
  sixteenth: inches(1 / 16),
  "half-millimetre": millimetres(0.5),
  anywhere: ticks(1),
} as const;
export type CutStepName = keyof typeof CUT_STEPS;

/** A print on its sheet, from the paper's left upper corner; `spare` ones are insurance against a mis-cut. */
export type GangedPrint = { readonly id: string; readonly at: Rect; readonly turned: boolean; readonly spare: boolean };

export type GangedSheet = {
  readonly paper: Size;
  readonly prints: readonly GangedPrint[];
  /** What is left over of the printable part. */
  readonly waste: readonly Rect[];
  readonly cuts: readonly CutStep[];
};

const areasOf = ({ papers }: GangSettings) => papers.map(({ printable }) => ({ area: sizeOf(printable) }));

/** The wishes by their sizes: so many of each, in the order in which the sizes first come. */
function bySize(wishes: readonly PrintWish[], canTurn: boolean): Wanted[] {
  const wanted: { size: Size; count: number; canTurn: boolean }[] = [];
  for (const { size } of wishes) {
    const same = wanted.find((each) => sameSize(each.size, size));
    if (same) same.count += 1;
    else wanted.push({ size, count: 1, canTurn });
  }
  return wanted;
}

const fitsSome = (each: Wanted, papers: readonly { readonly area: Size }[]): boolean =>
  papers.some(({ area }) => waysOf(each).some((turn) => fits(printed(each, turn), area)));

/**
 * The paper that a print takes: its size, up to the next line of the grid that cuts are laid on. What is over is cut off as
 * waste. A print that only just fits a paper takes no more than itself.
 */
function roomFor(each: Wanted, settings: GangSettings): Wanted {
  const up = (length: Length) => ticks(Math.ceil(length / settings.step) * settings.step);
  const room = { ...each, size: size(up(each.size.w), up(each.size.h)) };
  return fitsSome(room, areasOf(settings)) ? room : each;
}

/** Wishes as the packing counts them: so many of each size, each with the paper it takes. */
export function taskOf(wishes: readonly PrintWish[], settings: GangSettings): PackTask {
  const wanted = bySize(wishes, settings.canTurn).map((each) => roomFor(each, settings));
  return { wanted, papers: areasOf(settings), gap: settings.gap };
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
  const papers = areasOf(settings);
  const fitting: T[] = [];
  const tooLarge: (T & TooLarge)[] = [];
  for (const wish of wishes) {
    const each: Wanted = { size: wish.size, count: 1, canTurn: settings.canTurn };
    if (fitsSome(each, papers)) {
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
  const { wanted: rooms, gap } = taskOf(wishes, settings);
  const wanted = bySize(wishes, settings.canTurn);
  const waiting = wanted.map(({ size }) => wishes.filter((wish) => sameSize(wish.size, size)));
  const sizes = new Map(spares.map((spare) => [spare.id, spare]));
  const offered = spares.map((spare) => ({ ...spare, size: roomFor({ ...spare, count: 1 }, settings).size }));
  // Sheets on which the earliest wishes' sizes are come first; fuller sheets before the one with room to spare.
  const inOrder = [...plan.sheets].sort((a, b) => sum(b.counts, wanted) - sum(a.counts, wanted));
  return inOrder.flatMap((sheet) => {
    const paper = settings.papers[sheet.paper];
    if (!paper) return [];
    const { printable } = paper;
    const filled = withSpares(sheet.root, sizeOf(printable), rooms, offered, gap);
    for (const id of filled.used)
      offered.splice(
        offered.findIndex((spare) => spare.id === id),
        1,
      );
    // What lies on the paper takes its own size of the room that was kept for it.
    const laidOut = [
      ...wanted,
      ...filled.used.flatMap((id): Wanted[] => {
        const spare = sizes.get(id);
        return spare ? [{ ...spare, count: 1 }] : [];
      }),
    ];
    const whole = wholePaper(filled.root, paper.size, printable, laidOut);
    const laid = layOut(whole, rect(0, 0, paper.size.w, paper.size.h), laidOut);
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
        waste: restOf(filled.root, printable, laidOut),
        cuts: cutList(whole, paper.size, settings.step),
      },
    ];
  });
}

const sum = (counts: readonly number[], wanted: readonly Wanted[]): number =>
  counts.reduce((area, count, type) => area + count * (wanted[type]?.size.w ?? 0) * (wanted[type]?.size.h ?? 0), 0);

const restOf = (root: Region, printable: Rect, wanted: readonly Wanted[]): Rect[] =>
  layOut(root, printable, wanted).waste;
