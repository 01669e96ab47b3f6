import { isNotNull } from "drizzle-orm";
import type { Face, Leaf, Piece } from "../core/album/leaf.ts";
import { type Shows, withLook } from "../core/album/made-of.ts";
import { type AlbumPhoto, factsOf } from "./day-row.ts";
import { thing } from "./schema/index.ts";

/** How what a household has pictures of comes out of the database. Put away or not: what a page is made of looks as it looks. */
export const LOOKS = {
  columns: { id: true, w: true, h: true, oneSided: true },
  where: isNotNull(thing.photoId),
  with: {
    photo: {
      columns: { id: true, width: true, height: true, look: true, faces: true },
      with: { trait: { columns: { focusX: true, focusY: true } } },
    },
  },
} as const;

/** Something of the drawer, and the picture that shows it. */
export type LookRow = Pick<typeof thing.$inferSelect, "id" | "w" | "h" | "oneSided"> & {
  photo: (Pick<AlbumPhoto, "id" | "width" | "height" | "look" | "faces"> & { trait: AlbumPhoto["trait"] }) | null;
};

/** How the things of the household look of which there is a picture. */
export const looksOf = (things: readonly LookRow[]): ReadonlyMap<string, Shows> =>
  new Map(
    things.flatMap(({ id, w, h, oneSided, photo }) =>
      photo
        ? [
            [
              id,
              {
                photoId: photo.id,
                picture: factsOf(photo),
                sheet: w !== null && h !== null ? { w, h } : null,
                oneSided,
              },
            ],
          ]
        : [],
    ),
  );

export const withLooks = (pieces: readonly Piece[], looks: ReadonlyMap<string, Shows>): readonly Piece[] =>
  pieces.map((piece) => (piece.of?.thing ? { ...piece, of: withLook(piece.of, looks) } : piece));

/** A leaf with what it and its pieces are made of as that looks. */
export function seenLeaf(leaf: Leaf, looks: ReadonlyMap<string, Shows>): Leaf {
  if (looks.size === 0) return leaf;
  const side = (face: Face) => ({ ...leaf[face], pieces: leaf[face].pieces && withLooks(leaf[face].pieces, looks) });
  const make = { ...leaf.make, of: withLook(leaf.make.of, looks) };
  return { ...leaf, make, front: side("front"), back: side("back") };
}
