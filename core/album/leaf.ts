import type { MaterialId } from "../material/material.ts";
import type { Length } from "../measure/length.ts";
import type { Point, Rect } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";
import type { HolePresetId } from "./holes.ts";
import type { MadeOf } from "./made-of.ts";
import type { NumeralStyle, Step } from "./model.ts";

export const FACES = ["front", "back"] as const;
export type Face = (typeof FACES)[number];

/** Whose a side is: one day's or one page's of the front or back matter, or nobody's yet. Others may share it as guests. */
export type Owner = { readonly kind: "day"; readonly dayId: string } | { readonly kind: "nobody" };
export const NOBODY: Owner = { kind: "nobody" };

/**
 * Pieces that a keeper makes or takes from the stash, with a size and a name of their own. A construction is made at the bench. A window is cut through its leaf:
 * nothing lies there, and what is behind the leaf is seen through it.
 */
export const MADE_KINDS = [
  ...(["filler", "tag", "flip", "tab", "embellishment", "photo-mat", "overlay", "window", "construction"] as const),
] as const;
export type MadeKind = (typeof MADE_KINDS)[number];

/** What a numeral is made of and what colour it has; words have these colours too. */
export const NUMERAL_COLOURS = ["brass", "black", "white", "red", "kraft"] as const;
export type NumeralColour = (typeof NUMERAL_COLOURS)[number];
export type NumeralLook = { readonly style: Exclude<NumeralStyle, "none">; readonly colour: NumeralColour };

/** A number on a side: what it says follows the album's numbering. */
export type NumeralPiece = {
  readonly kind: "numeral";
  readonly size: Size;
  /** Null: as its day says. */
  readonly look: NumeralLook | null;
  /** 07 rather than 7. */
  readonly zero: boolean;
};
export const numeralOf = (size: Size): NumeralPiece => ({
  ...({ kind: "numeral", size, look: null, zero: false } as const),
});

/** A flat piece of paper as it lies: its corners, and which face of it is up. */
export type BuiltPanel = { readonly shape: readonly Point[]; readonly face: Face; readonly of: MaterialId };

/**
 * A cut of one's own, in ticks from the part's left upper corner. A slit runs from the left upper to the right lower corner of
 * `at`; a circle is as wide as `at`. `outline` is one of the edges of a shape out of a file, which a piece is cut along.
 */
export type OwnCut =
  | { readonly kind: "slit" | "opening" | "circle"; readonly part: string; readonly at: Rect }
  | { readonly kind: "shape"; readonly part: string; readonly points: readonly Point[] }
  | { readonly kind: "outline"; readonly points: readonly Point[] };

/** What a construction carries inside: a print or card of its day, or words of its own; `slot`: where (core/craft/slots.ts). */
export type Held = {
  readonly slot: string;
  readonly what:
    | { readonly kind: "photo"; readonly use: string }
    | { readonly kind: "card"; readonly card: string }
    | { readonly kind: "words"; readonly says: string };
};
/** The id of what is held, where it stands for something its day has. */
export const idOfHeld = ({ what }: Held): string | null =>
  what.kind === "photo" ? what.use : what.kind === "card" ? what.card : null;

/** Which construction a piece is and what was set of it (core/craft); its size is how large it lies there closed. */
export type Built = {
  readonly kind: string;
  /**
   * What of it is seen where it lies closed, the lowest first, from its left upper corner: so that a page draws it as it was
   * made, without the arithmetic of the bench.
   */
  readonly closed: readonly BuiltPanel[];
  /** How thick it is closed, where most of it lies on each other. */
  readonly micrometres: number;
  /** The blanks that are cut of its paper, each as often as it is wanted. */
  readonly blanks: readonly Size[];
  readonly lengths: Readonly<Record<string, Length>>;
  readonly counts: Readonly<Record<string, number>>;
  /** What is done at the table to make it, in that order: minutes of work, and minutes it dries before it goes on. */
  readonly steps: readonly { readonly minutes: number; readonly dries: number }[];
  /** Which of the steps are done, counted from 0, in ascending order. */
  readonly ticked: readonly number[];
  /** What it carries inside. */
  readonly holds: readonly Held[];
  /** It goes through the page it is stuck on: held by staples, brads or eyelets, or cut into that page. */
  readonly through?: true | undefined;
  /** What is cut into it, or along, of one's own; nothing where it was made before there was such a thing. */
  readonly own?: readonly OwnCut[] | undefined;
};

