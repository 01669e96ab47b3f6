import { goesInto } from "../fit/fit.ts";
import { centredIn, type Rect, rect } from "../measure/rect.ts";
import { type Size, turned } from "../measure/size.ts";

/** Something to lay on a page: a print, a card or the numeral's own card. */
export type LoosePiece = { readonly id: string; readonly size: Size };
export type Laid = { readonly id: string; readonly rect: Rect; readonly turned: boolean };
export type DryFit = { readonly laid: readonly Laid[]; readonly beside: readonly string[] };

/**
 * A first dry fit into pockets: each piece, in the order given, takes the free pocket that leaves it least room, upright
 * before turned. What finds no pocket lies beside the page.
 */
export function layInPockets(pieces: readonly LoosePiece[], pockets: readonly Rect[]): DryFit {
  const free = new Set(pockets);
  const laid: Laid[] = [];
  const beside: string[] = [];
  for (const piece of pieces) {
    let best: { pocket: Rect; turned: boolean; room: number } | null = null;
    for (const pocket of free) {
      const fit = goesInto(piece.size, pocket);
      if (!fit) continue;
      const room = pocket.w * pocket.h * (fit.turned ? 4 : 1);
      if (!best || room < best.room) best = { pocket, turned: fit.turned, room };
    }
    if (!best) {
      beside.push(piece.id);
      continue;
    }
    free.delete(best.pocket);
    const lying = best.turned ? turned(piece.size) : piece.size;
    laid.push({ id: piece.id, rect: centredIn(best.pocket, lying), turned: best.turned });
  }
  return { laid, beside };
}

/**
 * A first dry fit on an open page: rows from the top, left to right, each as tall as its tallest piece. What no longer
 * fits lies beside the page.
 */
export function layOnPage(pieces: readonly LoosePiece[], page: Size): DryFit {
  const laid: Laid[] = [];
  const beside: string[] = [];
  let x = 0;
  let y = 0;
  let rowHeight = 0;
  for (const piece of pieces) {
    const { w, h } = piece.size;
    const wraps = x + w > page.w;
    const top = wraps ? y + rowHeight : y;
    const left = wraps ? 0 : x;
    if (left + w > page.w || top + h > page.h) {
      beside.push(piece.id);
      continue;
    }
    if (wraps) rowHeight = 0;
    [x, y] = [left + w, top];
    rowHeight = Math.max(rowHeight, h);
    laid.push({ id: piece.id, rect: rect(left, top, w, h), turned: false });
  }
  return { laid, beside };
}
