import { describe, expect, it } from "vitest";
import { makeOf } from "../../tests/samples.ts";
import { presetById } from "../album/formats.ts";
import { type LeafMake, NOBODY, newLeaf, type Piece } from "../album/leaf.ts";
import { AS_USUAL } from "../album/made-of.ts";
import { readBook } from "../book/read.ts";
import { inches, ticks } from "../measure/length.ts";
import { rect, rectOf } from "../measure/rect.ts";
import { size } from "../measure/size.ts";
import { builtAs, readBuilt, stockOf } from "./built.ts";
import { CRAFTS, craftOf } from "./catalog.ts";
import { type Made, made, NOWHERE, usualSizes } from "./craft.ts";
import { laidIn } from "./lies.ts";
import { layersOf, type PlacedThere, stateOnSide, thickOf, troublesThere } from "./place.ts";

const found = presetById("ring-6x8");
if (!found) throw new Error("shipped");
const format = found;

function making(kind: string, sizes: Readonly<Record<string, number>>): Made {
  const of = craftOf(kind);
  const done = of && made(of, { ...usualSizes(of, NOWHERE), ...sizes }, stockOf(of.paper));
  if (!done?.ok) throw new Error(`${kind} cannot be made`);
  return done;
}
const EDGE = { upper: 0, right: 1, lower: 2, left: 3 } as const;
const flip = (edge: keyof typeof EDGE, tab = 0) =>
  making("flip-up", { width: inches(3), height: inches(4), edge: EDGE[edge], tab });

const leafOf = (make: Partial<LeafMake>) => {
  const [read] = readBook({ format, unit: "inch" }, [], [newLeaf("l", makeOf(make), NOBODY, NOBODY)]).leaves;
  if (!read) throw new Error("a leaf");
  return read;
};
/** Where the flip lies 3 × 4 on a bare page of 6 × 8, which is open at its back or its front. */
const there = (x: number, y: number, of: Partial<PlacedThere> = {}): PlacedThere => ({
  ...{ read: leafOf({ kind: "full" }), face: "front", turn: 0, outside: true, others: [] },
  lies: rect(inches(x), inches(y), inches(3), inches(4)),
  ...of,
});
const kinds = (done: Made, where: PlacedThere) => troublesThere(done, where, format).map(({ kind }) => kind);
const other = (what: Piece["what"], x: number, y: number, w: number, h: number) =>
  ({
    piece: { id: "o", turn: 0, outside: false, dayId: null, at: { x: inches(x), y: inches(y) }, what },
    rect: rect(inches(x), inches(y), inches(w), inches(h)),
    fit: { kind: "lies" },
    pocket: null,
  }) as unknown as PlacedThere["others"][number];
const made3x4 = size(inches(3), inches(4));

