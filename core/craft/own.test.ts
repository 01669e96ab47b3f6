import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { OwnCut } from "../album/leaf.ts";
import { ownSchema } from "../book/piece-schema.ts";
import { inches } from "../measure/length.ts";
import { IN_TICKS } from "../measure/length-schema.ts";
import { rect } from "../measure/rect.ts";
import { faultsOf } from "./blueprint.ts";
import { builtAs, madeAgain, stockOf } from "./built.ts";
import { CRAFTS, craftOf } from "./catalog.ts";
import { made, NOWHERE, usualSizes } from "./craft.ts";
import { areaLaid, laidIn, seenShares } from "./lies.ts";
import { areaOf, cutAt, isInPart, ownOutline, shapesInto } from "./own.ts";
import { ownAsText, ownFromText } from "./own-text.ts";
import { pierced } from "./pierced.ts";
import { boundsOf, edgesOf, isInside, point, polygon, twiceArea } from "./polygon.ts";

const SQUARE = polygon([0, 0], [1000, 0], [1000, 1000], [0, 1000]);
const HOLE = polygon([300, 300], [700, 300], [700, 700], [300, 700]);
/** A square with a notch in its upper side. */
const NOTCHED = polygon([0, 0], [400, 0], [500, 300], [600, 0], [1000, 0], [1000, 1000], [0, 1000]);

const anyTriangle = fc
  .tuple(...Array.from({ length: 6 }, () => fc.integer({ min: -200, max: 1200 })))
  .map(([a = 0, b = 0, c = 0, d = 0, e = 0, f = 0]) => polygon([a, b], [c, d], [e, f]))
  .filter((shape) => twiceArea(shape) > 20_000);

describe("a shape with windows", () => {
  it("is one closed line that bounds what is left, and has the edges of both", () => {
    const left = pierced(SQUARE, [HOLE]);
    expect(twiceArea(left)).toBe(2 * (1000 * 1000 - 400 * 400));
    expect(new Set(edgesOf(left).map((edge) => boundsOf([edge]).w))).toEqual(new Set([1000, 400]));
    expect(
      pierced(
        SQUARE,
        [rect(2000, 0, 9, 9)].map(({ x, y }) => polygon([x, y], [x + 9, y], [x, y + 9])),
      ),
    ).toBe(SQUARE);
    expect(pierced(SQUARE, [SQUARE])).toEqual([]);
    // Out of an edge it takes a bite, and leaves one edge.
    expect(edgesOf(pierced(SQUARE, [polygon([400, -100], [600, -100], [600, 200], [400, 200])]))).toHaveLength(1);
  });

  it("is where the shape is and no window, whatever they are", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(SQUARE, NOTCHED),
        fc.array(anyTriangle, { minLength: 1, maxLength: 4 }),
        fc.array(fc.tuple(fc.integer({ min: 0, max: 999 }), fc.integer({ min: 0, max: 999 })), { minLength: 30 }),
        (shape, windows, places) => {
          const left = pierced(shape, windows);
          for (const [x, y] of places.map(([a, b]) => [a + 0.31, b + 0.47] as const)) {
            const near = [shape, ...windows, left].some((each) => isNearEdge(each, x, y));
            if (near) continue;
            const is = isInside(shape, x, y) && !windows.some((each) => isInside(each, x, y));
            expect(isInside(left, x, y), `${x} ${y}`).toBe(is);
          }
        },
      ),
      { numRuns: 150 },
    );
  });
});

/** Within two ticks of a side: there, rounding decides. */
function isNearEdge(shape: ReturnType<typeof polygon>, x: number, y: number): boolean {
  return edgesOf(shape).some((edge) =>
    edge.some((a, at) => {
      const b = edge[(at + 1) % edge.length] ?? a;
      const long = Math.hypot(b.x - a.x, b.y - a.y) || 1;
      const share = Math.max(0, Math.min(1, ((x - a.x) * (b.x - a.x) + (y - a.y) * (b.y - a.y)) / long ** 2));
      return Math.hypot(x - a.x - share * (b.x - a.x), y - a.y - share * (b.y - a.y)) < 2;
    }),
  );
}

const anyShare = fc.integer({ min: 0, max: 100 }).map((n) => n / 100);
const named = (kind: string) => {
  const of = craftOf(kind);
  if (!of) throw new Error(kind);
  return of;
};

