import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyAlbum, decemberDays, leavesOn, makeOf } from "../../tests/samples.ts";
import { FORMAT_PRESETS, presetById } from "../album/formats.ts";
import { EMPTY_SIDE, type Guest, leafOfDay, NOBODY, newLeaf, PLAIN_PAPER, sideOf } from "../album/leaf.ts";
import { type Day, EMPTY_DAY } from "../album/model.ts";
import { pagesOf } from "../album/page.ts";
import { TONE_OF } from "../fit/tone.ts";
import { ticks } from "../measure/length.ts";
import { contains, rectOf } from "../measure/rect.ts";
import { sameSize } from "../measure/size.ts";
import type { CalendarDate } from "../month/dates.ts";
import { datesOf } from "../month/span.ts";
import { blankLeaf } from "./bound.ts";
import { toDatedPage } from "./dated-page.ts";
import { layoutById } from "./layout.ts";
import { dressPage, previewPattern } from "./pattern.ts";
import { pieceRect } from "./piece.ts";
import { readBook } from "./read.ts";
import { readRhythm } from "./rhythm.ts";
import { SHIPPED_TEMPLATES, templatesFor } from "./shipped-templates.ts";
import { roomsIn, templateOf } from "./template.ts";

const preset = presetById("ring-6x8");
if (!preset) throw new Error("shipped");
let made = 0;
const newId = () => `new-${made++}`;

describe("the shipped templates", () => {
  it("are at least eight for 6 × 8 and four each for 10 × 8, 8 × 8 and A5", () => {
    for (const [id, least] of [
      ["ring-6x8", 8],
      ["ring-10x8", 4],
      ["ring-8x8", 4],
      ["a5-two-hole", 4],
      ["a5-sewn", 4],
    ] as const) {
      const format = FORMAT_PRESETS.find((each) => each.id === id);
      expect(format && templatesFor(format.nominal).length).toBeGreaterThanOrEqual(least);
    }
    expect(new Set(SHIPPED_TEMPLATES.map(({ id }) => id)).size).toBe(SHIPPED_TEMPLATES.length);
  });

  it.each(SHIPPED_TEMPLATES.map((template) => [template.name, template] as const))(
    "%s: lies on its page, keeps room for a photo, and names pockets that exist",
    (_, template) => {
      for (const piece of template.pieces) {
        const lies = pieceRect({ ...piece, id: "x", dayId: null }, null);
        expect(lies && contains(rectOf(template.page), lies)).toBe(true);
      }
      expect(roomsIn(template, "photo")).toBeGreaterThan(0);
      expect(template.kind === "pocket").toBe(layoutById(template.layout) !== undefined);
    },
  );
});

describe("the shipped templates in the books they are for", () => {
  it.each(SHIPPED_TEMPLATES.map((template) => [template.name, template] as const))(
    "%s: warns of nothing of its own; at most it is snug",
    (_, template) => {
      for (const { id, unit, ...format } of FORMAT_PRESETS) {
        if (!sameSize(format.nominal, template.page)) continue;
        const pieces = template.pieces.map((piece, nth) => ({ ...piece, id: `p${nth}`, dayId: null }));
        const make = { ...PLAIN_PAPER, kind: template.kind, layout: template.layout };
        const leaf = { ...newLeaf("leaf", make, NOBODY, NOBODY), front: { ...EMPTY_SIDE, pieces } };
        const [read] = readBook({ format, unit }, [], [leaf]).leaves;
        const looked =
          read?.front.pieces.filter(({ fit }) => TONE_OF[fit.kind] !== "good" && fit.kind !== "snug") ?? [];
        expect([id, looked.map(({ piece, fit }) => [piece.what.kind, fit.kind])]).toEqual([id, []]);
        expect(read?.front.pieces).toHaveLength(pieces.length);
      }
    },
  );
});