describe("whether a construction works where it lies", () => {
  it("opens by the mirror of its hinge, however it is turned", () => {
    const done = flip("right");
    const open = done.states.find(({ id }) => id === "open");
    if (!open) throw new Error("open");
    // The flip beyond its edge, and the wing of its strip that is taped to the page.
    const wing = inches(3 / 8);
    const lies = rect(100, 200, inches(3), inches(4));
    expect(stateOnSide(done, open, lies, 0)).toEqual(rect(100 + inches(3) - wing, 200, inches(3) + wing, inches(4)));
    // Turned by a quarter, its right edge is below.
    const turned = rect(100, 200, inches(4), inches(3));
    expect(stateOnSide(done, open, turned, 1)).toEqual(rect(100, 200 + inches(3) - wing, inches(4), inches(3) + wing));
    expect(stateOnSide(done, open, lies, 2)).toEqual(rect(100 - inches(3), 200, inches(3) + wing, inches(4)));
    expect(stateOnSide(done, open, turned, 3)).toEqual(rect(100, 200 - inches(3), inches(4), inches(3) + wing));
  });

  it("goes into the rings when it opens towards them, on either face, and past the cover the other way", () => {
    expect(kinds(flip("left"), there(1, 2))).toContain("into-rings");
    expect(kinds(flip("left"), there(3, 2))).not.toContain("into-rings");
    // Seen from behind the rings are on the right.
    expect(kinds(flip("right"), there(3, 2, { face: "back" }))).toContain("into-rings");
    const [out] = troublesThere(flip("right"), there(3, 2), format).filter(({ kind }) => kind === "past-cover");
    const margin = format.cover.w - format.outer.w;
    expect(out).toEqual({ kind: "past-cover", state: "open", by: ticks(inches(3) - margin) });
    expect(kinds(flip("right"), there(0, 2))).not.toContain("past-cover");
    expect(kinds(flip("lower"), there(1, 3.5))).toContain("past-cover");
    expect(kinds(flip("lower"), there(1, 0))).not.toContain("past-cover");
    // What is pulled out is pushed in again.
    expect(kinds(making("tag-from-card", {}), there(0, 0))).not.toContain("past-cover");
  });

  it("cannot open inside a closed protector, is told that nothing keeps it shut or says that it opens", () => {
    const inside = { read: leafOf({ kind: "pocket", layout: "four" }), outside: false };
    expect(kinds(flip("right"), there(0, 0, inside))).toContain("in-protector");
    expect(kinds(flip("right"), there(0, 0, { ...inside, outside: true }))).not.toContain("in-protector");
    expect(kinds(flip("right"), there(0, 2))).toEqual(expect.arrayContaining(["stays-open", "no-hint"]));
    expect(kinds(flip("right", inches(1 / 2)), there(0, 2))).not.toContain("no-hint");
    const tab = other({ kind: "tab", size: made3x4, name: "" }, 2.5, 3, 1, 1);
    expect(kinds(flip("right"), there(0, 2, { others: [tab] }))).not.toContain("no-hint");
    expect(kinds(making("ring", {}), there(0, 2))).toEqual([]);
  });

  it("lies over what opens beside it, and not over a picture there", () => {
    const beside = (kind: "flip" | "filler") => other({ kind, size: made3x4, name: "" }, 3, 2, 3, 4);
    expect(kinds(flip("right"), there(0, 2, { others: [beside("flip")] }))).toContain("over-piece");
    expect(kinds(flip("right"), there(0, 2, { others: [beside("filler")] }))).not.toContain("over-piece");
  });

  it("is caught where it slides by staples and brads on its own side or behind it, and by nothing where it lifts", () => {
    const pull = making("tag-from-card", {});
    const stapled = (x: number) => {
      const placed = other({ kind: "filler", size: made3x4, name: "" }, x, 4, 1, 1);
      return { ...placed, piece: { ...placed.piece, of: { ...AS_USUAL, sits: "staple" as const } } };
    };
    const snag = (where: PlacedThere) => troublesThere(pull, where, format).filter(({ kind }) => kind === "snags");
    expect(snag(there(1, 2, { others: [stapled(2)] }))).toEqual([{ kind: "snags", by: "staple", behind: false }]);
    expect(snag(there(0, 2, { others: [stapled(5)] }))).toEqual([]);
    const glued = other({ kind: "filler", size: made3x4, name: "" }, 2, 4, 1, 1);
    expect(snag(there(1, 2, { others: [glued] }))).toEqual([]);
    const slit = { ...glued, piece: { ...glued.piece, of: { ...AS_USUAL, sits: "slit" as const } } };
    expect(snag(there(1, 2, { others: [slit] }))).toEqual([]);
    // Behind, left and right are exchanged: what lies at 3 to 4 of six lies at 2 to 3.
    const read = leafOf({ kind: "full" });
    const backed = (x: number) => ({ ...read, back: { ...read.back, pieces: [stapled(x)] } });
    expect(snag(there(0, 2, { read: backed(3) }))).toEqual([{ kind: "snags", by: "staple", behind: true }]);
    expect(snag(there(0, 2, { read: backed(0) }))).toEqual([]);
    expect(kinds(flip("right"), there(0, 2, { others: [stapled(1)] }))).not.toContain("snags");
  });

  it("shows its back through a clear page unless something lies over it there", () => {
    const clear = leafOf({ kind: "clear" });
    const bare = { read: clear, outside: false };
    expect(kinds(making("ring", {}), there(0, 2, bare))).toContain("back-seen");
    expect(kinds(making("ring", {}), there(0, 2, { ...bare, read: leafOf({ kind: "paper" }) }))).not.toContain(
      "back-seen",
    );
    const cover = other({ kind: "filler", size: made3x4, name: "" }, 0, 0, 7, 8.25);
    const covered = { ...clear, back: { ...clear.back, pieces: [cover] } };
    expect(kinds(making("ring", {}), there(0, 2, { ...bare, read: covered }))).not.toContain("back-seen");
  });

  it("that goes through the paper is told to be made together with the other side, where that is another day's", () => {
    const days = (front: string, back: string) => {
      const owner = (dayId: string) => ({ kind: "day", dayId }) as const;
      const read = leafOf({ kind: "paper" });
      const page = (dayId: string) => ({ days: [{ id: dayId }] }) as unknown as typeof read.front.page;
      return {
        ...read,
        front: { ...read.front, owner: owner(front), page: page(front) },
        back: { ...read.back, owner: owner(back), page: page(back) },
      };
    };
    const same = days("a", "a");
    const tags = making("dangling-tags", {});
    const on = (read: PlacedThere["read"]) => kinds(tags, there(0, 2, { read, outside: false }));
    expect(on(days("a", "b"))).toContain("two-days");
    expect(on({ ...same, back: { ...same.back, page: same.front.page } })).not.toContain("two-days");
    expect(on(leafOf({ kind: "paper" }))).not.toContain("two-days");
    expect(kinds(making("ring", {}), there(0, 2, { read: days("a", "b"), outside: false }))).not.toContain("two-days");
  });

  it("fits closed, and slides in its pocket or is tight there", () => {
    expect(kinds(flip("right"), there(4, 2))).toContain("too-large");
    const pockets = leafOf({ kind: "pocket", layout: "four" });
    const [pocket] = pockets.front.pockets;
    if (!pocket) throw new Error("a pocket");
    const where = (by: number) => ({
      ...there(0, 0, { read: pockets, outside: false }),
      lies: rect(pocket.x, pocket.y, pocket.w - by, pocket.h - by),
    });
    const ring = making("stacked-word", { width: pocket.w, height: pocket.h });
    expect(kinds(ring, where(0))).toEqual(["jams"]);
    expect(kinds(ring, where(inches(1 / 4)))).toEqual([]);
    expect(kinds(ring, { ...where(0), lies: rectOf(size(ticks(pocket.w + 64), pocket.h)) })).toContain("too-large");
  });

  it("is as thick as its layers where most lie on each other, what goes in not counted", () => {
    expect([layersOf(making("stacked-word", { layers: 4 })), thickOf(making("stacked-word", { layers: 4 }))]).toEqual([
      4, 1160,
    ]);
    // Tag, backing strip and no pocket.
    expect(layersOf(making("tag-from-card", {}))).toBe(2);
    for (const of of CRAFTS) expect(thickOf(making(of.kind, {})), of.kind).toBeGreaterThan(0);
  });
});

