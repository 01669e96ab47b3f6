import { describe, expect, it } from "vitest";
import { FORMAT_PRESETS, presetById } from "../../core/album/formats.ts";
import { layoutById, pocketsOf } from "../../core/book/layout.ts";
import { inches, millimetres, minus, TICKS_PER_INCH, TICKS_PER_MM, toMillimetres } from "../../core/measure/length.ts";
import { aSeries, LEGAL, LETTER, TABLOID } from "../../core/measure/sheets.ts";
import type { Size } from "../../core/measure/size.ts";
import type { CalendarDate } from "../../core/month/dates.ts";
import { numberDays } from "../../core/month/numbering.ts";
import { datesOf } from "../../core/month/span.ts";

const mm = ({ w, h }: Size) => [toMillimetres(w), toMillimetres(h)];

describe("lengths against published values", () => {
  it("an inch is 25.4 mm exactly (international inch, 1959; NIST SP 811)", () => {
    expect(TICKS_PER_INCH / TICKS_PER_MM).toBe(25.4);
    expect(inches(1)).toBe(millimetres(25.4));
    expect(inches(1 / 64) * 64).toBe(inches(1));
  });

  it("a page of ours in CSS pixels and PDF points is 96 and 72 to its inch (W3C CSS Values and Units; ISO 32000-1)", () => {
    const [w, h] = mm({ w: inches(6), h: inches(8) }) as [number, number];
    expect([(w / 25.4) * 96, (h / 25.4) * 96].map(Math.round)).toEqual([576, 768]);
    expect([(w / 25.4) * 72, (h / 25.4) * 72].map(Math.round)).toEqual([432, 576]);
  });

  it.each([
    [3, 297, 420],
    [4, 210, 297],
    [5, 148, 210],
    [6, 105, 148],
  ])("A%i is %i × %i mm (ISO 216)", (n, w, h) => {
    expect(mm(aSeries(n))).toEqual([w, h]);
  });

  it("each A size is half the next larger, rounded down to the millimetre (ISO 216)", () => {
    for (let n = 1; n <= 10; n++) {
      const [[w, h], [larger, longer]] = [mm(aSeries(n)), mm(aSeries(n - 1))] as [[number, number], [number, number]];
      expect([w, h]).toEqual([Math.floor(longer / 2), larger]);
    }
  });

  it("Letter is 8½ × 11 and Tabloid 11 × 17 in (ANSI/ASME Y14.1, sizes A and B); Legal 8½ × 14 in (common practice)", () => {
    expect(mm(LETTER)).toEqual([215.9, 279.4]);
    expect(mm(TABLOID)).toEqual([279.4, 431.8]);
    expect(mm(LEGAL)).toEqual([215.9, 355.6]);
  });
});

describe("facts of the trade (common practice)", () => {
  it("a 10 × 8 protector with an outer width of 11 has a 1 inch binding margin", () => {
    const preset = presetById("ring-10x8");
    expect(preset?.outer.w).toBe(inches(11));
    expect(preset && minus(preset.outer.w, preset.nominal.w)).toBe(inches(1));
    // Of that inch the opening takes its ease; what is left to the rings and the opening are the whole leaf.
    expect(preset && preset.margin + preset.opening.w).toBe(preset?.outer.w);
  });

  it("a 6 × 8 holds four 3 × 4, or twelve 2 × 2 three across and four down, or a 6 × 4 over two 3 × 4", () => {
    const opening = presetById("ring-6x8")?.opening ?? { w: inches(6), h: inches(8) };
    // Each pocket is as large as the card it is named for and a little more, the welds between them counted.
    const named = (length: number) => Math.floor((length / TICKS_PER_INCH) * 4) / 4;
    const sizes = (id: string) =>
      pocketsOf(
        layoutById(id) ?? { id: "", name: "", margin: inches(0), root: { kind: "rows", seam: inches(0), parts: [] } },
        opening,
      ).map(({ w, h }) => [named(w), named(h)]);
    expect(sizes("four")).toEqual(Array(4).fill([3, 4]));
    expect(sizes("twelve")).toEqual(Array(12).fill([2, 2]));
    expect(sizes("one-over-two")).toEqual([
      [6, 4],
      [3, 4],
      [3, 4],
    ]);
    expect(sizes("one-over-six")).toEqual([[6, 4], ...Array(6).fill([2, 2])]);
    expect(sizes("two-columns")).toEqual(Array(2).fill([3, 8]));
  });

  it("the A5 books take a page of 148 × 210 mm (ISO 216)", () => {
    for (const { nominal } of FORMAT_PRESETS.filter(({ id }) => id.startsWith("a5")))
      expect(mm(nominal)).toEqual([148, 210]);
  });

  it("days 1 to 25 need 41 digits: thirteen 1s, nine 2s, three each of 3, 4 and 5, two each of 6, 7, 8, 9 and 0", () => {
    const span = { start: "2026-12-01" as CalendarDate, end: "2026-12-25" as CalendarDate };
    const slots = datesOf(span).map((date) => ({ id: date, date, skipped: false, mergedInto: null }));
    const digits = numberDays(slots, span, "date").flatMap(({ numerals }) =>
      numerals.flatMap((numeral) => [...String(numeral)]),
    );
    const count = (digit: string) => digits.filter((each) => each === digit).length;
    expect(digits.length).toBe(41);
    expect([..."1234567890"].map(count)).toEqual([13, 9, 3, 3, 3, 2, 2, 2, 2, 2]);
  });
});
