import { type Length, millimetres, ticks } from "../measure/length.ts";
import { type Rect, rect, rectOf } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";
import type { CardFace, CardSetting, Edges } from "./lettering.ts";
import type { Measure } from "./measure.ts";

/** Room for one line of words: where it begins, its base line, and how wide it is. */
export type Stretch = { readonly x: number; readonly base: number; readonly w: number };

/** What is left of a rectangle inside edges; null when nothing is. */
export function inside(whole: Rect, { left, top, right, bottom }: Edges): Rect | null {
  const [w, h] = [whole.w - left - right, whole.h - top - bottom];
  return w > 0 && h > 0 ? rect(whole.x + left, whole.y + top, ticks(w), ticks(h)) : null;
}

/** The part of a card that stays when its margin is cut off; null when nothing does. */
export const remains = (card: Size, { cutOff }: Pick<CardSetting, "cutOff">, face: CardFace): Rect | null =>
  inside(rectOf(card), face === "front" ? cutOff : turnedOver(cutOff));

/** Edges as they lie on the back, when the card is turned over like a page. */
export const turnedOver = ({ left, right, ...rest }: Edges): Edges => ({ ...rest, left: right, right: left });

/** The part of a card's face that takes words: what remains of it inside its margins. Null when there is none. */
export function areaOf(card: Size, setting: CardSetting, face: CardFace): Rect | null {
  const left = remains(card, setting, face);
  return left && inside(left, setting.margins);
}

/** Lines closer than this are no lines that anybody could read, and there would be more of them than can be counted. */
const CLOSEST = millimetres(1);

/** A line is worth having when a few letters stand on it, in ems. */
const LEAST_LINE = 2.5;

/** The widest stretch of a band that nothing stands in. */
function widestFree(area: Rect, from: number, to: number, taken: readonly Rect[]): { x: number; w: number } {
  const inBand = taken.filter(({ y, h }) => y < to && y + h > from).sort((a, b) => a.x - b.x);
  let best = { x: area.x as number, w: 0 };
  let at: number = area.x;
  for (const { x, w } of [...inBand, rect(area.x + area.w, 0, 0, 0)]) {
    const end = Math.min(x, area.x + area.w);
    if (end - at > best.w) best = { x: at, w: end - at };
    at = Math.max(at, x + w);
  }
  return best;
}

/**
 * The lines of an area, from the top: as many as stand wholly in it, each as wide as what must be kept clear of leaves it.
 * A line with no room to speak of is left out.
 */
export function stretchesIn(area: Rect, taken: readonly Rect[], { unit, line, tall, deep }: Measure): Stretch[] {
  const stretches: Stretch[] = [];
  const least = unit === 1 ? tall / 2 : LEAST_LINE * unit;
  for (let base = area.y + tall; base + deep <= area.y + area.h; base += Math.max(line, CLOSEST)) {
    const { x, w } = widestFree(area, base - tall, base + deep, taken);
    if (w >= Math.min(least, area.w)) stretches.push({ x, base, w });
  }
  return stretches;
}

/** The height that lines take. */
export const heightOf = (lines: number, { line, tall, deep }: Measure): Length =>
  ticks(Math.round(lines === 0 ? 0 : tall + deep + (lines - 1) * Math.max(line, CLOSEST)));
