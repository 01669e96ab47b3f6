import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyAlbum, anyLeaves, anyPageSize, anyPiece, makeOf, PLAIN_USE } from "../../tests/samples.ts";
import { presetById } from "../album/formats.ts";
import { daysOfLeaf, EMPTY_SIDE, type Leaf, NOBODY, newLeaf, type Piece, type Side, sideOf } from "../album/leaf.ts";
import { pagesOf } from "../album/page.ts";
import { firstPage } from "../album/page-leaves.ts";
import { inches, ticks } from "../measure/length.ts";
import { areaOf, contains, overlap, type Rect, rect } from "../measure/rect.ts";
import { movePiece, putInto, restack, splitPiece, turnPiece } from "./arrange.ts";
import { applyBookEdit, type BookEdit } from "./edit.ts";
import { holesOf, holeTroubles, slitsOf } from "./holes.ts";
import { pieceRect } from "./piece.ts";
import { looseOf, pageOfPiece, readBook, readGhost, standsFor } from "./read.ts";
import { snap, snapLines, stepOf } from "./snap.ts";
import { spreadAt } from "./spread.ts";
import { windowsOf } from "./windows.ts";

const preset = presetById("ring-6x8");
if (!preset) throw new Error("shipped");
const plan = { format: preset, unit: "inch" as const };
const leaf = (id: string, change: Partial<Leaf> = {}): Leaf => ({
  ...newLeaf(id, makeOf(), NOBODY, NOBODY),
  ...change,
});
const laid = (pieces: readonly Piece[]): Side => ({ ...EMPTY_SIDE, pieces });
const made = (id: string, kind: "tab" | "filler", x: number, y: number, w: number, h: number): Piece => ({
  id,
  what: { kind, size: { w: inches(w), h: inches(h) }, name: "" },
  at: { x: inches(x), y: inches(y) },
  turn: 0,
  outside: false,
  dayId: null,
});

/** Owner and pieces of every side by leaf, whatever the order. */
const holdings = (leaves: readonly Leaf[]) =>
  Object.fromEntries(leaves.map(({ id, front, back }) => [id, [JSON.stringify(front), JSON.stringify(back)].sort()]));

describe("an edit of the book", () => {
  it("that moves or turns leaves keeps every side's owner and every piece, and loses and doubles no leaf", () => {
    fc.assert(
      fc.property(
        anyLeaves,
        fc.array(fc.tuple(fc.nat(), fc.nat(), fc.boolean()), { maxLength: 12 }),
        (leaves, acts) => {
          let now: readonly Leaf[] = leaves;
          for (const [a, b, turn] of acts) {
            const id = now[a % now.length]?.id ?? "";
            const after = b % (now.length + 1) === now.length ? null : (now[b % now.length]?.id ?? null);
            const edit: BookEdit = turn ? { kind: "turn-leaf", leaf: id } : { kind: "move-leaf", leaf: id, after };
            const result = applyBookEdit(now, edit);
            if (result.ok) now = result.leaves;
            else expect(after).toBe(id);
          }
          expect(holdings(now)).toEqual(holdings(leaves));
          expect(now.length).toBe(leaves.length);
        },
      ),
    );
  });

  it("sent twice does nothing the second time", () => {
    fc.assert(
      fc.property(anyLeaves, fc.uuid(), (leaves, id) => {
        const first = leaves[0]?.id ?? "";
        const edits: BookEdit[] = [
          { kind: "add-leaf", id, make: makeOf(), after: first, front: NOBODY, back: NOBODY },
          { kind: "copy-leaf", leaf: first, id, front: [], back: [] },
          { kind: "remove-leaf", leaf: first },
          { kind: "own-side", leaf: first, face: "back", owner: { kind: "day", dayId: "title" } },
        ];
        for (const edit of edits) {
          const once = applyBookEdit(leaves, edit);
          if (edit.kind !== "own-side") expect(once.ok && once.leaves).not.toEqual(leaves);
          const twice = once.ok ? applyBookEdit(once.leaves, edit) : once;
          if (twice.ok || edit.kind !== "own-side") expect(twice).toEqual(once);
        }
      }),
    );
  });

  it("refuses a leaf dropped into itself, and a leaf that is gone", () => {
    const leaves = [leaf("a"), leaf("b")];
    expect(applyBookEdit(leaves, { kind: "move-leaf", leaf: "a", after: "a" })).toEqual({
      ok: false,
      reason: "into-itself",
    });
    expect(applyBookEdit(leaves, { kind: "turn-leaf", leaf: "z" })).toEqual({ ok: false, reason: "leaf-gone" });
  });
});