describe("cuts of one's own", () => {
  it("lie in any part of any construction with nothing wrong in its blueprint, each with its step, or are refused", () => {
    let laid = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...CRAFTS),
        fc.array(
          fc.record({
            kind: fc.constantFrom("slit" as const, "opening" as const, "circle" as const),
            part: fc.nat(),
            at: fc.tuple(anyShare, anyShare, anyShare, anyShare),
          }),
          { minLength: 1, maxLength: 3 },
        ),
        (of, wanted) => {
          const plain = made(of, usualSizes(of, NOWHERE), stockOf(of.paper));
          if (!plain.ok) throw new Error(of.kind);
          const own = wanted.map(({ kind, part: nth, at: [u, v, across, down] }): OwnCut => {
            const part = plain.parts[nth % plain.parts.length];
            if (!part) throw new Error("a part");
            const { w, h } = part.blank;
            const at = rect(
              ...([Math.round(u * w), Math.round(v * h)] as const),
              ...([Math.round((across * w) / 3) + 8, Math.round((down * h) / 3) + 8] as const),
            );
            return { kind, part: part.id, at };
          });
          const done = made(of, usualSizes(of, NOWHERE), stockOf(of.paper), NOWHERE, own);
          if (!done.ok) {
            if (!("cut" in done)) throw new Error("not the cut");
            const cut = own[done.cut];
            const part = plain.parts.find(({ id }) => cut && isInPart(cut) && id === cut.part);
            // What is there already is not cut into.
            expect(done.why).toBe(part?.count === 0 ? "no-such-part" : "outside");
            return;
          }
          laid++;
          for (const part of done.parts) expect(faultsOf(part), of.kind).toEqual([]);
          expect(done.steps).toHaveLength(plain.steps.length + own.length);
          for (const state of done.states) {
            const all = laidIn(done, state);
            const share = (of: typeof all) => of.reduce((sum, { shape }) => sum + twiceArea(shape), 0);
            const [now, before] = [share(all), share(laidIn(plain, state))];
            expect(now).toBeLessThanOrEqual(before);
            expect(areaLaid(all)).toEqual(areaLaid(laidIn(plain, state)));
            for (const each of seenShares(all)) expect(each).toBeLessThanOrEqual(1 + 1e-9);
          }
        },
      ),
      { numRuns: 300 },
    );
    expect(laid).toBeGreaterThan(60);
  });

  it("says each with where it is, in the order of the work: before what is made is put together", () => {
    const of = named("flip-up");
    const cut: OwnCut = { kind: "opening", part: "flip", at: rect(inches(1), inches(2), inches(1), inches(1)) };
    const done = made(of, usualSizes(of, NOWHERE), stockOf(of.paper), NOWHERE, [cut]);
    if (!done.ok) throw new Error("not made");
    const nth = done.steps.findIndex(({ say }) => say.startsWith("Cut an opening"));
    expect(done.steps[nth]).toMatchObject({ act: "cut", part: "flip", caution: "blade" });
    expect(done.steps[nth]?.lengths).toMatchObject({ x: inches(1), y: inches(2), w: inches(1), h: inches(1) });
    expect(nth).toBeLessThan(done.steps.findIndex(({ act }) => act === "glue" || act === "fasten"));
    // Its blank is cut first.
    expect(nth).toBeGreaterThan(done.steps.findIndex(({ act, part }) => act === "cut" && part === "flip"));
    expect(done.steps[nth]?.minutes).toBe(1);
    const gone = { ...cut, part: "drawer" };
    expect(made(of, usualSizes(of, NOWHERE), stockOf(of.paper), NOWHERE, [cut, gone])).toEqual({
      ...{ ok: false, cut: 1, why: "no-such-part" },
    });
    const out = { ...cut, at: rect(inches(-1), inches(2), inches(2), inches(1)) };
    expect(made(of, usualSizes(of, NOWHERE), stockOf(of.paper), NOWHERE, [out])).toMatchObject({ why: "outside" });
  });

  it("is kept with the piece, drawn through on its page, and opens what was made of it when it changes", () => {
    const of = named("plain-sheet");
    const sizes = { ...usualSizes(of, NOWHERE), x1: 0, width: inches(4), height: inches(6) };
    const own: OwnCut[] = [{ kind: "circle", part: "sheet", at: rect(inches(1), inches(1), inches(1), inches(1)) }];
    const done = made(of, sizes, stockOf(of.paper), NOWHERE, own);
    if (!done.ok) throw new Error("not made");
    const built = builtAs(of, sizes, done, of.paper, undefined, own);
    expect(built.own).toEqual(own);
    expect(built.closed.map(({ shape }) => edgesOf(shape).map((edge) => boundsOf([edge])))).toEqual([
      [rect(0, 0, inches(4), inches(6)), rect(inches(1), inches(1), inches(1), inches(1))],
    ]);
    expect(madeAgain(built, null)?.done.parts[0]?.windows).toHaveLength(1);
    const ticked = { ...built, ticked: [0] };
    expect(builtAs(of, sizes, done, of.paper, ticked, own).ticked).toEqual([0]);
    const other = made(of, sizes, stockOf(of.paper));
    if (!other.ok) throw new Error("not made");
    const without = builtAs(of, sizes, other, of.paper, ticked);
    expect([without.ticked, without.own]).toEqual([[], undefined]);
  });

  it("is moved and sized as a whole", () => {
    const [one, two, ...more] = shapesInto(
      "sheet",
      [SQUARE, HOLE, polygon([2000, 0], [3000, 0], [3000, 1000])],
      rect(100, 50, 1500, 500),
    );
    if (!one || !two) throw new Error("two shapes");
    // What lies within another comes out with it.
    expect(more).toEqual([]);
    expect([areaOf(one), areaOf(two)]).toEqual([rect(100, 50, 500, 500), rect(1100, 50, 500, 500)]);
    expect(areaOf(cutAt(one, rect(7, 8, 90, 60)))).toEqual(rect(7, 8, 90, 60));
    const slit: OwnCut = { kind: "slit", part: "sheet", at: rect(0, 5, 100, 0) };
    expect(isInPart(slit) && areaOf(cutAt(slit, rect(1, 2, 3, 0)))).toEqual(rect(1, 2, 3, 0));
  });

  it("says itself in an address, and is read again", () => {
    const own: OwnCut[] = [
      { kind: "slit", part: "long bar", at: rect(-3, 5, 100, 0) },
      { kind: "shape", part: "sheet", points: HOLE },
      { kind: "outline", points: NOTCHED },
    ];
    expect(ownSchema(IN_TICKS).parse(ownFromText(ownAsText(own)))).toEqual(own);
    expect(ownFromText(ownAsText([]))).toEqual([]);
    for (const bad of ["slit", "slit.sheet.1.2.3", "shape.sheet.1.2.3.4", "outline..a.b.c.d.e.f", "hole.sheet.1.2.3.4"])
      expect(ownSchema(IN_TICKS).safeParse(ownFromText(bad)).success, bad).toBe(false);
  });
});

