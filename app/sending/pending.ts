import { applyEdit } from "#core/album/edit.ts";
import type { Leaf } from "#core/album/leaf.ts";
import { madeOf } from "#core/album/made.ts";
import type { Binding, DayContent } from "#core/album/model.ts";
import { leavesOfDays } from "#core/album/page-leaves.ts";
import { type Print, printsByThing } from "#core/album/print.ts";
import { type PlannedStep, poolContent, stepsFor } from "#core/album/steps.ts";
import { tickedBy } from "#core/album/ticks.ts";
import { applyBookEdit } from "#core/book/edit.ts";
import type { Sent } from "#core/format/sent.ts";
import type { Entry, Sendable } from "./entry.ts";
import type { Outboxed } from "./outbox.ts";

/** What is on its way, or in a clash: the older first. */
const waiting = ({ entries, clashes }: Pick<Outboxed, "entries" | "clashes">): readonly Entry[] => [
  ...clashes.map(({ entry }) => entry),
  ...entries,
];

/** Everything of one kind that is on its way, or in a clash, in order. */
export const pendingSent = <W extends Sendable["what"]>(
  state: Pick<Outboxed, "entries" | "clashes">,
  what: W,
): readonly Extract<Sendable, { what: W }>[] =>
  waiting(state).flatMap(({ sent }) => (sent.what === what ? [sent as Extract<Sendable, { what: W }>] : []));

/** The change under this key that is still on its way, or in a clash. */
export function pendingOf({ entries, clashes }: Pick<Outboxed, "entries" | "clashes">, key: string): Sent | null {
  const found = entries.findLast((entry) => entry.key === key) ?? clashes.find(({ entry }) => entry.key === key)?.entry;
  return found && found.sent.what !== "picture" && found.sent.what !== "jotting" ? found.sent : null;
}

/**
 * Part of a day, a card of it or a picture, with every change of it that is on its way already made, as the server makes it.
 * What the server would refuse is passed over, and so is what ticks steps.
 */
export function withPendingPart(
  dayId: string,
  part: DayContent,
  state: Pick<Outboxed, "entries" | "clashes">,
): DayContent {
  return pendingSent(state, "edit").reduce<DayContent>((now, sent) => {
    if (sent.dayId !== dayId || sent.edit.kind === "finish") return now;
    const applied = applyEdit(now, sent.edit, "ring");
    return applied.ok ? applied.content : now;
  }, part);
}

/** What a page works on: the days whose page it is, the first leading, and the leaves they have or share. */
export type PageNow = {
  /** The prints made of what is on it. */
  readonly prints: readonly Print[];
  readonly days: readonly { readonly id: string; readonly content: DayContent }[];
  readonly leaves: readonly Leaf[];
};

/** The steps of the page, as they follow from its days together and their leaves. */
export function stepsNow({ days, leaves, prints }: PageNow, binding: Binding): PlannedStep[] {
  const [first, ...others] = days.map(({ content }) => content);
  if (!first) return [];
  const own = leavesOfDays(
    leaves,
    days.map(({ id }) => id),
  );
  const content = poolContent(first, others);
  return stepsFor(content, own, binding, madeOf(content, printsByThing(prints)));
}

/** A page with every change of its days and leaves that is on its way already made, in order, as the server makes them. */
export function withPendingPage(
  page: PageNow,
  state: Pick<Outboxed, "entries" | "clashes">,
  binding: Binding,
): PageNow {
  return waiting(state).reduce<PageNow>((now, { sent }) => {
    if (sent.what === "book") {
      const applied = applyBookEdit(now.leaves, sent.edit);
      return applied.ok ? { ...now, leaves: applied.leaves } : now;
    }
    const day = sent.what === "edit" ? now.days.find(({ id }) => id === sent.dayId) : undefined;
    if (sent.what !== "edit" || !day) return now;
    const planned = stepsNow(now, binding);
    const ticked = tickedBy(sent.edit, now.leaves, planned, day.content);
    const leaves = ticked?.leaves ?? now.leaves;
    const applied = ticked?.isAll ? null : applyEdit(day.content, sent.edit, binding, planned);
    if (!applied?.ok) return { ...now, leaves };
    return {
      ...now,
      leaves,
      days: now.days.map((each) => (each === day ? { ...day, content: applied.content } : each)),
    };
  }, page);
}

/** The leaves with every change of the book that is on its way already made. */
export function withPendingBook(
  leaves: readonly Leaf[],
  state: Pick<Outboxed, "entries" | "clashes">,
): readonly Leaf[] {
  return pendingSent(state, "book").reduce<readonly Leaf[]>((now, sent) => {
    const applied = applyBookEdit(now, sent.edit);
    return applied.ok ? applied.leaves : now;
  }, leaves);
}
