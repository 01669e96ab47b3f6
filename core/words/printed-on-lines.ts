import { type Length, ticks } from "../measure/length.ts";
import { emOf } from "./lettering.ts";
import type { PrintedOn } from "./printed-on.ts";
import { reachOf, widthOf } from "./typefaces.ts";

/** Lines stand this far apart, in ems. */
const LEADING = 1.2;

/** A line of words: where its middle stands, and its base line, in ticks of the print. */
export type OnLine = { readonly text: string; readonly x: Length; readonly y: Length };

const wordsIn = (text: string): string[] => (text.trim() === "" ? [] : text.split("\n").map((line) => line.trim()));

/** Its words line by line, in the middle of where it lies. */
export function linesOn(item: PrintedOn): OnLine[] {
  const lines = wordsIn(item.text);
  const em = emOf(item.size);
  const { tall, deep } = reachOf(item.typeface);
  const { x, y, w, h } = item.at;
  const first = y + h / 2 - ((lines.length - 1) * LEADING * em) / 2 + ((tall - deep) * em) / 2;
  return lines.map((text, at) => ({
    text,
    x: ticks(Math.round(x + w / 2)),
    y: ticks(Math.round(first + at * LEADING * em)),
  }));
}

/** How large its words are, and whether they stay inside where it lies. */
export function wordsOfOn(item: Omit<PrintedOn, "id" | "tone">): { w: Length; h: Length; fits: boolean } {
  const lines = wordsIn(item.text);
  const em = emOf(item.size);
  const wide = Math.max(0, ...lines.map((line) => widthOf(item.typeface, line))) * em;
  const high = lines.length === 0 ? 0 : ((lines.length - 1) * LEADING + 1) * em;
  const { w, h } = item.at;
  // A disc is narrower the further from its middle: its words stay in the square that it holds.
  const share = item.kind === "disc" ? Math.SQRT1_2 : 1;
  return { w: ticks(Math.ceil(wide)), h: ticks(Math.ceil(high)), fits: wide <= w * share && high <= h * share };
}
