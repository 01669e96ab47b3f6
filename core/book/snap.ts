import { inches, type Length, millimetres, ticks, type Unit } from "../measure/length.ts";
import { type Edges, type Rect, rect, rectOf, roomIn } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";

/** Lines that a piece's edges or middle are drawn to, each as what it is. */
export type SnapKind = "edge" | "centre" | "seam" | "margin" | "piece";
export type SnapLine = { readonly axis: "x" | "y"; readonly at: Length; readonly kind: SnapKind };

function linesOf(area: Rect, kind: SnapKind, centre: SnapKind | null): SnapLine[] {
  const line = (axis: "x" | "y", at: number, as: SnapKind): SnapLine => ({ axis, at: ticks(Math.round(at)), kind: as });
  return [
    line("x", area.x, kind),
    line("x", area.x + area.w, kind),
    line("y", area.y, kind),
    line("y", area.y + area.h, kind),
    ...(centre ? [line("x", area.x + area.w / 2, centre), line("y", area.y + area.h / 2, centre)] : []),
  ];
}

/** Everything on a side that a piece can be drawn to: the page's edges and middle, a margin, pockets' seams, other pieces. */
export function snapLines(page: Size, pockets: readonly Rect[], others: readonly Rect[], margin: Length): SnapLine[] {
  const inner = rect(margin, margin, Math.max(1, page.w - 2 * margin), Math.max(1, page.h - 2 * margin));
  return [
    ...linesOf(rectOf(page), "edge", "centre"),
    ...linesOf(inner, "margin", null),
    ...pockets.flatMap((pocket) => linesOf(pocket, "seam", "centre")),
    ...others.flatMap((other) => linesOf(other, "piece", null)),
  ];
}

export type Snapped = { readonly rect: Rect; readonly on: readonly SnapLine[] };

/** The step on which an album's pieces are laid: what a ruler at the trimmer shows. */
export const stepOf = (unit: Unit): Length => (unit === "inch" ? inches(1 / 16) : millimetres(1));

/**
 * Draws a moving piece to the nearest lines within `reach`, each axis by itself; edges count before the middle. Where no
 * line draws it, its left or upper edge comes to lie on the step.
 */
export function snap(moving: Rect, lines: readonly SnapLine[], reach: Length, step: Length): Snapped {
  const best = { x: null as { by: number; line: SnapLine } | null, y: null as { by: number; line: SnapLine } | null };
  for (const line of lines) {
    const [start, length] = line.axis === "x" ? [moving.x, moving.w] : [moving.y, moving.h];
    // A middle is drawn to middles only, so that nothing sticks halfway over a seam by accident.
    const own = line.kind === "centre" ? [start + Math.round(length / 2)] : [start, start + length];
    for (const edge of own) {
      const by = line.at - edge;
      const known = best[line.axis];
      if (Math.abs(by) <= reach && (!known || Math.abs(by) < Math.abs(known.by))) best[line.axis] = { by, line };
    }
  }
  return {
    rect: rect(
      best.x ? moving.x + best.x.by : onStep(moving.x, step),
      best.y ? moving.y + best.y.by : onStep(moving.y, step),
      moving.w,
      moving.h,
    ),
    on: [best.x?.line, best.y?.line].filter((line) => line !== undefined),
  };
}

const onStep = (at: number, step: number): number => Math.round(at / step) * step;

/** How far a piece is from each edge of its page. */
export const distances = (piece: Rect, page: Size): Edges => roomIn(rectOf(page), piece);
