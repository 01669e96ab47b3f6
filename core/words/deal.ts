import type { CalendarDate } from "../month/dates.ts";
import { type Chance, chanceFrom } from "./chance.ts";
import { type DealAsk, type DealDay, mayLieOn, type Wish } from "./deal-ask.ts";
import { type Blame, whyNot } from "./deal-check.ts";
import type { Slip } from "./slip.ts";

export type Dealt = { readonly date: CalendarDate; readonly slip: Slip };
export type Deal =
  | { readonly ok: true; readonly dealt: readonly Dealt[] }
  | {
      readonly ok: false;
      /** How many slips are missing for none to come twice; 0 when there are enough. */
      readonly short: number;
      /** What makes it impossible, where that is seen at once; null where only the search says so. */
      readonly blame: Blame | null;
      /** Each of these, given up, makes a fair deal possible: single wishes if one will do, else pairs, and so on. */
      readonly drop: readonly (readonly Wish[])[];
      /** Whether it is certain that nothing less given up would do: every way was looked through to its end. */
      readonly dropCertain: boolean;
      /** Whether it is certain that there is no fair deal, or only that none was found. */
      readonly certain: boolean;
    };

/** Slips that are alike for the deal: of one kind, allowed on the same days. The next to be dealt is the last. */
type Pile = {
  readonly kind: string;
  /** Of slips with a date of their own: on that date nothing else is dealt. */
  readonly dated: boolean;
  readonly allowed: (date: CalendarDate) => boolean;
  readonly slips: Slip[];
  left: number;
};

/** How many steps of the search are taken before it is given up as not found. */
const MOST_STEPS = 60_000;
/** So many are taken while a page is drawn; what needs more is looked for beside it. */
const AT_ONCE = 1500;

type Search = { readonly dealt: Dealt[] | null; readonly complete: boolean };

/**
 * Looks for a fair deal: day after day, the kind that is most behind its share first, with a little chance; back again
 * where that leads nowhere. Ways that led nowhere are remembered, so that the search ends with a deal or the proof of none.
 */
function search(ask: DealAsk, most: number): Search {
  if (whyNot(ask)) return { dealt: null, complete: true };
  const { days, slips, seed, wishes } = ask;
  const chance = chanceFrom(seed);
  const taken = new Set(days.flatMap((day) => (day.state === "kept" && day.slip !== null ? [day.slip] : [])));
  const again = !wishes.has("none-twice");
  const jar = chance.shuffled(slips.filter(({ id }) => again || !taken.has(id)));
  const piles = pilesOf(jar, wishes, again, days.length);
  const open = days.flatMap((day, at) => (day.state === "open" ? [at] : []));
  const apart = wishes.has("kinds-apart");
  const kinds: (string | null)[] = days.map((day) => (day.state === "kept" ? day.kind : null));
  const caps = mostOfOneKind(open, days);
  const total = piles.reduce((sum, { left }) => sum + left, 0);
  const share = new Map<string, number>();
  for (const { kind, left } of piles) share.set(kind, (share.get(kind) ?? 0) + left / Math.max(1, total));
  const used = new Map<string, number>();
  const failed = new Set<string>();
  const chosen: { at: number; pile: Pile }[] = [];
  let steps = 0;

  const canEnd = (step: number): boolean => {
    const rest = open.length - step;
    const byKind = new Map<string, number>();
    for (const { kind, left } of piles) byKind.set(kind, (byKind.get(kind) ?? 0) + left);
    const cap = apart ? (caps[step] ?? 0) : rest;
    let sum = 0;
    for (const left of byKind.values()) sum += Math.min(left, cap);
    return sum >= rest;
  };

  const walk = (step: number): boolean => {
    const at = open[step];
    if (at === undefined) return true;
    if (steps++ > most || !canEnd(step)) return false;
    const before = at > 0 && days[at - 1]?.state !== "away" ? kinds[at - 1] : null;
    const key = `${step} ${before} ${piles.map(({ left }) => left).join()}`;
    if (failed.has(key)) return false;
    const date = days[at]?.date;
    const after = days[at + 1]?.state === "away" ? null : kinds[at + 1];
    const there = piles.filter(({ left, allowed }) => left > 0 && date !== undefined && allowed(date));
    const dated = there.filter((pile) => pile.dated);
    const ways = (dated.length > 0 ? dated : there)
      .filter(({ kind }) => !(apart && (kind === before || kind === after)))
      .map((pile) => {
        const due = (share.get(pile.kind) ?? 0) * (step + 1) - (used.get(pile.kind) ?? 0);
        return { pile, rank: due + chance.next() };
      })
      .sort((a, b) => b.rank - a.rank);
    for (const { pile } of ways) {
      pile.left -= 1;
      kinds[at] = pile.kind;
      used.set(pile.kind, (used.get(pile.kind) ?? 0) + 1);
      chosen.push({ at, pile });
      if (walk(step + 1)) return true;
      chosen.pop();
      used.set(pile.kind, (used.get(pile.kind) ?? 0) - 1);
      kinds[at] = null;
      pile.left += 1;
    }
    failed.add(key);
    return false;
  };
  if (!walk(0)) return { dealt: null, complete: steps <= most };
  const dealt = new Map<number, Slip>();
  for (const { at, pile } of chosen) dealt.set(at, drawn(pile, again, chance));
  return {
    complete: true,
    dealt: days.flatMap((day, at) => {
      const slip = dealt.get(at);
      return slip ? [{ date: day.date, slip }] : [];
    }),
  };
}

