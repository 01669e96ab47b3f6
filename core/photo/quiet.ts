import { type Rect, rect } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";
import { type Frame, insideBorder, onPicture, type PrintCrop } from "./crop.ts";
import { type Look, toneOf } from "./look.ts";
import type { Traits } from "./traits.ts";

/** How well a label or number reads on a spot: at once, with vellum between, or not. */
export type Reads = "quiet" | "vellum" | "busy";

export type QuietSpot = {
  /** On the print, its white border included. */
  readonly at: Rect;
  readonly reads: Reads;
  /** The lettering that stands out better there, and its contrast on the worst part of the spot (WCAG 2.2). */
  readonly lettering: "light" | "dark";
  readonly contrast: number;
};

/** Light's standard deviation, 0 to 127, up to which lettering is undisturbed, and up to which vellum helps. From memory. */
const QUIET = 13;
export const VELLUM_HELPS = 26;
/** Large lettering needs 3 : 1 (WCAG 2.2). */
export const READABLE = 3;

/** Relative luminance of a grey of 0 to 255 (WCAG 2.2). */
export function luminance(grey: number): number {
  const share = Math.min(255, Math.max(0, grey)) / 255;
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
}

/** The contrast of two relative luminances, 1 to 21 (WCAG 2.2). */
export const contrastOf = (one: number, other: number): number =>
  (Math.max(one, other) + 0.05) / (Math.min(one, other) + 0.05);

/** Relative luminance of a colour `#rrggbb` (WCAG 2.2). */
export function luminanceOfColour(colour: string): number {
  const [r, g, b] = [1, 3, 5].map((at) => luminance(Number.parseInt(colour.slice(at, at + 2), 16))) as [
    number,
    number,
    number,
  ];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

/** What of a picture's traits says how lettering reads on it: square maps of one size. */
export type ToneMap = Pick<Traits, "tone" | "busy">;

/** How light and how uneven the part of a picture under a frame is, as it will be printed; light as the grey of its luminance. */
export function toneUnder(
  { tone, busy }: ToneMap,
  { x, y, w, h }: Frame,
  look: Look,
): { mean: number; spread: number } {
  const { scale, shift } = toneOf(look);
  const cells = Math.round(Math.sqrt(tone.length));
  let [weight, sum, squares] = [0, 0, 0];
  const [firstRow, lastRow] = [Math.max(0, Math.floor(y * cells)), Math.min(cells - 1, Math.ceil((y + h) * cells) - 1)];
  const [firstColumn, lastColumn] = [
    Math.max(0, Math.floor(x * cells)),
    Math.min(cells - 1, Math.ceil((x + w) * cells) - 1),
  ];
  for (let row = firstRow; row <= lastRow; row++) {
    const high = Math.min(y + h, (row + 1) / cells) - Math.max(y, row / cells);
    for (let column = firstColumn; column <= lastColumn; column++) {
      const wide = Math.min(x + w, (column + 1) / cells) - Math.max(x, column / cells);
      const share = Math.max(0, high) * Math.max(0, wide);
      const at = row * cells + column;
      const value = Math.min(255, Math.max(0, (tone[at] ?? 0) * scale + shift));
      const inner = (busy[at] ?? 0) * Math.abs(scale);
      weight += share;
      sum += share * value;
      squares += share * (value * value + inner * inner);
    }
  }
  if (weight === 0) return { mean: 255, spread: 0 };
  const mean = sum / weight;
  return { mean, spread: Math.sqrt(Math.max(0, squares / weight - mean * mean)) };
}

/** How a label of light or dark lettering reads on the part of a picture under a frame. */
export function readOn(traits: ToneMap, frame: Frame, look: Look): Omit<QuietSpot, "at"> {
  const { mean, spread } = toneUnder(traits, frame, look);
  const [dark, bright] = [luminance(mean - spread), luminance(mean + spread)];
  // White on the lightest of it, soot on the darkest of it: what reads there reads everywhere on the spot.
  const onLight = contrastOf(1, bright);
  const onDark = contrastOf(SOOT, dark);
  const lettering = onLight >= onDark ? "light" : "dark";
  const contrast = Math.max(onLight, onDark);
  const reads: Reads = spread <= QUIET && contrast >= READABLE ? "quiet" : spread <= VELLUM_HELPS ? "vellum" : "busy";
  return { reads, lettering, contrast: Math.round(contrast * 10) / 10 };
}

/**
 * The same in so many cells each way, which must go into those there are: the mean of each few cells, and how uneven they
 * are together.
 */
export function coarser({ tone, busy }: ToneMap, cells: number): ToneMap {
  const now = Math.round(Math.sqrt(tone.length));
  const by = now / cells;
  const of = Array.from({ length: cells * cells }, (_, at) => {
    const [row, column] = [Math.floor(at / cells) * by, (at % cells) * by];
    return Array.from({ length: by * by }, (_each, n) => (row + Math.floor(n / by)) * now + column + (n % by));
  });
  const mean = (all: readonly number[]) => all.reduce((sum, each) => sum + each, 0) / all.length;
  const tones = of.map((places) => mean(places.map((at) => tone[at] ?? 0)));
  return {
    tone: tones.map((each) => Math.round(each * 10) / 10),
    busy: of.map((places, cell) => {
      const squares = mean(places.map((at) => (tone[at] ?? 0) ** 2 + (busy[at] ?? 0) ** 2));
      return Math.round(Math.sqrt(Math.max(0, squares - (tones[cell] ?? 0) ** 2)) * 10) / 10;
    }),
  };
}

/** Luminance of the house's soot, the ink of a dark label. */
const SOOT = luminance(0x20);

/**
 * Where on a print a label of this size reads well, the best first, none overlapping: every place of a fine grid is looked
 * at and the quietest taken. `avoid` are places already spoken for.
 */
export function quietSpots(
  traits: ToneMap,
  { print, crop, frame, look }: { print: Size; crop: PrintCrop; frame: Frame; look: Look },
  label: Size,
  avoid: readonly Rect[] = [],
  most = 4,
): QuietSpot[] {
  const inner = insideBorder(print, crop);
  const [roomX, roomY] = [inner.w - label.w, inner.h - label.h];
  if (roomX < 0 || roomY < 0) return [];
  const steps = 16;
  const spots: (QuietSpot & { score: number })[] = [];
  for (let row = 0; row <= steps; row++) {
    for (let column = 0; column <= steps; column++) {
      const at = rect(
        inner.x + Math.round((roomX * column) / steps),
        inner.y + Math.round((roomY * row) / steps),
        label.w,
        label.h,
      );
      const under = onPicture(at, print, crop, frame);
      const read = readOn(traits, under, look);
      const { spread } = toneUnder(traits, under, look);
      spots.push({ at, ...read, score: spread - Math.min(read.contrast, 8) });
    }
  }
  spots.sort((a, b) => a.score - b.score);
  const chosen: QuietSpot[] = [];
  const apart = (a: Rect, b: Rect) => a.x + a.w <= b.x || b.x + b.w <= a.x || a.y + a.h <= b.y || b.y + b.h <= a.y;
  for (const { score: _, ...spot } of spots) {
    if (chosen.length >= most || spot.reads === "busy") break;
    if ([...chosen.map(({ at }) => at), ...avoid].every((other) => apart(other, spot.at))) chosen.push(spot);
  }
  return chosen;
}
