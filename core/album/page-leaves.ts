import type { Size } from "../measure/size.ts";
import {
  type Built,
  FACES,
  type Face,
  type Guest,
  type Leaf,
  type LeafMake,
  type LeafStep,
  leftOf,
  type Owner,
  type Piece,
  type PieceWhat,
  type SideStep,
} from "./leaf.ts";
import type { AlbumFormat } from "./model.ts";

type Room = Extract<PieceWhat, { kind: "room" }>;
/**
 * What of a piece says how far its side is: what kind it is, of a room what it is kept for, of a construction what is done to
 * make it, and whose it is.
 */
type PieceOutline = Pick<Piece, "id" | "dayId"> & {
  readonly what:
    | {
        readonly kind: Exclude<PieceWhat["kind"], "room">;
        readonly built?: Pick<Built, "kind" | "steps" | "ticked" | "through"> | null | undefined;
      }
    | Pick<Room, "kind" | "keeps">;
};
/** What of a side says how far it is. */
export type SideOutline = {
  readonly owner: Owner;
  readonly guests: readonly Guest[];
  readonly pieces: readonly PieceOutline[] | null;
  readonly done: readonly SideStep[];
};
/** What of a leaf says how far it is, without what lies where; a whole leaf is one. */
export type LeafOutline = Pick<Leaf, "id" | "make" | "done" | "sewn"> & {
  readonly front: SideOutline;
  readonly back: SideOutline;
};

/** A side that a page's worth of days has, or shares. */
export type PageSide = {
  readonly face: Face;
  /** The day as whose guest the page has it; null: it is the page's own. */
  readonly guest: string | null;
  readonly done: readonly SideStep[];
  /** Whether somebody has laid anything on it; null: nobody has arranged it. */
  readonly filled: boolean | null;
  /** Whether a number of the page's days is on it. */
  readonly hasNumeral: boolean;
  /** What each room is kept for that is still empty and the page's. */
  readonly rooms: readonly Room["keeps"][];
  /** The constructions on it that are the page's, with what is left to do to make each; null: it is made. */
  readonly built: readonly {
    readonly piece: string;
    readonly kind: string;
    readonly left: ReturnType<typeof leftOf>;
    /** It goes through the leaf. */
    readonly through: boolean;
  }[];
};
/** A leaf that a page's worth of days has a side of, or shares one of. */
export type PageLeaf = {
  readonly id: string;
  readonly make: LeafMake;
  readonly done: readonly LeafStep[];
  readonly sides: readonly PageSide[];
};

/**
 * By group of days, the leaves they have or share a side of in the order of the book, with those sides. `groupOf` says which
 * group a day is of; undefined: none that is asked about.
 */
export function leavesByGroup<G>(
  leaves: readonly LeafOutline[],
  groupOf: (dayId: string) => G | undefined,
): ReadonlyMap<G, readonly PageLeaf[]> {
  const found = new Map<G, PageLeaf[]>();
  for (const { id, make, done, ...faces } of leaves) {
    const sides = new Map<G, PageSide[]>();
    for (const face of FACES) {
      const { owner, guests, pieces, done: ownDone } = faces[face];
      const owning = owner.kind === "day" ? groupOf(owner.dayId) : undefined;
      const add = (group: G, guest: Guest | null) => {
        const known = sides.get(group) ?? [];
        if (known.some((each) => each.face === face)) return;
        const of = (dayId: string | null) => (dayId === null ? owning : (groupOf(dayId) ?? owning));
        const own = (pieces ?? []).filter(({ dayId }) => of(dayId) === group);
        sides.set(group, [
          ...known,
          {
            face,
            guest: guest?.dayId ?? null,
            done: guest?.done ?? ownDone,
            filled: pieces && pieces.length > 0,
            hasNumeral: own.some(({ what }) => what.kind === "numeral"),
            rooms: own.flatMap(({ what }) => (what.kind === "room" ? [what.keeps] : [])),
            built: own.flatMap(({ id: piece, what }) =>
              "built" in what && what.built
                ? [{ piece, kind: what.built.kind, left: leftOf(what.built), through: what.built.through ?? false }]
                : [],
            ),
          },
        ]);
      };
      if (owning !== undefined) add(owning, null);
      for (const guest of guests) {
        const group = groupOf(guest.dayId);
        if (group !== undefined) add(group, guest);
      }
    }
    for (const [group, own] of sides) {
      const leaf = { id, make, done, sides: own };
      const known = found.get(group);
      if (known) known.push(leaf);
      else found.set(group, [leaf]);
    }
  }
  return found;
}

/** The leaves that these days have or share a side of. */
export function leavesOfDays(leaves: readonly LeafOutline[], dayIds: readonly string[]): readonly PageLeaf[] {
  const ids = new Set(dayIds);
  return leavesByGroup(leaves, (id) => ids.has(id) || undefined).get(true) ?? [];
}

/** The first page among a day's leaves: the one that its number and first photo go on, and whose size it is asked by. */
export const firstPage = (leaves: readonly PageLeaf[]): PageLeaf | undefined =>
  leaves.find(({ make }) => make.insert === null);
export const insertsOf = (leaves: readonly PageLeaf[]): PageLeaf[] => leaves.filter(({ make }) => make.insert !== null);

/** The size of a leaf's page: its own, or by the album's measures that of a leaf in or without a protector. */
export const leafSize = ({ size, kind, insert }: LeafMake, { nominal, bare }: Pick<AlbumFormat, "nominal" | "bare">) =>
  size ?? (insert === null && kind !== "full" && kind !== "pocket" ? bare : nominal);

/** The size of a day's page: that of its first one, or the album's. */
export function pageSizeOf(leaves: readonly PageLeaf[], format: Pick<AlbumFormat, "nominal" | "bare">): Size {
  const first = firstPage(leaves);
  return first ? leafSize(first.make, format) : format.nominal;
}

/**
 * The side that a day's things are first laid out on, while nobody has arranged it: the front of the first page whose front
 * is the day's, else the first back that is, else the first that it shares. Undefined once that side is arranged: what is
 * taken off it lies beside.
 */
export function firstFitSide(leaves: readonly PageLeaf[]): { leaf: string; face: Face } | undefined {
  const pages = leaves.filter(({ make }) => make.insert === null);
  const sides = FACES.flatMap((face) =>
    pages.flatMap((leaf) => leaf.sides.flatMap((side) => (side.face === face ? [{ leaf: leaf.id, side }] : []))),
  );
  const home = sides.find(({ side }) => side.guest === null) ?? sides[0];
  return home?.side.filled === null ? { leaf: home.leaf, face: home.side.face } : undefined;
}
