import { LIMITS } from "../limits.ts";
import type { Length } from "../measure/length.ts";
import { EMPTY_SIDE, type Face, type Leaf, type Owner, type Piece, type Side, type Stock } from "./leaf.ts";

/** One side's new arrangement; null puts the first dry fit back. */
export type Arrangement = { readonly leaf: string; readonly face: Face; readonly pieces: readonly Piece[] | null };

/** One thing a keeper does to the book. Ids of new leaves come from outside. */
export type BookEdit =
  | { kind: "arrange"; leaf: string; face: Face; pieces: readonly Piece[] | null }
  | { kind: "arrange-many"; sides: readonly Arrangement[] }
  | { kind: "add-leaf"; id: string; stock: Stock; after: string | null; front: Owner; back: Owner }
  | { kind: "copy-leaf"; leaf: string; id: string; stock: Stock; front: readonly Piece[]; back: readonly Piece[] }
  | { kind: "move-leaf"; leaf: string; after: string | null }
  | { kind: "turn-leaf"; leaf: string }
  | { kind: "remove-leaf"; leaf: string }
  | { kind: "own-side"; leaf: string; face: Face; owner: Owner }
  | { kind: "stock"; leaf: string; stock: Stock }
  | { kind: "lie"; leaf: string; drop: Length | null; liftsOff: boolean };

export type BookProblem = "leaf-gone" | "into-itself" | "material-elsewhere" | "already-there" | "book-full";
export type BookResult = { ok: true; leaves: Leaf[] } | { ok: false; reason: BookProblem };

/** The leaves an edit writes on; moving one renumbers its neighbours but writes on none of them. */
export function leavesTouched(edit: BookEdit): string[] {
  switch (edit.kind) {
    case "arrange-many":
      return [...new Set(edit.sides.map(({ leaf }) => leaf))];
    case "add-leaf":
    case "copy-leaf":
      return [edit.id];
    default:
      return [edit.leaf];
  }
}

function insertAfter(leaves: readonly Leaf[], leaf: Leaf, after: string | null): Leaf[] {
  const at = after === null ? 0 : leaves.findIndex(({ id }) => id === after) + 1;
  return [...leaves.slice(0, at), leaf, ...leaves.slice(at)];
}

const withSide = (leaf: Leaf, face: Face, change: Partial<Side>): Leaf => ({
  ...leaf,
  [face]: { ...leaf[face], ...change },
});

/**
 * Applies one edit to the leaves in order. Every side keeps its owner and every piece its side unless the edit says
 * otherwise. An edit sent twice, because its first answer was lost, does nothing the second time.
 */
export function applyBookEdit(leaves: readonly Leaf[], edit: BookEdit): BookResult {
  const has = (id: string) => leaves.some((leaf) => leaf.id === id);
  const gone: BookResult = { ok: false, reason: "leaf-gone" };
  const changed = (id: string, how: (leaf: Leaf) => Leaf): BookResult =>
    has(id) ? { ok: true, leaves: leaves.map((leaf) => (leaf.id === id ? how(leaf) : leaf)) } : gone;
  switch (edit.kind) {
    case "arrange":
      return changed(edit.leaf, (leaf) => withSide(leaf, edit.face, { pieces: edit.pieces }));
    case "arrange-many": {
      if (!edit.sides.every(({ leaf }) => has(leaf))) return gone;
      return {
        ok: true,
        leaves: leaves.map((leaf) =>
          edit.sides
            .filter((side) => side.leaf === leaf.id)
            .reduce((now, { face, pieces }) => withSide(now, face, { pieces }), leaf),
        ),
      };
    }
    case "add-leaf": {
      if (has(edit.id)) return { ok: true, leaves: [...leaves] };
      if (edit.after !== null && !has(edit.after)) return gone;
      if (leaves.length >= LIMITS.leaves.most) return { ok: false, reason: "book-full" };
      const leaf: Leaf = {
        id: edit.id,
        version: 0,
        of: { kind: "own", stock: edit.stock },
        drop: null,
        liftsOff: false,
        front: { ...EMPTY_SIDE, owner: edit.front },
        back: { ...EMPTY_SIDE, owner: edit.back },
      };
      return { ok: true, leaves: insertAfter(leaves, leaf, edit.after) };
    }
    case "copy-leaf": {
      if (has(edit.id)) return { ok: true, leaves: [...leaves] };
      const from = leaves.find(({ id }) => id === edit.leaf);
      if (!from) return gone;
      if (leaves.length >= LIMITS.leaves.most) return { ok: false, reason: "book-full" };
      const copy: Leaf = {
        ...from,
        id: edit.id,
        version: 0,
        of: { kind: "own", stock: edit.stock },
        front: { owner: from.front.owner, pieces: edit.front },
        back: { owner: from.back.owner, pieces: edit.back },
      };
      return { ok: true, leaves: insertAfter(leaves, copy, edit.leaf) };
    }
    case "move-leaf": {
      const leaf = leaves.find(({ id }) => id === edit.leaf);
      if (!leaf) return gone;
      if (edit.after === edit.leaf) return { ok: false, reason: "into-itself" };
      if (edit.after !== null && !has(edit.after)) return gone;
      return {
        ok: true,
        leaves: insertAfter(
          leaves.filter((each) => each !== leaf),
          leaf,
          edit.after,
        ),
      };
    }
    case "turn-leaf":
      return changed(edit.leaf, (leaf) => ({ ...leaf, front: leaf.back, back: leaf.front }));
    case "remove-leaf":
      return { ok: true, leaves: leaves.filter(({ id }) => id !== edit.leaf) };
    case "own-side":
      return changed(edit.leaf, (leaf) => withSide(leaf, edit.face, { owner: edit.owner }));
    case "stock": {
      const leaf = leaves.find(({ id }) => id === edit.leaf);
      if (leaf && leaf.of.kind !== "own") return { ok: false, reason: "material-elsewhere" };
      return changed(edit.leaf, (each) => ({ ...each, of: { kind: "own", stock: edit.stock } }));
    }
    case "lie":
      return changed(edit.leaf, (leaf) => ({ ...leaf, drop: edit.drop, liftsOff: edit.liftsOff }));
  }
}

/** A copy of pieces for another day: prints and cards become room for what that day will bring, under new ids. */
export function asRooms(
  pieces: readonly { readonly piece: Piece; readonly size: { w: Length; h: Length } }[],
  newId: () => string,
): Piece[] {
  return pieces.map(({ piece, size }) => {
    const { what } = piece;
    const keeps = what.kind === "photo" || what.kind === "card" ? what.kind : null;
    return { ...piece, id: newId(), what: keeps ? { kind: "room", keeps, size } : what };
  });
}
