import type { HoleTrouble } from "#core/book/holes.ts";
import type { Piece } from "#core/book/leaf.ts";
import type { PlacedPiece } from "#core/book/read.ts";
import type { Fit } from "#core/fit/fit.ts";
import { sayLength, ticks, type Unit } from "#core/measure/length.ts";
import type { Edges } from "#core/measure/rect.ts";
import { printSize, type Size, size } from "#core/measure/size.ts";

/** Whether a crafter has to do something about it: nothing, look, or act before cutting. */
export type Tone = "good" | "look" | "act";
export const TONE_OF: Record<Fit["kind"], Tone> = {
  fits: "good",
  lies: "good",
  stands: "good",
  snug: "look",
  overhangs: "look",
  wanders: "look",
  turn: "act",
  trim: "act",
  split: "act",
  beside: "look",
};

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
  mat: "Mat",
  overlay: "Clear overlay",
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

const EDGE_NAME: Record<keyof Edges, string> = {
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
      return "Goes in only when turned by a quarter.";
    case "trim": {
      const off = [
        ...(fit.off.w > 0 ? [`${say(fit.off.w)} off the width`] : []),
        ...(fit.off.h > 0 ? [`${say(fit.off.h)} off the height`] : []),
      ];
      const print = fit.largest ? `, or print at ${printSize(fit.largest, unit)}` : "";
      return `The pocket takes ${rounded(fit.takes)}. Trim ${off.join(" and ")}${print}.`;
    }
    case "wanders":
      return `Small for its pocket and will wander. Mount it on a backing of ${rounded(fit.backing)}.`;
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

/** The lines of a side that want something done or looked at, the urgent first. */
export function troubles(pieces: readonly PlacedPiece[]): PlacedPiece[] {
  const rank: Record<Tone, number> = { act: 0, look: 1, good: 2 };
  return pieces
    .filter(
      ({ piece, fit }) => TONE_OF[fit.kind] !== "good" && !(piece.what.kind === "tab" && fit.kind === "overhangs"),
    )
    .sort((a, b) => rank[TONE_OF[a.fit.kind]] - rank[TONE_OF[b.fit.kind]]);
}
