import { type Length, ticks } from "../measure/length.ts";
import type { Size } from "../measure/size.ts";

export type Rect = { readonly x: Length; readonly y: Length; readonly w: Length; readonly h: Length };

/** One row of a pocket page: its share of the height, and how many pockets stand side by side in it. */
type Row = { readonly share: number; readonly columns: number };

/** A usual arrangement of pockets. Common practice. */
export type PocketLayout = { readonly id: string; readonly name: string; readonly rows: readonly Row[] };

const row = (columns: number, share = 1): Row => ({ share, columns });

export const POCKET_LAYOUTS: readonly PocketLayout[] = [
  { id: "four", name: "Four pockets, two by two", rows: [row(2), row(2)] },
  { id: "one-over-two", name: "One pocket over two", rows: [row(1), row(2)] },
  { id: "two-over-one", name: "Two pockets over one", rows: [row(2), row(1)] },
  { id: "two-rows", name: "Two pockets, one over the other", rows: [row(1), row(1)] },
  { id: "two-columns", name: "Two tall pockets", rows: [row(2)] },
  { id: "one-over-six", name: "One pocket over two rows of three", rows: [row(1, 2), row(3), row(3)] },
  { id: "twelve", name: "Twelve small pockets", rows: [row(3), row(3), row(3), row(3)] },
  { id: "one", name: "One pocket", rows: [row(1)] },
];

export const layoutById = (id: string | null): PocketLayout | undefined =>
  POCKET_LAYOUTS.find((layout) => layout.id === id);

/** Cuts `total` into shares that add up to it exactly. */
function cut(total: Length, shares: readonly number[]): Length[] {
  const whole = shares.reduce((sum, share) => sum + share, 0);
  let before = 0;
  let edge = 0;
  return shares.map((share) => {
    before += share;
    const next = Math.round((total * before) / whole);
    const part = next - edge;
    edge = next;
    return ticks(part);
  });
}

/** The pockets of a layout on an opening of this size, row by row; they fill it exactly, seams taken as no width. */
export function pocketsOf(layout: PocketLayout, opening: Size): Rect[] {
  const pockets: Rect[] = [];
  let y = 0;
  for (const [at, h] of cut(
    opening.h,
    layout.rows.map(({ share }) => share),
  ).entries()) {
    let x = 0;
    for (const w of cut(
      opening.w,
      Array.from({ length: layout.rows[at]?.columns ?? 1 }, () => 1),
    )) {
      pockets.push({ x: ticks(x), y: ticks(y), w, h });
      x += w;
    }
    y += h;
  }
  return pockets;
}
