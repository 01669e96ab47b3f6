import { describe, expect, it } from "vitest";
import { makeOf } from "../../tests/samples.ts";
import { presetById } from "../album/formats.ts";
import { EMPTY_SIDE, type Leaf, type LeafMake, NOBODY, newLeaf, numeralOf, type Piece } from "../album/leaf.ts";
import { AS_USUAL } from "../album/made-of.ts";
import { type BookPage, readBook } from "../book/read.ts";
import { volumesOf } from "../book/volumes.ts";
import { MATERIALS, micrometres } from "../material/material.ts";
import { inches, ticks } from "../measure/length.ts";
import { areaOf, rect } from "../measure/rect.ts";
import { size } from "../measure/size.ts";
import { aheadOf } from "./ahead.ts";
import { bindingOf, closingOf } from "./closing.ts";
import { costsOf } from "./costs.ts";
import { type Layer, layersOf, type Things } from "./layers.ts";
import { areaOfBook, fieldsOf, peaksOf } from "./peaks.ts";
import { asLength, comesOut, pocketsRead } from "./pocket-room.ts";
import { freePlaces, remediesFor } from "./remedies.ts";

const preset = presetById("ring-6x8");
if (!preset) throw new Error("shipped");
const format = { ...preset, capacity: 5000 };
const binding = bindingOf(format);
const NOTHING: Things = new Map();

const by = (w: number, h: number) => size(inches(w), inches(h));
const at = (x: number, y: number) => ({ x: inches(x), y: inches(y) });
const lies = { turn: 0, outside: false, dayId: null } as const;
const number = (id: string, x: number, y: number, material: Piece["of"] = undefined): Piece => ({
  ...{ id, ...lies, at: at(x, y), ...(material ? { of: material } : {}) },
  what: { ...numeralOf(by(2, 2)), look: { style: "chipboard", colour: "black" } },
});
const made = (id: string, kind: "filler" | "flip" | "embellishment", x: number, y: number, w = 1, h = 1): Piece => ({
  ...{ id, ...lies, at: at(x, y), what: { kind, size: by(w, h), name: "" } },
});
const leafOf = (id: string, pieces: readonly Piece[], make: Partial<LeafMake> = { kind: "full" }): Leaf => ({
  ...newLeaf(id, makeOf(make), NOBODY, NOBODY),
  front: { ...EMPTY_SIDE, pieces },
});
const leavesOf = (leaves: readonly Leaf[], pages: readonly BookPage[] = []) =>
  readBook({ format, unit: "inch" }, pages, leaves).leaves;
const layers = (leaves: readonly Leaf[], things = NOTHING) => layersOf(leavesOf(leaves), format, things);
/** Five pages with a chipboard number in the same corner. */
const corner = ["a", "b", "c", "d", "e"].map((id) => leafOf(id, [number(`n${id}`, 4, 0)]));

describe("what of a book has a thickness", () => {
  it("is each leaf with the film round it, and each piece where it lies: a back's mirrored", () => {
    const back: Leaf = { ...leafOf("a", []), back: { ...EMPTY_SIDE, pieces: [made("m", "filler", 0, 1, 2, 1)] } };
    const [base, piece] = layers([back]);
    expect([base?.thick, base?.at.x, base?.at.w]).toEqual([290 + 180, 0, format.outer.w]);
    expect(piece?.thick).toBe(MATERIALS["patterned-paper"].caliper);
    // The page's left edge is ²⁹⁄₃₂ from the hinge; what lies at the left of its back lies at the right of its front.
    expect(piece?.at.x).toBe(inches(29 / 32 + 4));
  });

  it("is as thick as what was measured of its thing, unless it is said to be of another material", () => {
    const of = { ...AS_USUAL, thing: "brass", layers: 2 };
    const things: Things = new Map([["brass", { caliper: micrometres(900), material: "metal" }]]);
    const thick = (piece: Piece) => layers([leafOf("a", [piece])], things)[1]?.thick;
    expect(thick(number("n", 0, 0, of))).toBe(1800);
    expect(thick(number("n", 0, 0, { ...of, material: "felt" }))).toBe(2400);
    expect(thick(number("n", 0, 0, { ...of, thing: "gone", sits: "foam-dot" }))).toBe(2 * 1100 + 1500);
  });

  it("is of a room what it is kept for, and of what lies beside its page nothing", () => {
    const room: Piece = { id: "r", ...lies, at: at(0, 0), what: { kind: "room", keeps: "photo", size: by(3, 4) } };
    expect(layers([leafOf("a", [room])])[1]).toMatchObject({ thick: 250, isThere: false });
    expect(layers([leafOf("a", [made("m", "filler", 20, 20)])])).toHaveLength(1);
    expect(layers([leafOf("a", [made("m", "embellishment", 1, 1)])])[1]?.round).toBe(true);
  });
});