describe("an arrangement", () => {
  it("four quarter turns bring a piece back where it was, to the tick", () => {
    fc.assert(
      fc.property(anyPiece, (piece) => {
        let now: Piece[] = [piece];
        for (let turn = 0; turn < 4; turn++) {
          const before = now[0] as Piece;
          now = turnPiece(now, piece.id, null);
          const [was, is] = [pieceRect(before, null), pieceRect(now[0] as Piece, null)];
          // A quarter turn: as wide as it was high, about the same middle.
          expect(is && [is.w, is.h]).toEqual(was && [was.h, was.w]);
          if (was && is) expect(Math.abs(2 * was.x + was.w - 2 * is.x - is.w)).toBeLessThanOrEqual(2);
        }
        expect(now).toEqual([piece]);
      }),
    );
  });

  it("raising and lowering a piece leaves it where it was, and every piece is still there", () => {
    fc.assert(
      fc.property(fc.uniqueArray(anyPiece, { selector: ({ id }) => id, minLength: 2, maxLength: 6 }), (pieces) => {
        const [first] = pieces as [Piece];
        expect(restack(pieces, first.id, 1).indexOf(first)).toBe(1);
        expect(restack(pieces, first.id, -1)).toEqual(pieces);
        expect(restack(restack(pieces, first.id, 1), first.id, -1)).toEqual(pieces);
        expect(new Set(restack(pieces, first.id, 1))).toEqual(new Set(pieces));
      }),
    );
  });

  it("a piece put into a pocket lies in its middle, turned only when it must be", () => {
    const pocket = rect(inches(3), inches(4), inches(3), inches(4));
    const [upright] = putInto([made("a", "filler", 0, 0, 2, 3)], "a", pocket, null);
    expect([upright?.turn, upright?.at]).toEqual([0, { x: inches(3.5), y: inches(4.5) }]);
    const [lying] = putInto([made("a", "filler", 0, 0, 4, 3)], "a", pocket, null);
    expect([lying?.turn, lying?.at]).toEqual([1, { x: inches(3), y: inches(4) }]);
    expect(movePiece([upright as Piece], "a", { x: ticks(1), y: ticks(2) })[0]?.at).toEqual({ x: 1, y: 2 });
  });

  it("only a whole print is cut in two, and a turned print's parts are said as it came from the printer", () => {
    const pockets = [rect(0, 0, inches(3), inches(4)), rect(inches(3), 0, inches(3), inches(4))] as const;
    expect(splitPiece([made("a", "filler", 0, 0, 4, 6)], "a", pockets, "kept", null, "b")).toEqual({
      ok: false,
      reason: "not-a-print",
    });
    const print: Piece = {
      id: "p",
      what: { kind: "photo", use: "p", cut: null },
      at: { x: ticks(0), y: ticks(0) },
      turn: 1,
      outside: false,
      dayId: null,
    };
    const content = {
      ...emptyContent,
      photos: [{ id: "p", photoId: "r", print: { w: inches(4), h: inches(6) }, alt: "", ...PLAIN_USE }],
    };
    const split = splitPiece([print], "p", pockets, "kept", content, "q");
    if (!split.ok) throw new Error(split.reason);
    expect(split.pieces.map(({ what }) => what.kind === "photo" && what.cut)).toEqual([
      rect(0, inches(3), inches(4), inches(3)),
      rect(0, 0, inches(4), inches(3)),
    ]);
    expect(split.pieces.map((piece) => pieceRect(piece, content))).toEqual([...pockets]);
  });
});

