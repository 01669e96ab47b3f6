import type { BookPage } from "../book/read.ts";
import { type Micrometres, micrometres } from "../material/material.ts";
import { overlap, type Rect, rect } from "../measure/rect.ts";
import { greatest, liesAt, type Patch, type Spot, stretchesOf } from "./heights.ts";
import type { Layer } from "./layers.ts";

/** Where a place is on the closed book, seen from above with its hinge on the left. */
export type Part = {
  readonly across: "hinge" | "middle" | "edge";
  readonly down: "upper" | "middle" | "lower";
};

/** A place where pieces pile up, the dearest of them first. */
export type Peak<P extends BookPage = BookPage> = {
  readonly spot: Spot;
  readonly part: Part;
  readonly pieces: readonly Layer<P>[];
  /** What the pieces alone make of it, without the leaves. */
  readonly thick: Micrometres;
};

/** Pieces that together are lower than this pile up nowhere. */
const LEAST_PEAK = 1000;
const MOST_PEAKS = 4;

const thirds = <T>(at: number, from: number, long: number, [a, b, c]: readonly [T, T, T]): T =>
  at < from + long / 3 ? a : at < from + (2 * long) / 3 ? b : c;

export const partOf = ({ x, y }: Pick<Spot, "x" | "y">, area: Rect): Part => ({
  across: thirds(x, area.x, area.w, ["hinge", "middle", "edge"] as const),
  down: thirds(y, area.y, area.h, ["upper", "middle", "lower"] as const),
});

/** Where pieces pile up: the highest place first, then the highest that is left when its pieces are thought away, and so on. */
export function peaksOf<P extends BookPage>(layers: readonly Layer<P>[], area: Rect): Peak<P>[] {
  const peaks: Peak<P>[] = [];
  let left = [...layers];
  while (peaks.length < MOST_PEAKS) {
    const spot = greatest(left);
    if (!spot) break;
    const pieces = left
      .filter((layer) => layer.piece !== null && liesAt(layer, spot))
      .sort((a, b) => b.thick - a.thick);
    const thick = micrometres(pieces.reduce((sum, each) => sum + each.thick, 0));
    if (thick < LEAST_PEAK) break;
    peaks.push({ spot, part: partOf(spot, area), pieces, thick });
    left = left.filter((layer) => !pieces.includes(layer));
  }
  return peaks;
}

/** Where all of a book lies: the smallest rectangle round it; null in an empty one. */
export function areaOfBook(patches: readonly Patch[]): Rect | null {
  if (patches.length === 0) return null;
  const [left, top] = [Math.min(...patches.map(({ at }) => at.x)), Math.min(...patches.map(({ at }) => at.y))];
  const right = Math.max(...patches.map(({ at }) => at.x + at.w));
  const bottom = Math.max(...patches.map(({ at }) => at.y + at.h));
  return rect(left, top, right - left, bottom - top);
}

/** One field of the book seen from above, and the most that lies anywhere in it. */
export type Field = { readonly at: Rect; readonly height: Micrometres };

/** The book seen from above in fields, each with the most that lies anywhere in it; a round piece counts as its square. */
export function fieldsOf(patches: readonly Patch[], area: Rect, columns: number, rows: number): Field[] {
  const edge = (from: number, long: number, part: number, parts: number) => from + Math.floor((long * part) / parts);
  return Array.from({ length: rows * columns }, (_, nth): Field => {
    const [column, row] = [nth % columns, Math.floor(nth / columns)];
    const [x, y] = [edge(area.x, area.w, column, columns), edge(area.y, area.h, row, rows)];
    const at = rect(x, y, edge(area.x, area.w, column + 1, columns) - x, edge(area.y, area.h, row + 1, rows) - y);
    const within = patches.flatMap(({ at: lies, thick }) => {
      const shared = overlap(lies, at);
      return shared ? [{ at: shared, round: false, thick }] : [];
    });
    return { at, height: micrometres(Math.max(0, ...stretchesOf(within).map(({ most }) => most))) };
  });
}
