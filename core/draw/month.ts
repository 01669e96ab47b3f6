import { type Length, millimetres, ticks } from "../measure/length.ts";
import { type Rect, rect } from "../measure/rect.ts";
import { monthName } from "../month/dates.ts";
import type { MonthGrid, MonthSquare } from "../month/month-page.ts";
import type { Typeface } from "../words/typeface.ts";
import { widthOf } from "../words/typefaces.ts";
import type { Mark } from "./marks.ts";

const WEEKDAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"] as const;
const t = (n: number): Length => ticks(Math.round(n));

/** Letters smaller than this are not read at a page's distance: seven points (common practice for captions). */
const LEAST = millimetres(2.1);
const LARGEST = millimetres(3);
const GAP = millimetres(6);

/** Months as squares to scale, one under the other, within `area`; all in the page's own ticks. */
export function monthMarks(grids: readonly MonthGrid[], area: Rect): Mark[] {
  const high = (area.h - GAP * (grids.length - 1)) / grids.length;
  return grids.flatMap((grid, at) => gridMarks(grid, rect(area.x, t(area.y + at * (high + GAP)), area.w, t(high))));
}

function gridMarks({ first, weekStart, weeks }: MonthGrid, { x, y, w, h }: Rect): Mark[] {
  const name = Math.min(h * 0.09, w * 0.09, millimetres(11));
  const names = Math.min(h * 0.035, w / 7 / 3.4, millimetres(3.2));
  const head = name * 1.5 + names * 1.9;
  const [wide, high] = [w / 7, (h - head) / weeks.length];
  const text = (
    at: { x: number; y: number },
    words: string,
    typeface: Typeface,
    size: number,
    fill: "ink" | "pencil",
  ): Mark => ({
    ...{ kind: "text", x: t(at.x), y: t(at.y), text: words, typeface, size: t(size), fill },
  });
  const marks: Mark[] = [
    text({ x, y: y + name }, `${monthName(first)} ${first.slice(0, 4)}`, "numeral", name, "ink"),
    ...WEEKDAYS.map((_, at) => {
      const day = WEEKDAYS[(at + weekStart - 1) % 7] ?? "";
      return text({ x: x + at * wide + names * 0.5, y: y + head - names * 0.6 }, day, "plain", names, "pencil");
    }),
  ];
  for (const [row, week] of weeks.entries())
    for (const [column, square] of week.entries()) {
      if (!square) continue;
      const at = rect(t(x + column * wide), t(y + head + row * high), t(wide), t(high));
      marks.push({ kind: "rect", at, stroke: "hair" }, ...squareMarks(square, at));
    }
  return marks;
}

/** A square's number and its lines: as large as there is room for, down to what is still read; what does not go ends in dots. */
function squareMarks({ date, isInAlbum, lines }: NonNullable<MonthSquare>, { x, y, w, h }: Rect): Mark[] {
  const number = Math.min(w * 0.24, h * 0.26, millimetres(5));
  const pad = Math.min(w, h) * 0.07;
  const said = String(Number(date.slice(8)));
  const marks: Mark[] = [
    {
      ...{ kind: "text", x: t(x + pad), y: t(y + pad + number * 0.75), text: said },
      ...{ typeface: "numeral", size: t(number), fill: isInAlbum ? "ink" : "pencil" },
    },
  ];
  const room = { w: w - 2 * pad, h: h - 2 * pad - number };
  const { size, set } = setLines(lines, room);
  for (const [at, { words, typeface }] of set.entries())
    marks.push({
      ...{ kind: "text", x: t(x + pad), y: t(y + pad + number + (at + 0.95) * size * LEADING), text: words },
      ...{ typeface, size: t(size), fill: "ink" },
    });
  return marks;
}

const LEADING = 1.18;
type SetLine = { readonly words: string; readonly typeface: Typeface };

function setLines(
  lines: NonNullable<MonthSquare>["lines"],
  room: { readonly w: number; readonly h: number },
): { readonly size: number; readonly set: readonly SetLine[] } {
  let size: number = LARGEST;
  for (; ; size *= 0.94) {
    const set = lines.flatMap(({ text, of }) => wrapped(text, of === "known" ? "plain-bold" : "plain", room.w / size));
    const fits = Math.floor(room.h / (size * LEADING));
    if (set.length <= fits) return { size, set };
    if (size * 0.94 >= LEAST) continue;
    const shown = set.slice(0, Math.max(0, fits));
    const last = shown.pop();
    return { size, set: last ? [...shown, { ...last, words: dotted(last, room.w / size) }] : [] };
  }
}

const dotted = ({ words, typeface }: SetLine, wide: number): string => {
  let kept = words;
  while (kept.length > 1 && widthOf(typeface, `${kept}…`) > wide) kept = kept.slice(0, -1).trimEnd();
  return `${kept}…`;
};

/** Words in lines no wider than `wide` ems; a word that is wider stands alone and is cut. */
function wrapped(text: string, typeface: Typeface, wide: number): SetLine[] {
  const set: string[] = [];
  for (const word of text.split(/\s+/).filter(Boolean)) {
    const last = set.at(-1);
    const longer = last === undefined ? word : `${last} ${word}`;
    if (last !== undefined && widthOf(typeface, longer) <= wide) set[set.length - 1] = longer;
    else set.push(widthOf(typeface, word) <= wide ? word : dotted({ words: word, typeface }, wide));
  }
  return set.map((words) => ({ words, typeface }));
}
