import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { FORMAT_PRESETS } from "#core/album/formats.ts";
import { HOLE_PRESETS, holePreset } from "#core/album/holes.ts";
import type { AlbumFormat } from "#core/album/model.ts";
import { inches, millimetres } from "#core/measure/length.ts";
import { formatMat } from "./format-drawing.ts";
import { type FormatField, type FormatText, formatText, readFormat } from "./format-form.ts";

const preset = (id: string): AlbumFormat => {
  const found = FORMAT_PRESETS.find((each) => each.id === id);
  if (!found) throw new Error("shipped");
  const { id: _, unit: __, ...format } = found;
  return format;
};
const ring = formatText(preset("ring-6x8"), "inch");
const problem = (change: Partial<FormatText>, field: FormatField) => {
  const read = readFormat({ ...ring, ...change }, "inch");
  return read.ok ? "read" : (read.errors[field] ?? `told elsewhere: ${JSON.stringify(read.errors)}`);
};

describe("the measuring form", () => {
  it("reads every preset back as it was, in inches and in centimetres, with any pattern of holes", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FORMAT_PRESETS),
        fc.constantFrom("inch" as const, "cm" as const),
        fc.constantFrom(...HOLE_PRESETS),
        ({ id }, unit, holes) => {
          const format = preset(id);
          const along = format.bindingEdge === "left" ? format.outer.h : format.outer.w;
          const measured = { ...format, holes: holePreset(holes, along) };
          const read = readFormat(formatText(measured, unit), unit);
          // Three holes 4¼ in apart need a longer edge than some albums have: then it is told, at the holes.
          if (!read.ok) expect([holes, Object.keys(read.errors)]).toEqual(["us-three", ["holePositions"]]);
          else expect(read.format).toEqual(measured);
        },
      ),
    );
  });

  it.each<[Partial<FormatText>, FormatField, RegExp]>([
    [{ nominalW: "" }, "nominalW", /Give a length/],
    [{ nominalH: "tall" }, "nominalH", /not a length/],
    [{ outerW: "-7" }, "outerW", /more than nothing/],
    [{ coverH: "3 m" }, "coverH", /over 2 metres/],
    [{ openingW: "9" }, "openingW", /opening is larger/],
    [{ margin: "1" }, "margin", /opening \(6³⁄₁₆″\) and this margin \(1″\) do not go into a leaf of 7″/],
    [{ openingW: "6 1/4" }, "margin", /do not go into/],
    [{ bindingEdge: "top" }, "margin", /opening \(8³⁄₁₆″\).*leaf of 8¼″/],
    [{ margin: "7" }, "margin", /margin is as wide/],
    [{ holePositions: "1; 9" }, "holePositions", /off the leaf/],
    [{ holePositions: "1; 1 1/8" }, "holePositions", /run into each other/],
    [{ holePositions: "1; two" }, "holePositions", /“two”/],
    [{ holeDiameter: "0" }, "holeDiameter", /more than nothing across/],
    [{ holeInset: "0" }, "holePositions", /off the leaf/],
    [{ capacity: "thick" }, "capacity", /millimetres/],
    [{ capacity: "0" }, "capacity", /millimetres/],
    [{ formatName: "  " }, "formatName", /name/],
    [{ binding: "glue" }, "binding", /held/],
    [{ bindingEdge: "foot" }, "bindingEdge", /edge/],
  ])("tells %j at %s", (change, field, words) => {
    expect(problem(change, field)).toMatch(words);
  });

  it("takes a book without margin and holes, holes in any order, and lengths in another unit", () => {
    const sewn = readFormat({ ...ring, margin: "0", holePositions: "", holeInset: "0", holeDiameter: "0" }, "inch");
    expect(sewn.ok && sewn.format.holes.positions).toEqual([]);
    const mixed = readFormat({ ...ring, holePositions: "7; 25.4 mm; 4", holeInset: "10 mm" }, "inch");
    expect(mixed.ok && mixed.format.holes.positions).toEqual([inches(1), inches(4), inches(7)]);
    expect(mixed.ok && mixed.format.holes.inset).toBe(millimetres(10));
  });
});

describe("the drawing that shows where the ruler goes", () => {
  it.each(FORMAT_PRESETS.map(({ id }) => id))(
    "of %s draws cover, leaf, opening, page and every hole, and the asked measure",
    (id) => {
      const format = preset(id);
      const { drawing } = formatMat(format, "inch", "openingW");
      expect(drawing.match(/<circle/g)?.length ?? 0).toBe(format.holes.positions.length);
      expect(drawing.match(/<rect/g)?.length).toBe(5);
      expect(drawing).toContain("mat-measure");
      expect(drawing).not.toMatch(/NaN|undefined/);
    },
  );

  it("of a book bound at the top has its holes along the upper edge", () => {
    const left = preset("ring-8x8");
    const top: AlbumFormat = {
      ...left,
      bindingEdge: "top",
      outer: { w: left.outer.h, h: left.outer.w },
      cover: { w: left.cover.h, h: left.cover.w },
    };
    const [first, second] = formatMat(top, "inch", "holePositions").drawing.match(/cy="[\d.]+"/g) ?? [];
    expect(first).toBe(second);
  });
});
