import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyAlbum, decemberDays } from "../../tests/samples.ts";
import { EMPTY_DAY } from "../album/model.ts";
import type { AlbumRead } from "../album/page.ts";
import { inSpan } from "../month/span.ts";
import { DAY_PLAN_HEAD, dayPlanRows } from "./day-plan.ts";
import { isPlanHead, PLAN_FIELDS, readPlanTable } from "./plan-table.ts";

const album = (contents: Parameters<typeof decemberDays>[0] = {}): AlbumRead => {
  const { plan, days } = decemberDays(contents);
  return { album: plan, days, leaves: [], prints: [] };
};
const said = (change: Partial<Record<"title" | "note", string>> & { prompt?: string }) => ({
  ...EMPTY_DAY,
  ...change,
  prompt: { text: change.prompt ?? "", slip: null },
});
const read = (table: string[][], of = album()) => {
  const answer = readPlanTable(table, of);
  if (!answer.ok) throw new Error(answer.reason);
  return answer;
};

describe("a plan read from a table", () => {
  it("changes nothing where it is the day plan as it was written, of any album", () => {
    fc.assert(
      fc.property(anyAlbum, ({ plan, days, leaves }) => {
        // What is private is not in the table, and what is not there takes nothing away.
        const whole = { album: plan, days, leaves, prints: [], matters: [], tryOuts: [] };
        const answer = read(dayPlanRows(whole, plan.span.start), whole);
        expect(answer.changes).toEqual([]);
        expect(answer.passed).toEqual([]);
        expect(answer.columns).toEqual(
          DAY_PLAN_HEAD.filter((head) => !["number", "dates", ...PLAN_FIELDS].includes(head as never)),
        );
      }),
    );
  });

  it("changes just what was written into it, and never takes a word away", () => {
    const cell = fc.oneof(fc.constant(""), fc.string({ unit: fc.constantFrom(..."ab é\n-="), maxLength: 6 }));
    const row = fc.record({ day: fc.integer({ min: 1, max: 31 }), title: cell, prompt: cell, note: cell });
    const of = album({ "2026-12-02": said({ title: "ab", prompt: "b", note: "a" }) });
    fc.assert(
      fc.property(fc.uniqueArray(row, { selector: ({ day }) => day }), (rows) => {
        const table = rows.map(({ day, title, prompt, note }) => [note, `2026-12-${day}`, prompt, title]);
        const { changes, passed } = read([["Notes", "Date", "PROMPT", "title "], ...table], of);
        for (const { date, field, was, becomes } of changes) {
          expect(becomes).not.toBe("");
          expect(becomes).not.toBe(was);
          const from = rows.find(({ day }) => date === `2026-12-${String(day).padStart(2, "0")}`);
          expect(from?.[field].trim().replace(field === "title" ? /\s*\n\s*/g : /(?!)/g, " ")).toBe(becomes);
        }
        expect(passed.filter(({ why }) => why !== "outside")).toEqual([]);
      }),
    );
  });

  it("names the day by its date as spreadsheets write dates (common practice), or by the number on the page", () => {
    for (const date of [
      ...["2026-12-05", "2026/12/5", "2026-12-05T00:00:00", "5.12.2026", "05/12/2026", "12/5/2026", "5-12-26"],
      ...["5 December 2026", "5 Dec 2026", "5-Dec-26", "Dec 5, 2026", "Sat 5 Dec 2026", "Saturday, December 5, 2026"],
    ])
      expect(
        read([
          ["date", "title"],
          [date, "T"],
        ]).changes,
        date,
      ).toMatchObject([{ date: "2026-12-05", becomes: "T" }]);
    const { changes } = read([
      ["Number", "Title"],
      ["5", "T"],
      ["32", "U"],
    ]);
    expect(changes).toMatchObject([{ date: "2026-12-05" }]);
  });

  it("takes the order of day and month from what falls into the album, and asks where both do", () => {
    const { plan, days } = decemberDays({});
    const november = { ...plan, span: { start: "2026-11-10", end: "2026-12-10" } as typeof plan.span };
    const of = {
      album: november,
      days: days.filter(({ date }) => inSpan(november.span, date)),
      leaves: [],
      prints: [],
    };
    // The twelfth of November or the eleventh of December: both could be meant, but the last row cannot.
    expect(
      readPlanTable(
        [
          ["date", "title"],
          ["12/11/2026", "T"],
        ],
        of,
      ),
    ).toMatchObject({ ok: true });
    const both = [
      ["date", "title"],
      ["12/10/2026", "T"],
      ["10/12/2026", "U"],
    ];
    expect(readPlanTable(both, of)).toEqual({ ok: false, reason: "two-ways" });
    const told = read([...both, ["12/3/2026", "V"], ["12/4/2026", "W"]], of);
    expect(told.changes.map(({ date }) => date)).toEqual(["2026-12-10", "2026-12-03", "2026-12-04"]);
  });

  it("tells each row that it passes over, and why", () => {
    const of = album({ "2026-12-03": said({ title: "Three" }), "2026-12-04": said({ title: "Four" }) });
    const [, , three, four] = of.days;
    const joined = {
      ...of,
      days: of.days.map((day) => (day === four ? { ...day, mergedInto: three?.id ?? null } : day)),
    };
    const { changes, passed, columns } = read(
      [
        ["dates", "title", "colour", "title"],
        ["2026-12-01", "One", "red", "passed"],
        ["2027-01-01", "Outside", "", ""],
        ["soon", "No day", "", ""],
        ["", "", "", ""],
        ["2026-12-01", "Again", "", ""],
        ["2026-12-03 2026-12-04", "Three / Four", "", ""],
        ["2026-12-02", "x".repeat(501), "", ""],
      ],
      joined,
    );
    expect(changes).toMatchObject([{ date: "2026-12-01", field: "title", was: "", becomes: "One" }]);
    expect(passed).toEqual([
      { row: 3, why: "outside" },
      { row: 4, why: "no-day" },
      { row: 6, why: "twice" },
      { row: 8, why: "too-long" },
    ]);
    expect(columns).toEqual(["colour", "title"]);
    const other = read(
      [
        ["dates", "title"],
        ["2026-12-03 2026-12-04", "Both"],
      ],
      joined,
    );
    expect([other.changes, other.passed]).toEqual([[], [{ row: 2, why: "several" }]]);
  });

  it("is none without a head that says which day a row is of, and something of the day", () => {
    for (const head of [[], ["title"], ["dates"], ["2026-12-01", "One"], ["what", "ever"]]) {
      expect(isPlanHead(head)).toBe(false);
      expect(readPlanTable([head, ["2026-12-01", "One"]], album())).toEqual({ ok: false, reason: "no-head" });
    }
    expect(readPlanTable([["date", "title"], ...Array.from({ length: 2001 }, () => ["", ""])], album())).toEqual({
      ok: false,
      reason: "too-many-rows",
    });
  });
});
