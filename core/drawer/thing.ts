import { MATERIALS, type MaterialId, type Micrometres } from "../material/material.ts";
import { contains, type Rect, rectOf } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";
import type { LetterSet } from "./letters.ts";
import type { NumberSet } from "./numerals.ts";

export const THING_KINDS = [
  ...(["paper", "card", "protector", "numbers", "letters", "sticker", "film", "tape", "other"] as const),
];
export type ThingKind = (typeof THING_KINDS)[number];

/** Bought for this album, or from what there is anyway. */
export const LOTS = ["stash", "kit"] as const;
export type Lot = (typeof LOTS)[number];

/** Something in the household's drawer. */
export type Thing = {
  readonly name: string;
  readonly kind: ThingKind;
  /** Null: as things of its kind usually are. */
  readonly material: MaterialId | null;
  readonly size: Size | null;
  /** How many there are: sheets, pieces, rolls, sets. */
  readonly count: number;
  /** Where it lies. */
  readonly lies: string;
  readonly lot: Lot;
  /** Wanted to be used up before anything like it. */
  readonly useUp: boolean;
  /** Its pattern has an upper edge, and may not be turned. */
  readonly hasTop: boolean;
  /** Printed on one side only. */
  readonly oneSided: boolean;
  /** A part of each sheet that stays whole when it is cut, from its left upper corner; null: all of it may be cut up. */
  readonly motif: Rect | null;
  /** Of one sheet or piece, as it was measured; null: as is typical of its material. */
  readonly caliper: Micrometres | null;
  /** What numbers there are in one set of them; null for anything else. */
  readonly numbers: NumberSet | null;
  /** What letters there are in one set of them; null for anything else. */
  readonly letters: LetterSet | null;
  readonly note: string;
};

export type KeptThing = Thing & { readonly id: string };
/** A thing, since when it lies there, and the picture of the roll that shows it. */
export type DrawerThing = KeptThing & { readonly addedAt: Date; readonly photoId: string | null };

/** What things of a kind usually are of. Common practice. */
const USUAL: Readonly<Record<ThingKind, MaterialId>> = {
  paper: "patterned-paper",
  card: "cardstock-80",
  protector: "protector-film",
  numbers: "chipboard",
  letters: "flat-sticker",
  sticker: "flat-sticker",
  film: "transparency",
  tape: "washi",
  other: "cardstock-80",
};

export const materialOf = ({ material, kind }: Pick<Thing, "material" | "kind">): MaterialId => material ?? USUAL[kind];

/** How thick one of them is: as it was measured, else as is typical. */
export const caliperOf = (thing: Pick<Thing, "material" | "kind" | "caliper">): Micrometres =>
  thing.caliper ?? MATERIALS[materialOf(thing)].caliper;

export const newThing = (name: string, kind: ThingKind, count = 1): Thing => ({
  ...{ name, kind, count, material: null, size: null, lies: "", lot: "stash", useUp: false, hasTop: false },
  ...{ oneSided: false, motif: null, caliper: null, numbers: null, letters: null, note: "" },
});

/** Whether a motif is a part of the sheet that it is said to be on. */
export const isMotifOn = (size: Size | null, motif: Rect): boolean => size !== null && contains(rectOf(size), motif);

/** More of one thing than these nobody counts. */
export const MOST_OF_A_THING = 100_000;

/** Whether two entries of a list are one thing: of one kind, one name whatever its capitals, and one size. */
export const isSameThing = (a: Thing, b: Thing): boolean =>
  a.kind === b.kind &&
  a.name.trim().toLocaleLowerCase("en") === b.name.trim().toLocaleLowerCase("en") &&
  a.size?.w === b.size?.w &&
  a.size?.h === b.size?.h;
