import { many } from "#app/wording/count.ts";
import type { Piece } from "#core/album/leaf.ts";
import type { HoleTrouble } from "#core/book/holes.ts";
import { pieceSize } from "#core/book/piece.ts";
import type { Edge } from "#core/book/standing-out.ts";
import type { Stop } from "#core/book/stops-fitting.ts";
import type { Trouble } from "#core/book/troubles.ts";
import { type Fit, PLAY } from "#core/fit/fit.ts";
import { type Length, sayLength, ticks, type Unit } from "#core/measure/length.ts";
import type { Edges } from "#core/measure/rect.ts";
import { printSize, type Size, size } from "#core/measure/size.ts";

export const KIND_NAME: Record<Piece["what"]["kind"], string> = {
  photo: "Print",
  card: "Card",
  numeral: "Number",
  room: "Room kept",
  filler: "Filler card",
  tag: "Tag",
  flip: "Flip-up",
  tab: "Tab",
  embellishment: "Embellishment",
  "photo-mat": "Photo mat",
  overlay: "Clear overlay",
  window: "Window cut through",
  construction: "Construction",
};

/** What a piece is called in a list: `Print 4 × 3`, `Room for a photo`, `Tab "lift"`. */
export function pieceName({ what, turn }: Piece, made: Size, unit: Unit): string {
  const lying = turn % 2 === 1 ? size(made.h, made.w) : made;
  if (what.kind === "room")
    return `Room for ${what.keeps === "photo" ? "a photo" : "words"}, ${printSize(lying, unit)}`;
  if (what.kind === "photo" && what.cut) return `Part of a print ${printSize(lying, unit)}`;
  const named = "name" in what && what.name ? ` “${what.name}”` : "";
  return `${KIND_NAME[what.kind]}${named} ${printSize(lying, unit)}`;
}

export const EDGE_NAME: Record<keyof Edges, string> = {
  top: "at the top",
  right: "on the right",
  bottom: "at the foot",
  left: "on the left",
};
const EDGES = ["left", "right", "top", "bottom"] as const;

/** What a fit means in a line or two that a crafter would say. */
export function fitWords(fit: Fit, unit: Unit): string {
  const say = (length: number) => sayLength(ticks(length), unit);
  const rounded = (of: Size) => printSize(size(roundTo(of.w, unit), roundTo(of.h, unit)), unit);
  switch (fit.kind) {
    case "fits":
      return `Fits, with ${say(Math.min(fit.play.w, fit.play.h))} play.`;
    case "snug": {
      const least = Math.min(fit.play.w, fit.play.h);
      return least === 0 ? "Fits exactly, with no play." : `Goes in snug: only ${say(least)} play.`;
    }
    case "turn":
      return Math.min(fit.play.w, fit.play.h) < PLAY
        ? "Goes in only when turned by a quarter, and is snug then."
        : "Goes in only when turned by a quarter.";
    case "trim": {
      const off = [
        ...(fit.off.w > 0 ? [`${say(fit.off.w)} off the width`] : []),
        ...(fit.off.h > 0 ? [`${say(fit.off.h)} off the height`] : []),
      ];
      const print = fit.largest ? `, or print at ${printSize(fit.largest, unit)}` : "";
      return `The ${fit.inOpening ? "protector" : "pocket"} takes ${rounded(fit.takes)}. ${fit.turned ? "Turn it, then trim" : "Trim"} ${off.join(" and ")}${print}.`;
    }
    case "wanders":
      return `Small for its pocket and will wander. Mount it on a backing of ${rounded(fit.backing)}.`;
    case "carried":
      return fit.by === "under"
        ? "Stuck to what lies under it, and cannot wander."
        : "Stuck to the back of what fills its pocket, and cannot wander.";
    case "split":
      return "Lies across two pockets. Cut it in two, or move it into one.";
    case "lies": {
      const { left, right, top, bottom } = fit.room;
      const across = left <= right ? `${say(left)} from the left` : `${say(right)} from the right`;
      const down = top <= bottom ? `${say(top)} from the top` : `${say(bottom)} from the foot`;
      return `On the page: ${across}, ${down}.`;
    }
    case "overhangs": {
      const over = EDGES.filter((edge) => fit.over[edge] > 0).map(
        (edge) => `${say(fit.over[edge])} ${EDGE_NAME[edge]}`,
      );
      return `Hangs over: ${over.join(", ")}.`;
    }
    case "stands": {
      const out = EDGES.filter((edge) => fit.out[edge] > 0).map((edge) => `${say(fit.out[edge])} ${EDGE_NAME[edge]}`);
      return out.length > 0 ? `Stands out ${out.join(", ")}.` : "Wholly on the page: nothing to take hold of.";
    }
    case "beside":
      return "Lies beside the page.";
  }
}

const STEP: Record<Unit, number> = { inch: 127, cm: 32 };
const roundTo = (length: number, unit: Unit) =>
  ticks(Math.max(STEP[unit], Math.floor(length / STEP[unit]) * STEP[unit]));

/** Where a punch would go through a piece, and what avoids it. */
export function holeWords({ holes, move, strip }: HoleTrouble, unit: Unit): string {
  const many = holes.length === 1 ? "A hole goes" : `${holes.length} holes go`;
  const instead = `tape a clear strip ${printSize(size(strip.w, strip.h), unit)} to its edge and punch that`;
  return move === null
    ? `${many} through it: ${instead}.`
    : `${many} through it. Move it ${sayLength(move, unit)} from the binding edge, or ${instead}.`;
}

/** How far something stands past the closed cover, and what comes of it. */
export function pastCover(edge: Edge, beyond: Length, unit: Unit): string {
  const far = sayLength(beyond, unit);
  if (edge === "top") return `Stands ${far} above the cover’s edge, and will bend.`;
  if (edge === "bottom") return `Stands ${far} below the cover’s edge, and will bend.`;
  return `Stands ${far} past the closed cover ${EDGE_NAME[edge]}.`;
}

/** What is to do or to look at about a piece, in a line or two. */
export function troubleWords(trouble: Trouble, unit: Unit): string {
  switch (trouble.about) {
    case "hole":
      return holeWords(trouble.hole, unit);
    case "cover":
      return pastCover(trouble.edge, trouble.beyond, unit);
    case "weld":
      return `The protector is welded ${EDGE_NAME[trouble.edge]}: stick it on the outside, or let it stand out at the top.`;
    case "fit":
      return fitWords(trouble.placed.fit, unit);
  }
}

/** A piece that would stop fitting with other measures, with its page: `3: Print 6 × 4. It finds no place any more.` */
export function stopWords({ page, was, is }: Stop, unit: Unit): string {
  const made = pieceSize(was.piece.what, page?.content ?? null);
  const name = made ? pieceName(was.piece, made, unit) : "";
  return `${page?.label ?? "A leaf"}: ${name}. ${is ? fitWords(is.fit, unit) : "It finds no place any more."}`;
}

/** The rooms on a side that nothing lies in yet: "Still empty: two rooms for photos and one for words." */
export function roomsLeft(rooms: readonly { readonly keeps: "photo" | "card" }[]): string {
  const photos = rooms.filter(({ keeps }) => keeps === "photo").length;
  const cards = rooms.length - photos;
  const said = [
    ...(photos > 0 ? [many(photos, "room for a photo", "rooms for photos")] : []),
    ...(cards > 0 ? [many(cards, "room for words", "rooms for words")] : []),
  ];
  return `Still empty: ${said.join(" and ")}.`;
}