describe("a pattern over the month", () => {
  const cycle = templatesFor(preset.nominal)
    .slice(0, 3)
    .map(({ id }) => id);
  const pattern = {
    cycle,
    without: [],
    rules: [
      { when: "weekday" as const, weekday: 7, template: "6x8/full-light" },
      { when: "photos" as const, atLeast: 3, template: "6x8/windowpanes" },
    ],
  };

  it("says one thing for every page, and never sets one that is made or skipped", () => {
    fc.assert(
      fc.property(anyAlbum, ({ plan, days, leaves }) => {
        const pages = pagesOf({ album: plan, days, leaves, prints: [] }).map(toDatedPage);
        const book = readBook(plan, pages, leaves);
        const lines = previewPattern(pattern, SHIPPED_TEMPLATES, pages, book);
        expect(lines.map(({ page }) => page)).toEqual(pages);
        const sides = book.leaves.flatMap(({ front, back }) => [front, back]);
        for (const { page, outcome } of lines) {
          if (page.skipped) expect(outcome.kind).toBe("skipped");
          // One that has its place on another's page gets none of its own.
          const isGuest =
            sides.some(({ guests }) => guests.includes(page)) && !sides.some((side) => side.page === page);
          if (isGuest) expect(outcome.kind).not.toBe("sets");
          if (outcome.kind !== "sets" || !outcome.leaf) continue;
          const { leaf, front, back } = outcome.leaf;
          expect([...leaf.done, ...leaf.front.done, ...leaf.back.done]).toEqual([]);
          expect([front.page, front.guests]).toEqual([page, []]);
          // What is another day's as well is not made into something else.
          if (back.page !== page && back.owner.kind !== "nobody") expect(outcome.make).toEqual(leaf.make);
        }
      }),
      { numRuns: 30 },
    );
  });

  it("keeps a page that another day has a place on, as it is", () => {
    const { plan, days } = decemberDays({});
    const leaf = leafOfDay("leaf", makeOf({ kind: "paper" }), "2026-12-02");
    const outcomes = (guests: readonly Guest[]) => {
      const leaves = [{ ...leaf, front: { ...leaf.front, guests } }];
      const pages = pagesOf({ album: plan, days, leaves, prints: [] }).map(toDatedPage);
      const lines = previewPattern(pattern, SHIPPED_TEMPLATES, pages, readBook(plan, pages, leaves));
      return lines.slice(1, 3).map(({ outcome }) => (outcome.kind === "kept" ? outcome.why : outcome.kind));
    };
    expect(outcomes([])).toEqual(["sets", "sets"]);
    expect(outcomes([{ dayId: "2026-12-03", done: [] }])).toEqual(["shared", "shared"]);
  });

  it("takes turns A B C A over a plain December, with every Sunday a full page", () => {
    const span = { start: "2026-12-01" as CalendarDate, end: "2026-12-10" as CalendarDate };
    const days = datesOf(span).map(
      (date): Day => ({ id: date, date, skipped: false, mergedInto: null, version: 1, content: EMPTY_DAY }),
    );
    const plan = {
      title: "x",
      unit: "inch" as const,
      numbering: "date" as const,
      preparing: "parts" as const,
      span,
      format: preset,
    };
    const pages = pagesOf({ album: plan, days, leaves: [], prints: [] }).map(toDatedPage);
    const lines = previewPattern(pattern, SHIPPED_TEMPLATES, pages, readBook(plan, pages, []));
    const [a, b, c] = cycle;
    // 6 December 2026 is a Sunday.
    const sunday = "6x8/full-light";
    expect(lines.map(({ outcome }) => outcome.kind === "sets" && outcome.template.id)).toEqual([
      a,
      b,
      c,
      a,
      b,
      sunday,
      c,
      a,
      b,
      c,
    ]);
  });

  it("lays anew what a pattern laid and nobody touched, and only that; a day left out is left as it is", () => {
    fc.assert(
      fc.property(
        anyAlbum,
        fc.constantFrom(...SHIPPED_TEMPLATES),
        fc.constantFrom(...SHIPPED_TEMPLATES),
        fc.nat(),
        ({ plan, days, leaves }, first, second, nth) => {
          const pages = pagesOf({ album: plan, days, leaves, prints: [] }).map(toDatedPage);
          const book = readBook(plan, pages, leaves);
          const set = (template: (typeof SHIPPED_TEMPLATES)[number], read: typeof book) =>
            previewPattern({ cycle: [template.id], rules: [], without: [] }, SHIPPED_TEMPLATES, pages, read);
          // What the first pattern lays on leaves that are there already, as the store writes it.
          const lines = set(first, book);
          const laid = leaves.map((leaf) => {
            const line = lines.find(({ outcome }) => outcome.kind === "sets" && outcome.leaf?.leaf.id === leaf.id);
            if (line?.outcome.kind !== "sets") return leaf;
            const pieces = dressPage(line.page, line.outcome.template, book, newId);
            return { ...leaf, make: line.outcome.make, front: { ...leaf.front, pieces } };
          });
          const again = set(second, readBook(plan, pages, laid));
          for (const [at, { outcome }] of again.entries())
            if (lines[at]?.outcome.kind === "sets") expect(["sets", "kept"]).toContain(outcome.kind);
          const own = lines.filter(({ outcome }) => outcome.kind === "sets" && outcome.leaf);
          const alone = own.filter(
            ({ page, outcome }) =>
              outcome.kind === "sets" &&
              (outcome.leaf?.back.page === page || outcome.leaf?.back.owner.kind === "nobody"),
          );
          for (const { page } of alone) expect(again.find((line) => line.page === page)?.outcome.kind).toBe("sets");
          // One nudge, and it is the keeper's.
          const touched = alone[nth % Math.max(1, alone.length)];
          if (touched?.outcome.kind !== "sets" || !touched.outcome.leaf) return;
          const id = touched.outcome.leaf.leaf.id;
          const nudged = laid.map((leaf) => {
            const [piece, ...rest] = leaf.front.pieces ?? [];
            if (leaf.id !== id || !piece) return leaf;
            const moved = { ...piece, at: { x: ticks(piece.at.x + 1), y: piece.at.y } };
            return { ...leaf, front: { ...leaf.front, pieces: [moved, ...rest] } };
          });
          const after = set(second, readBook(plan, pages, nudged)).find(({ page }) => page === touched.page);
          expect(after?.outcome).toEqual({ kind: "kept", why: "arranged" });
          const without = touched.page.days.map(({ date }) => date);
          const left = previewPattern({ ...pattern, without }, SHIPPED_TEMPLATES, pages, book);
          expect(left.find(({ page }) => page === touched.page)?.outcome.kind).toBe("left-out");
        },
      ),
      { numRuns: 40 },
    );
  });

  it("dressing a page and making a template of it again keeps room where room was", () => {
    fc.assert(
      fc.property(anyAlbum, fc.constantFrom(...SHIPPED_TEMPLATES), ({ plan, days }, template) => {
        const [page] = pagesOf({ album: plan, days, leaves: [], prints: [] }).map(toDatedPage);
        if (!page) return;
        const pieces = dressPage(page, template, readBook(plan, [page], []), newId);
        const standing = pieces.filter(({ what }) => what.kind === "photo" || what.kind === "card");
        expect(new Set(standing.map(({ id }) => id)).size).toBe(standing.length);
        const again = templateOf(pieces, page.content, template);
        expect(roomsIn(again, "photo") + roomsIn(again, "card")).toBe(
          roomsIn(template, "photo") + roomsIn(template, "card"),
        );
        expect(sameSize(again.page, template.page)).toBe(true);
      }),
      { numRuns: 30 },
    );
  });
});