/** What a piece carries inside, where it is a construction that carries anything. */
export const heldIn = ({ what }: Pick<Piece, "what">): readonly Held[] => ("built" in what && what.built?.holds) || [];

/** So many corners the cuts of one's own of a piece have together at the most. */
export const MOST_OWN_CORNERS = 400;
export const MOST_OWN_CUTS = 60;

/** What is left of making a construction: minutes of work, and the longest that something of it dries. */
export function leftOf({ steps, ticked }: Pick<Built, "steps" | "ticked">): { minutes: number; dries: number } | null {
  const left = steps.filter((_, nth) => !ticked.includes(nth));
  if (left.length === 0) return null;
  return {
    minutes: left.reduce((sum, { minutes }) => sum + minutes, 0),
    dries: Math.max(0, ...left.map(({ dries }) => dries)),
  };
}

/**
 * What a piece is. Prints and cards take their size from the day that has them, so there is one truth about it; `cut` is
 * the part of a print that this piece is, in the print's own ticks, when it was cut in two. `room` is kept free on a
 * foundation page for what the day will bring.
 */
export type PieceWhat =
  | { readonly kind: "photo"; readonly use: string; readonly cut: Rect | null }
  | { readonly kind: "card"; readonly card: string }
  | NumeralPiece
  | { readonly kind: "room"; readonly keeps: "photo" | "card"; readonly size: Size }
  | {
      readonly kind: MadeKind;
      readonly size: Size;
      readonly name: string;
      /** Words that stand on it: a sticker's, a stamp's, a printed shape's. */
      readonly says?: string | undefined;
      /** What colour they are, where somebody said so. */
      readonly ink?: NumeralColour | undefined;
      /** What a construction is made as. */
      readonly built?: Built | undefined;
    };

/** Quarter turns clockwise. */
export type Turn = 0 | 1 | 2 | 3;

/** A piece on a side: what it is, where its left upper corner lies from the page's, how it is turned, in or on the film. */
export type Piece = {
  readonly id: string;
  readonly what: PieceWhat;
  readonly at: Point;
  readonly turn: Turn;
  /** Stuck on the outside of the protector rather than put into it. */
  readonly outside: boolean;
  /**
   * Whose it is, where several share the side or the page: of a number, a room or a made piece. Null: its side's. Of a print
   * or card it is always null, as the day that has it says whose it is.
   */
  readonly dayId: string | null;
  /** What it is made of and lies on, where somebody said so. */
  readonly of?: MadeOf | undefined;
};

/** How a page is held or what it is of. */
export const LEAF_KINDS = ["full", "pocket", "paper", "clear", "vellum"] as const;
export type LeafKind = (typeof LEAF_KINDS)[number];

/** What a leaf is that is no page: smaller, or something found and punched into the rings. */
export const INSERT_KINDS = ["leaf", "tag", "envelope", "scrap", "menu", "drawing", "packaging", "ticket"] as const;
export type InsertKind = (typeof INSERT_KINDS)[number];

/** What a leaf is made as. */
export type LeafMake = {
  readonly kind: LeafKind;
  /** The pocket layout by its name; null for any kind but a pocket page. */
  readonly layout: string | null;
  /** Null: the album's page size. */
  readonly size: Size | null;
  readonly basePaper: string;
  /** Which sort of insert it is; null for a page. */
  readonly insert: InsertKind | null;
  readonly note: string;
  /** The holes it came with, as it was made for another book; null where it came with none. */
  readonly oldHoles: HolePresetId | null;
  /** What its base is made of, where somebody said so. */
  readonly of: MadeOf | null;
};