describe("a shape of one's own", () => {
  it("fills its width and height, and what lies within an outline is cut out of it, and within that not again", () => {
    const island = polygon([450, 450], [550, 450], [500, 550]);
    const own = [SQUARE, HOLE, island].map((points): OwnCut => ({ kind: "outline", points }));
    const outline = ownOutline(own, 500, 2000);
    expect(outline?.shapes.map((shape) => boundsOf([shape]))).toEqual([rect(0, 0, 500, 2000), rect(225, 900, 50, 200)]);
    expect(outline?.windows.map((shape) => boundsOf([shape]))).toEqual([rect(150, 600, 200, 800)]);
    expect(ownOutline([], 500, 500)).toBeNull();
  });

  it("makes a word of letters that do not hang together, as many times as it is stacked", () => {
    const of = named("stacked-word");
    const own = [SQUARE, HOLE, polygon([1200, 0], [1400, 0], [1300, 1000])].map(
      (points): OwnCut => ({ kind: "outline", points }),
    );
    const sizes = { ...usualSizes(of, NOWHERE), width: inches(4), height: inches(1), layers: 4 };
    const done = made(of, sizes, stockOf(of.paper), NOWHERE, own);
    if (!done.ok) throw new Error("not made");
    const [word] = done.parts;
    const overlapping = { isLoose: true, panels: ["1", "2"].map((id) => ({ id, shape: SQUARE })) };
    expect(word && faultsOf({ ...word, windows: [], measures: [], ...overlapping })).not.toEqual([]);
    expect([word?.panels.length, word?.windows.length, word?.count, word && faultsOf(word)]).toEqual([2, 1, 4, []]);
    expect(builtAs(of, sizes, done, of.paper, undefined, own).closed).toHaveLength(2);
    const crossing = [SQUARE, SQUARE.map(({ x, y }) => point(x + 500, y + 500))];
    const panels = crossing.map((shape, nth) => ({ id: `${nth}`, shape }));
    expect(word && faultsOf({ ...word, windows: [], measures: [], isLoose: true, panels })).toContain(
      "overlapping-panels",
    );
    const shape = made(
      named("cut-shape"),
      usualSizes(named("cut-shape"), NOWHERE),
      stockOf("cardstock-65"),
      NOWHERE,
      own,
    );
    expect(shape.ok && shape.parts[0]?.panels.length).toBe(2);
  });
});
