import { type Length, ticks } from "../measure/length.ts";
import type { Rect } from "../measure/rect.ts";
import { emOf, type TypedIn } from "./lettering.ts";
import { reachOf, widthOf } from "./typefaces.ts";

/** What may be printed on a picture: words alone, words on a label or a disc, words in a frame. Shapes need no words. */
export const ON_KINDS = ["words", "label", "disc", "frame"] as const;
export type OnKind = (typeof ON_KINDS)[number];
/** Light lettering is for dark spots, dark for light ones; a label or a disc is of that tone itself, its words of the other. */
export const TONES = ["light", "dark"] as const;
export type Tone = (typeof TONES)[number];

/** Something that is printed on a picture, at true size: where it lies on the print, and what it says. */
export type PrintedOn = {
  readonly id: string;
  readonly kind: OnKind;
  readonly text: string;
  readonly typeface: TypedIn;
  /** In quarters of a point. */
  readonly size: number;
  readonly tone: Tone;
  /** From the print's left upper corner, its white border included. */
  readonly at: Rect;
};

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

/** What tells two sets of things printed on a picture apart, in one word; empty where nothing is printed on it. */
export const onKey = (items: readonly PrintedOn[]): string =>
  items.length === 0
    ? ""
    : JSON.stringify(
        items.map(({ kind, text, typeface, size, tone, at }) => [
          kind,
          text,
          typeface,
          size,
          tone,
          at.x,
          at.y,
          at.w,
          at.h,
        ]),
      );

type Said = [OnKind, string, TypedIn, number, Tone, Length, Length, Length, Length];

/** What `onKey` wrote, as it was. */
export const readOnKey = (key: string): PrintedOn[] =>
  (JSON.parse(key) as Said[]).map(([kind, text, typeface, size, tone, x, y, w, h], at) => ({
    ...{ id: String(at), kind, text, typeface, size, tone, at: { x, y, w, h } },
  }));
