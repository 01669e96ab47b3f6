import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyThing } from "../../tests/samples.ts";
import { micrometres } from "../material/material.ts";
import { inches, millimetres } from "../measure/length.ts";
import { size } from "../measure/size.ts";
import { missingLetters, readLetters, writeLetters } from "./letters.ts";
import { LIST_HEAD, listRows, mergeList, readList } from "./list.ts";
import { caliperOf, materialOf, newThing } from "./thing.ts";
import { readTyped } from "./typed.ts";

describe("a drawer's list", () => {
  it("reads back as what was written, whatever is in the drawer", () => {
    fc.assert(
      fc.property(fc.uniqueArray(anyThing, { maxLength: 6, selector: ({ name }) => name.toLowerCase() }), (things) => {
        expect(readList(listRows(things))).toEqual({ ok: true, things, troubles: [] });
      }),
    );
  });

  it("needs a head, takes columns in any order, and tells what of a line it could not read", () => {
    expect(readList([["colour", "name"]])).toEqual({ ok: false, reason: "no-head" });
    const read = readList([
      ["Kind", "Name", "how many", "width mm", "height mm", "material"],
      ["paper", "Linen Stars", "6", "304.8", "304,8", "patterned paper"],
      ["paper", "linen stars", "9", "304.8", "304.8", ""],
      ["parrot", "Brass", "-3", "tall", "", "gold leaf"],
      ["paper", "", "1", "", "", ""],
    ]);
    expect(read).toMatchObject({
      ok: true,
      // The same thing twice is one, as its last line says.
      things: [
        { name: "linen stars", count: 9, size: size(inches(12), inches(12)) },
        { name: "Brass", kind: "other", count: 1 },
      ],
      troubles: [
        { line: 4, column: "kind" },
        { line: 4, column: "material" },
        { line: 4, column: "width mm" },
        { line: 4, column: "how many" },
      ],
    });
    const long = Array.from({ length: 10_001 }, () => ["paper", "A"]);
    expect(readList([["kind", "name"], ...long])).toEqual({ ok: false, reason: "too-many" });
    expect(LIST_HEAD).toContain("numbers");
  });

  it("taken in twice doubles nothing, and what is said anew is changed", () => {
    fc.assert(
      fc.property(fc.uniqueArray(anyThing, { maxLength: 6, selector: ({ name }) => name.toLowerCase() }), (things) => {
        expect(mergeList([], things)).toEqual({ fresh: things, changed: [], same: 0 });
        expect(mergeList(things, things)).toEqual({ fresh: [], changed: [], same: things.length });
        const [first] = things;
        if (!first) return;
        const more = { ...first, name: first.name.toUpperCase(), count: first.count === 7 ? 8 : 7 };
        expect(mergeList(things, [more])).toEqual({ fresh: [], changed: [{ was: first, thing: more }], same: 0 });
      }),
    );
  });
});

describe("a thing as it is typed", () => {
  const typed = (line: string) => readTyped(line, "inch");
  it("has its number, its size and its kind read off it", () => {
    const stars = { name: "Linen Stars", kind: "paper", count: 6, size: size(inches(12), inches(12)) };
    for (const line of [
      "Linen Stars 12 × 12, 6",
      "6 Linen Stars 12x12",
      "Linen Stars 12 x 12 in x6",
      "6 x Linen Stars 12 × 12",
    ])
      expect(typed(line), line).toMatchObject(stars);
    expect(typed("Brass numerals")).toMatchObject({ name: "Brass numerals", kind: "numbers", count: 1, size: null });
    expect(typed("40 enamel dots")).toMatchObject({ name: "enamel dots", kind: "other", count: 40 });
    expect(typed("journaling cards 3 × 4, 20")).toMatchObject({ name: "journaling cards", kind: "card", count: 20 });
    expect(typed("washi tape, red")).toMatchObject({ name: "washi tape, red", kind: "tape", count: 1 });
    expect(typed("vellum 9½ x 11")).toMatchObject({ kind: "film", size: size(inches(9.5), inches(11)) });
    expect(readTyped("Kraft 10 × 15", "cm")).toMatchObject({
      name: "Kraft",
      size: size(millimetres(100), millimetres(150)),
    });
  });

  it("is nothing without a name, and takes no other harm from what is typed", () => {
    for (const line of ["", "   ", "12 × 12", ",,"]) expect(typed(line), line).toBeNull();
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (line) => {
        const read = typed(line);
        if (read) expect([read.name.trim() !== "", read.count >= 0, read.count <= 100_000]).toEqual([true, true, true]);
      }),
    );
  });
});

describe("letters", () => {
  it("say which of them are missing for some words, each once for each time", () => {
    const set = readLetters("A2 E1 L N T R M O H", true);
    expect(missingLetters(set, "Lantern Month")).toEqual(["N", "N", "T"]);
    expect(missingLetters(set, "meal")).toEqual([]);
    expect(missingLetters({ counts: { a: 1 }, onlyCapitals: false }, "Aa")).toEqual(["A"]);
    expect(missingLetters({ counts: {}, onlyCapitals: true }, "  ")).toEqual([]);
  });

  it("are read as they are counted or laid out, and written so that they read back", () => {
    expect(readLetters("A3 b2", true).counts).toEqual({ A: 3, B: 2 });
    expect(readLetters("AAB & É", false).counts).toEqual({ A: 2, B: 1, "&": 1, É: 1 });
    expect(readLetters(writeLetters(readLetters("ZZ top", false)), false)).toEqual(readLetters("ZZ top", false));
  });
});

describe("a thing", () => {
  it("is of what its kind usually is until something else is said, and as thick as that until it is measured", () => {
    const paper = newThing("Linen Stars", "paper");
    expect([materialOf(paper), caliperOf(paper)]).toEqual(["patterned-paper", 180]);
    expect(caliperOf({ ...paper, material: "cardstock-110" })).toBe(380);
    expect(caliperOf({ ...paper, caliper: micrometres(205) })).toBe(205);
  });
});
