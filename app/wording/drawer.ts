import type { Sits } from "#core/album/made-of.ts";
import type { PutAs } from "#core/drawer/put-on.ts";
import type { Stock } from "#core/drawer/stock.ts";
import type { Lot, Thing, ThingKind } from "#core/drawer/thing.ts";
import type { Advice, Purpose } from "#core/material/adhesive.ts";
import type { Unit } from "#core/measure/length.ts";
import { printSize } from "#core/measure/size.ts";
import { many } from "./count.ts";

/** The words for what is in the drawer. */

export const KIND_NAME: Readonly<Record<ThingKind, string>> = {
  paper: "Paper",
  card: "Cards and tags",
  protector: "Protectors",
  numbers: "Numbers",
  letters: "Letters",
  sticker: "Stickers",
  film: "Film and vellum",
  tape: "Tape and twine",
  other: "Other things",
};
export const ONE_OF: Readonly<Record<ThingKind, readonly [one: string, several: string]>> = {
  paper: ["sheet", "sheets"],
  card: ["card", "cards"],
  protector: ["protector", "protectors"],
  numbers: ["set", "sets"],
  letters: ["set", "sets"],
  sticker: ["sticker", "stickers"],
  film: ["sheet", "sheets"],
  tape: ["roll", "rolls"],
  other: ["piece", "pieces"],
};
export const LOT_NAME: Readonly<Record<Lot, string>> = { stash: "from the stash", kit: "bought for an album" };

/** `6 sheets`, `one left`, `none left`: how many there are, in words that are noticed. */
export const countSaid = (thing: Pick<Thing, "kind" | "count">): string =>
  thing.count === 0 ? "none left" : isLow(thing) ? "one left" : many(thing.count, ...ONE_OF[thing.kind]);

/** Whether the last of it is all there is. Of a set of numbers or letters nobody has more than one. */
export const isLow = ({ kind, count }: Pick<Thing, "kind" | "count">): boolean =>
  count === 0 || (count === 1 && kind !== "numbers" && kind !== "letters");

/** `12 × 12, top drawer, to be used up`: what else is said of it. */
export const besideSaid = (thing: Thing, unit: Unit): string =>
  [
    thing.size && printSize(thing.size, unit),
    thing.lies,
    thing.useUp && "to be used up",
    thing.hasTop && "its pattern has a top",
    thing.oneSided && "printed on one side",
  ]
    .filter(Boolean)
    .join(", ");

export const PUT_AS_NAME: Readonly<Record<PutAs, string>> = {
  card: "a card to write on",
  tag: "a tag",
  embellishment: "an embellishment",
  filler: "a filler card",
  "photo-mat": "a photo mat",
  overlay: "a clear overlay",
};

export const PURPOSE_NAME: Readonly<Record<Purpose, string>> = {
  flat: "lies flat",
  lifts: "lifts, or is heavy",
  slides: "something slides behind it",
  "seen-through": "the glue would be seen",
  exact: "must lie exactly there",
};

/** Advice as it is followed at the table; labels go before it. */
export const ADVICE: Readonly<Record<Advice, string>> = {
  "strong-tape": "Strong double-sided tape, over the whole of its edge: a thin line of glue lets go.",
  "little-wet-glue": "Wet glue, little of it: it can still be moved for a moment.",
  "tape-runner": "A tape runner, close to the edges.",
  "under-what-hides-it": "Only where a strip, a label or a picture hides it: glue is seen through film.",
  "whole-sheet-or-hidden":
    "An adhesive sheet over all of it, or only under what covers it: glue is seen through vellum.",
  "edges-only": "Narrow tape at the outer edges, and none across the way of what slides.",
  "no-wet-medium": "Nothing wet on it: it warps or its print runs.",
  "no-heat": "No hot glue and no heat tool: it warps and gives off fumes.",
  "something-under-washi": "It loses its tack in time: stick something under it.",
  "repositionable-first": "Place it with a repositionable one first.",
};
/** Stands under every advice. */
export const LABEL_FIRST = "What the label of your adhesive says goes before this.";

/** Why nothing was done to the drawer. */
export const WHY = {
  "not-found": "That is not in the drawer any more.",
  "too-many": "The drawer is full: it takes five thousand things, and a hundred thousand of one.",
  "none-left": "Somebody took the last one meanwhile: there is none left.",
  "no-size": "Say how large it is first: then it can be laid on a page.",
  "no-room": "That day has no page with room for it. Take something off first, or give the day another page.",
  "changed-since": "That page was changed in another window meanwhile. Nothing was put on it: try again.",
  "no-file": "Choose a list first: a file whose name ends in .csv.",
  "too-large": "That file is over 4 MB, more than a list of ten thousand things can be. Nothing was read.",
  "no-room-for-pictures": "Your household has no room left for its pictures. Nothing was read.",
  "not-a-drawer":
    "That ZIP is no drawer: it has no drawer.json in it. An album’s archive is read on the shelf. Nothing was changed.",
  "newer-format": "That drawer was written by a newer version of Hearth Clock. Bring this one up to date first.",
  damaged: "That file is broken: a part of it is missing or was changed. Nothing was changed here.",
  "no-list": "That is no list of things: a table needs a head with the columns name and kind. Nothing was changed.",
} as const;

export const SITS_NAME: Readonly<Record<Sits, string>> = {
  "tape-runner": "a tape runner",
  "foam-tape": "foam tape",
  "foam-dot": "foam dots",
  stitching: "stitches",
  staple: "staples",
  brad: "a brad",
  slit: "slits in the page",
};

/** `3 left`, `one left`, `lacks 7`: how much of a thing is free, and what of a set is short for what a piece says. */
export const leftSaid = (left: number | null, lacks: readonly string[]): string =>
  lacks.length > 0
    ? `lacks ${lacks.join(" ")}`
    : left === null
      ? "as many as wanted"
      : left === 0
        ? "none left"
        : left === 1
          ? "one left"
          : `${left} left`;

/** What of a thing remains once this page has it. */
export const takenSaid = ({ left, short, without }: Pick<Stock, "left" | "short" | "without">): string =>
  short > 0
    ? `${without.length > 0 ? without.join(" ") : short} short in the drawer`
    : left === 0
      ? "the last there is"
      : left === 1
        ? "one is left after it"
        : left === null
          ? "as many as wanted"
          : `${left} left after it`;

/** `1 used, 2 reserved, 3 left`: where a thing went. */
export const stockSaid = ({ used, reserved, left, short, without }: Stock): string =>
  [
    used > 0 && `${used} used`,
    reserved > 0 && `${reserved} reserved`,
    short > 0
      ? `${without.length > 0 ? without.join(" ") : short} short`
      : left === null
        ? "as many as wanted"
        : left === 0
          ? "none left then"
          : left === 1
            ? "one left"
            : `${left} left`,
  ]
    .filter(Boolean)
    .join(", ");
