import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, type CalendarDate, dayOfMonth, parseDate, wallClock } from "./dates.ts";
import { NUMBERINGS, numberDays } from "./numbering.ts";
import { groupsOf, mergeWithNeighbour, moveStory, type Slot, setSkipped, slotsSetAside, split } from "./slots.ts";
import { datesOf, LONGEST_SPAN, parseSpan, type Span, spanLength } from "./span.ts";

const date = (text: string): CalendarDate => {
  const parsed = parseDate(text);
  if (!parsed) throw new Error(`${text} is not a date`);
  return parsed;
};
const slotsFor = (span: Span): Slot[] =>
  datesOf(span).map((on) => ({ id: `d${on}`, date: on, skipped: false, mergedInto: null }));

const anySpan = fc
  .tuple(fc.integer({ min: 0, max: 5000 }), fc.integer({ min: 1, max: LONGEST_SPAN }))
  .map(([offset, length]) => {
    const start = addDays(date("2020-01-01"), offset);
    return { start, end: addDays(start, length - 1) };
  });

/** A month after some keeper's random skipping, merging and moving. */
const anyMonth = fc
  .tuple(anySpan, fc.array(fc.tuple(fc.nat(), fc.nat(), fc.nat(3)), { maxLength: 20 }))
  .map(([span, acts]) => {
    let slots = slotsFor(span);
    for (const [a, b, act] of acts) {
      const one = slots[a % slots.length] as Slot;
      const two = slots[b % slots.length] as Slot;
      const change =
        act === 0
          ? setSkipped(slots, span, one.id, !one.skipped)
          : act === 1
            ? mergeWithNeighbour(slots, span, one.id, b % 2 ? "before" : "after")
            : act === 2
              ? moveStory(slots, span, one.id, two.date)
              : split(slots, span, one.id);
      if (change.ok) slots = change.slots;
    }
    return { span, slots };
  });

describe("a span", () => {
  it("is refused when reversed, too long, or not of dates", () => {
    expect(parseSpan("2026-12-31", "2026-12-01")).toEqual({ ok: false, reason: "reversed" });
    expect(parseSpan("2026-12-01", "2027-02-01")).toEqual({ ok: false, reason: "too-long" });
    expect(parseSpan("2026-02-30", "2026-03-01")).toEqual({ ok: false, reason: "not-a-date" });
    expect(parseSpan("December", "2026-12-31")).toEqual({ ok: false, reason: "not-a-date" });
    expect(parseSpan("2026-12-01", "2027-01-31").ok).toBe(true);
  });

  it("has as many dates as its length, each the day after the last", () => {
    fc.assert(
      fc.property(anySpan, (span) => {
        const dates = datesOf(span);
        expect(dates.length).toBe(spanLength(span));
        expect(dates.at(-1)).toBe(span.end);
        for (let i = 1; i < dates.length; i++) expect(dates[i]).toBe(addDays(dates[i - 1] as CalendarDate, 1));
      }),
    );
  });
});

describe("numbering", () => {
  it("gives no two pages the same number, under every scheme, whatever was skipped, merged and moved", () => {
    fc.assert(
      fc.property(anyMonth, fc.constantFrom(...NUMBERINGS), ({ span, slots }, scheme) => {
        const labels = numberDays(slots, span, scheme).flatMap(({ label }) => label ?? []);
        expect(new Set(labels).size).toBe(labels.length);
      }),
    );
  });

  it("covers every date of the span exactly once, in order", () => {
    fc.assert(
      fc.property(anyMonth, ({ span, slots }) => {
        const covered = groupsOf(slots, span).flatMap(({ members }) => members.map((member) => member.date));
        expect(covered).toEqual(datesOf(span));
      }),
    );
  });

  it("counts down to 1 on the last day", () => {
    const span = { start: date("2026-12-26"), end: date("2027-01-06") };
    expect(numberDays(slotsFor(span), span, "countdown").map(({ label }) => label)).toEqual([
      "12",
      "11",
      "10",
      "9",
      "8",
      "7",
      "6",
      "5",
      "4",
      "3",
      "2",
      "1",
    ]);
  });

  it("numbers stories one after the other over a skipped day and a shared page", () => {
    const span = { start: date("2026-10-01"), end: date("2026-10-05") };
    const skipped = setSkipped(slotsFor(span), span, "d2026-10-02", true);
    const merged = skipped.ok ? mergeWithNeighbour(skipped.slots, span, "d2026-10-03", "after") : null;
    if (!merged?.ok) throw new Error("could not set the month up");
    expect(numberDays(merged.slots, span, "story").map(({ label }) => label)).toEqual(["1", null, "2", "3"]);
  });

  it("says the month where a day of the month comes twice", () => {
    const span = { start: date("2026-12-20"), end: date("2027-01-20") };
    const labels = numberDays(slotsFor(span), span, "date").map(({ label }) => label);
    expect(labels[0]).toBe("20 Dec");
    expect(labels.at(-1)).toBe("20 Jan");
    expect(labels[1]).toBe("21");
  });

  it("labels a shared page with both dates", () => {
    const span = { start: date("2026-12-13"), end: date("2026-12-15") };
    const merged = mergeWithNeighbour(slotsFor(span), span, "d2026-12-14", "before");
    expect(merged.ok && numberDays(merged.slots, span, "date").map(({ label }) => label)).toEqual(["13·14", "15"]);
  });
});

