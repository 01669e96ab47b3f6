import isEqual from "fast-deep-equal";
import {
  type Face,
  type Leaf,
  type LeafMake,
  type LeafStep,
  leafOfDay,
  NOBODY,
  newLeaf,
  type Owner,
  type Piece,
  PLAIN_PAPER,
  type Side,
  type SideStep,
} from "../album/leaf.ts";
import { likeOf } from "../album/made-of.ts";
import type { Step } from "../album/model.ts";
import { reopenedBy } from "../album/steps.ts";
import { tickBuilt, tickLeaf } from "../album/ticks.ts";
import { LIMITS } from "../limits.ts";
import type { Length } from "../measure/length.ts";
import type { CalendarDate } from "../month/dates.ts";
import { type GlueProblem, giveToDay, isGluedOver, stillGlued, withGlue } from "./bound.ts";
import { type DateOf, withAt } from "./place.ts";
import { withoutLeaf } from "./volumes.ts";

/** One side's new arrangement; null puts the first dry fit back. */
export type Arrangement = { readonly leaf: string; readonly face: Face; readonly pieces: readonly Piece[] | null };

/** One thing a keeper does to the book. Ids of new leaves come from outside. */
export type BookEdit =
  | { kind: "arrange"; leaf: string; face: Face; pieces: readonly Piece[] | null }
  | { kind: "arrange-many"; sides: readonly Arrangement[] }
  | { kind: "add-leaf"; id: string; make: LeafMake; after: string | null; front: Owner; back: Owner }
  /** A leaf for a day, both sides its own, where its date belongs; an insert over the first of its pages. */
  | { kind: "give-leaf"; id: string; make: LeafMake; dayId: string }
  | { kind: "copy-leaf"; leaf: string; id: string; front: readonly Piece[]; back: readonly Piece[] }
  | { kind: "move-leaf"; leaf: string; after: string | null }
  | { kind: "turn-leaf"; leaf: string }
  /** Out of the book; a leaf that is sewn in is torn out. */
  | { kind: "remove-leaf"; leaf: string }
  /** A leaf stays where it is and is nobody's again, with nothing on it. */
  | { kind: "free-leaf"; leaf: string }
  /** A sewn leaf is glued by its back to the one after it, or taken off it again. */
  | { kind: "glue-leaf"; leaf: string; next: string; glued: boolean }
  | { kind: "own-side"; leaf: string; face: Face; owner: Owner }
  /** A day has pieces of its own on a side that is another's, or no longer. */
  | { kind: "share-side"; leaf: string; face: Face; dayId: string; shares: boolean }
  | { kind: "make"; leaf: string; make: LeafMake }
  /** Something done for a leaf, or with a face for one of its sides: its owner's, or what a guest has on it. */
  | { kind: "tick"; leaf: string; face: Face | null; guest: string | null; step: LeafStep | SideStep; done: boolean }
  /** Something done at the bench for a construction, counted from 0; null: all of it. */
  | { kind: "tick-making"; leaf: string; face: Face; piece: string; nth: number | null; done: boolean }
  | { kind: "lie"; leaf: string; drop: Length | null; liftsOff: boolean }
  /** The book is parted before a leaf, which is the first of another volume; or joined again there. */
  | { kind: "part"; leaf: string; opens: boolean }
  /** What is seen through a leaf stays as it is, and is not told any more; or is told again. */
  | { kind: "leave-seen"; leaf: string; slip: string; on: boolean }
  /** What the keeper says under the opening in which a side is up; empty: nothing. */
  | { kind: "say-line"; leaf: string; face: Face; line: string };

export type BookProblem =
  | "leaf-gone"
  | "into-itself"
  | "already-there"
  | "book-full"
  | "sewn-in"
  | "side-full"
  | GlueProblem;
const SEWN_IN = { ok: false, reason: "sewn-in" } as const;
export type BookResult = { ok: true; leaves: Leaf[] } | { ok: false; reason: BookProblem };

/** The leaves an edit writes on; moving one renumbers its neighbours but writes on none of them. */
export function leavesTouched(edit: BookEdit): string[] {
  switch (edit.kind) {
    case "arrange-many":
      return [...new Set(edit.sides.map(({ leaf }) => leaf))];
    case "add-leaf":
    case "give-leaf":
    case "copy-leaf":
      return [edit.id];
    case "glue-leaf":
      return [edit.leaf, edit.next];
    default:
      return [edit.leaf];
  }
}

const isOwnPaper = ({ kind, insert }: LeafMake): boolean => kind === "paper" && insert === null;

function insertAfter(leaves: readonly Leaf[], leaf: Leaf, after: string | null): Leaf[] {
  return withAt(leaves, after === null ? 0 : leaves.findIndex(({ id }) => id === after) + 1, [leaf]);
}

const withSide = (leaf: Leaf, face: Face, change: Partial<Side>): Leaf => ({
  ...leaf,
  [face]: { ...leaf[face], ...change },
});

