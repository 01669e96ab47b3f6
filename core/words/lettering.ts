import { inches, type Length, millimetres, ticks } from "../measure/length.ts";
import type { Rect } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";

/** Typefaces that words are typed in. */
export const TYPED_IN = ["book", "numeral", "plain", "typed"] as const;
export type TypedIn = (typeof TYPED_IN)[number];
export const ALIGNS = ["left", "centre", "justified"] as const;
export type Align = (typeof ALIGNS)[number];

/** Ten or twelve characters to the inch: pica and elite (common practice). Six lines to the inch, times the spacing. */
export const PITCHES = [10, 12] as const;
export const SPACINGS = [1, 1.5, 2] as const;

/** Somebody's handwriting as measured once: how large the letters are for the hand typeface to run as wide, and its lines. */
export type Hand = { readonly name: string; readonly em: Length; readonly line: Length };

/** A set of stamps: how tall, how wide its usual, narrow and broad letters are, and the room between letters and words. */
export type StampSet = {
  readonly name: string;
  readonly high: Length;
  readonly usual: Length;
  readonly narrow: Length;
  readonly broad: Length;
  readonly between: Length;
  readonly space: Length;
};

export const HEADING_STYLES = ["bold", "capitals"] as const;
/** Bold letters, or small capitals: capitals three quarters as large. */
export type HeadingStyle = (typeof HEADING_STYLES)[number];

/** How the words of a card are put on it. Sizes are quarters of a point; leading is in per cent of the size. */
export type Lettering =
  | {
      readonly kind: "typed";
      readonly typeface: TypedIn;
      readonly size: number;
      readonly leading: number;
      readonly align: Align;
      /** How the lines that head others are set; as the rest when nothing is said. */
      readonly headings?: HeadingStyle | undefined;
    }
  | {
      readonly kind: "typewriter";
      readonly pitch: (typeof PITCHES)[number];
      readonly spacing: (typeof SPACINGS)[number];
      readonly align: "left" | "centre";
    }
  | { readonly kind: "handwriting"; readonly hand: Hand }
  | { readonly kind: "stamped"; readonly set: StampSet; readonly align: "left" | "centre" };

/** Where the words stand in their area when they leave some of it free; at the top when nothing is said. */
export const STANDS = ["middle", "foot"] as const;
export type Stands = (typeof STANDS)[number];

/** What is kept free at each edge. */
export type Edges = {
  readonly left: Length;
  readonly top: Length;
  readonly right: Length;
  readonly bottom: Length;
};
export const STOCKS = ["plain", "printed", "clear"] as const;
/** Paper to be printed and cut; a card with its own print, which goes on a carrier sheet; or something clear. */
export type Stock = (typeof STOCKS)[number];
export const CARD_FACES = ["front", "back"] as const;
export type CardFace = (typeof CARD_FACES)[number];

/** A few words in the middle of a box of a card's. */
export type WordBox = {
  readonly id: string;
  readonly at: Rect;
  readonly text: string;
  readonly typeface: TypedIn;
  /** In quarters of a point. */
  readonly size: number;
};

/** How a card is written: its lettering, what is kept free, what will be cut away, and what the words must keep clear of. */
export type CardSetting = {
  readonly lettering: Lettering;
  readonly stands?: Stands | undefined;
  readonly margins: Edges;
  /** Will be cut off when the words are on it: they stand in the middle of what remains. */
  readonly cutOff: Edges;
  /** A printed border, a hole, a numeral: from the card's own left upper corner. */
  readonly keepOut: Readonly<Record<CardFace, readonly Rect[]>>;
  /** A word wider than the card is left whole and told, unless breaking it anywhere was chosen. */
  readonly longWords: "break" | "tell";
  readonly stock: Stock;
  /** Words with a place of their own on the front, where a card has a line or a box for them. */
  readonly boxes?: readonly WordBox[] | undefined;
};

export const NO_EDGES: Edges = { left: ticks(0), top: ticks(0), right: ticks(0), bottom: ticks(0) };
export const evenEdges = (by: Length): Edges => ({ left: by, top: by, right: by, bottom: by });

/** Points to the inch, and quarters of them: 72 (W3C CSS Values and Units). */
const QUARTERS = 72 * 4;
/** A size in quarters of a point, in ticks; not rounded. */
export const emOf = (quarters: number): number => (quarters * inches(1)) / QUARTERS;
export const LEAST_SIZE = 5 * 4;
export const MOST_SIZE = 96 * 4;
/** The sizes that are offered: by half points where a card's words usually are, coarser above. */
export const OFFERED_SIZES: readonly number[] = [
  ...[
    20, 24, 28, 30, 32, 34, 36, 38, 40, 42, 44, 46, 48, 50, 52, 54, 56, 60, 64, 68, 72, 76, 80, 88, 96, 104, 112, 120,
  ],
  ...[132, 144, 168, 192, 216, 240, 288, 336, MOST_SIZE],
];
/** Smaller than this is hard to read in a book on a lap. From memory. */
export const SMALL_SIZE = 7 * 4;

/** A size as it is said: "10½". */
export const saySize = (quarters: number): string => {
  const part = ["", "¼", "½", "¾"][quarters % 4];
  return `${Math.floor(quarters / 4) || ""}${part}` || "0";
};

/** Typical measures of alphabet stamp sets, from memory; a keeper's own are measured. */
export const STAMP_SETS: readonly StampSet[] = [
  stampSet("Small caps, ¼″", 1 / 4, 3 / 16),
  stampSet("Middle caps, ½″", 1 / 2, 3 / 8),
  stampSet("Large caps, ¾″", 3 / 4, 9 / 16),
];

function stampSet(name: string, high: number, usual: number): StampSet {
  const length = (share: number) => inches(Math.round(usual * share * 64) / 64);
  return {
    name,
    high: inches(high),
    usual: length(1),
    narrow: length(0.5),
    broad: length(1.4),
    between: length(0.15),
    space: length(0.7),
  };
}

/** A usual hand, until somebody measures theirs: from memory. */
export const USUAL_HAND: Hand = { name: "A usual hand", em: millimetres(6.5), line: millimetres(8) };

/** How a card is written when nobody has said: typed, ten and a half points, a quarter inch or a tenth of the card free. */
export function usualSetting({ w, h }: Size): CardSetting {
  const free = ticks(Math.min(inches(1 / 4), Math.round(Math.min(w, h) / 10)));
  return {
    lettering: { kind: "typed", typeface: "book", size: 42, leading: 125, align: "left" },
    margins: evenEdges(free),
    cutOff: NO_EDGES,
    keepOut: { front: [], back: [] },
    longWords: "tell",
    stock: "plain",
  };
}

/** The same with its headings bold, where they are typed. */
export const withHeadings = (setting: CardSetting): CardSetting =>
  setting.lettering.kind === "typed" ? { ...setting, lettering: { ...setting.lettering, headings: "bold" } } : setting;

/** How a card is written: as it was set, or as usual for its size. */
export const settingOf = ({
  setting,
  size,
}: {
  readonly setting: CardSetting | null;
  readonly size: Size;
}): CardSetting => setting ?? usualSetting(size);
