import type { Face, Piece } from "../album/leaf.ts";
import type { BookPage, LeafRead } from "../book/read.ts";
import type { Lying, Spread } from "../book/spread.ts";
import { type DrawnFor, drawnFor } from "../draw/piece.ts";
import { overlap, type Rect, rect } from "../measure/rect.ts";

/** A construction that can be opened where it lies in an opening: `lies` on its own page, `corner` in the opening. */
export type OpensHere = {
  readonly id: string;
  readonly name: string;
  readonly piece: Piece;
  readonly read: LeafRead;
  readonly face: Face;
  readonly lies: Rect;
  readonly corner: { readonly x: Rect["x"]; readonly y: Rect["y"] };
  readonly drawn: DrawnFor;
};

/** What can be opened in an opening: constructions that are seen there, those of the uppermost leaves first. */
export const opensIn = <P extends BookPage>({ left, right }: Spread<P>): OpensHere[] =>
  [...left, ...right].flatMap((lying: Lying<P>) => {
    const { read, face, page, visible } = lying;
    const side = read[face];
    return side.pieces.flatMap(({ piece, rect: lies }): OpensHere[] => {
      const { what } = piece;
      const isBuilt = "built" in what && what.built !== undefined;
      const there = rect(page.x + lies.x, page.y + lies.y, lies.w, lies.h);
      if (!isBuilt || !visible.some((part) => overlap(part, there))) return [];
      return [
        {
          ...{ id: `${read.leaf.id} ${piece.id}`, name: what.name, piece, read, face, lies },
          ...{ corner: { x: there.x, y: there.y }, drawn: drawnFor(side, piece) },
        },
      ];
    });
  });