/** What is done once for a leaf, whoever its sides belong to: made ready, punched, put into the book. */
export const LEAF_STEPS = ["base", "punch", "file"] as const satisfies readonly Step[];
export type LeafStep = (typeof LEAF_STEPS)[number];
/** What is done for each side. */
export const SIDE_STEPS = ["number", "assemble"] as const satisfies readonly Step[];
export type SideStep = (typeof SIDE_STEPS)[number];

/** Another day, or page of the front or back matter, that has pieces on a side without owning it, and what is done of them. */
export type Guest = { readonly dayId: string; readonly done: readonly SideStep[] };

/** A side's pieces from the lowest to the uppermost; null until somebody arranges it: then the first dry fit is shown. */
export type Side = {
  readonly owner: Owner;
  readonly guests: readonly Guest[];
  readonly pieces: readonly Piece[] | null;
  /** What is done of its owner's. */
  readonly done: readonly SideStep[];
  /** What the keeper says under the opening in which it is up (core/finish/leafing.ts); nothing where nobody did. */
  readonly line?: string | undefined;
};

/** One physical sheet of the book, in its order. */
export type Leaf = {
  readonly id: string;
  readonly version: number;
  readonly make: LeafMake;
  readonly done: readonly LeafStep[];
  /** How far below the page's upper edge a smaller leaf begins; null: halfway. */
  readonly drop: Length | null;
  /** One of those a bound book was sewn with: it stays where it is, and can only be torn out. */
  readonly sewn: boolean;
  /** Glued by its back to the front of the leaf after it: of neither of the two anything is seen any more. */
  readonly glued: boolean;
  /** Must come off the rings: a slit runs from each hole to the edge. */
  readonly liftsOff: boolean;
  /** The first leaf of another volume: the leaves before it are bound in a book of their own. */
  readonly opensVolume: boolean;
  /** What is seen through it and was said to stay as it is (core/see-through/slips.ts). */
  readonly leftSeen: readonly string[];
  readonly front: Side;
  readonly back: Side;
};

/** A candidate arrangement of one side, kept beside it until it is chosen or let go. */
export type TryOut = {
  readonly id: string;
  readonly leafId: string;
  readonly face: Face;
  readonly name: string;
  readonly version: number;
  readonly pieces: readonly Piece[];
};

export const PLAIN_PAPER: LeafMake = {
  kind: "paper",
  layout: null,
  size: null,
  basePaper: "",
  insert: null,
  note: "",
  oldHoles: null,
  of: null,
};

export const sideOf = (owner: Owner): Side => ({ owner, guests: [], pieces: null, done: [] });
export const EMPTY_SIDE: Side = sideOf(NOBODY);
export const sidesOf = <S>(leaf: { readonly front: S; readonly back: S }): readonly [S, S] => [leaf.front, leaf.back];

/** A leaf nobody has worked on yet. */
export const newLeaf = (id: string, make: LeafMake, front: Owner, back: Owner): Leaf => ({
  id,
  version: 0,
  make,
  done: [],
  drop: null,
  sewn: false,
  glued: false,
  liftsOff: false,
  opensVolume: false,
  leftSeen: [],
  front: sideOf(front),
  back: sideOf(back),
});

/** A new leaf whose both sides are one day's. */
export function leafOfDay(id: string, make: LeafMake, dayId: string): Leaf {
  const owner: Owner = { kind: "day", dayId };
  return newLeaf(id, make, owner, owner);
}

/** Whose a side is, and who shares it. */
type SideOfDays = { readonly owner: Owner; readonly guests: readonly Pick<Guest, "dayId">[] };
type LeafOfDays = { readonly front: SideOfDays; readonly back: SideOfDays };

/** The days that own a side of a leaf, its front's first. */
export const ownersOfLeaf = (leaf: LeafOfDays): string[] =>
  sidesOf(leaf).flatMap(({ owner }) => (owner.kind === "day" ? [owner.dayId] : []));

/** The days that own a side of a leaf or share one, those that own one first. */
export const daysOfLeaf = (leaf: LeafOfDays): string[] => [
  ...ownersOfLeaf(leaf),
  ...sidesOf(leaf).flatMap(({ guests }) => guests.map(({ dayId }) => dayId)),
];
