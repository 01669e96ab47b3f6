import { pieceName, troubleWords } from "#app/wording/fit.ts";
import type { AlbumFormat } from "#core/album/model.ts";
import { pieceSize } from "#core/book/piece.ts";
import { type Trouble, troublesOf } from "#core/book/troubles.ts";
import type { Unit } from "#core/measure/length.ts";
import type { Board } from "./boards.ts";

/** One thing to do or look at on a side, in words: of which piece, what it is called, and what about it. */
type SaidTrouble = Pick<Trouble, "about" | "act"> & {
  readonly piece: string;
  readonly name: string;
  readonly words: string;
};

/** What is to do or to look at on the side that lies up, the urgent first. */
export function sideTroubles({ read, face }: Pick<Board, "read" | "face">, format: AlbumFormat, unit: Unit) {
  const content = read[face].page?.content ?? null;
  return troublesOf(read, face, format).map((trouble): SaidTrouble => {
    const { piece } = trouble.placed;
    const made = pieceSize(piece.what, content);
    const name = made ? pieceName(piece, made, unit) : "";
    return { piece: piece.id, about: trouble.about, act: trouble.act, name, words: troubleWords(trouble, unit) };
  });
}
