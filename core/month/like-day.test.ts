import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, type CalendarDate } from "./dates.ts";
import { likeDay } from "./like-day.ts";
import { datesOf, type Span } from "./span.ts";

const span = (start: string, end: string): Span => ({ start: start as CalendarDate, end: end as CalendarDate });
const december = (year: number) => span(`${year}-12-01`, `${year}-12-31`);

describe("the same day of another year", () => {
  it("is the same date, where the months have dates in common", () => {
    expect(likeDay("2026-12-09" as CalendarDate, december(2026), december(2025))).toBe("2025-12-09");
    // From 26 November to 6 January, and a plain December: the days that only one has are like none.
    const long = span("2024-11-26", "2025-01-06");
    expect(likeDay("2026-12-09" as CalendarDate, december(2026), long)).toBe("2024-12-09");
    expect(likeDay("2025-01-03" as CalendarDate, long, december(2026))).toBeNull();
  });

  it("is as far into its month, where they have none", () => {
    const october = span("2025-10-01", "2025-10-31");
    expect(likeDay("2026-12-09" as CalendarDate, december(2026), october)).toBe("2025-10-09");
    expect(likeDay("2026-12-31" as CalendarDate, december(2026), span("2025-02-01", "2025-02-28"))).toBeNull();
  });

  it("has the day itself as its like again, whatever the spans", () => {
    const spans = fc.tuple(fc.integer({ min: 0, max: 1500 }), fc.integer({ min: 0, max: 61 })).map(([from, long]) => ({
      start: addDays("2023-01-01" as CalendarDate, from),
      end: addDays("2023-01-01" as CalendarDate, from + long),
    }));
    fc.assert(
      fc.property(spans, spans, (of, other) => {
        for (const date of datesOf(of)) {
          const like = likeDay(date, of, other);
          if (like === null) continue;
          expect(like >= other.start && like <= other.end).toBe(true);
          expect(likeDay(like, other, of)).toBe(date);
        }
      }),
    );
  });
});