/** A side's like for another day's things, nothing of it done yet. */
const copiedSide = ({ owner, guests }: Side, pieces: readonly Piece[]): Side => ({
  owner,
  guests: guests.map((guest) => ({ ...guest, done: [] })),
  pieces,
  done: [],
});

/** A leaf of another make. One of another kind or size is another leaf: it is to be made ready again. */
function remade(leaf: Leaf, make: LeafMake): Leaf {
  const { kind, layout, size, insert } = leaf.make;
  const isAlike = kind === make.kind && layout === make.layout && insert === make.insert && isEqual(size, make.size);
  const opened: readonly Step[] = isAlike ? [] : reopenedBy("leaf");
  return { ...leaf, make, done: leaf.done.filter((step) => !opened.includes(step)) };
}

/** A side that a day shares from now on; one that is nobody's becomes its own. */
function joined(side: Side, dayId: string): Partial<Side> {
  if (side.owner.kind === "nobody") return { owner: { kind: "day", dayId } };
  const isHere = side.owner.dayId === dayId || side.guests.some((guest) => guest.dayId === dayId);
  return isHere ? {} : { guests: [...side.guests, { dayId, done: [] }] };
}

/** A side that is another's from now on. A guest that comes to own it keeps its pieces and ticks, and its number is the side's. */
function owned(side: Side, owner: Owner): Partial<Side> {
  const guest = owner.kind === "day" ? side.guests.find(({ dayId }) => dayId === owner.dayId) : undefined;
  if (!guest) return { owner };
  const pieces = side.pieces?.flatMap((piece): Piece[] =>
    piece.dayId === guest.dayId
      ? [{ ...piece, dayId: null }]
      : piece.dayId === null && piece.what.kind === "numeral"
        ? []
        : [piece],
  );
  const guests = side.guests.filter((each) => each !== guest);
  return { owner, guests, done: guest.done, pieces: pieces ?? null };
}

/** A side that a day no longer shares: its numbers go, what else was marked as its own stays as the side's. */
function left({ guests, pieces }: Side, dayId: string): Partial<Side> {
  if (!guests.some((guest) => guest.dayId === dayId)) return {};
  return {
    guests: guests.filter((guest) => guest.dayId !== dayId),
    pieces:
      pieces
        ?.filter((piece) => piece.dayId !== dayId || piece.what.kind !== "numeral")
        .map((piece) => (piece.dayId === dayId ? { ...piece, dayId: null } : piece)) ?? null,
  };
}

/**
 * Applies one edit to the leaves in order. Every side keeps its owner and every piece its side unless the edit says
 * otherwise. An edit sent twice, because its first answer was lost, does nothing the second time. `dateOf` is the date of
 * a day, for where a new leaf of it goes; where dates are not known it goes after the day's other leaves, or last. `dates` are
 * those of the told days, for which a bound book's leaves are kept.
 */