function drawn(pile: Pile, again: boolean, chance: Chance): Slip {
  const slip = again ? pile.slips[Math.floor(chance.next() * pile.slips.length)] : pile.slips.pop();
  if (!slip) throw new Error("a pile was dealt beyond its end");
  return slip;
}

/** Slips in piles of those that are alike; what is dealt again and again never runs out. */
function pilesOf(jar: readonly Slip[], wishes: ReadonlySet<Wish>, again: boolean, endless: number): Pile[] {
  const piles = new Map<string, Pile>();
  for (const slip of jar) {
    const { on, kind } = slip;
    const dated = on.kind === "date" && wishes.has("dates-kept");
    const bound = dated
      ? on.date
      : on.kind === "weekdays" && wishes.has("weekdays-kept")
        ? [...on.days].sort().join("")
        : "";
    const key = `${bound} ${kind}`;
    const pile = piles.get(key) ?? {
      kind,
      dated,
      slips: [],
      left: 0,
      allowed: (date: CalendarDate) => mayLieOn(slip, date, wishes),
    };
    pile.slips.push(slip);
    pile.left = again ? endless : pile.slips.length;
    piles.set(key, pile);
  }
  return [...piles.values()];
}

/** From each open day on: how many of the open days one kind could take at most without being its own neighbour. */
function mostOfOneKind(open: readonly number[], days: readonly DealDay[]): number[] {
  const caps: number[] = Array.from({ length: open.length + 1 }, () => 0);
  let run = 0;
  for (let step = open.length - 1; step >= 0; step--) {
    const follows = open[step + 1] === (open[step] ?? 0) + 1 && days[open[step] ?? 0]?.state !== "away";
    run = follows ? run + 1 : 1;
    caps[step] = (caps[step + 1] ?? 0) + (run % 2);
  }
  return caps;
}

const without = (wishes: ReadonlySet<Wish>, dropped: readonly Wish[]): Set<Wish> =>
  new Set([...wishes].filter((wish) => !dropped.includes(wish)));

/** Every way to take so many of these, in their order. */
const choices = <T>(all: readonly T[], many: number): T[][] =>
  many === 0 ? [[]] : all.flatMap((first, at) => choices(all.slice(at + 1), many - 1).map((rest) => [first, ...rest]));

/**
 * The deal, where it is found or ruled out at once, as it nearly always is; null where it has to be looked for, which takes
 * longer than a page may wait.
 */
export function dealAtOnce(ask: DealAsk): Extract<Deal, { ok: true }> | null {
  const { dealt } = search(ask, AT_ONCE);
  return dealt ? { ok: true, dealt } : null;
}

/**
 * Deals a month: chance, but fair. None twice, no two neighbours of a kind, dated slips on their dates, weekday ones on
 * theirs, kinds spread over the month by their share. The same seed deals the same month. Where no fair deal exists it
 * says which wish, given up, makes one possible.
 */
export function deal(ask: DealAsk): Deal {
  const found = search(ask, MOST_STEPS);
  if (found.dealt) return { ok: true, dealt: found.dealt };
  let dropCertain = true;
  let drop: Wish[][] = [];
  // The fewest wishes that, given up, make one possible: all ways of one, then of two, as long as none of them does.
  for (let many = 1; many <= ask.wishes.size && drop.length === 0; many++)
    drop = choices([...ask.wishes], many).filter((dropped) => {
      const other = search({ ...ask, wishes: without(ask.wishes, dropped) }, MOST_STEPS);
      if (!other.dealt && !other.complete) dropCertain = false;
      return other.dealt !== null;
    });
  const taken = new Set(ask.days.flatMap((day) => (day.state === "kept" && day.slip !== null ? [day.slip] : [])));
  const free = ask.slips.filter(({ id }) => !taken.has(id)).length;
  const wanted = ask.days.filter(({ state }) => state === "open").length;
  return {
    ok: false,
    short: ask.wishes.has("none-twice") ? Math.max(0, wanted - free) : 0,
    blame: whyNot(ask),
    drop,
    dropCertain,
    certain: found.complete,
  };
}

/** Another slip for one day that keeps to the wishes beside what lies round it; null when the jar has none. */
export function swap(ask: DealAsk, date: CalendarDate, not: ReadonlySet<string>): Slip | null {
  const at = ask.days.findIndex((day) => day.date === date);
  const kindAt = (day: DealDay | undefined) => (day?.state === "kept" ? day.kind : null);
  const beside = [kindAt(ask.days[at - 1]), kindAt(ask.days[at + 1])];
  const taken = new Set(ask.days.flatMap((day) => (day.state === "kept" && day.slip !== null ? [day.slip] : [])));
  const jar = ask.slips.filter(
    (slip) =>
      !not.has(slip.id) &&
      !(ask.wishes.has("none-twice") && taken.has(slip.id)) &&
      !(ask.wishes.has("kinds-apart") && beside.includes(slip.kind)) &&
      mayLieOn(slip, date, ask.wishes),
  );
  return chanceFrom(ask.seed).shuffled(jar)[0] ?? null;
}
