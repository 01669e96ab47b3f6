import { describe, expect, it } from "vitest";
import { inches, millimetres } from "../measure/length.ts";
import { rect } from "../measure/rect.ts";
import type { CalendarDate } from "../month/dates.ts";
import { monthGrids } from "../month/month-page.ts";
import { widthOf } from "../words/typefaces.ts";
import { monthMarks } from "./month.ts";

const on = (date: string) => date as CalendarDate;
const SPAN = { start: on("2026-12-01"), end: on("2026-12-31") };
const long =
  "A visit of everybody who ever lived on the island, with all their dogs, lamps, boats and grandchildren. ".repeat(4);
const drawn = (title: string, area = rect(inches(0.5), inches(0.5), inches(5), inches(7))) => {
  const titles = [{ date: on("2026-12-12"), title }];
  return { area, marks: monthMarks(monthGrids({ kind: "titles", weekStart: 1 }, SPAN, titles, []), area) };
};
const words = (title: string) =>
  drawn(title)
    .marks.flatMap((mark) => (mark.kind === "text" && mark.typeface === "plain" ? [mark] : []))
    .slice(7);

describe("a month drawn to scale", () => {
  it("stays within its room, squares side by side, and every word within its square", () => {
    const { area, marks } = drawn(long);
    const squares = marks.flatMap((mark) => (mark.kind === "rect" ? [mark.at] : []));
    expect(squares).toHaveLength(31);
    for (const { x, y, w, h } of squares) {
      expect(x >= area.x - 1 && x + w <= area.x + area.w + 7).toBe(true);
      expect(y >= area.y && y + h <= area.y + area.h + 7).toBe(true);
    }
    const of = squares[11];
    if (!of) throw new Error("no twelfth");
    for (const { x, y, text, size, typeface } of words(long)) {
      expect(x).toBeGreaterThanOrEqual(of.x);
      expect(x + widthOf(typeface, text) * size).toBeLessThanOrEqual(of.x + of.w + 1);
      expect(y).toBeLessThanOrEqual(of.y + of.h);
    }
  });

  it("sets words smaller only as far as they are read, and ends in dots what does not go", () => {
    const [short] = words("Fog");
    expect(short?.size).toBe(millimetres(3));
    const set = words(long);
    expect(Math.min(...set.map(({ size }) => size))).toBeGreaterThanOrEqual(millimetres(2.1) * 0.99);
    expect(set.at(-1)?.text.endsWith("…")).toBe(true);
    expect(
      words("Between two tides")
        .map(({ text }) => text)
        .join(" "),
    ).toBe("Between two tides");
  });
});
