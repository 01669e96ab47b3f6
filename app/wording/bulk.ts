import { many } from "#app/wording/count.ts";
import type { AlbumFormat } from "#core/album/model.ts";
import type { Layer } from "#core/bulk/layers.ts";
import { usualOf } from "#core/bulk/layers.ts";
import type { Part } from "#core/bulk/peaks.ts";
import { asLength } from "#core/bulk/pocket-room.ts";
import type { Cure } from "#core/bulk/remedies.ts";
import { MATERIALS, micrometres } from "#core/material/material.ts";
import { sayLength, TICKS_PER_INCH, ticks, type Unit } from "#core/measure/length.ts";

/** The words for how a closed book is. */

/** A thickness as a ruler has it: to the sixteenth of an inch, or to half a millimetre. */
export function sayThick(thick: number, unit: Unit): string {
  if (unit === "cm") {
    const halves = Math.round(thick / 500);
    if (halves === 0) return thick > 0 ? "under ½ mm" : "0 mm";
    const whole = Math.floor(halves / 2);
    return `${whole > 0 ? whole : ""}${halves % 2 === 1 ? "½" : ""} mm`;
  }
  const step = TICKS_PER_INCH / 16;
  const length = Math.round(asLength(micrometres(thick)) / step) * step;
  if (length === 0) return thick > 0 ? "under ¹⁄₁₆″" : "0″";
  return sayLength(ticks(length), unit);
}

const SHEET = MATERIALS["cardstock-80"].caliper;
/** What is thinner than a ruler shows, in what lies at hand: `2 sheets of cardstock`. */
export function sayThin(thick: number, unit: Unit): string {
  if (Math.abs(thick) >= 1500) return sayThick(thick, unit);
  const sheets = Math.round(thick / SHEET);
  return sheets < 1 ? "less than a sheet of cardstock" : many(sheets, "sheet of cardstock", "sheets of cardstock");
}

/** What takes the leaves: `the rings`, `the spine`. */
export const holderOf = ({ binding }: Pick<AlbumFormat, "binding">): string =>
  binding === "sewn" ? "the spine" : "the rings";

export const freeEdge = ({ bindingEdge }: Pick<AlbumFormat, "bindingEdge">): string =>
  bindingEdge === "top" ? "at the foot" : "at the fore-edge";

const DOWN = { upper: "Upper part", middle: "Halfway down", lower: "Lower part" } as const;
const ACROSS = { hinge: "near the binding", middle: "in the middle", edge: "near the free edge" } as const;

/** `Upper part, near the free edge`. */
export const partSaid = ({ down, across }: Part): string => `${DOWN[down]}, ${ACROSS[across]}`;

const PIECES: Record<NonNullable<Layer["piece"]>["what"]["kind"], readonly [one: string, several: string]> = {
  photo: ["print", "prints"],
  card: ["card", "cards"],
  numeral: ["number", "numbers"],
  room: ["room kept", "rooms kept"],
  filler: ["filler card", "filler cards"],
  tag: ["tag", "tags"],
  flip: ["flip-up", "flip-ups"],
  tab: ["tab", "tabs"],
  embellishment: ["embellishment", "embellishments"],
  "photo-mat": ["photo mat", "photo mats"],
  overlay: ["overlay", "overlays"],
  window: ["window", "windows"],
  construction: ["construction", "constructions"],
};

type Names = ReadonlyMap<string, { readonly name: string }>;
type Said = Pick<Layer, "piece" | "page">;

/** What a piece is of, where that is worth a word: the thing it is taken from, its own name, its material. */
function ofSaid({ piece, page }: Said, names: Names): string {
  if (!piece) return "";
  const { what } = piece;
  if ("name" in what && what.name) return ` “${what.name}”`;
  const thing = piece.of?.thing && names.get(piece.of.thing);
  const isPaper = what.kind === "photo" || what.kind === "card" || what.kind === "room";
  if (thing && piece.of?.material == null) return isPaper ? "" : ` of “${thing.name}”`;
  const material = piece.of?.material ?? usualOf(what, page?.content.numeral.style ?? "none");
  return material && !isPaper ? ` of ${MATERIALS[material].name}` : "";
}

const kindSaid = ({ piece }: Said): readonly [string, string] => (piece ? PIECES[piece.what.kind] : ["page", "pages"]);

/** `number of chipboard`, `embellishment “Lighthouse”`. */
export const pieceSaid = (layer: Said, names: Names): string => `${kindSaid(layer)[0]}${ofSaid(layer, names)}`;

/** What piles up in one place, the dearest first: `5 numbers of chipboard (day 3, day 7)`. */
export function pileSaid<L extends Layer>(layers: readonly L[], names: Names, nameOf: (layer: L) => string): string {
  const groups = new Map<string, L[]>();
  for (const layer of layers) {
    const said = pieceSaid(layer, names);
    groups.set(said, [...(groups.get(said) ?? []), layer]);
  }
  return [...groups.values()]
    .map((all) => {
      const [first] = all;
      if (!first) return "";
      const [one, several] = kindSaid(first);
      const whose = [...new Set(all.map(nameOf))].join(", ");
      return `${many(all.length, one, several)}${ofSaid(first, names)} (${whose})`;
    })
    .join("; ");
}

export function cureSaid(cure: Cure): string {
  switch (cure.kind) {
    case "move":
      return `Move it to the ${cure.to} of its page`;
    case "thinner":
      return cure.material === "peeled-chipboard"
        ? "Peel its back off, and glue it"
        : `Make it of ${MATERIALS[cure.material].name}`;
    case "flat":
      return "Glue it flat, without the foam";
    case "one-layer":
      return "One layer of it, in place of several";
    case "leave-out":
      return "Leave it out";
  }
}

/** A share as people say how sure they are: `within 10 %`. */
export const withinSaid = (within: number): string => `${Math.round(within * 100)} %`;