describe("where pieces pile up", () => {
  it("is the corner that five chipboard numbers share, then the next place, and no place where there is little", () => {
    const elsewhere = leafOf("f", [made("x", "embellishment", 0.5, 6), number("y", 0.5, 5.5)]);
    const all = layers([...corner, elsewhere]);
    const area = areaOfBook(all);
    if (!area) throw new Error("a book");
    const [first, second, ...more] = peaksOf(all, area);
    expect(first?.pieces.map(({ piece }) => piece?.id)).toEqual(["na", "nb", "nc", "nd", "ne"]);
    expect([first?.thick, first?.part]).toEqual([5500, { across: "edge", down: "upper" }]);
    expect(second?.pieces.map(({ piece }) => piece?.id).sort()).toEqual(["x", "y"]);
    expect(more).toEqual([]);
    expect(peaksOf(layers([leafOf("a", [made("m", "filler", 1, 1)])]), area)).toEqual([]);
  });

  it("is shown in fields of which each has the most that lies anywhere in it, however narrow", () => {
    const narrow = layers([leafOf("a", [made("m", "filler", 3, 3, 1 / 64, 2)])]);
    const area = areaOfBook(narrow);
    if (!area) throw new Error("a book");
    const fields = fieldsOf(narrow, area, 5, 6);
    expect(fields).toHaveLength(30);
    expect(Math.max(...fields.map(({ height }) => height))).toBe(470 + 180);
    expect(fields.reduce((sum, { at: field }) => sum + field.w * field.h, 0)).toBe(area.w * area.h);
    expect(fields.filter(({ height }) => height > 470).length).toBeGreaterThanOrEqual(2);
    expect(areaOfBook([])).toBeNull();
  });
});

describe("what can be done about it", () => {
  it("moves to the free corner that helps most, clear of words, numbers and the edge", () => {
    const words: Piece = {
      ...made("w", "filler", 0, 0, 2.5, 2.5),
      what: { kind: "filler", size: by(2.5, 2.5), name: "", says: "Words" },
    };
    const book = [...corner, leafOf("f", [number("nf", 4, 0), words])];
    const all = layers(book);
    const before = closingOf(all, binding);
    const moved = remediesFor(all, format, NOTHING, binding).filter(({ cure }) => cure.kind === "move");
    expect(before.gape).toBeGreaterThan(0);
    expect(moved).toHaveLength(6);
    for (const { gape, cure, layer, change } of moved) {
      expect(gape).toBeLessThan(before.gape);
      if (cure.kind !== "move") continue;
      const own = change.pieces?.find(({ id }) => id === layer.piece.id);
      expect(own?.at).toEqual({ x: cure.at.x, y: cure.at.y });
      if (layer.piece.id === "nf") expect(cure.to).not.toBe("upper left");
    }
  });

  it("peels chipboard, glues flat what is on foam, takes one layer for several, printer paper for a hinge, or leaves it out", () => {
    const on = (of: Piece["of"]) => number("n", 4, 0, of);
    const cures = (piece: Piece) =>
      remediesFor(layers([...corner, leafOf("f", [piece])]), format, NOTHING, binding)
        .filter(({ layer }) => layer.piece.id === piece.id)
        .map(({ cure }) => cure.kind);
    expect(cures(on(undefined))).toEqual(expect.arrayContaining(["thinner", "leave-out", "move"]));
    expect(cures(on({ ...AS_USUAL, sits: "foam-dot", layers: 3 }))).toEqual(
      expect.arrayContaining(["flat", "one-layer", "thinner"]),
    );
    expect(cures({ ...made("n", "flip", 4, 0, 2, 2), of: { ...AS_USUAL, material: "cardstock-110" } })).toContain(
      "thinner",
    );
    expect(cures(on({ ...AS_USUAL, material: "cardstock-110", layers: 9 }))).not.toContain("flat");
    // A number of metal becomes one that is cut, and its thing lies in the drawer again; chipboard stays what it was.
    const of = (material: "metal" | "chipboard") => {
      const piece = on({ ...AS_USUAL, thing: "brass", material });
      return remediesFor(layers([...corner, leafOf("f", [piece])]), format, NOTHING, binding)
        .filter(({ layer, cure }) => layer.piece.id === "n" && cure.kind === "thinner")
        .map(({ change }) => change.pieces?.[0]?.of);
    };
    expect(of("metal")).toEqual([{ ...AS_USUAL, material: "cardstock-80" }]);
    expect(of("chipboard")).toContainEqual({ ...AS_USUAL, thing: "brass", material: "peeled-chipboard" });
  });

  it("is as the book is once it is done: each says the very gape that follows, the best of them first", () => {
    const all = layers(corner);
    const remedies = remediesFor(all, format, NOTHING, binding);
    for (const { change, gape } of remedies) {
      const after = corner.map((leaf) =>
        leaf.id === change.leaf ? { ...leaf, front: { ...leaf.front, pieces: change.pieces } } : leaf,
      );
      expect(closingOf(layers(after), binding).gape).toBe(gape);
    }
    expect(remedies.map(({ gape }) => gape)).toEqual(remedies.map(({ gape }) => gape).sort((a, b) => a - b));
    expect(remediesFor([], format, NOTHING, binding)).toEqual([]);
  });

  it("has no place for what is as large as its page, nor where everything is kept free", () => {
    const page = rect(0, 0, inches(6), inches(8));
    expect(freePlaces(page, page, [])).toEqual([]);
    const small = rect(0, 0, inches(1), inches(1));
    expect(freePlaces(small, page, [page])).toEqual([]);
    expect(freePlaces(small, page, []).length).toBeGreaterThan(4);
  });
});

