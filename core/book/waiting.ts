import { usualPrint } from "../album/formats.ts";
import type { Face } from "../album/leaf.ts";
import type { AlbumFormat } from "../album/model.ts";
import type { Page } from "../album/page.ts";
import { pageSizeOf } from "../album/page-leaves.ts";
import type { Size } from "../measure/size.ts";
import type { Wanted } from "../photo/propose.ts";
import { turnedBy } from "./piece.ts";
import { type BookRead, pageOfPiece } from "./read.ts";

/** A print that a page waits for, and where it will lie: in a room kept free on one of its sides, or not yet anywhere. */
export type WaitingPrint = Wanted & {
  readonly dayId: string;
  readonly label: string | null;
  /** Its days have a page of their own already, or a side of one. */
  readonly hasPage: boolean;
  readonly place: { readonly leaf: string; readonly face: Face; readonly piece: string } | null;
};

/** The size a page's first photo is asked for when no room says otherwise: the usual print, if the page takes it. */
function firstPrint(page: Size): Size {
  const usual = usualPrint(true);
  return usual.w <= page.w && usual.h <= page.h ? usual : usualPrint(false);
}

/**
 * Every print that the album's pages still wait for: the rooms kept for photos, in the order of the book, and one print
 * for each page that has neither a photo nor a room and is not said to do without.
 */
export function waitingPrints(book: BookRead<Page>, pages: readonly Page[], format: AlbumFormat): WaitingPrint[] {
  const order = new Map(pages.map((page, at) => [page, at]));
  const waiting: WaitingPrint[] = [];
  const roomed = new Set<Page>();
  const wantedOf = (page: Page) => ({
    page: order.get(page) ?? 0,
    dates: page.days.map(({ date }) => date),
    label: page.label,
    hasPage: page.leaves.length > 0,
    dayId: page.days[0]?.id ?? "",
  });
  for (const leaf of book.leaves) {
    for (const face of ["front", "back"] as const) {
      for (const { piece } of leaf[face].pieces) {
        if (piece.what.kind !== "room" || piece.what.keeps !== "photo") continue;
        const page = pageOfPiece(leaf[face], piece);
        if (!page || page.skipped) continue;
        roomed.add(page);
        const place = { leaf: leaf.leaf.id, face, piece: piece.id };
        waiting.push({
          ...wantedOf(page),
          id: `${leaf.leaf.id}/${face}/${piece.id}`,
          print: turnedBy(piece.what.size, piece.turn),
          canTurn: false,
          place,
        });
      }
    }
  }
  for (const page of pages) {
    if (page.skipped || roomed.has(page) || page.content.photos.length > 0 || page.content.waived.includes("photos"))
      continue;
    const size = pageSizeOf(page.leaves, format);
    const print = firstPrint(size);
    const canTurn = print.h <= size.w && print.w <= size.h;
    waiting.push({ ...wantedOf(page), id: `page/${page.days[0]?.id ?? ""}`, print, canTurn, place: null });
  }
  return waiting.sort((a, b) => a.page - b.page);
}
