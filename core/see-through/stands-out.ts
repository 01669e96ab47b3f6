import type { NumeralColour, Piece } from "../album/leaf.ts";
import { INK_OF } from "../album/lettering-ink.ts";
import { seenThroughPiece } from "../book/windows.ts";
import { INKS } from "../material/ink.ts";
import { contrastOf, luminance, luminanceOfColour, READABLE, VELLUM_HELPS } from "../photo/quiet.ts";

/** What of a number lies straight on what is behind it, without a ground of its own. */
const BARE = new Set(["chipboard", "acrylic", "stamped", "cut", "printed"]);

/** The colour of lettering that has no ground of its own; null where it has one, or nobody said its colour. */
export function bareInk({ what, of }: Piece): NumeralColour | null {
  if (of?.shows) return null;
  if (what.kind === "numeral") return what.look && BARE.has(what.look.style) ? what.look.colour : null;
  const isBare = "name" in what && seenThroughPiece({ what, of } as Piece) !== "opaque";
  return isBare && what.says ? (what.ink ?? null) : null;
}

/** Whether lettering stands out: it does, it is as light or as dark as what is behind it, or that is too uneven. */
export type StandsOut = {
  readonly how: "reads" | "alike" | "busy";
  /** By the part of what is behind it that is most like it (WCAG 2.2). */
  readonly contrast: number;
};

/** How lettering of a colour stands out on something so light and so uneven, greys of 0 to 255. */
export function standsOut(ink: NumeralColour, { mean, spread }: { mean: number; spread: number }): StandsOut {
  const own = luminanceOfColour(INKS[INK_OF[ink]]);
  const [dark, bright] = [luminance(mean - spread), luminance(mean + spread)];
  const worst = own >= dark && own <= bright ? 1 : Math.min(contrastOf(own, dark), contrastOf(own, bright));
  const contrast = Math.round(worst * 10) / 10;
  return { contrast, how: worst >= READABLE ? "reads" : spread > VELLUM_HELPS ? "busy" : "alike" };
}

/** The colours that read there, the clearest first. */
export const inksThatRead = (inks: readonly NumeralColour[], tone: { mean: number; spread: number }): NumeralColour[] =>
  inks
    .map((ink) => ({ ink, ...standsOut(ink, tone) }))
    .filter(({ how }) => how === "reads")
    .sort((a, b) => b.contrast - a.contrast)
    .map(({ ink }) => ink);
