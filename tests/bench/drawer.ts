import { MaxRectsPacker } from "maxrects-packer/dist/maxrects-packer.mjs";
import { type CutOrder, planCutting } from "../../core/drawer/cutting-plan.ts";
import { cover, digitsNeeded } from "../../core/drawer/numerals.ts";
import { inches } from "../../core/measure/length.ts";
import { type Size, size } from "../../core/measure/size.ts";
import { chanceFrom } from "../../core/sheet/pack/few-sizes.ts";
import { median } from "./recompute.ts";

/** A month's numbers against digits of which two of every kind are missing: the most days of it, proven. */
export function measureNumerals(): number {
  const month = Array.from({ length: 31 }, (_, at) => at + 1);
  const counts = digitsNeeded(month, false).map((needed) => Math.max(0, needed - 2));
  return median(
    Array.from({ length: 15 }, () => {
      const began = performance.now();
      const { isProven } = cover({ kind: "digits", counts, turns: true }, month, false);
      if (!isProven) throw new Error("not proven");
      return performance.now() - began;
    }),
  );
}

const CUT_SIZES = [
  [3, 4],
  [4, 6],
  [4.25, 6.25],
  [3.25, 4.25],
  [2, 4],
  [6, 8],
  [1.5, 5.5],
  [2.5, 2.5],
  [0.75, 6],
  [5, 7],
];
const SCRAPS = [
  [6, 12],
  [4.25, 12],
  [5, 7.5],
  [8, 8],
  [3, 12],
];

/** What is to be cut of one paper, from a seed: on whole sheets enough for all of it, and some remainders. */
export function cutOrder(seed: number): CutOrder {
  const chance = chanceFrom(seed * 31);
  const by = ([w = 1, h = 1]: readonly number[]) => size(inches(w), inches(h));
  const pick = <T>(from: readonly T[]) => from[Math.floor(chance() * from.length)] as T;
  const cuts = Array.from({ length: 4 + Math.floor(chance() * 16) }, (_, at) => ({
    id: `${at}`,
    size: by(pick(CUT_SIZES)),
  }));
  const scraps = Array.from({ length: Math.floor(chance() * 5) }, (_, at) => ({
    ...{ thing: `scrap-${at}`, size: by(pick(SCRAPS)), count: 1 },
  }));
  const sheets = [...scraps, { thing: "whole", size: by([12, 12]), count: cuts.length }];
  return { sheets, cuts, canTurn: chance() < 0.6, step: inches(1 / 16) };
}

/** How much paper the reference packer begins, which need not keep to edge-to-edge cuts: the less of remainders first and whole sheets alone. Reference library: maxrects-packer. */
export function referenceArea({ sheets, cuts, canTurn }: CutOrder): number {
  const all = sheets.flatMap((each) => Array.from({ length: each.count }, () => each.size));
  const begun = (order: readonly Size[]): number => {
    let left = [...cuts].sort((a, b) => Math.max(b.size.w, b.size.h) - Math.max(a.size.w, a.size.h));
    let area = 0;
    for (const sheet of order) {
      const packer = new MaxRectsPacker(sheet.w, sheet.h, 0, {
        ...{ allowRotation: canTurn, smart: false, pot: false, square: false, border: 0 },
      });
      const before = left.length;
      left = left.filter(({ size: { w, h } }) => {
        const fits = (w <= sheet.w && h <= sheet.h) || (canTurn && h <= sheet.w && w <= sheet.h);
        if (!fits) return true;
        const tried = new MaxRectsPacker(sheet.w, sheet.h, 0, packer.options);
        for (const bin of packer.bins)
          for (const rect of bin.rects)
            tried.add(rect.rot ? rect.height : rect.width, rect.rot ? rect.width : rect.height, null);
        tried.add(w, h, null);
        if (tried.bins.length > 1) return true;
        packer.add(w, h, null);
        return packer.bins.length > 1;
      });
      if (left.length < before) area += sheet.w * sheet.h;
      if (left.length === 0) break;
    }
    return left.length === 0 ? area : Number.POSITIVE_INFINITY;
  };
  const small = [...all].sort((a, b) => a.w * a.h - b.w * b.h);
  return Math.min(begun(small), begun([...small].reverse()));
}

/** A hundred orders against the reference packer, and how long each took. */
export function measureCutting(orders = 100): Record<string, number> {
  const all = Array.from({ length: orders }, (_, at) => {
    const order = cutOrder(at + 1);
    const began = performance.now();
    const { sheets, short, joined } = planCutting(order);
    const ms = performance.now() - began;
    if (short.length + joined.length > 0) throw new Error("something was not laid");
    const area = sheets.reduce((sum, { size: { w, h } }) => sum + w * h, 0);
    return { ms, isNoWorse: area <= referenceArea(order) };
  });
  return {
    "drawer.cutting_never_worse": all.filter(({ isNoWorse }) => isNoWorse).length / all.length,
    "drawer.cutting_ms": median(all.map(({ ms }) => ms)),
  };
}