const emptyContent = {
  prompt: { text: "", slip: null },
  technique: { text: "", slip: null },
  waived: [],
  numeral: { style: "none" as const, note: "" },
  photos: [],
  cards: [],
  jottings: [],
  done: [],
  undone: [],
  driesUntil: null,
};

const dayPage = (id: string) => ({ label: id, skipped: false, content: emptyContent, days: [{ id }] });

describe("the book read", () => {
  it("has every photo and card of a day on one of its sides or beside them, once, and nothing of the dry fit overlaps", () => {
    fc.assert(
      fc.property(anyAlbum, ({ plan: album, days, leaves }) => {
        const pages = pagesOf({ album, days, leaves, prints: [] });
        const book = readBook(album, pages, leaves);
        for (const page of pages) {
          const sides = book.leaves
            .flatMap(({ front, back }) => [front, back])
            .filter((side) => side.page === page || side.guests.includes(page));
          const lies = sides.flatMap((side) => side.pieces.filter(({ piece }) => pageOfPiece(side, piece) === page));
          const beside = book.beside.get(page) ?? [];
          const wanted = looseOf(page, { layout: null }, firstPage(page.leaves) !== undefined).map(({ id }) => id);
          const stands = lies.map(({ piece }) => standsFor(piece));
          expect([...stands, ...beside.map(({ id }) => id)].sort()).toEqual(wanted.sort());
          for (const side of sides)
            for (const [at, one] of side.pieces.entries())
              for (const other of side.pieces.slice(at + 1)) expect(overlap(one.rect, other.rect)).toBeNull();
          expect(book.noPlace.includes(page)).toBe(sides.length === 0 && !page.skipped);
          const ghost = readGhost(page, album);
          expect(ghost.pieces.length + ghost.beside.length).toBe(looseOf(page, { layout: null }, false).length);
        }
      }),
      { numRuns: 40 },
    );
  });

  it("leaves of days outside the span are set aside with them, others are not, and all come back", () => {
    const owned = (dayId: string) => sideOf({ kind: "day", dayId });
    const leaves = [
      leaf("first", { front: owned("in"), back: owned("in") }),
      leaf("shared", { front: owned("out"), back: owned("in") }),
      leaf("aside", { front: owned("out"), back: owned("out") }),
      leaf("matter"),
    ];
    const seen = (...ids: string[]) => readBook(plan, ids.map(dayPage), leaves).leaves.map((read) => read.leaf.id);
    expect(seen("in")).toEqual(["first", "shared", "matter"]);
    expect(seen("in", "out")).toEqual(["first", "shared", "aside", "matter"]);
  });

  it("a spread shows the back of one leaf against the front of the next, and every part of it down to one leaf", () => {
    const isIn = ({ x, y, w, h }: Rect, px: number, py: number) => px >= x && px < x + w && py >= y && py < y + h;
    fc.assert(
      fc.property(anyLeaves, fc.nat(8), (leaves, turn) => {
        const pages = [...new Set(leaves.flatMap(daysOfLeaf))].map(dayPage);
        const book = readBook(plan, pages, leaves);
        const at = turn % (leaves.length + 1);
        const spread = spreadAt(book.leaves, at, preset);
        expect(spread.right[0]?.read.leaf.id).toBe(leaves[at]?.id);
        expect(spread.left[0]?.read.leaf.id).toBe(leaves[at - 1]?.id);
        for (const side of [spread.left, spread.right]) {
          if (side[0]) expect(side[0].visible).toEqual([side[0].whole]);
          // By the eye: down from the uppermost, to the first leaf that lies there and is not looked through.
          for (let nth = 0; nth < 400; nth++) {
            const { x, y, w, h } = spread.frame;
            const [px, py] = [x + ((nth * 7919) % 97) * (w / 97), y + ((nth * 104_729) % 89) * (h / 89)];
            const stopping = side.find(({ read, face, whole, page }) => {
              const isWindow = windowsOf(read, face).some((window) => isIn(window, px - page.x, py - page.y));
              return isIn(whole, px, py) && !isWindow;
            });
            expect(side.filter(({ stops }) => stops.some((part) => isIn(part, px, py)))).toEqual(
              stopping ? [stopping] : [],
            );
          }
        }
      }),
    );
  });

  it("what stands out beyond the format's own leaf is in the spread, and every leaf lies within its frame", () => {
    const leaves = [
      leaf("page", { make: makeOf({ kind: "full" }) }),
      // Nine inches under a page of eight, and wider too.
      leaf("under", { make: makeOf({ insert: "menu", size: { w: inches(7.5), h: inches(9) } }) }),
    ];
    const { right, frame } = spreadAt(readBook(plan, [], leaves).leaves, 0, preset);
    const [, under] = right;
    expect(under?.read.leaf.id).toBe("under");
    expect(under?.whole.h).toBe(inches(9));
    expect(under && contains(frame, under.whole)).toBe(true);
    expect(contains(frame, rect(-preset.outer.w, 0, 2 * preset.outer.w, preset.outer.h))).toBe(true);
    const seen = under?.visible.reduce((sum, part) => sum + areaOf(part), 0) ?? 0;
    const over = overlap(right[0]?.whole ?? frame, under?.whole ?? frame);
    expect(seen).toBe(areaOf(under?.whole ?? frame) - areaOf(over ?? { w: ticks(0), h: ticks(0) }));
  });

  it("a small leaf over a page leaves the rest of the page in sight, to the tick", () => {
    const leaves = [
      leaf("small", { make: makeOf({ size: { w: inches(3), h: inches(8) } }) }),
      leaf("page", { make: makeOf({ kind: "full" }) }),
    ];
    const [top, under] = spreadAt(readBook(plan, [], leaves).leaves, 0, preset).right;
    if (!top || !under) throw new Error("both are seen");
    const seen = under.visible.reduce((sum, part) => sum + areaOf(part), 0);
    expect(seen).toBe(areaOf(under.whole) - areaOf(overlap(top.whole, under.whole) ?? { w: ticks(0), h: ticks(0) }));
  });
});

