import { cover, digitsNeeded } from "../../core/drawer/numerals.ts";
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
