import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyAlbum } from "../../tests/samples.ts";
import { pagesOf } from "../album/page.ts";
import { tonight } from "./tonight.ts";

describe("tonight", () => {
  it("offers only open steps of days that have come, in working order, within the minutes", () => {
    fc.assert(
      fc.property(anyAlbum, fc.nat(120), fc.nat(61), ({ plan, days, leaves }, minutes, at) => {
        const today = days[at % days.length]?.date ?? plan.span.start;
        const items = tonight(pagesOf({ album: plan, days, leaves }), today, minutes);
        expect(items.reduce((sum, { step }) => sum + step.minutes, 0)).toBeLessThanOrEqual(minutes);
        for (const { page, step } of items) {
          expect(step.done).toBe(false);
          expect((page.days[0]?.date ?? "") <= today).toBe(true);
          const before = page.steps.slice(0, page.steps.indexOf(step)).filter(({ done }) => !done);
          for (const earlier of before)
            expect(items.some((item) => item.page === page && item.step === earlier)).toBe(true);
        }
      }),
      { numRuns: 30 },
    );
  });
});
