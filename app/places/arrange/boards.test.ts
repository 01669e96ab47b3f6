import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { matBox, matGround, mm, stillMat } from "#app/drawing/mat-text.ts";
import { FORMAT_PRESETS, presetById } from "#core/album/formats.ts";
import { leafOfDay, NOBODY, newLeaf } from "#core/album/leaf.ts";
import { pagesOf } from "#core/album/page.ts";
import { pageOfPiece, readBook, type SideRead, wholeLeaf } from "#core/book/read.ts";
import { inches } from "#core/measure/length.ts";
import { anyAlbum, anyLeaves, decemberDays, fullDay, makeOf } from "#tests/samples.ts";
import { benchOf, dayBoards, dayMat } from "../day/day-book.ts";
import { boardKey, isAnothers, isBehindVellum, layOut, leafName, stillThings } from "./boards.ts";

const preset = presetById("ring-6x8");
if (!preset) throw new Error("shipped");

type Box = { x: number; y: number; w: number; h: number };
const apart = (a: Box, b: Box) =>
  a.x + a.w <= b.x + 0.02 || b.x + b.w <= a.x + 0.02 || a.y + a.h <= b.y + 0.02 || b.y + b.h <= a.y + 0.02;

describe("leaves laid out on the mat", () => {
  it("lie beside each other, none over another, and the mat shows all of them", () => {
    fc.assert(
      fc.property(anyLeaves, fc.constantFrom(...FORMAT_PRESETS), fc.boolean(), (leaves, format, backs) => {
        const { leaves: read } = readBook({ format, unit: "inch" }, [], leaves);
        const faces = backs ? Object.fromEntries(read.map(({ leaf }) => [leaf.id, "back" as const])) : {};
        const loose = [1, 2, 3].map((at) => ({
          id: `l${at}`,
          what: "photo" as const,
          size: { w: inches(at), h: inches(2) },
        }));
        const laid = layOut(read, loose, "9", { format, unit: "inch" }, () => ({ kind: "own" }), null, faces);
        const boxes = [
          ...laid.boards.map(({ x, y, whole }) => ({
            x: x + mm(whole.x),
            y: y + mm(whole.y),
            w: mm(whole.w),
            h: mm(whole.h),
          })),
          ...laid.beside.map(({ x, y, loose: { size } }) => ({ x, y, w: mm(size.w), h: mm(size.h) })),
        ];
        expect(laid.boards.map(({ key }) => key).sort()).toEqual(
          read.map(({ leaf }) => boardKey(leaf.id, backs ? "back" : "front")).sort(),
        );
        for (const [at, one] of boxes.entries())
          for (const other of boxes.slice(at + 1)) expect(apart(one, other)).toBe(true);
        const box = matBox(boxes);
        for (const { x, y, w, h } of boxes) {
          expect(x >= box.x && y >= box.y).toBe(true);
          expect(x + w <= box.x + box.w && y + h <= box.y + box.h).toBe(true);
        }
      }),
      { numRuns: 60 },
    );
  });

  it("are seen softer behind a sheet of vellum that covers them, and not behind film, or beside it", () => {
    const plan = { format: preset, unit: "inch" as const };
    const leaves = (["full", "vellum", "clear"] as const).map((kind) =>
      newLeaf(kind, makeOf({ kind }), NOBODY, NOBODY),
    );
    const [full, vellum, film] = readBook(plan, [], leaves).leaves.map((read) => {
      const whole = wholeLeaf(read.build, preset, "front");
      const said = { whose: { kind: "own" } as const, by: null, name: "", face: "front" as const };
      return { ...said, key: read.leaf.id, read, x: -mm(whole.x), y: -mm(whole.y), whole };
    });
    if (!full || !vellum || !film) throw new Error("three leaves");
    expect(isBehindVellum([full, vellum], 0)).toBe(true);
    expect(isBehindVellum([full, film, vellum], 0)).toBe(true);
    expect(isBehindVellum([full, film], 0)).toBe(false);
    expect(isBehindVellum([vellum, full], 1)).toBe(false);
    expect(isBehindVellum([full, { ...vellum, x: vellum.x + 60 }], 0)).toBe(false);
  });

  it("are named by their day and size, or by what insert they are", () => {
    const plan = { format: preset, unit: "inch" as const };
    const [read] = readBook(plan, [], [newLeaf("a", makeOf({ kind: "full" }), NOBODY, NOBODY)]).leaves;
    expect(read && leafName(read, "inch")).toBe("Leaf. 6 × 8");
  });
});

