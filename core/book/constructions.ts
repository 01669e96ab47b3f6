import { type Built, FACES, type Face } from "../album/leaf.ts";
import { type BookPage, type BookRead, type LeafRead, type PlacedPiece, pageOfPiece } from "./read.ts";

/** A construction in the book: where it lies, whose it is, and how it is made. */
export type BuiltInBook<P extends BookPage> = {
  readonly read: LeafRead<P>;
  readonly face: Face;
  readonly placed: PlacedPiece;
  readonly built: Built;
  /** What somebody called it; empty where nobody did. */
  readonly called: string;
  /** The page's worth of days it belongs to, where it belongs to one. */
  readonly page: P | null;
};

/** Every construction of a book, in its order. */
export const constructionsIn = <P extends BookPage>({ leaves }: Pick<BookRead<P>, "leaves">): BuiltInBook<P>[] =>
  leaves.flatMap((read) =>
    FACES.flatMap((face) =>
      read[face].pieces.flatMap((placed): BuiltInBook<P>[] => {
        const { what } = placed.piece;
        if (!("built" in what) || !what.built) return [];
        const page = pageOfPiece(read[face], placed.piece);
        return [{ read, face, placed, built: what.built, called: what.name, page: page ?? null }];
      }),
    ),
  );
