import { centredIn, type Rect, rect } from "../measure/rect.ts";
import { type Size, turned } from "../measure/size.ts";

/** Something to lay on a page: a print, a card or the numeral's own card. */
export type LoosePiece = { readonly id: string; readonly size: Size };
export type Laid<T> = { readonly piece: T; readonly rect: Rect; readonly turned: boolean };

/**
 * A first dry fit into pockets: each piece, in the order given, takes the free pocket that leaves it least room, upright
 * before turned. What finds no pocket is left out: it lies beside the page.
 */
export function layInPockets<T extends LoosePiece>(pieces: readonly T[], pockets: readonly Rect[]): Laid<T>[] {
  const free = new Set(pockets);
  const laid: Laid<T>[] = [];
  for (const piece of pieces) {
    let best: { pocket: Rect; turned: boolean; room: number } | null = null;
    for (const pocket of free) {
      const upright = piece.size.w <= pocket.w && piece.size.h <= pocket.h;
      if (!upright && !(piece.size.h <= pocket.w && piece.size.w <= pocket.h)) continue;
      const room = pocket.w * pocket.h * (upright ? 1 : 4);
      if (!best || room < best.room) best = { pocket, turned: !upright, room };
    }
    if (!best) continue;
    free.delete(best.pocket);
    const lying = best.turned ? turned(piece.size) : piece.size;
    laid.push({ piece, rect: centredIn(best.pocket, lying), turned: best.turned });
  }
  return laid;
}

/**
 * A first dry fit on an open page: rows from the top, left to right, each as tall as its tallest piece. What no longer
 * fits is left out: it lies beside the page.
 */
export function layOnPage<T extends LoosePiece>(pieces: readonly T[], page: Size): Laid<T>[] {
  const laid: Laid<T>[] = [];
  let x = 0;
  let y = 0;
  let rowHeight = 0;
  for (const piece of pieces) {
    const { w, h } = piece.size;
    const wraps = x + w > page.w;
    const top = wraps ? y + rowHeight : y;
    const left = wraps ? 0 : x;
    if (left + w > page.w || top + h > page.h) continue;
    if (wraps) rowHeight = 0;
    [x, y] = [left + w, top];
    rowHeight = Math.max(rowHeight, h);
    laid.push({ piece, rect: rect(left, top, w, h), turned: false });
  }
  return laid;
}
