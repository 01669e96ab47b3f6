import { asc } from "drizzle-orm";
import {
  FACES,
  type Face,
  type Leaf,
  type LeafMake,
  NOBODY,
  type Owner,
  type Piece,
  type Side,
  type TryOut,
} from "../core/album/leaf.ts";
import { withoutLook } from "../core/album/made-of.ts";
import { type leaf, type side, sideGuest, type tryOut } from "./schema/index.ts";

type SideRow = typeof side.$inferSelect & { guests: (typeof sideGuest.$inferSelect)[] };
export type LeafRow = typeof leaf.$inferSelect & {
  lastWriter: { name: string } | null;
  sides: (SideRow & { tryOuts: (typeof tryOut.$inferSelect)[] })[];
};

const ownerOf = ({ dayId }: SideRow): Owner => (dayId ? { kind: "day", dayId } : NOBODY);

/** What a leaf is, from its columns. */
export const makeOf = ({
  kind,
  layout,
  w,
  h,
  basePaper,
  insert,
  note,
  oldHoles,
  of,
}: Pick<
  typeof leaf.$inferSelect,
  "kind" | "layout" | "w" | "h" | "basePaper" | "insert" | "note" | "oldHoles" | "of"
>): LeafMake => ({
  kind,
  layout,
  size: w !== null && h !== null ? { w, h } : null,
  basePaper,
  insert,
  note,
  oldHoles,
  of,
});

/** How a leaf's sides come out of the database, those that share them in the order they came. */
export const SIDES = { with: { guests: { orderBy: asc(sideGuest.position) } } } as const;

export function toLeaf(row: typeof leaf.$inferSelect & { sides: SideRow[] }): Leaf {
  const side = (face: Face): Side => {
    const found = row.sides.find((each) => each.face === face);
    if (!found) throw new Error("a leaf has two sides");
    const guests = found.guests.map(({ dayId, done }) => ({ dayId, done }));
    const said = found.line === "" ? {} : { line: found.line };
    return { owner: ownerOf(found), guests, pieces: found.pieces, done: found.done, ...said };
  };
  return {
    id: row.id,
    version: row.version,
    make: makeOf(row),
    done: row.done,
    drop: row.drop,
    sewn: row.sewn,
    glued: row.glued,
    liftsOff: row.liftsOff,
    opensVolume: row.opensVolume,
    leftSeen: row.leftSeen,
    front: side("front"),
    back: side("back"),
  };
}

export const toTryOuts = (row: LeafRow): TryOut[] =>
  row.sides.flatMap(({ tryOuts }) =>
    tryOuts.map(({ id, leafId, face, name, version, pieces }) => ({ id, leafId, face, name, version, pieces })),
  );

/** What of the drawer leaves are made of, and what lies on them. */
export const thingsOn = (leaves: readonly Leaf[]): string[] => [
  ...new Set(
    leaves.flatMap(({ make, front, back }) => [
      ...(make.of?.thing ? [make.of.thing] : []),
      ...[front, back].flatMap(({ pieces }) => thingsOf(pieces ?? [])),
    ]),
  ),
];
export const thingsOf = (pieces: readonly Piece[]): string[] => pieces.flatMap(({ of }) => of?.thing ?? []);

/** The leaf's own columns, without its place. */
export const leafColumns = ({
  make: { size, of, ...make },
  done,
  drop,
  sewn,
  glued,
  liftsOff,
  opensVolume,
  leftSeen,
}: Leaf) => ({
  ...make,
  of: of && withoutLook(of),
  w: size?.w ?? null,
  h: size?.h ?? null,
  done: [...done],
  drop,
  sewn,
  glued,
  liftsOff,
  opensVolume,
  leftSeen: [...leftSeen],
});

export const sideRows = (albumId: string, leaf: Leaf): (typeof side.$inferInsert)[] =>
  FACES.map((face) => {
    const { owner, pieces, done, line = "" } = leaf[face];
    return {
      leafId: leaf.id,
      albumId,
      face,
      dayId: owner.kind === "day" ? owner.dayId : null,
      pieces: pieces?.map((piece) => (piece.of ? { ...piece, of: withoutLook(piece.of) } : piece)) ?? null,
      done: [...done],
      line,
    };
  });

/** Who shares the sides of a leaf. */
export const guestRows = (albumId: string, leaf: Leaf): (typeof sideGuest.$inferInsert)[] =>
  FACES.flatMap((face) =>
    leaf[face].guests.map(({ dayId, done }, position) => ({
      leafId: leaf.id,
      albumId,
      face,
      dayId,
      position,
      done: [...done],
    })),
  );
