import { describe, expect, it } from "vitest";
import { leavesOn, PLAIN_USE } from "../../tests/samples.ts";
import { presetById } from "../album/formats.ts";
import type { Leaf, Piece } from "../album/leaf.ts";
import { type AlbumFormat, type AlbumPlan, type Day, EMPTY_DAY } from "../album/model.ts";
import { inches } from "../measure/length.ts";
import type { CalendarDate } from "../month/dates.ts";
import { stopsFitting } from "./stops-fitting.ts";

const shipped = (id: string) => {
  const preset = presetById(id);
  if (!preset) throw new Error("shipped");
  return preset;
};
const format = shipped("ring-6x8");
const span = { start: "2026-12-01" as CalendarDate, end: "2026-12-02" as CalendarDate };
const plan: AlbumPlan = { title: "", unit: "inch", numbering: "date", preparing: "parts", span, format };
const day = (at: number, print: [number, number]): Day => ({
  id: `day-${at}`,
  date: `2026-12-0${at}` as Day["date"],
  skipped: false,
  mergedInto: null,
  version: 1,
  content: {
    ...EMPTY_DAY,
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
const leaves = days.flatMap(({ id }) => leavesOn(id, { kind: "pocket", layout: "one-over-two" }));
const source = { album: plan, days, leaves, layouts: [], prints: [] };

const narrow = { ...format, opening: { w: inches(5.5), h: inches(8.125) } };
const found = (leavesNow: readonly Leaf[], then: AlbumFormat) =>
  stopsFitting({ ...source, leaves: leavesNow }, then).map(({ page, was, is }) => [
    page?.label,
    was.fit.kind,
    is?.fit.kind ?? "no place",
  ]);

describe("another format", () => {
  it("that is the same, or larger, stops nothing from fitting", () => {
    expect(found(leaves, format)).toEqual([]);
    const opening = { w: inches(6.5), h: inches(8.5) };
    expect(found(leaves, { ...shipped("ring-8x8"), nominal: format.nominal, opening })).toEqual([]);
  });

  it("with a narrower opening has the pieces that no longer find a place, each with its page", () => {
    expect(found(leaves, narrow)).toEqual([["1", "fits", "no place"]]);
  });

  it("has a piece laid by hand with the trim it would want", () => {
    const [leaf, ...rest] = leaves;
    if (!leaf) throw new Error("two leaves");
    const what = { kind: "photo" as const, use: "photo-1", cut: null };
    const piece: Piece = { id: "p", what, at: { x: inches(0), y: inches(0) }, turn: 0, outside: false, dayId: null };
    const arranged = [{ ...leaf, front: { ...leaf.front, pieces: [piece] } }, ...rest];
    expect(found(arranged, narrow)).toEqual([["1", "fits", "trim"]]);
  });
});
