import { groupsOf, type Slot, type SlotChange } from "./slots.ts";
import type { Span } from "./span.ts";

/** Which pages' worth of days are told and which are skipped, as changes to what they were: by any day of each. */
export type ToldChange = { readonly tell: readonly string[]; readonly skip: readonly string[] };

/** Skips some days and takes others up again, all at once. A shared page goes as one. At least one day stays told. */
export function tellDays(slots: readonly Slot[], span: Span, { tell, skip }: ToldChange): SlotChange {
  const wanted = new Map<string, boolean>();
  const groups = groupsOf(slots, span);
  for (const [ids, skipped] of [
    [skip, true],
    [tell, false],
  ] as const) {
    for (const id of ids) {
      const group = groups.find(({ members }) => members.some((member) => member.id === id));
      if (!group) return { ok: false, reason: slots.some((slot) => slot.id === id) ? "set-aside" : "no-such-day" };
      for (const member of group.members) wanted.set(member.id, skipped);
    }
  }
  const next = slots.map((slot) => ({ ...slot, skipped: wanted.get(slot.id) ?? slot.skipped }));
  if (groupsOf(next, span).every(({ lead }) => lead.skipped)) return { ok: false, reason: "all-skipped" };
  return { ok: true, slots: next };
}

/**
 * Which of the days of a month to tell when only `count` are to be: those that hold something already all stay, the rest are
 * spread so that the days between two told ones are as even as can be (the sum of the squared distances is least, the
 * month's two ends counted as told). `holds` is one entry a day, in order. More than `count` are told when more hold
 * something. Of equal choices the earlier days win.
 */
export function spreadOver(holds: readonly boolean[], count: number): boolean[] {
  const days = holds.length;
  const held = holds.filter(Boolean).length;
  const wanted = Math.min(days, Math.max(held, count, 0));
  // least[n][at]: the least sum with the n-th told day at `at`, counted from 1; `from` is where the one before it is.
  const least: number[][] = [[]];
  const from: number[][] = [[]];
  const heldUpTo = holds.reduce<number[]>((sums, one) => [...sums, (sums.at(-1) ?? 0) + (one ? 1 : 0)], [0]);
  /** Whether no day that holds something lies strictly between two. */
  const isFree = (a: number, b: number) => (heldUpTo[b] ?? 0) - (heldUpTo[a + 1] ?? 0) === 0;
  for (let nth = 1; nth <= wanted; nth += 1) {
    const sums: number[] = [];
    const before: number[] = [];
    for (let at = nth - 1; at < days; at += 1) {
      sums[at] = Number.POSITIVE_INFINITY;
      for (let prior = nth === 1 ? -1 : nth - 2; prior < (nth === 1 ? 0 : at); prior += 1) {
        const sum = (nth === 1 ? 0 : (least[nth - 1]?.[prior] ?? Number.POSITIVE_INFINITY)) + (at - prior) ** 2;
        if (isFree(prior, at) && sum < (sums[at] ?? 0)) {
          sums[at] = sum;
          before[at] = prior;
        }
      }
    }
    least.push(sums);
    from.push(before);
  }
  let best = -1;
  let bestSum = Number.POSITIVE_INFINITY;
  for (let at = wanted - 1; at < days; at += 1) {
    const sum = (least[wanted]?.[at] ?? Number.POSITIVE_INFINITY) + (days - at) ** 2;
    if (isFree(at, days) && sum < bestSum) {
      bestSum = sum;
      best = at;
    }
  }
  const told = holds.map(() => false);
  for (let nth = wanted, at = best; nth > 0 && at >= 0; at = from[nth]?.[at] ?? -1, nth -= 1) told[at] = true;
  return told;
}
