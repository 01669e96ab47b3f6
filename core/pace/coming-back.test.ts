import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyAlbum } from "../../tests/samples.ts";
import { EMPTY_DAY } from "../album/model.ts";
import { pagesOf } from "../album/page.ts";
import { addDays } from "../month/dates.ts";
import { AWAY_FROM, standing } from "./coming-back.ts";

const anyReturn = [anyAlbum, fc.nat(61), fc.integer({ min: 0, max: 60 })] as const;

describe("coming back", () => {
  it("is told only after a fortnight, and of an album that has something on it and something to do", () => {
    fc.assert(
      fc.property(...anyReturn, ({ plan, days, leaves }, at, away) => {
        const pages = pagesOf({ album: plan, days, leaves, prints: [] });
        const today = days[at % days.length]?.date ?? plan.span.start;
        const stands = standing(pages, today, addDays(today, -away));
        if (away < AWAY_FROM) expect(stands).toBeNull();
        expect(standing(pages, today, null)).toBeNull();
        if (!stands) return;
        const told = pages.filter(({ skipped }) => !skipped);
        expect(stands.inBook + stands.begun + stands.untouched).toBeLessThanOrEqual(told.length);
        expect(stands.inBook).toBeLessThan(told.length);
        expect(stands.inBook + stands.begun).toBeGreaterThan(0);
      }),
    );
  });

  it("names the first open step of the page that wants fewest minutes, or of the oldest day with nothing on it", () => {
    let named = 0;
    fc.assert(
      fc.property(...anyReturn, ({ plan, days, leaves }, at, away) => {
        const pages = pagesOf({ album: plan, days, leaves, prints: [] });
        const today = days[at % days.length]?.date ?? plan.span.start;
        const next = standing(pages, today, addDays(today, -away - AWAY_FROM))?.next;
        if (!next) return;
        named += 1;
        expect(next.page.skipped).toBe(false);
        expect(next.page.states.book).not.toBe("done");
        expect(next.page.steps.find(({ done }) => !done)).toBe(next.step);
        const left = next.page.steps.reduce((sum, { done, minutes }) => (done ? sum : sum + minutes), 0);
        expect(next.minutes).toBe(left);
        const hasCome = (page: (typeof pages)[number]) => (page.days[0]?.date ?? "") <= today;
        const others = pages.filter(
          (page) =>
            hasCome(page) && !page.skipped && page.states.book !== "done" && page.steps.some(({ done }) => done),
        );
        if (others.some(({ steps }) => steps.some(({ done }) => !done))) expect(hasCome(next.page)).toBe(true);
        for (const { steps } of others) {
          const theirs = steps.reduce((sum, { done, minutes }) => (done ? sum : sum + minutes), 0);
          if (theirs > 0) expect(left).toBeLessThanOrEqual(theirs);
        }
      }),
    );
    expect(named).toBeGreaterThan(20);
  });

  it("says nothing of an album on which nothing was begun", () => {
    fc.assert(
      fc.property(...anyReturn, ({ plan, days }, at, away) => {
        const bare = days.map((day) => ({ ...day, content: EMPTY_DAY }));
        const pages = pagesOf({ album: plan, days: bare, leaves: [], prints: [] });
        const today = days[at % days.length]?.date ?? plan.span.start;
        expect(standing(pages, today, addDays(today, -away - AWAY_FROM))).toBeNull();
      }),
    );
  });
});
