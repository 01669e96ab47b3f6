import { fitWords, holeWords, pieceName, TONE_OF, troubles } from "#app/wording/fit.ts";
import type { AlbumFormat } from "#core/album/model.ts";
import { beyondCover, holeTroubles } from "#core/book/holes.ts";
import { type Piece, pieceSize } from "#core/book/leaf.ts";
import { type Length, sayLength, type Unit } from "#core/measure/length.ts";
import type { Board } from "./boards.ts";

/** One thing to do or look at on a side before paper is cut. `act`: it will not work as it lies. */
export type Trouble = {
  readonly piece: string;
  readonly about: "hole" | "cover" | "fit";
  readonly act: boolean;
  readonly name: string;
  readonly words: string;
};

/** Holes through pieces, tabs past the cover, and pieces that do not fit as they lie; what must be acted on first. */
export function sideTroubles({ read, face }: Pick<Board, "read" | "face">, format: AlbumFormat, unit: Unit): Trouble[] {
  const side = read[face];
  const content = side.page?.content ?? null;
  const nameOf = (piece: Piece): string => {
    const made = pieceSize(piece.what, content);
    return made ? pieceName(piece, made, unit) : "";
  };
  const holes = holeTroubles(read, face, format).map((trouble): Trouble => {
    const { piece } = trouble.piece;
    return { piece: piece.id, about: "hole", act: true, name: nameOf(piece), words: holeWords(trouble, unit) };
  });
  const covers = side.pieces.flatMap(({ piece, rect: lies }): Trouble[] => {
    if (piece.what.kind !== "tab") return [];
    const beyond = beyondCover(lies, read, format, face);
    const high = Math.max(beyond.top, beyond.bottom) as Length;
    const words = `Stands ${sayLength(high, unit)} above the cover’s edge, and will bend.`;
    return high > 0 ? [{ piece: piece.id, about: "cover", act: true, name: nameOf(piece), words }] : [];
  });
  const fits = troubles(side.pieces).map(({ piece, fit }): Trouble => {
    return {
      piece: piece.id,
      about: "fit",
      act: TONE_OF[fit.kind] === "act",
      name: nameOf(piece),
      words: fitWords(fit, unit),
    };
  });
  return [...holes, ...covers, ...fits].sort((a, b) => Number(b.act) - Number(a.act));
}
