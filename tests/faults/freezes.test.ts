import { describe, expect, it } from "vitest";
import { NOBODY, newLeaf } from "../../core/album/leaf.ts";
import { mistakesIn } from "../../core/album/mistakes.ts";
import { EMPTY_DAY, newCard } from "../../core/album/model.ts";
import { pagesOf } from "../../core/album/page.ts";
import { readBook } from "../../core/book/read.ts";
import { readRhythm } from "../../core/book/rhythm.ts";
import { spreadAt } from "../../core/book/spread.ts";
import { JsonGauge } from "../../core/format/json-gauge.ts";
import { inches, parseLength } from "../../core/measure/length.ts";
import { readLines } from "../../core/words/deck-text.ts";
import { readDeckText } from "../../press/deck-file.ts";
import { decemberDays, makeOf } from "../samples.ts";

/** Milliseconds of the processor's own time, the least of three: others on the machine do not count. */
function cost(work: () => void): number {
  const times = Array.from({ length: 3 }, () => {
    const began = process.cpuUsage();
    work();
    return process.cpuUsage(began).user / 1000;
  });
  return Math.min(...times);
}
/** So many milliseconds at least are measured: the processor's time is told in steps of some. */
const ENOUGH = 40;

/** Four times as much may cost some four times as much; the square of it would be sixteen. */
function growth(work: (size: number) => void, size: number): number {
  work(size);
  let times = 1;
  const often = (of: number) => () => {
    for (let time = 0; time < times; time++) work(of);
  };
  while (cost(often(size)) < ENOUGH) times *= 2;
  return cost(often(size * 4)) / cost(often(size));
}

/** Two pages that lie open together, and one name. */
const ABOUT = { facing: [[0, 1]] as const, people: ["Isolde"], pieces: new Map(), taken: () => [] };

describe("what is read costs as much as there is of it, and not its square", () => {
  it("in every parser", () => {
    const gauge = (size: number) =>
      void new JsonGauge().take(new TextEncoder().encode('{"a":[1,"x\\""]},'.repeat(size)));
    expect(growth(gauge, 60_000)).toBeLessThan(12);
    expect(growth((size) => void readLines("a|b|c \n".repeat(size)), 3000)).toBeLessThan(12);
    expect(
      growth((size) => void readDeckText("a.csv", `text,kind\n${'"a ""b""",c\n'.repeat(size)}`), 3000),
    ).toBeLessThan(12);
    for (const text of [" ", "1/", "9", "½", "⁄", '"'])
      expect(
        cost(() => void parseLength(`1${text.repeat(200_000)}x`, "inch")),
        text,
      ).toBeLessThan(100);
  });

  it("in a book of small and clear leaves, leafed through from one end to the other", () => {
    const { plan, days } = decemberDays({});
    const pages = pagesOf({ album: plan, days, leaves: [], prints: [] });
    const leafed = (kind: "paper" | "clear") => (count: number) => {
      const make = makeOf({ kind, size: { w: inches(3), h: inches(4) } });
      const leaves = Array.from({ length: count }, (_, at) => newLeaf(`leaf-${at}`, make, NOBODY, NOBODY));
      const book = readBook(plan, pages, leaves);
      readRhythm(book, pages);
      for (let at = 0; at <= count; at++) spreadAt(book.leaves, at, plan.format);
    };
    for (const kind of ["paper", "clear"] as const) expect(growth(leafed(kind), 100), kind).toBeLessThan(12);
  });
});

describe("words made to hurt", () => {
  it("are looked through so far and no further: one word without end on many cards, a note that asks without end", () => {
    const three = { w: inches(3), h: inches(4) };
    const cards = Array.from({ length: 40 }, (_, at) => newCard(`hurt-${at}`, three, "a ".repeat(50_000)));
    const day = { ...EMPTY_DAY, cards, note: "name ".repeat(20_000) };
    const { plan, days } = decemberDays({ "2026-12-01": day, "2026-12-02": day });
    // It took minutes.
    expect(cost(() => void mistakesIn(pagesOf({ album: plan, days, leaves: [], prints: [] }), ABOUT))).toBeLessThan(
      5000,
    );
  });
});
