import type { OwnCut } from "../album/leaf.ts";
import type { MaterialId, Micrometres } from "../material/material.ts";
import { type Length, ticks } from "../measure/length.ts";
import type { Point } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";
import type { Part, Said } from "./blueprint.ts";
import { type OwnImpossible, withOwnCuts } from "./own.ts";
import type { Polygon } from "./polygon.ts";
import type { MakingStep } from "./step.ts";

/** What a construction does, by which it is chosen. */
export const DOES = [
  ...(["holds", "lifts", "folds-out", "stands-up", "pulls-out"] as const),
  ...(["shakes", "dangles", "lets-through", "is-a-shape"] as const),
] as const;
export type Does = (typeof DOES)[number];

/** What a construction is for: what goes in, and where it goes itself. Null: nothing that is known. */
export type Goes = { readonly item: Size | null; readonly room: Size | null };

/** What can be set of a construction: a length in ticks, how many of something, or which of several ways. */
export type Setting = {
  readonly name: string;
  readonly counts?: true;
  /** The ways there are; the value is which of them, the first 0. */
  readonly ways?: readonly string[];
  readonly usual: (goes: Goes) => number;
  readonly least: number;
  readonly most?: number;
};

/** A value for each setting. */
export type Sizes<Id extends string = string> = Readonly<Record<Id, number>>;

/** How a part lies in a state: its scores that are folded, in that order, and then where. */
export type Placed = {
  readonly part: string;
  /** Which of several of its part it is, from 0; by the order in which they are laid where it is not said. */
  readonly copy?: number;
  readonly folded?: readonly string[];
  /** Where the zero of the part comes to lie. */
  readonly at: Point;
  /** Quarter turns clockwise about its zero, before it is laid down. */
  readonly turn?: 0 | 1 | 2 | 3;
  /** With its back up: left and right exchanged about its zero, before it is turned. */
  readonly behind?: boolean;
  /** It lies right above this panel of another part, rather than above everything before it. */
  readonly over?: { readonly part: string; readonly panel: string };
};

/** One way a construction can be: closed, open, pulled out, standing. */
export type State = {
  readonly id: string;
  readonly name: string;
  readonly lies: readonly Placed[];
  /** Seen from the side, where it stands up: y is how high above the page. */
  readonly stands?: readonly Polygon[];
};

/** How it stays shut. */
export type StaysShut = "by-itself" | "in-its-pocket" | "needs-closure" | "does-not-open";

/** Where it opens, as it lies closed: the line about which what lifts goes over. */
export type Opening = { readonly state: string; readonly hinge: { readonly from: Point; readonly to: Point } | null };

/** A construction with all its lengths settled. */
export type Made = {
  readonly ok: true;
  readonly parts: readonly Part[];
  /** The first is how it lies in the book. */
  readonly states: readonly State[];
  /** How large it is closed, as the arithmetic has it. */
  readonly closed: Size;
  readonly steps: readonly MakingStep[];
  readonly opens: readonly Opening[];
  readonly stays: StaysShut;
  /** The largest that goes into it, where that is no part of its own. */
  readonly room?: Size;
  /** What goes wrong with it, said before it does; names in braces as in steps. */
  readonly minds: readonly Said[];
};

/** Why it cannot be made: one setting, and what it may be at the least or at the most. */
export type Impossible = {
  readonly ok: false;
  readonly setting: string;
  readonly why: "at-least" | "at-most";
  readonly limit: number;
};

/** What it is made of. */
export type Stock = { readonly paper: MaterialId; readonly caliper: Micrometres };

/** A construction as the catalog has it. */
export type Craft<Id extends string = string> = {
  readonly kind: string;
  readonly name: string;
  readonly does: Does;
  /** What it is, in a line. */
  readonly says: string;
  readonly settings: Readonly<Record<Id, Setting>>;
  /** What it is usually made of. */
  readonly paper: MaterialId;
  /** It is cut along a shape of one's own, out of a file, where there is one. */
  readonly takesOutline?: true;
  readonly make: (of: Sizes<Id>, stock: Stock, goes: Goes, own: readonly OwnCut[]) => Made | Impossible;
};

/** A construction with the names of its settings kept apart from those of any other. */
export const craft = <Id extends string>(of: Craft<Id>): Craft => of as unknown as Craft;

/** Every setting as it is usual for what goes in and where it goes. */
export const usualSizes = ({ settings }: Pick<Craft, "settings">, goes: Goes): Sizes =>
  Object.fromEntries(
    Object.entries(settings).map(([id, { usual, least, most }]) => [id, clamped(usual(goes), least, most)]),
  );

const clamped = (value: number, least: number, most = Number.POSITIVE_INFINITY): number =>
  Math.max(least, Math.min(most, Math.round(value)));

export const NOWHERE: Goes = { item: null, room: null };

/** A construction made to its sizes; the first setting that is out of its own bounds is said. */
export function made(of: Craft, sizes: Sizes, stock: Stock, goes?: Goes): Made | Impossible;
/** The same with cuts of one's own; the first that cannot be is said. */
export function made(
  of: Craft,
  sizes: Sizes,
  stock: Stock,
  goes: Goes,
  own: readonly OwnCut[],
): Made | Impossible | OwnImpossible;
export function made(
  of: Craft,
  sizes: Sizes,
  stock: Stock,
  goes: Goes = NOWHERE,
  own: readonly OwnCut[] = [],
): Made | Impossible | OwnImpossible {
  for (const [setting, { least, most }] of Object.entries(of.settings)) {
    const value = sizes[setting] ?? 0;
    if (value < least) return { ok: false, setting, why: "at-least", limit: least };
    if (most !== undefined && value > most) return { ok: false, setting, why: "at-most", limit: most };
  }
  const done = of.make(sizes, stock, goes, own);
  return done.ok ? withOwnCuts(done, own) : done;
}

const TICK = 3.125;
/** How far so many layers of a paper make an outer fold reach, in ticks, rounded up: a tick is 3.125 µm. */
export const creepOf = ({ caliper }: Pick<Stock, "caliper">, layers: number): Length =>
  ticks(Math.ceil((caliper * layers) / TICK));

/** A score where it is asked: unless the setting leaves less than it must, which is said. */
export const atLeast = (setting: string, limit: number): Impossible => ({ ok: false, setting, why: "at-least", limit });
export const atMost = (setting: string, limit: number): Impossible => ({ ok: false, setting, why: "at-most", limit });