export function applyBookEdit(
  leaves: readonly Leaf[],
  edit: BookEdit,
  dateOf: DateOf = () => undefined,
  dates: readonly CalendarDate[] = [],
): BookResult {
  const has = (id: string) => leaves.some((leaf) => leaf.id === id);
  const gone: BookResult = { ok: false, reason: "leaf-gone" };
  const changed = (id: string, how: (leaf: Leaf) => Leaf): BookResult =>
    has(id) ? { ok: true, leaves: leaves.map((leaf) => (leaf.id === id ? how(leaf) : leaf)) } : gone;
  const gluedOver: BookResult = { ok: false, reason: "glued-over" };
  switch (edit.kind) {
    case "arrange":
      if (isGluedOver(leaves, edit.leaf, edit.face)) return gluedOver;
      return changed(edit.leaf, (leaf) => withSide(leaf, edit.face, { pieces: edit.pieces }));
    case "arrange-many": {
      if (!edit.sides.every(({ leaf }) => has(leaf))) return gone;
      if (edit.sides.some(({ leaf, face }) => isGluedOver(leaves, leaf, face))) return gluedOver;
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
      return { ok: true, leaves: insertAfter(leaves, newLeaf(edit.id, edit.make, edit.front, edit.back), edit.after) };
    }
    case "give-leaf": {
      if (has(edit.id)) return { ok: true, leaves: [...leaves] };
      if (leaves.length >= LIMITS.leaves.most) return { ok: false, reason: "book-full" };
      const leaf = leafOfDay(edit.id, edit.make, edit.dayId);
      return { ok: true, leaves: giveToDay(leaves, leaf, edit.dayId, dateOf, dates) };
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
        make: { ...from.make, of: from.make.of && likeOf(from.make.of) },
        done: [],
        sewn: false,
        glued: false,
        opensVolume: false,
        leftSeen: [],
        front: copiedSide(from.front, edit.front),
        back: copiedSide(from.back, edit.back),
      };
      return { ok: true, leaves: insertAfter(leaves, copy, edit.leaf) };
    }
    case "move-leaf": {
      const leaf = leaves.find(({ id }) => id === edit.leaf);
      if (!leaf) return gone;
      if (leaf.sewn) return SEWN_IN;
      if (edit.after === edit.leaf) return { ok: false, reason: "into-itself" };
      if (edit.after !== null && !has(edit.after)) return gone;
      return {
        ok: true,
        leaves: insertAfter(withoutLeaf(leaves, edit.leaf), { ...leaf, opensVolume: false }, edit.after),
      };
    }
    case "turn-leaf":
      if (leaves.some(({ id, sewn }) => id === edit.leaf && sewn)) return SEWN_IN;
      return changed(edit.leaf, (leaf) => ({ ...leaf, front: leaf.back, back: leaf.front }));
    case "remove-leaf":
      return {
        ok: true,
        leaves: stillGlued(leaves, withoutLeaf(leaves, edit.leaf)),
      };
    case "glue-leaf": {
      const done = withGlue(leaves, edit.leaf, edit.next, edit.glued);
      return typeof done === "string" ? { ok: false, reason: done } : { ok: true, leaves: done };
    }
    case "free-leaf":
      return changed(edit.leaf, ({ id, version, sewn, glued, make }) => ({
        ...newLeaf(id, sewn ? PLAIN_PAPER : make, NOBODY, NOBODY),
        ...{ version, sewn, glued },
      }));
    case "own-side":
      if (isGluedOver(leaves, edit.leaf, edit.face)) return gluedOver;
      return changed(edit.leaf, (leaf) => withSide(leaf, edit.face, owned(leaf[edit.face], edit.owner)));
    case "share-side": {
      if (isGluedOver(leaves, edit.leaf, edit.face)) return gluedOver;
      const side = leaves.find(({ id }) => id === edit.leaf)?.[edit.face];
      if (edit.shares && side && side.guests.length >= LIMITS.guests.most) return { ok: false, reason: "side-full" };
      return changed(edit.leaf, (leaf) =>
        withSide(
          leaf,
          edit.face,
          edit.shares ? joined(leaf[edit.face], edit.dayId) : left(leaf[edit.face], edit.dayId),
        ),
      );
    }
    case "make":
      // What is sewn in is of the book's own paper; it can only be cut short.
      if (leaves.some(({ id, sewn }) => id === edit.leaf && sewn) && !isOwnPaper(edit.make)) return SEWN_IN;
      return changed(edit.leaf, (leaf) => remade(leaf, edit.make));
    case "tick":
      return changed(edit.leaf, (leaf) => tickLeaf(leaf, edit, edit.done));
    case "tick-making":
      return changed(edit.leaf, (leaf) => tickBuilt(leaf, edit, edit.done));
    case "lie":
      return changed(edit.leaf, (leaf) => ({ ...leaf, drop: edit.drop, liftsOff: edit.liftsOff }));
    case "say-line":
      return changed(edit.leaf, (leaf) => withSide(leaf, edit.face, { line: edit.line.trim() || undefined }));
    case "leave-seen":
      return changed(edit.leaf, (leaf) => {
        const rest = leaf.leftSeen.filter((each) => each !== edit.slip);
        return { ...leaf, leftSeen: edit.on ? [...rest, edit.slip].slice(-LIMITS.leftAlone.most) : rest };
      });
    case "part": {
      const at = leaves.findIndex(({ id }) => id === edit.leaf);
      // What is sewn or glued together is not parted, and before the first leaf there is no other volume.
      if (edit.opens && leaves[at]?.sewn) return SEWN_IN;
      if (edit.opens && leaves[at - 1]?.glued) return gluedOver;
      return changed(edit.leaf, (leaf) => ({ ...leaf, opensVolume: edit.opens && at > 0 }));
    }
  }
}

/** The same construction for another day: nothing of it is made yet, and it carries nothing. */
function unmade(what: Piece["what"]): Piece["what"] {
  return "built" in what && what.built ? { ...what, built: { ...what.built, ticked: [], holds: [] } } : what;
}

/**
 * A copy of a side's pieces: prints and cards become room for what will come, under new ids. `dayId` is whose each is where
 * that is not the side's.
 */
export function asRooms(
  pieces: readonly {
    readonly piece: Piece;
    readonly size: { w: Length; h: Length };
    readonly dayId: string | null;
  }[],
  newId: () => string,
): Piece[] {
  return pieces.map(({ piece, size, dayId }) => {
    const { of, ...lies } = piece;
    const { what } = lies;
    const keeps = what.kind === "photo" || what.kind === "card" ? what.kind : null;
    if (keeps) return { ...lies, id: newId(), dayId, what: { kind: "room", keeps, size } };
    return { ...lies, what: unmade(what), id: newId(), dayId, ...(of ? { of: likeOf(of) } : {}) };
  });
}
