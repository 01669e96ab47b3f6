import type { Size } from "../measure/size.ts";
import {
  FACES,
  type Face,
  type Leaf,
  type LeafMake,
  type LeafStep,
  type Owner,
  type PieceWhat,
  type SideStep,
} from "./leaf.ts";
import type { AlbumFormat } from "./model.ts";

/** What of a side says how far it is: its pieces by their kinds alone. */
export type SideOutline = {
  readonly owner: Owner;
  readonly pieces: readonly { readonly what: { readonly kind: PieceWhat["kind"] } }[] | null;
  readonly done: readonly SideStep[];
};
/** What of a leaf says how far it is, without what lies where; a whole leaf is one. */
export type LeafOutline = Pick<Leaf, "id" | "make" | "done"> & {
  readonly front: SideOutline;
  readonly back: SideOutline;
};

/** A side that a page's worth of days has. */
export type PageSide = {
  readonly face: Face;
  readonly done: readonly SideStep[];
  /** Whether somebody has laid anything on it; null: nobody has arranged it. */
  readonly filled: boolean | null;
  readonly hasNumeral: boolean;
};
/** A leaf that a page's worth of days has one side of, or both. */
export type PageLeaf = {
  readonly id: string;
  readonly make: LeafMake;
  readonly done: readonly LeafStep[];
  readonly sides: readonly PageSide[];
};

const sideOf = (face: Face, { pieces, done }: SideOutline): PageSide => ({
  face,
  done,
  filled: pieces && pieces.length > 0,
  hasNumeral: pieces?.some(({ what }) => what.kind === "numeral") ?? false,
});

/**
 * By group of days, the leaves they have a side of in the order of the book, with the sides that are theirs. `groupOf` says
 * which group a day is of; undefined: none that is asked about.
 */
export function leavesByGroup<G>(
  leaves: readonly LeafOutline[],
  groupOf: (dayId: string) => G | undefined,
): ReadonlyMap<G, readonly PageLeaf[]> {
  const found = new Map<G, PageLeaf[]>();
  for (const { id, make, done, ...faces } of leaves) {
    const sides = new Map<G, PageSide[]>();
    for (const face of FACES) {
      const { owner } = faces[face];
      const group = owner.kind === "day" ? groupOf(owner.dayId) : undefined;
      if (group !== undefined) sides.set(group, [...(sides.get(group) ?? []), sideOf(face, faces[face])]);
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

/** The leaves that these days have a side of. */
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
 * is the day's, else the first back that is. Undefined once that side is arranged: what is taken off it lies beside.
 */
export function firstFitSide(leaves: readonly PageLeaf[]): { leaf: string; face: Face } | undefined {
  const pages = leaves.filter(({ make }) => make.insert === null);
  for (const face of FACES)
    for (const { id, sides } of pages) {
      const side = sides.find((each) => each.face === face);
      if (side) return side.filled === null ? { leaf: id, face } : undefined;
    }
  return undefined;
}
