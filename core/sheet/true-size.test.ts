import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyLeaves, anyPageSize } from "../../tests/samples.ts";
import { FORMAT_PRESETS, presetById } from "../album/formats.ts";
import { holePreset } from "../album/holes.ts";
import { readBook } from "../book/read.ts";
import type { Mark } from "../draw/marks.ts";
import { inches, millimetres } from "../measure/length.ts";
import { aSeries, LETTER, TABLOID } from "../measure/sheets.ts";
import { leafSheet, paperFor, punchGuide, scaleBar } from "./true-size.ts";

const preset = presetById("ring-6x8");
if (!preset) throw new Error("shipped");

const ofKind = <K extends Mark["kind"]>(marks: readonly Mark[], kind: K) =>
  marks.filter((mark): mark is Extract<Mark, { kind: K }> => mark.kind === kind);

describe("the paper for a drawing", () => {
  it("always has room for it, its white edge and its foot", () => {
    fc.assert(
      fc.property(anyPageSize, fc.constantFrom("inch" as const, "cm" as const), (drawing, unit) => {
        const paper = paperFor(drawing, unit);
        expect(paper.w).toBeGreaterThanOrEqual(drawing.w + inches(1 / 2));
        expect(paper.h).toBeGreaterThanOrEqual(drawing.h + inches(1 / 2) + inches(0.7));
      }),
    );
  });

  it("is the smallest usual one: Letter and Tabloid where inches are said, A4 and A3 where centimetres are", () => {
    expect(paperFor({ w: inches(7), h: inches(8) }, "inch")).toEqual(LETTER);
    expect(paperFor({ w: inches(10), h: inches(14) }, "inch")).toEqual(TABLOID);
    expect(paperFor({ w: inches(7), h: inches(8) }, "cm")).toEqual(aSeries(4));
    expect(paperFor({ w: millimetres(250), h: millimetres(300) }, "cm")).toEqual(aSeries(3));
  });
});

describe("a scale bar", () => {
  it.each([
    ["inch", 4, inches(4)],
    ["cm", 10, millimetres(100)],
  ] as const)("in %s has %i equal parts and says its length", (unit, parts, length) => {
    const marks = scaleBar(inches(1), inches(1), unit);
    const lines = ofKind(marks, "line");
    const divisions = lines.filter(({ x1, x2 }) => x1 === x2).map(({ x1 }) => x1 - inches(1));
    expect(divisions).toEqual(Array.from({ length: parts + 1 }, (_, at) => (length / parts) * at));
    expect(ofKind(marks, "text")[0]?.text).toContain(unit === "inch" ? "4″" : "10 cm");
  });
});

describe("a sheet", () => {
  it("of any leaf has everything on its paper but what hangs over on purpose, and a scale bar", () => {
    fc.assert(
      fc.property(anyLeaves, fc.constantFrom("front" as const, "back" as const), (leaves, face) => {
        const [read] = readBook({ format: preset, unit: "inch" }, [], leaves).leaves;
        if (!read) return;
        const sheet = leafSheet(read, face, preset, "inch", "A leaf");
        const [group] = ofKind(sheet.marks, "group");
        const outline = group && ofKind(group.marks, "rect").at(-1);
        if (!group || !outline) throw new Error("no outline");
        expect(group.x + outline.at.x).toBeGreaterThanOrEqual(0);
        expect(group.y + outline.at.y).toBeGreaterThanOrEqual(0);
        expect(group.x + outline.at.x + outline.at.w).toBeLessThanOrEqual(sheet.paper.w);
        expect(group.y + outline.at.y + outline.at.h).toBeLessThanOrEqual(sheet.paper.h);
        expect(ofKind(sheet.marks, "text").some(({ text }) => text.startsWith("This bar is"))).toBe(true);
      }),
      { numRuns: 40 },
    );
  });

  it.each(FORMAT_PRESETS.map((format) => [format.name, format] as const))(
    "punch guide of %s has its holes where they are measured",
    (_, format) => {
      for (const bindingEdge of ["left", "top"] as const) {
        const along = bindingEdge === "left" ? format.outer.h : format.outer.w;
        const holes = holePreset("two-ring", along);
        const sheet = punchGuide({ ...format, bindingEdge, holes }, "inch");
        const [strip] = ofKind(sheet.marks, "rect");
        const circles = ofKind(sheet.marks, "circle");
        if (!strip) throw new Error("no strip");
        const places = circles.map(({ x, y }) =>
          bindingEdge === "left" ? [x - strip.at.x, y - strip.at.y] : [y - strip.at.y, x - strip.at.x],
        );
        expect(places).toEqual(holes.positions.map((position) => [holes.inset, position]));
        expect(bindingEdge === "left" ? strip.at.h : strip.at.w).toBe(along);
      }
    },
  );
});