describe("holes", () => {
  it("a bare leaf's piece over a hole is told how far to move, and is then clear; a protector takes the holes itself", () => {
    const bare = leaf("a", { front: laid([made("p", "filler", 0, 0, 3, 4)]) });
    const [read] = readBook(plan, [], [bare]).leaves;
    if (!read) throw new Error("one leaf");
    const [trouble] = holeTroubles(read, "front", preset);
    expect(trouble?.move).toBeGreaterThan(0);
    expect(trouble?.strip.w).toBe(inches(1 / 2));
    const moved = leaf("a", {
      front: laid([{ ...made("p", "filler", 0, 0, 3, 4), at: { x: trouble?.move ?? ticks(0), y: ticks(0) } }]),
    });
    const [clear] = readBook(plan, [], [moved]).leaves;
    expect(clear && holeTroubles(clear, "front", preset)).toEqual([]);
    const [sleeve] = readBook(plan, [], [leaf("a", { make: makeOf({ kind: "full" }), front: bare.front })]).leaves;
    expect(sleeve && holeTroubles(sleeve, "front", preset)).toEqual([]);
  });

  it("holes of the back lie where those of the front do, and slits run to the binding edge only where asked", () => {
    const [read] = readBook(plan, [], [leaf("a", { liftsOff: true })]).leaves;
    if (!read) throw new Error("one leaf");
    const [front, back] = [holesOf(read.build, null, preset, "front"), holesOf(read.build, null, preset, "back")];
    expect(front.length).toBe(3);
    expect(back.map(({ x }) => read.build.page.w - x)).toEqual(front.map(({ x }) => x));
    expect(slitsOf(read, "front", preset).map(({ to }) => to.x)).toEqual([0, 0, 0]);
    expect(slitsOf({ ...read, leaf: leaf("a") }, "front", preset)).toEqual([]);
  });
});