describe("what is to come", () => {
  const page = (id: string): BookPage =>
    ({
      ...{ label: id, skipped: false, days: [{ id }] },
      content: { photos: [], cards: [], numeral: { style: "none", note: "" } },
    }) as unknown as BookPage;
  const pages = ["1", "2", "3", "4"].map(page);
  const layer = (of: BookPage | undefined, thick: number, isThere: boolean) =>
    ({
      ...{ at: rect(0, 0, inches(7), inches(8)), round: false, thick: micrometres(thick), page: of, isThere },
    }) as unknown as Layer;

  it("is told by what is there: full on the day that no longer goes in, and how flat the rest must stay", () => {
    const all = [layer(pages[0], 2000, true), layer(pages[1], 9000, false)];
    const { now, planned, ahead } = aheadOf(all, pages, binding);
    expect([now.gape, planned.gape > 0]).toEqual([0, true]);
    expect(ahead).toMatchObject({ there: 1, toCome: 3, perDay: 2000, eachMay: 1000 });
    // 5 mm take two of 2 mm; the second to come is the third day.
    expect(ahead.fullOn?.label).toBe("3");
    expect(aheadOf([], pages, binding).ahead).toMatchObject({ there: 0, perDay: null, fullOn: null });
    expect(aheadOf([layer(pages[0], 100, true)], pages, binding).ahead.fullOn).toBeNull();
    expect(aheadOf([layer(pages[0], 6000, true)], pages, binding).ahead).toMatchObject({ fullOn: pages[1] });
  });
});

describe("what lies in a pocket", () => {
  it("slides, is tight, or jams by w + t + play ≤ W, and so in height unless that end is open (common practice)", () => {
    const stack = (w: number, thick: number) => ({ size: by(w, 3), thick: micrometres(thick) });
    expect(comesOut(by(3, 4), stack(2.875, 500), true).kind).toBe("slides");
    expect(comesOut(by(3, 4), stack(2.9375, 500), true).kind).toBe("tight");
    expect(comesOut(by(3, 4), stack(2.9375, 2000), true)).toMatchObject({ kind: "jams" });
    expect(comesOut(by(4, 3), { size: by(3, 3), thick: micrometres(100) }, true).kind).toBe("slides");
    expect(comesOut(by(4, 3), { size: by(3, 3), thick: micrometres(100) }, false).kind).toBe("jams");
    expect(asLength(micrometres(25_400))).toBe(inches(1));
  });

  it("counts with its layers from both sides of the leaf, and not what is stuck on the outside", () => {
    const pocket: Partial<LeafMake> = { kind: "pocket", layout: "four" };
    const [read] = leavesOf([leafOf("a", [], pocket)]);
    const first = read?.build.pockets[0];
    if (!first) throw new Error("a pocket");
    const lying = (id: string, layersOfIt: number): Piece => ({
      ...made(id, "filler", 0, 0, 2.95, 3.9),
      ...{ at: { x: first.x, y: first.y }, of: { ...AS_USUAL, layers: layersOfIt } },
    });
    const roomOf = (pieces: readonly Piece[]) =>
      leavesOf([leafOf("a", pieces, pocket)]).flatMap((leaf) => pocketsRead(leaf, format, NOTHING));
    const [one] = roomOf([lying("x", 1)]);
    expect([one?.kind, one?.pocket, one?.stack.thick]).toEqual(["slides", 0, 180]);
    expect(roomOf([lying("x", 20)])[0]?.kind).toBe("jams");
    expect(roomOf([lying("x", 1), { ...lying("y", 20), outside: true }])[0]?.stack.thick).toBe(180);
    expect(leavesOf([leafOf("a", [])]).flatMap((leaf) => pocketsRead(leaf, format, NOTHING))).toEqual([]);
    const [page] = leavesOf([leafOf("a", [number("n", 1, 1)])]).flatMap((leaf) => pocketsRead(leaf, format, NOTHING));
    expect([page?.pocket, page?.stack.thick]).toEqual([null, 290 + 1100]);
  });
});

