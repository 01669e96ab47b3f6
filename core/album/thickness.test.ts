import { describe, expect, it } from "vitest";
import { fullDay, leavesOn, makeOf } from "../../tests/samples.ts";
import { micrometres } from "../material/material.ts";
import { inches } from "../measure/length.ts";
import { size } from "../measure/size.ts";
import { FORMAT_PRESETS } from "./formats.ts";
import { LEAF_KINDS, MADE_KINDS, numeralOf } from "./leaf.ts";
import { AS_USUAL, thicknessOf } from "./made-of.ts";
import { EMPTY_DAY, NUMERAL_STYLES, newCard } from "./model.ts";
import { closedThickness, pagesOf } from "./page.ts";
import { poolContent } from "./steps.ts";
import { contentThickness, leafThickness } from "./thickness.ts";
import { usualOfLeaf, usualOfNumeral, usualOfPiece } from "./usual-material.ts";

const PAGE = size(inches(6), inches(8));
const paged = { ...EMPTY_DAY, numeral: { style: "none" as const, note: "" } };
const thick = (change: object) =>
  leafThickness(makeOf({ kind: "full" }), PAGE) +
  contentThickness(poolContent({ ...paged, ...change }, []), PAGE, true);

describe("a leaf's mean thickness", () => {
  it("grows by a photo paper where a print covers the page: 0.2 to 0.3 mm (common practice), half of it for half a page", () => {
    const [photo] = fullDay().photos;
    if (!photo) throw new Error("a full day has a photo");
    const print = (w: number, h: number) => thick({ photos: [{ ...photo, print: size(inches(w), inches(h)) }] });
    const whole = print(6, 8) - thick({});
    expect(whole).toBeGreaterThanOrEqual(200);
    expect(whole).toBeLessThanOrEqual(300);
    expect(print(6, 4) - thick({})).toBe(whole / 2);
    // What hangs over the page is trimmed, and makes it no thicker.
    expect(print(12, 8) - thick({})).toBe(whole);
  });

  it("grows by a cardstock where a card covers the page: 0.2 to 0.4 mm (common practice)", () => {
    const card = thick({ cards: [newCard("a", PAGE)] }) - thick({});
    expect(card).toBeGreaterThanOrEqual(200);
    expect(card).toBeLessThanOrEqual(400);
  });

  it("grows by a twentieth of a number that is glued on, a millimetre or two thick (from memory), and by nothing where it is printed", () => {
    const numeral = (style: (typeof NUMERAL_STYLES)[number]) => thick({ numeral: { style, note: "" } }) - thick({});
    for (const style of ["chipboard", "wood", "acrylic"] as const) {
      expect(numeral(style), style).toBeGreaterThanOrEqual(800 / 20);
      expect(numeral(style), style).toBeLessThanOrEqual(2200 / 20);
    }
    for (const style of ["printed", "stamped", "none"] as const) expect(numeral(style), style).toBe(0);
    for (const style of NUMERAL_STYLES) expect(numeral(style), style).toBeLessThanOrEqual(numeral("acrylic"));
  });

  it("adds up to the book's: thirty-one full pages of cardstock in protectors, a print on each, are over two centimetres", () => {
    const [format] = FORMAT_PRESETS;
    const [photo] = fullDay().photos;
    if (!format || !photo) throw new Error("shipped");
    const days = Array.from({ length: 31 }, (_, at) => ({
      id: `${at}`,
      date: `2026-12-${String(at + 1).padStart(2, "0")}` as never,
      version: 0,
      skipped: false,
      mergedInto: null,
      content: { ...paged, photos: [{ ...photo, id: `p${at}`, print: PAGE }] },
    }));
    const plan = {
      title: "",
      unit: "inch" as const,
      numbering: "date" as const,
      preparing: "parts" as const,
      format: { ...format, nominal: PAGE },
      span: { start: "2026-12-01" as never, end: "2026-12-31" as never },
    };
    const leaves = days.flatMap(({ id }) => leavesOn(id, { kind: "full" }));
    const millimetres = closedThickness(pagesOf({ album: plan, days, leaves, prints: [] }), leaves, plan.format) / 1000;
    expect(millimetres).toBeGreaterThan(20);
    expect(millimetres).toBeLessThan(30);
  });
});

describe("how thick something lies", () => {
  it("is its layers and what it sits on, as it was said, as its thing was measured, or as is usual", () => {
    const lies = (change: object, caliper: number | null = null) =>
      thicknessOf("cardstock-80", { ...AS_USUAL, ...change }, caliper === null ? null : micrometres(caliper));
    expect(thicknessOf("cardstock-80", undefined)).toBe(290);
    expect(lies({ layers: 3 })).toBe(870);
    expect(lies({ material: "vellum", sits: "foam-tape" })).toBe(1100);
    expect(lies({ layers: 2, sits: "tape-runner" }, 200)).toBe(460);
    expect(thicknessOf(null, { ...AS_USUAL, sits: "foam-dot" })).toBe(1500);
    // A tag that is slid through slits lies as flat as one that is glued.
    expect(lies({ sits: "slit" })).toBe(290);
  });

  it("has something usual for every leaf, number and piece", () => {
    for (const insert of [null, "tag"] as const)
      for (const kind of LEAF_KINDS)
        expect(usualOfLeaf({ kind, insert }) === null, kind).toBe(kind === "pocket" && insert === null);
    for (const style of NUMERAL_STYLES)
      expect(usualOfNumeral(style) === null, style).toBe(["stamped", "printed", "none"].includes(style));
    for (const kind of MADE_KINDS)
      expect(usualOfPiece({ kind, size: PAGE, name: "" }, "none") === null, kind).toBe(kind === "window");
    expect(usualOfPiece({ ...numeralOf(PAGE), look: { style: "wood", colour: "red" } }, "none")).toBe("wood-veneer");
  });
});
