import type { Piece, PieceWhat, Turn } from "../album/leaf.ts";
import type { PageContent } from "../album/steps.ts";
import { at, type Rect, sizeOf } from "../measure/rect.ts";
import { type Size, turned } from "../measure/size.ts";

/** The size of a piece as made, before turning; null when the day no longer has the photo or card. */
export function pieceSize(what: PieceWhat, content: PageContent | null): Size | null {
  switch (what.kind) {
    case "photo":
      return what.cut ? sizeOf(what.cut) : (content?.photos.find(({ id }) => id === what.use)?.print ?? null);
    case "card":
      return content?.cards.find(({ id }) => id === what.card)?.size ?? null;
    default:
      return what.size;
  }
}

export const turnedBy = (size: Size, turn: Turn): Size => (turn % 2 === 1 ? turned(size) : size);

/** Where a piece lies, turned; null when the day no longer has it. */
export function pieceRect(piece: Piece, content: PageContent | null): Rect | null {
  const made = pieceSize(piece.what, content);
  return made && at(piece.at, turnedBy(made, piece.turn));
}