describe("snapping", () => {
  it("draws a piece onto a line that is near, no farther than the reach; where none is, onto the step of the ruler", () => {
    fc.assert(
      fc.property(
        anyPageSize,
        fc.nat(80_000),
        fc.nat(80_000),
        fc.nat(1500),
        fc.constantFrom("inch" as const, "cm" as const),
        (page, x, y, reach, unit) => {
          const step = stepOf(unit);
          const moving = rect(x, y, 9000, 7000);
          const { rect: lies, on } = snap(moving, snapLines(page, [], [], inches(1 / 4)), ticks(reach), step);
          for (const axis of ["x", "y"] as const) {
            const [was, is] = [moving[axis], lies[axis]];
            if (on.some((line) => line.axis === axis)) expect(Math.abs(is - was)).toBeLessThanOrEqual(reach);
            else {
              expect(Math.abs(is - was)).toBeLessThanOrEqual(step / 2);
              expect(Math.abs(is % step)).toBe(0);
            }
          }
          for (const line of on) {
            const [start, length] = line.axis === "x" ? [lies.x, lies.w] : [lies.y, lies.h];
            expect([start, start + length, start + length / 2]).toContain(line.at);
          }
        },
      ),
    );
    // A sixteenth of an inch is 508 ticks, a millimetre 320.
    expect([stepOf("inch"), stepOf("cm")]).toEqual([508, 320]);
  });
});

describe("a book bound at the top", () => {
  const top = {
    ...preset,
    bindingEdge: "top" as const,
    margin: inches(1),
    outer: { w: inches(6.25), h: inches(9) },
    cover: { w: inches(6.5), h: inches(9.25) },
    holes: { positions: [inches(1), inches(5)], inset: inches(1 / 2), diameter: inches(1 / 4) },
  };
  const leaves = [
    leaf("a", { make: makeOf({ kind: "full" }) }),
    leaf("b", { make: makeOf({ kind: "full" }), liftsOff: true }),
  ];
  const book = readBook({ format: top, unit: "inch" }, [], leaves);

  it("turns upward: backs lie above the spine, fronts below it", () => {
    const spread = spreadAt(book.leaves, 1, top);
    const [upper, lower] = [spread.left[0], spread.right[0]];
    expect([upper?.read.leaf.id, lower?.read.leaf.id]).toEqual(["a", "b"]);
    expect((upper?.whole.y ?? 0) + (upper?.whole.h ?? 0)).toBe(0);
    expect(lower?.whole.y).toBe(0);
  });

  it("has its holes in a row along the upper margin, and slits upward", () => {
    const [, read] = book.leaves;
    if (!read) throw new Error("two leaves");
    const holes = holesOf(read.build, null, top, "front");
    expect(new Set(holes.map(({ y }) => y)).size).toBe(1);
    expect((holes[1]?.x ?? 0) - (holes[0]?.x ?? 0)).toBe(inches(4));
    for (const { from, to } of slitsOf(read, "front", top)) {
      expect(to.x).toBe(from.x);
      expect(to.y).toBeLessThan(from.y);
    }
  });

  it("moves a piece down from a hole of a bare leaf", () => {
    const bare = readBook(
      { format: top, unit: "inch" },
      [],
      [leaf("a", { front: laid([made("p", "filler", 0, 0, 6, 4)]) })],
    );
    const [read] = bare.leaves;
    if (!read) throw new Error("one leaf");
    const [trouble] = holeTroubles(read, "front", top);
    expect(trouble?.holes.length).toBe(2);
    expect(trouble?.move).toBe(inches(1 / 2) + inches(1 / 8) + inches(1 / 16));
  });
});