describe("changing the month", () => {
  it("merging two single days and splitting them again changes nothing", () => {
    fc.assert(
      fc.property(
        anyMonth,
        fc.nat(),
        fc.constantFrom("before" as const, "after" as const),
        ({ span, slots }, at, side) => {
          const loose = slots.map((slot) => ({ ...slot, mergedInto: null }));
          const id = (loose[at % loose.length] as Slot).id;
          const merged = mergeWithNeighbour(loose, span, id, side);
          if (!merged.ok) return;
          expect(split(merged.slots, span, id)).toEqual({ ok: true, slots: loose });
        },
      ),
    );
  });

  it("moving a story there and back changes nothing, and no story is ever lost", () => {
    fc.assert(
      fc.property(anyMonth, fc.nat(), fc.nat(), ({ span, slots }, a, b) => {
        const [one, two] = [slots[a % slots.length] as Slot, slots[b % slots.length] as Slot];
        const moved = moveStory(slots, span, one.id, two.date);
        if (!moved.ok) return;
        expect(moved.slots.map(({ id }) => id)).toEqual(slots.map(({ id }) => id));
        expect(moveStory(moved.slots, span, one.id, one.date)).toEqual({ ok: true, slots });
      }),
    );
  });

  it("sets days outside a shortened span aside and finds the same month again when it grows back", () => {
    fc.assert(
      fc.property(anyMonth, fc.nat(), ({ span, slots }, cut) => {
        const shorter = { start: span.start, end: addDays(span.start, cut % spanLength(span)) };
        expect(slotsSetAside(slots, shorter).length).toBe(spanLength(span) - spanLength(shorter));
        expect(groupsOf(slots, shorter).flatMap(({ members }) => members).length).toBe(spanLength(shorter));
      }),
    );
  });

  it("refuses with a reason", () => {
    const span = { start: date("2026-12-01"), end: date("2026-12-03") };
    const slots = slotsFor(span);
    expect(mergeWithNeighbour(slots, span, "d2026-12-01", "before")).toEqual({ ok: false, reason: "no-neighbour" });
    expect(split(slots, span, "d2026-12-01")).toEqual({ ok: false, reason: "not-merged" });
    expect(moveStory(slots, span, "d2026-12-01", date("2026-12-24"))).toEqual({ ok: false, reason: "no-such-day" });
    expect(moveStory(slots, span, "d2026-12-01", date("2026-12-01"))).toEqual({ ok: false, reason: "same-day" });
    const skipped = setSkipped(slots, span, "d2026-12-02", true);
    expect(skipped.ok && mergeWithNeighbour(skipped.slots, span, "d2026-12-01", "after")).toEqual({
      ok: false,
      reason: "neighbour-skipped",
    });
  });
});

describe("a date", () => {
  it("is read only when the calendar has it", () => {
    expect(parseDate("2026-02-29")).toBeNull();
    expect(parseDate("2028-02-29")).toBe("2028-02-29");
    expect(parseDate("9 December")).toBeNull();
    expect(dayOfMonth(date("2026-12-09"))).toBe(9);
  });

  it("is the household's own, not the server's: just after midnight in one zone is still yesterday in another", () => {
    const instant = Date.UTC(2026, 11, 9, 0, 30);
    expect(wallClock(instant, "UTC")).toEqual({ date: "2026-12-09", time: "00:30" });
    expect(wallClock(instant, "America/New_York")).toEqual({ date: "2026-12-08", time: "19:30" });
  });
});
