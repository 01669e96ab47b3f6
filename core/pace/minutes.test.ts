import { describe, expect, it } from "vitest";
import { STEPS } from "../album/model.ts";
import { TYPICAL_MINUTES } from "../album/steps.ts";
import { costOf, minutesSaid, ownMinutes, shared, TYPICAL, TYPICAL_WEIGHS, VARIES } from "./minutes.ts";

const times = (count: number, minutes: number) =>
  Array.from({ length: count }, () => ({ step: "write" as const, minutes }));

describe("one's own minutes", () => {
  it("are the typical ones where nothing was timed, and no surer than that", () => {
    for (const step of STEPS) {
      expect(minutesSaid(TYPICAL, step).minutes).toBe(TYPICAL_MINUTES[step]);
      const { setUp, each } = costOf(TYPICAL, step);
      expect(setUp + each).toBe(TYPICAL_MINUTES[step]);
    }
    expect(TYPICAL.write.doubt).toBeCloseTo(VARIES / Math.sqrt(TYPICAL_WEIGHS), 12);
  });

  it("move with what was timed, the more of it the nearer, and grow surer", () => {
    const after = [0, 1, 3, 10, 100].map((count) => ownMinutes(times(count, 24), {}).write);
    const factors = after.map(({ factor }) => factor);
    expect(factors).toEqual([...factors].sort((a, b) => a - b));
    // Three of one's own weigh as much as the typical: the middle of 12 and 24 in logarithms is 12√2.
    expect(after[2]?.factor).toBeCloseTo(Math.SQRT2, 12);
    expect(after[4]?.factor).toBeGreaterThan(1.95);
    const doubts = after.map(({ doubt }) => doubt);
    expect(doubts).toEqual([...doubts].sort((a, b) => b - a));
  });

  it("take no notice of a time that cannot be one, and nothing learned counts beside what is said by hand", () => {
    expect(ownMinutes([...times(1, 24), ...times(5, 24 * 60), ...times(3, 0)], {}).write).toEqual(
      ownMinutes(times(1, 24), {}).write,
    );
    expect(minutesSaid(ownMinutes(times(9, 24), { write: 7 }), "write")).toEqual({ minutes: 7, low: 7, high: 7 });
  });

  it("of a sitting are shared as the typical ones are", () => {
    expect(shared(32, ["write", "trim"])).toEqual([
      { step: "write", minutes: 24 },
      { step: "trim", minutes: 8 },
    ]);
    expect(shared(10, [])).toEqual([]);
  });
});
