import type { Face, Leaf, LeafOf, Owner, Side, TryOut } from "../core/book/leaf.ts";
import { FACES } from "../core/book/leaf.ts";
import type { leaf, side, tryOut } from "./schema/index.ts";

type SideRow = typeof side.$inferSelect;
export type LeafRow = typeof leaf.$inferSelect & {
  lastWriter: { name: string } | null;
  sides: (SideRow & { tryOuts: (typeof tryOut.$inferSelect)[] })[];
};

function ofRow(row: typeof leaf.$inferSelect): LeafOf {
  if (row.kind === "page" && row.dayId) return { kind: "page", dayId: row.dayId };
  if (row.kind === "insert" && row.dayId && row.insertId)
    return { kind: "insert", dayId: row.dayId, insertId: row.insertId };
  if (row.kind === "own" && row.stock) return { kind: "own", stock: row.stock };
  throw new Error("a leaf without its material");
}

const ownerOf = ({ dayId, matter }: SideRow): Owner =>
  dayId ? { kind: "day", dayId } : matter ? { kind: "matter", matter } : { kind: "nobody" };

export function toLeaf(row: typeof leaf.$inferSelect & { sides: SideRow[] }): Leaf {
  const side = (face: Face): Side => {
    const found = row.sides.find((each) => each.face === face);
    if (!found) throw new Error("a leaf has two sides");
    return { owner: ownerOf(found), pieces: found.pieces };
  };
  return {
    id: row.id,
    version: row.version,
    of: ofRow(row),
    drop: row.drop,
    liftsOff: row.liftsOff,
    front: side("front"),
    back: side("back"),
  };
}

export const toTryOuts = (row: LeafRow): TryOut[] =>
  row.sides.flatMap(({ tryOuts }) =>
    tryOuts.map(({ id, leafId, face, name, version, pieces }) => ({ id, leafId, face, name, version, pieces })),
  );

/** The leaf's own columns, without its place. */
export const leafColumns = ({ of, drop, liftsOff }: Leaf) => ({
  kind: of.kind,
  dayId: of.kind === "own" ? null : of.dayId,
  insertId: of.kind === "insert" ? of.insertId : null,
  stock: of.kind === "own" ? of.stock : null,
  drop,
  liftsOff,
});

export const sideRows = (albumId: string, leaf: Leaf): (typeof side.$inferInsert)[] =>
  FACES.map((face) => {
    const { owner, pieces } = leaf[face];
    return {
      leafId: leaf.id,
      albumId,
      face,
      dayId: owner.kind === "day" ? owner.dayId : null,
      matter: owner.kind === "matter" ? owner.matter : null,
      pieces: pieces ? [...pieces] : null,
    };
  });
