import { describe, expect, it } from "vitest";
import { areaBound } from "../../core/sheet/pack/bound.ts";
import { classOrder, monthOrder } from "../bench/orders.ts";
import { planWithin, referenceSheets } from "../bench/sheets.ts";

/** The whole of both is measured by the bench; here a few of each, so that a mistake shows at once. */
describe("sheets of prints, set against what is published", () => {
  it("are never more than the reference packer's for a month, though that need not keep to edge-to-edge cuts", () => {
    for (const seed of [1, 2, 5, 8, 13, 21]) {
      const task = monthOrder(seed);
      const { plan } = planWithin(task, 1500);
      expect(plan.sheets.length).toBeLessThanOrEqual(referenceSheets(task));
      expect(plan.sheets.length).toBeGreaterThanOrEqual(plan.atLeast);
      expect(plan.proven).toBe(true);
    }
  });

  it("are never fewer than the continuous bound, nor in total more than the reference's, for classes I–VI (Berkey & Wang 1987) and VII–X (Martello & Vigo 1998)", () => {
    let [ours, reference] = [0, 0];
    for (let kind = 1; kind <= 10; kind++) {
      const task = classOrder(kind, 20 + (kind % 3) * 40, kind);
      const { plan } = planWithin(task, 250);
      const bin = task.papers[0]?.area ?? { w: 1, h: 1 };
      const { atLeast } = areaBound(
        task.wanted.map(({ size: { w, h } }) => w * h),
        task.wanted.map(({ count }) => count),
        bin.w * bin.h,
      );
      expect(plan.sheets.length).toBeGreaterThanOrEqual(atLeast);
      expect(plan.sheets.length).toBeGreaterThanOrEqual(plan.atLeast);
      ours += plan.sheets.length;
      reference += referenceSheets(task);
    }
    expect(ours).toBeLessThanOrEqual(reference);
  });
});