describe("a construction on its page", () => {
  it("keeps its sizes, and how it looks closed within its own size", () => {
    for (const of of CRAFTS) {
      const sizes = usualSizes(of, NOWHERE);
      const done = making(of.kind, sizes);
      const built = builtAs(of, sizes, done, of.paper);
      expect(readBuilt(built)).toEqual({ of, sizes });
      for (const { shape } of built.closed)
        for (const { x, y } of shape)
          expect(x >= 0 && y >= 0 && x <= done.closed.w && y <= done.closed.h, of.kind).toBe(true);
      expect(built.closed.length).toBeGreaterThan(0);
      expect(built.micrometres).toBe(thickOf(done));
      const blanks = done.parts.filter((part) => part.of === of.paper).reduce((sum, { count }) => sum + count, 0);
      expect(built.blanks).toHaveLength(blanks);
    }
    expect(readBuilt({ kind: "gone", lengths: {}, counts: {} })).toBeNull();
    // What is not said is as usual, what is not known is passed over.
    const read = readBuilt({
      kind: "ring",
      lengths: { outer: inches(5), other: inches(1) },
      counts: {},
    });
    expect(read?.sizes).toMatchObject({ outer: inches(5), photo: inches(3) });
    expect(read?.sizes).not.toHaveProperty("other");
  });

  it("laid with its back up has its lowest panel uppermost", () => {
    const done = making("matchbook-stop", {});
    const [closed] = done.states;
    const [placed] = closed?.lies.filter(({ folded }) => folded && folded.length > 0) ?? [];
    if (!placed) throw new Error("it folds");
    const panels = (behind: boolean) => laidIn(done, { lies: [{ ...placed, behind }] });
    expect(panels(true).map(({ panel }) => panel)).toEqual(
      panels(false)
        .map(({ panel }) => panel)
        .reverse(),
    );
    expect(panels(true).map(({ faceUp }) => faceUp)).toEqual(
      panels(false)
        .map(({ faceUp }) => !faceUp)
        .reverse(),
    );
  });

  it("keeps its ticks while it is what it was, and is to be made anew when its sizes or its kind change", () => {
    const of = craftOf("stacked-word");
    const lid = craftOf("lid");
    if (!of || !lid) throw new Error("kinds");
    const at = (width: number) => {
      const sizes = { ...usualSizes(of, NOWHERE), width };
      return [sizes, making(of.kind, sizes)] as const;
    };
    const was = { ...builtAs(of, ...at(inches(3)), of.paper), ticked: [0, 1] };
    // The glue between its layers dries; cutting them does not.
    expect(was.steps.map(({ dries }) => dries)).toEqual([0, 30]);
    expect(builtAs(of, ...at(inches(3)), of.paper, was).ticked).toEqual([0, 1]);
    expect(builtAs(of, ...at(inches(4)), of.paper, was).ticked).toEqual([]);
    const sizes = usualSizes(lid, NOWHERE);
    expect(builtAs(lid, sizes, making("lid", sizes), lid.paper, was).ticked).toEqual([]);
  });
});
