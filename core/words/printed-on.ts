import type { Length } from "../measure/length.ts";
import type { Rect } from "../measure/rect.ts";
import type { TypedIn } from "./lettering.ts";

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
