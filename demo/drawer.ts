import { randomUUID } from "node:crypto";
import { readLetters } from "../core/drawer/letters.ts";
import { newThing, type Thing, type ThingKind } from "../core/drawer/thing.ts";
import { micrometres } from "../core/material/material.ts";
import { inches } from "../core/measure/length.ts";
import { rect } from "../core/measure/rect.ts";
import { size } from "../core/measure/size.ts";
import type { Author } from "../store/author.ts";
import type { Db } from "../store/db.ts";
import { keepList } from "../store/drawer.ts";

type Said = Partial<Thing> & { readonly sized?: readonly [number, number] };
const one = (kind: ThingKind, name: string, count: number, { sized, ...said }: Said = {}): Thing => ({
  ...newThing(name, kind, count),
  ...said,
  size: sized ? size(inches(sized[0]), inches(sized[1])) : null,
});

/** The corner of a sheet of Tide Table with the moon on it. */
const MOON = rect(inches(8.5), 0, inches(3.5), inches(3.5));

const TOP = "top drawer";
const TIN = "biscuit tin";
const SHELF = "paper shelf";

/** Some forty things, two of them down to the last, one hoarded, one forgotten. */
const THINGS: readonly Thing[] = [
  one("paper", "Linen Stars", 6, { sized: [12, 12], lies: SHELF, lot: "kit", hasTop: true }),
  one("paper", "Harbour Check", 4, { sized: [12, 12], lies: SHELF, lot: "kit" }),
  one("paper", "Tide Table", 2, {
    sized: [12, 12],
    lies: SHELF,
    hasTop: true,
    motif: MOON,
    note: "Keep the corner with the moon.",
  }),
  one("paper", "Saffron Stripe", 1, { sized: [12, 12], lies: SHELF, useUp: true }),
  one("paper", "Net Mesh", 3, { sized: [6, 12], lies: SHELF }),
  one("paper", "Storm Blue", 8, { sized: [12, 12], lies: SHELF, material: "cardstock-80", caliper: micrometres(285) }),
  one("paper", "Chalk White", 14, { sized: [8.5, 11], lies: SHELF, material: "cardstock-110" }),
  one("paper", "Brown Kraft", 9, { sized: [12, 12], lies: SHELF, material: "cardstock-65" }),
  one("paper", "Lantern Pad", 22, { sized: [6, 8], lies: SHELF, lot: "kit", oneSided: true }),
  one("paper", "Tide Table", 1, { sized: [4.25, 12], lies: "scrap folder", useUp: true, hasTop: true }),
  one("paper", "Photo paper, matt", 11, { sized: [8.5, 11], lies: "printer", material: "photo-paper", oneSided: true }),
  one("card", "Journaling cards, lined", 18, { sized: [3, 4], lies: TOP, lot: "kit" }),
  one("card", "Journaling cards, plain", 7, { sized: [4, 6], lies: TOP }),
  one("card", "Boat cards", 2, { sized: [3, 4], lies: TOP, note: "The twins want one each." }),
  one("card", "Parcel tags", 12, { sized: [2, 4], lies: TIN }),
  one("card", "Tags made in October", 5, { sized: [2.5, 5], lies: TIN, useUp: true, note: "Without a day yet." }),
  one("protector", "Full page", 20, { sized: [6, 8], lies: SHELF }),
  one("protector", "Four pockets", 12, { sized: [6, 8], lies: SHELF }),
  one("protector", "Three slim pockets", 3, { sized: [6, 8], lies: SHELF }),
  one("numbers", "Brass Numerals 1–25", 1, {
    ...{ lies: TIN, lot: "kit", material: "metal", numbers: { kind: "whole", from: 1, to: 25, each: 1 } },
  }),
  one("numbers", "Kraft digits", 1, {
    ...{ lies: TIN, numbers: { kind: "digits", counts: [3, 10, 9, 5, 3, 3, 4, 3, 3, 1], turns: true } },
    note: "The six can be turned into a nine.",
  }),
  one("numbers", "Number stamps", 1, { lies: TOP, material: "printer-paper", numbers: { kind: "unlimited" } }),
  one("letters", "Cork letters", 1, {
    ...{ lies: TIN, lot: "kit", material: "chipboard" },
    letters: readLetters("A6 B2 C3 D3 E8 F2 G3 H3 I6 K2 L5 M3 N6 O5 P2 R5 S5 T6 U3 V2 W2 Y2", true),
  }),
  one("letters", "Typewriter labels", 2, { lies: TOP, letters: readLetters("A4 D2 E5 I3 L3 N4 O4 R3 S4 T4 W2", true) }),
  one("sticker", "Gold stars", 34, { sized: [0.5, 0.5], lies: TOP }),
  one("sticker", "Lighthouse", 1, { sized: [2, 3], lies: TOP, note: "Not made any more." }),
  one("sticker", "Word strips", 19, { sized: [3, 0.375], lies: TOP, lot: "kit" }),
  one("sticker", "Puffy clouds", 6, { lies: TOP, material: "puffy-sticker" }),
  one("sticker", "Enamel dots, red", 40, { lies: TIN, material: "enamel-dot" }),
  one("film", "Printed branches", 2, { sized: [6, 8], lies: SHELF, lot: "kit" }),
  one("film", "Clear film", 5, { sized: [8.5, 11], lies: SHELF, note: "Found again after a year." }),
  one("film", "Vellum", 7, { sized: [8.5, 11], lies: SHELF, material: "vellum" }),
  one("tape", "Rope tape", 1, { lies: TIN }),
  one("tape", "Blue tape, narrow", 2, { lies: TIN }),
  one("tape", "Tape runner", 3, { lies: TOP, material: "tape-runner" }),
  one("tape", "Foam tape", 1, { lies: TOP, material: "foam-tape" }),
  one("tape", "Waxed twine", 1, { lies: TIN, material: "felt", note: "Enough for one bow." }),
  one("other", "Brads, brass", 26, { lies: TIN, material: "brad" }),
  one("other", "Wooden boats", 3, { sized: [1.5, 1], lies: TIN, material: "wood-veneer" }),
  one("other", "Felt mitten", 1, { lies: TIN, material: "felt" }),
];

/** Fills the drawer of the demo's household. */
export async function fillDrawer(db: Db, author: Author): Promise<void> {
  const kept = await keepList(db, author, THINGS, randomUUID);
  if (!kept.ok) throw new Error(`the demo's drawer was refused: ${kept.reason}`);
}
