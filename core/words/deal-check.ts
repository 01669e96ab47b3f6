import type { CalendarDate } from "../month/dates.ts";
import { type DealAsk, type DealDay, mayLieOn } from "./deal-ask.ts";
import type { Slip } from "./slip.ts";

/**
 * Why a deal cannot be, where that is seen without a search. `neighbours`: what lies, or has to lie, on these days in a row
 * leaves the kinds no way to change from day to day; each slip is the only one, or one of the only kind, that may lie there,
 * null for what lies there already. `too-few`: these days have so few slips between them that may lie on any of them.
 */
export type Blame =
  | {
      readonly kind: "neighbours";
      readonly days: readonly { readonly date: CalendarDate; readonly slip: Slip | null }[];
    }
  | { readonly kind: "too-few"; readonly dates: readonly CalendarDate[]; readonly slips: number };

/** The slips that may lie on each open day: on a date that some have for their own, only those. */
function allowedOn({ days, slips, wishes }: DealAsk): (readonly Slip[] | null)[] {
  const taken = new Set(days.flatMap((day) => (day.state === "kept" && day.slip !== null ? [day.slip] : [])));
  const jar = wishes.has("none-twice") ? slips.filter(({ id }) => !taken.has(id)) : slips;
  return days.map((day) => {
    if (day.state !== "open") return null;
    const may = jar.filter((slip) => mayLieOn(slip, day.date, wishes));
    const own = wishes.has("dates-kept") ? may.filter(({ on }) => on.kind === "date") : [];
    return own.length > 0 ? own : may;
  });
}

/** Days in a row whose kinds have no way to change from one to the next; from the last that had a choice. */
function rowWithoutWay(days: readonly DealDay[], allowed: readonly (readonly Slip[] | null)[]): Blame | null {
  let row: number[] = [];
  let kinds: ReadonlySet<string> | null = null;
  for (const [at, day] of days.entries()) {
    const may = allowed[at];
    const own: ReadonlySet<string> | null =
      day.state === "away"
        ? null
        : day.state === "kept"
          ? day.kind === null
            ? null
            : new Set([day.kind])
          : new Set((may ?? []).map(({ kind }) => kind));
    // What is kept was put there by hand: beside another that is kept it may be of its kind.
    const bothKept = day.state === "kept" && days[at - 1]?.state === "kept";
    const left: ReadonlySet<string> | null =
      own === null || kinds === null || bothKept || kinds.size > 1
        ? own
        : new Set([...own].filter((kind) => !kinds?.has(kind)));
    row = left === own ? [at] : [...row, at];
    if (left !== null && left.size === 0 && own !== null && own.size > 0)
      return {
        kind: "neighbours",
        days: row.map((each) => ({ date: days[each]?.date as CalendarDate, slip: allowed[each]?.[0] ?? null })),
      };
    kinds = left;
  }
  return null;
}

/** Open days that have fewer slips between them than they are: each way to give every day its own was tried (Hall 1935). */
function tooFew({ days, wishes }: DealAsk, allowed: readonly (readonly Slip[] | null)[]): Blame | null {
  const open = days.flatMap((_day, at) => (allowed[at] ? [at] : []));
  const none = open.find((at) => allowed[at]?.length === 0);
  if (none !== undefined) return { kind: "too-few", dates: [days[none]?.date as CalendarDate], slips: 0 };
  if (!wishes.has("none-twice")) return null;
  const holder = new Map<string, number>();
  for (const first of open) {
    const seen = new Set<string>();
    const reached = new Set<number>();
    const give = (at: number): boolean => {
      reached.add(at);
      for (const { id } of allowed[at] ?? []) {
        if (seen.has(id)) continue;
        seen.add(id);
        const other = holder.get(id);
        if (other === undefined || give(other)) {
          holder.set(id, at);
          return true;
        }
      }
      return false;
    };
    if (!give(first)) {
      const dates = [...reached].sort((a, b) => a - b).map((at) => days[at]?.date as CalendarDate);
      return { kind: "too-few", dates, slips: seen.size };
    }
  }
  return null;
}

/** What makes a deal impossible, where that can be said at once; null says nothing about whether there is one. */
export function whyNot(ask: DealAsk): Blame | null {
  const allowed = allowedOn(ask);
  return tooFew(ask, allowed) ?? (ask.wishes.has("kinds-apart") ? rowWithoutWay(ask.days, allowed) : null);
}
