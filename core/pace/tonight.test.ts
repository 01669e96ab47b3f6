import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyAlbum } from "../../tests/samples.ts";
import { PREPARING, type Step } from "../album/model.ts";
import { pagesOf } from "../album/page.ts";
import { tonight, withoutPage } from "./tonight.ts";

const anyEvening = [anyAlbum, fc.nat(120), fc.nat(61), fc.constantFrom(...PREPARING)] as const;

describe("tonight", () => {
  it("offers only open steps of days that have come, in working order, within the minutes", () => {
    fc.assert(
      fc.property(...anyEvening, ({ plan, days, leaves }, minutes, at, preparing) => {
        const today = days[at % days.length]?.date ?? plan.span.start;
        const items = tonight(pagesOf({ album: plan, days, leaves, prints: [] }), today, minutes, preparing);
        expect(items.reduce((sum, { step }) => sum + step.minutes, 0)).toBeLessThanOrEqual(minutes);
        for (const { page, step, ahead } of items) {
          expect(step.done).toBe(false);
          expect((page.days[0]?.date ?? "") > today).toBe(ahead);
          if (ahead) continue;
          const before = page.steps.slice(0, page.steps.indexOf(step)).filter(({ done }) => !done);
          for (const earlier of before)
            expect(items.some((item) => item.page === page && item.step === earlier)).toBe(true);
        }
      }),
      { numRuns: 30 },
    );
  });

  it("offers of days to come only what the way of preparing makes ahead, after everything of the days that have come", () => {
    fc.assert(
      fc.property(...anyEvening, ({ plan, days, leaves }, minutes, at, preparing) => {
        const today = days[at % days.length]?.date ?? plan.span.start;
        const pages = pagesOf({ album: plan, days, leaves, prints: [] });
        const items = tonight(pages, today, minutes, preparing);
        const ahead = items.filter((item) => item.ahead);
        const may: readonly Step[] = {
          all: ["base", "number", "insert"] as const,
          parts: ["insert"] as const,
          nothing: [],
        }[preparing];
        expect(ahead.every(({ step: { step } }) => may.includes(step))).toBe(true);
        expect(items.slice(0, items.length - ahead.length).every((item) => !item.ahead)).toBe(true);
        // With time enough nothing of it is passed over.
        const all = tonight(pages, today, 100_000, preparing).filter((item) => item.ahead);
        const open = pages
          .filter(({ days: [first] }) => (first?.date ?? "") > today)
          .flatMap(({ steps }) => steps.filter(({ done, step }) => !done && may.includes(step)));
        expect(all.map(({ step }) => step)).toEqual(open);
        // A number goes on a base that is made, or made the same evening.
        for (const { page, step } of ahead.filter(({ step: { step } }) => step === "number")) {
          const base = page.steps.find((each) => each.step === "base");
          expect(!base || base.done || ahead.some((item) => item.page === page && item.step === base)).toBe(true);
          expect(step.done).toBe(false);
        }
        for (const page of withoutPage(pages, today)) expect([page.skipped, page.leaves.length]).toEqual([false, 0]);
      }),
      { numRuns: 60 },
    );
  });
});
