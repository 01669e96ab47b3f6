import { describe, expect, it } from "vitest";
import { leavesOn, makeOf } from "../../tests/samples.ts";
import type { Leaf } from "../album/leaf.ts";
import { EMPTY_DAY, newCard } from "../album/model.ts";
import { inches } from "../measure/length.ts";
import type { CalendarDate } from "../month/dates.ts";
import { askedAgain, builtAgain, type YearAlbum } from "./years.ts";

type Told = { prompt?: string; title?: string; says?: string; skipped?: boolean } & {
  photos?: number;
  layout?: string;
  insert?: "tag";
};

/** An album of a December, its days by their day of the month. */
function december(year: number, told: Record<string, Told>): YearAlbum {
  const days = Object.entries(told).map(([on, { prompt = "", title = "", says, skipped = false }]) => ({
    ...{ id: `${year}-${on}`, date: `${year}-12-${on}` as CalendarDate, skipped },
    content: {
      ...EMPTY_DAY,
      ...{ title, prompt: { text: prompt, slip: null } },
      cards: says ? [newCard("c", { w: inches(3), h: inches(4) }, says)] : [],
    },
  }));
  const leaves = Object.entries(told).flatMap(([on, { photos, layout = "four", insert = null }]): Leaf[] =>
    photos === undefined
      ? []
      : leavesOn(`${year}-${on}`, makeOf({ kind: "pocket", layout, insert })).map((leaf) => ({
          ...leaf,
          front: {
            ...leaf.front,
            pieces: Array.from({ length: photos }, (_, at) => ({
              ...{
                id: `${at}`,
                what: { kind: "photo", use: `${at}`, cut: null },
                turn: 0,
                outside: false,
                dayId: null,
              },
              at: { x: inches(at), y: inches(year % 7) },
            })) as never,
          },
        })),
  );
  const span = { start: `${year}-12-01` as CalendarDate, end: `${year}-12-31` as CalendarDate };
  return { id: String(year), title: `December ${year}`, span, days, leaves };
}

describe("a question that is asked every year", () => {
  it("stands with all its answers, the latest first, however it is written", () => {
    const asked = askedAgain([
      december(2024, { "03": { prompt: "What  rang", title: "Bells", says: "The fog bell." } }),
      december(2026, { "01": { prompt: "What rang?", says: "A kettle." }, "02": { prompt: "Only once" } }),
      december(2025, { "03": { prompt: "what rang…" } }),
    ]);
    expect(asked.map(({ question }) => question)).toEqual(["What rang?"]);
    expect(asked[0]?.answers.map(({ date, words }) => [date, words])).toEqual([
      ["2026-12-01", ["A kettle."]],
      ["2025-12-03", []],
      ["2024-12-03", ["The fog bell."]],
    ]);
  });

  it("is none where one album asks it twice, or a day is skipped, or nothing is asked", () => {
    expect(askedAgain([december(2026, { "01": { prompt: "What rang?" }, "05": { prompt: "What rang?" } })])).toEqual(
      [],
    );
    const skipped = december(2025, { "01": { prompt: "What rang?", skipped: true }, "02": { prompt: " ? " } });
    expect(askedAgain([december(2026, { "01": { prompt: "What rang?" }, "02": { prompt: "?" } }), skipped])).toEqual(
      [],
    );
  });
});

describe("a page that is built as before", () => {
  const year = (at: number, told: Told = { photos: 2 }) => december(at, { "09": told, "10": { photos: 1 } });

  it("is told the fourth time, with the three before, and not the third", () => {
    const before = [year(2023), year(2025), year(2024)];
    const [built, ...more] = builtAgain(year(2026), before);
    expect([built?.date, built?.before.map(({ album }) => album)]).toEqual([
      "2026-12-09",
      ["December 2025", "December 2024", "December 2023"],
    ]);
    expect(more.map(({ date }) => date)).toEqual(["2026-12-10"]);
    expect(builtAgain(year(2026), before.slice(1))).toEqual([]);
  });

  it("is another with another leaf, with more on it, or before the others were", () => {
    const before = [year(2023), year(2025), year(2024)];
    const ninth = (of: YearAlbum) => builtAgain(of, before).filter(({ date }) => date === "2026-12-09");
    expect(ninth(year(2026, { photos: 2, layout: "one-over-two" }))).toEqual([]);
    expect(ninth(year(2026, { photos: 3 }))).toEqual([]);
    expect(ninth(year(2026, { photos: 2, insert: "tag" }))).toEqual([]);
    expect(ninth(year(2026, {}))).toEqual([]);
    expect(builtAgain(year(2022), before)).toEqual([]);
  });
});