describe("rhythm", () => {
  it("tells a run of three of a kind, sides with nothing on them, and days without a place", () => {
    const span = { start: "2026-12-01" as CalendarDate, end: "2026-12-05" as CalendarDate };
    const days = datesOf(span).map(
      (date): Day => ({
        id: date,
        date,
        skipped: false,
        mergedInto: null,
        version: 1,
        content: EMPTY_DAY,
      }),
    );
    const plan = {
      title: "x",
      unit: "inch" as const,
      numbering: "date" as const,
      preparing: "parts" as const,
      span,
      format: preset,
    };
    const pages = pagesOf({ album: plan, days, leaves: [], prints: [] }).map(toDatedPage);
    const leaves = days
      .slice(0, 4)
      .flatMap(({ id }, at) => leavesOn(id, { kind: at === 3 ? "full" : "pocket", layout: "four" }));
    const rhythm = readRhythm(readBook(plan, pages, leaves), pages);
    const ids = leaves.map(({ id }) => id);
    expect(rhythm.runs).toEqual([{ kind: "pocket", from: 0, leaves: ids.slice(0, 3) }]);
    expect(rhythm.noPlace.map(({ label }) => label)).toEqual(["5"]);
    expect(rhythm.emptySides.map(({ face }) => face)).toEqual(["back", "back", "back", "back"]);
    expect(rhythm.apart).toEqual([]);
    const [one, two, ...rest] = leaves;
    if (!one || !two) throw new Error("four leaves");
    const torn = [one, { ...two, back: sideOf({ kind: "day", dayId: "2026-12-01" }) }, ...rest];
    expect(readRhythm(readBook(plan, pages, torn), pages).apart.map(({ label }) => label)).toEqual(["1"]);
    // A book that is sewn of one paper says nothing of its leaves before something is on them.
    const sewn = [0, 1, 2, 3].map((at) => blankLeaf(`sewn${at}`));
    const bound = readRhythm(readBook({ ...plan, format: { ...preset, binding: "sewn" } }, pages, sewn), pages);
    expect([bound.runs, bound.emptySides]).toEqual([[], []]);
  });
});
