import { type CalendarDate, daysBetween } from "./dates.ts";
import { inSpan, type Span } from "./span.ts";

/**
 * Where a day stands in the month. The day's material hangs on `id`; the slot says which date it is for, whether it is
 * skipped, and which earlier day it shares a page with.
 */
export type Slot = {
  readonly id: string;
  readonly date: CalendarDate;
  readonly skipped: boolean;
  readonly mergedInto: string | null;
};

/** Days that share a page, led by the earliest; a day on its own is a group of one. */
export type Group = { readonly lead: Slot; readonly members: readonly Slot[] };

/** Why a change to the month cannot be made; worded in one place, app/wording/month.ts. */
export type SlotProblem =
  | "no-such-day"
  | "set-aside"
  | "no-neighbour"
  | "neighbour-skipped"
  | "day-skipped"
  | "not-merged"
  | "merged-day"
  | "same-day"
  | "all-skipped";

export type SlotChange = { ok: true; slots: Slot[] } | { ok: false; reason: SlotProblem };

const inOrder = (slots: readonly Slot[]) => [...slots].sort((a, b) => (a.date < b.date ? -1 : 1));

/** The slots inside the span, in date order; the others are set aside with all they hold. */
export const slotsInSpan = (slots: readonly Slot[], span: Span): Slot[] =>
  inOrder(slots.filter((slot) => inSpan(span, slot.date)));

export const slotsSetAside = (slots: readonly Slot[], span: Span): Slot[] =>
  inOrder(slots.filter((slot) => !inSpan(span, slot.date)));

/**
 * Reads the month as pages' worth of days. A merge counts only while its days touch inside the span: when the span's
 * end falls between them, each stands alone, and they join again when the end moves back.
 */
export function groupsOf(slots: readonly Slot[], span: Span): Group[] {
  const groups: { lead: Slot; members: Slot[] }[] = [];
  for (const slot of slotsInSpan(slots, span)) {
    const last = groups.at(-1);
    const previous = last?.members.at(-1);
    if (last && previous && slot.mergedInto === last.lead.id && daysBetween(previous.date, slot.date) === 1) {
      last.members.push(slot);
    } else {
      groups.push({ lead: slot, members: [slot] });
    }
  }
  return groups;
}

const replace = (slots: readonly Slot[], changed: readonly Slot[]): Slot[] =>
  slots.map((slot) => changed.find(({ id }) => id === slot.id) ?? slot);

function findGroup(slots: readonly Slot[], span: Span, id: string) {
  const groups = groupsOf(slots, span);
  const index = groups.findIndex(({ members }) => members.some((member) => member.id === id));
  return { groups, index, group: groups[index] };
}

/** Lets a day go for now, or takes it up again. A shared page is skipped and taken up as one. */
export function setSkipped(slots: readonly Slot[], span: Span, id: string, skipped: boolean): SlotChange {
  const { group } = findGroup(slots, span, id);
  if (!group) return { ok: false, reason: slots.some((slot) => slot.id === id) ? "set-aside" : "no-such-day" };
  return {
    ok: true,
    slots: replace(
      slots,
      group.members.map((member) => ({ ...member, skipped })),
    ),
  };
}

/** Puts a day and the one before or after it on one page. Each keeps its own material. */
export function mergeWithNeighbour(
  slots: readonly Slot[],
  span: Span,
  id: string,
  side: "before" | "after",
): SlotChange {
  const { groups, index, group } = findGroup(slots, span, id);
  if (!group) return { ok: false, reason: "no-such-day" };
  const neighbour = groups[side === "before" ? index - 1 : index + 1];
  if (!neighbour) return { ok: false, reason: "no-neighbour" };
  if (group.lead.skipped) return { ok: false, reason: "day-skipped" };
  if (neighbour.lead.skipped) return { ok: false, reason: "neighbour-skipped" };
  const [first, second] = side === "before" ? [neighbour, group] : [group, neighbour];
  const joined = second.members.map((member) => ({ ...member, mergedInto: first.lead.id }));
  return { ok: true, slots: replace(slots, joined) };
}

/** Gives every day of a shared page its own page again. */
export function split(slots: readonly Slot[], span: Span, id: string): SlotChange {
  const { group } = findGroup(slots, span, id);
  if (!group) return { ok: false, reason: "no-such-day" };
  if (group.members.length === 1) return { ok: false, reason: "not-merged" };
  return {
    ok: true,
    slots: replace(
      slots,
      group.members.map((member) => ({ ...member, mergedInto: null })),
    ),
  };
}

/**
 * Moves a day's story to another date. Whatever stands there comes back the other way, so nothing is overwritten:
 * the two days exchange dates.
 */
export function moveStory(slots: readonly Slot[], span: Span, id: string, to: CalendarDate): SlotChange {
  const from = findGroup(slots, span, id).group;
  if (!from) return { ok: false, reason: "no-such-day" };
  const target = groupsOf(slots, span).find(({ members }) => members.some(({ date }) => date === to));
  if (!target) return { ok: false, reason: "no-such-day" };
  if (from.members.length > 1 || target.members.length > 1) return { ok: false, reason: "merged-day" };
  if (from.lead.id === target.lead.id) return { ok: false, reason: "same-day" };
  const exchanged = [
    { ...from.lead, date: target.lead.date },
    { ...target.lead, date: from.lead.date },
  ];
  return { ok: true, slots: replace(slots, exchanged) };
}
