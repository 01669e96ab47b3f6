import { inches, type Length, ticks } from "../../core/measure/length.ts";
import { size } from "../../core/measure/size.ts";
import { chanceFrom } from "../../core/sheet/pack/few-sizes.ts";
import type { PackTask } from "../../core/sheet/pack/task.ts";

const MONTH_SIZES = [
  [4, 6],
  [3, 4],
  [6, 8],
  [2, 2],
  [3, 3],
  [2, 3],
  [4, 4],
  [3, 8],
] as const;

/** A month's prints from a seed: 31 days, one to four prints a day of the usual sizes, on Letter with ¼″ left white. */
export function monthOrder(seed: number): PackTask {
  const chance = chanceFrom(seed);
  const counts = MONTH_SIZES.map(() => 0);
  for (let day = 0; day < 31; day++) {
    const prints = 1 + Math.floor(chance() * 4);
    for (let print = 0; print < prints; print++) {
      const at = Math.floor(chance() * MONTH_SIZES.length);
      counts[at] = (counts[at] ?? 0) + 1;
    }
  }
  return {
    wanted: MONTH_SIZES.map(([w, h], at) => ({
      size: size(inches(w), inches(h)),
      count: counts[at] ?? 0,
      canTurn: true,
    })).filter(({ count }) => count > 0),
    papers: [{ area: size(inches(8), inches(10.5)) }],
    gap: ticks(0),
  };
}

/** Largest edge and bin edge of classes I to VI. Source: Berkey & Wang 1987. */
const SMALL_CLASSES = [
  [10, 10],
  [10, 30],
  [35, 40],
  [35, 100],
  [100, 100],
  [100, 300],
] as const;

/**
 * An order of one of the published classes, drawn anew: I to VI as in Berkey & Wang 1987, VII to X as in Martello &
 * Vigo 1998 (each piece is of the class's own type seven times in ten, of the other types once in ten each). Pieces are
 * not turned, as in the papers.
 */
export function classOrder(kind: number, pieces: number, seed: number): PackTask {
  const chance = chanceFrom(kind * 10_007 + pieces * 101 + seed);
  const from = (least: number, most: number) => least + Math.floor(chance() * (most - least + 1));
  const small = SMALL_CLASSES[kind - 1];
  const bin = small?.[1] ?? 100;
  const draw = (): [number, number] => {
    if (small) return [from(1, small[0]), from(1, small[0])];
    const own = kind - 7;
    const share = chance();
    const others = [0, 1, 2, 3].filter((type) => type !== own);
    const type = share < 0.7 ? own : (others[Math.min(2, Math.floor((share - 0.7) * 10))] ?? own);
    const [wide, high] = [
      [67, 100, 1, 50],
      [1, 50, 67, 100],
      [50, 100, 50, 100],
      [1, 50, 1, 50],
    ].map(([a = 1, b = 1, c = 1, d = 1]) => [from(a, b), from(c, d)] as const)[type] ?? [1, 1];
    return [wide, high];
  };
  const counts = new Map<string, number>();
  for (let piece = 0; piece < pieces; piece++) {
    const key = draw().join();
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  const edge = ticks(bin) as Length;
  return {
    wanted: [...counts].map(([key, count]) => {
      const [w = 1, h = 1] = key.split(",").map(Number);
      return { size: size(ticks(w), ticks(h)), count, canTurn: false };
    }),
    papers: [{ area: size(edge, edge) }],
    gap: ticks(0),
  };
}