describe("a day's mat", () => {
  it("shows the page of any day, chosen or not, with everything the day has on it or beside it", () => {
    fc.assert(
      fc.property(anyAlbum, ({ plan, days, leaves }) => {
        const pages = pagesOf({ album: plan, days, leaves, prints: [] });
        for (const page of pages.slice(0, 4)) {
          const bench = benchOf({ album: plan, leaves, layouts: [], tryOuts: [] }, page, pages);
          const { boards, beside } = dayBoards(page, bench, plan.unit);
          expect(boards.some(({ read }) => read.build.insert === null)).toBe(true);
          const lies = boards
            .flatMap(({ read }) => [read.front, read.back])
            .flatMap((side) => side.pieces.filter(({ piece }) => pageOfPiece(side, piece) === page))
            .filter(({ piece }) => piece.what.kind === "photo" || piece.what.kind === "card");
          const loose = beside.filter(({ loose: { what } }) => what !== "numeral");
          expect(lies.length + loose.length).toBe(page.content.photos.length + page.content.cards.length);
          const mat = dayMat(page, bench, plan.unit, "test");
          expect(mat.drawing).not.toMatch(/NaN|undefined/);
          expect(mat.box.w > 0 && mat.box.h > 0).toBe(true);
        }
      }),
      { numRuns: 25 },
    );
  });

  it("shows of every leaf the day has a side of what the whole book shows, its own face up, and marks what is another's", () => {
    let shared = 0;
    fc.assert(
      fc.property(anyAlbum, ({ plan, days, leaves }) => {
        const pages = pagesOf({ album: plan, days, leaves, prints: [] });
        const book = readBook(plan, pages, leaves);
        for (const page of pages.slice(0, 6)) {
          const source = { album: plan, leaves, layouts: [], tryOuts: [] };
          const { boards } = dayBoards(page, benchOf(source, page, pages), plan.unit);
          const isMine = (side: SideRead) => side.page === page || side.guests.some((each) => each === page);
          const mine = book.leaves.filter(({ front, back }) => isMine(front) || isMine(back));
          const real = boards.filter(({ read }) => read.leaf.id !== "ghost");
          expect(new Set(real.map(({ read }) => read.leaf.id))).toEqual(new Set(mine.map(({ leaf }) => leaf.id)));
          for (const { read, face, whose } of real) {
            const truth = mine.find(({ leaf }) => leaf.id === read.leaf.id);
            expect(read.build).toEqual(truth?.build);
            expect(whose.kind).toBe("own");
            expect(read[face].pieces).toEqual(truth?.[face].pieces);
            const other = face === "front" ? "back" : "front";
            const turned = dayBoards(page, benchOf(source, page, pages), plan.unit, {
              [read.leaf.id]: other,
            }).boards.find((board) => board.read.leaf.id === read.leaf.id);
            const owner = truth?.[other].owner;
            const ofThis = truth && isMine(truth[other]);
            expect(turned?.whose.kind).toBe(owner?.kind === "nobody" ? "nobody" : ofThis ? "own" : "other");
            expect(turned?.read[other].pieces).toEqual(truth?.[other].pieces);
            if (turned?.whose.kind === "other") shared++;
            // On a shared side exactly what is its own can be moved.
            for (const { piece } of read[face].pieces) {
              const isIts = pageOfPiece(read[face], piece) === page;
              expect(isAnothers({ read, face, by: page }, piece)).toBe(!isIts);
            }
          }
        }
      }),
      { numRuns: 40 },
    );
    expect(shared).toBeGreaterThan(20);
  });

  it("can move on a shared side what is its own and nothing of the other day, in the book all of it", () => {
    const { plan, days } = decemberDays({ "2026-12-01": fullDay("a"), "2026-12-02": fullDay("b") });
    const leaf = leafOfDay("leaf", makeOf({ kind: "full" }), "2026-12-01");
    const leaves = [{ ...leaf, front: { ...leaf.front, guests: [{ dayId: "2026-12-02", done: [] }] } }];
    const pages = pagesOf({ album: plan, days, leaves, prints: [] });
    const [read] = readBook(plan, pages, leaves).leaves;
    if (!read) throw new Error("one leaf");
    const [host, guest] = pages;
    const movedBy = (by: typeof host | null) =>
      read.front.pieces.flatMap(({ piece }) =>
        isAnothers({ read, face: "front", by: by ?? null }, piece) ? [] : [pageOfPiece(read.front, piece)?.label],
      );
    expect(new Set(movedBy(host))).toEqual(new Set(["1"]));
    expect(new Set(movedBy(guest))).toEqual(new Set(["2"]));
    expect(movedBy(null)).toHaveLength(read.front.pieces.length);
  });

  it("has a ruler in the album's unit, and none where it is small", () => {
    const box = { x: 0, y: 0, w: 120, h: 120 };
    const numbers = (text: string) => text.match(/<text/g)?.length ?? 0;
    expect(numbers(matGround(box, "inch", false, "a"))).toBeGreaterThan(6);
    expect(numbers(matGround(box, "inch", true, "a"))).toBe(0);
    expect(matGround(box, "cm", false, "a")).toContain('width="10"');
    expect(matGround(box, "inch", false, "a")).toContain('width="25.4"');
  });

  it("escapes what a thing is called", () => {
    const thing = { key: "a", x: 0, y: 0, w: 10, h: 10, caption: "<b>Gran & co</b>", drawing: "" };
    expect(stillMat([thing], "inch", false, "a").drawing).toContain("&#60;b&#62;Gran &#38; co");
    expect(stillThings({ boards: [], beside: [] }, preset, { content: null, label: "" })).toEqual([]);
  });
});
