import { describe, expect, it } from "vitest";
import { newId } from "#app/parts/new-id.ts";
import { presetById } from "#core/album/formats.ts";
import { type Day, EMPTY_DAY } from "#core/album/model.ts";
import { firstLeaves } from "#core/book/first-leaves.ts";
import { inches } from "#core/measure/length.ts";
import { decemberPlan } from "#tests/household.ts";
import { PLAIN_USE } from "#tests/samples.ts";
import { stopsFitting } from "./stops.ts";

const plan = decemberPlan();
const day = (at: number, print: [number, number]): Day => ({
  id: `day-${at}`,
  date: `2026-12-0${at}` as Day["date"],
  skipped: false,
  mergedInto: null,
  version: 1,
  content: {
    ...EMPTY_DAY,
    foundation: { kind: "pocket", layout: "one-over-two", basePaper: "", note: "" },
    numeral: { style: "none", note: "" },
    photos: [
      {
        id: `photo-${at}`,
        photoId: "roll",
        print: { w: inches(print[0]), h: inches(print[1]) },
        alt: "",
        ...PLAIN_USE,
      },
    ],
  },
});
const days = [day(1, [6, 4]), day(2, [3, 4])];
const leaves = firstLeaves(days, () => newId());
const source = { album: plan, days, leaves, layouts: [] };

describe("another format", () => {
  it("that is the same, or larger, stops nothing from fitting", () => {
    expect(stopsFitting(source, plan.format)).toEqual([]);
    const larger = presetById("ring-8x8");
    if (!larger) throw new Error("shipped");
    expect(
      stopsFitting(source, { ...larger, nominal: plan.format.nominal, opening: { w: inches(6.5), h: inches(8.5) } }),
    ).toEqual([]);
  });

  it("with a narrower opening says which pieces no longer fit, each with its page", () => {
    const narrow = { ...plan.format, opening: { w: inches(5.5), h: inches(8.125) } };
    expect(stopsFitting(source, narrow)).toEqual(["1: Print 6 × 4. It finds no place any more."]);
  });

  it("says of a piece laid by hand what would have to be trimmed", () => {
    const [leaf, ...rest] = leaves;
    if (!leaf) throw new Error("two leaves");
    const piece = {
      id: "p",
      what: { kind: "photo" as const, use: "photo-1", cut: null },
      at: { x: inches(0), y: inches(0) },
      turn: 0 as const,
      outside: false,
    };
    const arranged = [{ ...leaf, front: { ...leaf.front, pieces: [piece] } }, ...rest];
    const narrow = { ...plan.format, opening: { w: inches(5.5), h: inches(8.125) } };
    expect(stopsFitting({ ...source, leaves: arranged }, narrow)).toEqual([
      expect.stringMatching(/^1: Print 6 × 4\. The pocket takes .* Trim .* off the width/),
    ]);
  });
});
