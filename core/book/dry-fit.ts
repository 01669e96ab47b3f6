import { type Length, ticks } from "../measure/length.ts";
import { type Size, turned } from "../measure/size.ts";
import type { Rect } from "./layout.ts";

/** Something to lay on a page: a print, a card or the numeral's own card. */
export type LoosePiece = { readonly id: string; readonly size: Size };

export type Laid = {
  readonly id: string;
  readonly rect: Rect;
  readonly turned: boolean /** Room left in its pocket. */;
  readonly play: Size;
};
export type DryFit = { readonly laid: readonly Laid[]; readonly beside: readonly string[] };

export type PocketFit = { readonly turned: boolean; readonly play: Size };

/** Whether a piece goes into a pocket, upright if it can, turned if it must, with the play it then has; else null. */
export function fitInPocket(piece: Size, pocket: Size): PocketFit | null {
  for (const isTurned of [false, true]) {
    const { w, h } = isTurned ? turned(piece) : piece;
    if (w <= pocket.w && h <= pocket.h) {
      return { turned: isTurned, play: { w: ticks(pocket.w - w), h: ticks(pocket.h - h) } };
    }
  }
  return null;
}

const centred = (pocket: Rect, w: Length, h: Length): Rect => ({
  x: ticks(pocket.x + Math.round((pocket.w - w) / 2)),
  y: ticks(pocket.y + Math.round((pocket.h - h) / 2)),
  w,
  h,
});

/**
 * A first dry fit into pockets: each piece, in the order given, takes the free pocket that leaves it least room, upright
 * before turned. What finds no pocket lies beside the page.
 */
export function layInPockets(pieces: readonly LoosePiece[], pockets: readonly Rect[]): DryFit {
  const free = new Set(pockets);
  const laid: Laid[] = [];
  const beside: string[] = [];
  for (const piece of pieces) {
    let best: { pocket: Rect; fit: PocketFit; room: number } | null = null;
    for (const pocket of free) {
      const fit = fitInPocket(piece.size, pocket);
      if (!fit) continue;
      const room = pocket.w * pocket.h * (fit.turned ? 4 : 1);
      if (!best || room < best.room) best = { pocket, fit, room };
    }
    if (!best) {
      beside.push(piece.id);
      continue;
    }
    free.delete(best.pocket);
    const { w, h } = best.fit.turned ? turned(piece.size) : piece.size;
    laid.push({ id: piece.id, rect: centred(best.pocket, w, h), turned: best.fit.turned, play: best.fit.play });
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
    laid.push({
      id: piece.id,
      rect: { x: ticks(left), y: ticks(top), w, h },
      turned: false,
      play: { w: ticks(page.w - left - w), h: ticks(page.h - top - h) },
    });
  }
  return { laid, beside };
}