describe("a window cut through a page", () => {
  it("takes its base away where it is, and leaves the film round it", () => {
    const window: Piece = {
      ...{ id: "w", turn: 0, outside: false, dayId: null, at: { x: inches(1), y: inches(1) } },
      what: { kind: "window", size: size(inches(2), inches(2)), name: "" },
    };
    const areas = (leaf: Leaf) => {
      const layers = leavesOf([leaf]).flatMap((read) => layersOf([read], format, NOTHING));
      return layers.map(({ at, thick }) => areaOf(at) * thick).reduce((sum, each) => sum + each, 0);
    };
    const paper = MATERIALS["cardstock-80"].caliper;
    expect(areas(leafOf("a", [])) - areas(leafOf("a", [window]))).toBe(inches(2) * inches(2) * paper);
  });
});

describe("a construction", () => {
  it("is as thick as it was reckoned when it was made, and as what it is held by", () => {
    const built = {
      kind: "flip-up",
      lengths: {},
      counts: {},
      closed: [],
      blanks: [],
      micrometres: 870,
      steps: [],
      ticked: [],
      holds: [],
    };
    const flip: Piece = {
      ...{ id: "c", turn: 0, outside: false, dayId: null, at: { x: inches(1), y: inches(1) } },
      what: { kind: "construction", size: size(inches(3), inches(4)), name: "", built },
    };
    const thick = (piece: Piece) =>
      leavesOf([leafOf("a", [piece])])
        .flatMap((read) => layersOf([read], format, NOTHING))
        .find((each) => each.piece)?.thick;
    expect(thick(flip)).toBe(870);
    expect(thick({ ...flip, of: { ...AS_USUAL, material: "vellum", sits: "foam-dot" } })).toBe(
      870 + MATERIALS["foam-dot"].caliper,
    );
    // One of which nothing is known is of a sheet of card.
    expect(thick({ ...flip, what: { ...flip.what, built: undefined } as Piece["what"] })).toBe(290);
  });
});

describe("a volume", () => {
  it("is reckoned by itself, and is parted nowhere but where the book may be", () => {
    const leaves = corner.map((leaf, nth) => ({ ...leaf, opensVolume: nth === 3 }));
    const read = leavesOf(leaves);
    expect(volumesOf(read, ({ leaf }) => leaf).map((all) => all.length)).toEqual([3, 2]);
    const ask = { format, unit: "inch" as const, pages: [], layouts: [], things: NOTHING, factor: 1 };
    const whole = costsOf({ ...ask, leaves: corner, volume: 0 });
    expect(["c", "d"]).toContain(whole.split?.leaf);
    expect(whole.remedies.length).toBeGreaterThan(0);
    expect(costsOf({ ...ask, leaves, volume: 1 }).remedies.every(({ leaf }) => leaf === "d" || leaf === "e")).toBe(
      true,
    );
    // Every piece and page by itself: what the gape would be without it alone, as a book without it says.
    const [dearest] = whole.pieces;
    expect(whole.pieces.some(({ of }) => of.piece === null)).toBe(true);
    const without = corner.map((leaf) =>
      leaf.id === dearest?.of.leaf && dearest.of.piece
        ? {
            ...leaf,
            [dearest.of.face]: {
              ...leaf[dearest.of.face],
              pieces: leaf[dearest.of.face].pieces?.filter(({ id }) => id !== dearest.of.piece) ?? null,
            },
          }
        : leaf,
    );
    const closes = closingOf(layersOf(leavesOf(without), format, NOTHING), bindingOf(format, 1));
    expect([dearest?.gape, dearest?.height]).toEqual([closes.gape, closes.thickest?.height]);
    expect(costsOf({ ...ask, leaves, volume: 9 })).toEqual({ days: [], pieces: [], remedies: [], split: null });
    const sewn = corner.map((leaf) => ({ ...leaf, sewn: true }));
    expect(costsOf({ ...ask, leaves: sewn, volume: 0 }).split).toBeNull();
  });

  it("closes sooner where a ruler has shown that its papers squeeze", () => {
    const all = layers(corner);
    expect(closingOf(all, bindingOf(format, 0.6)).gape).toBeLessThan(closingOf(all, binding).gape);
    expect(bindingOf(format, 0.5).depth).toBe(2 * binding.depth);
    expect(ticks(binding.board)).toBe(format.cover.w);
  });
});
