import { leadDate } from "#app/places/album/view.ts";
import { STEP_TO_DO } from "#app/wording/day.ts";
import type { Help } from "#app/wording/pace.ts";
import type { AlbumPlan, Step } from "#core/album/model.ts";
import { type AlbumRead, type Page, pagesOf } from "#core/album/page.ts";
import { type Print, printsByThing, standingOf } from "#core/album/print.ts";
import type { EndMark } from "#core/finish/end-mark.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import { minutesOn } from "#core/pace/capacity.ts";
import { type Known, type OfPerson, ofPerson } from "#core/pace/of-person.ts";
import { waitsForOthers } from "#core/pace/one-paper.ts";
import { type Evening, planEvening, type Why, withoutPage } from "#core/pace/tonight.ts";

/** One line of an evening: a step of a page, and how it is ticked. */
export type EveningLine = {
  readonly date: CalendarDate;
  /** The day that has the page's ticks. */
  readonly dayId: string;
  readonly step: Step;
  readonly label: string;
  readonly said: string;
  readonly minutes: number;
  readonly why: Why;
};
/** A loose end that was kept for tonight: what it says, of which page, and where its cause is. */
export type EveningEnd = Omit<EndMark, "as"> & {
  readonly key: string;
  readonly name: string;
  readonly said: string;
  readonly href: string;
  readonly minutes: number;
};
export type EveningView = {
  readonly today: CalendarDate;
  readonly minutes: number;
  /** The minutes there are tonight by the hours somebody gave; null where they gave none. */
  readonly there: number | null;
  readonly lines: readonly EveningLine[];
  readonly setUp: readonly { readonly said: string; readonly minutes: number }[];
  /** Minutes that the lines and the setting up take. */
  readonly takes: number;
  readonly finished: number;
  readonly moved: number;
  /** Loose ends that were kept for tonight: their minutes are not planned again. */
  readonly ends: readonly EveningEnd[];
  /** What helps later; said where little waits. */
  readonly helps: readonly Help[];
  /** Whether any minutes are somebody's own by now. */
  readonly isOwn: boolean;
};

/** An evening is never planned longer than this. */
const LONGEST = 16 * 60;
/** With so little planned in the time there is, what helps later is said too. */
const LITTLE = 0.5;

/** The minutes that are asked for by an address, else those there are tonight, else three quarters of an hour. */
function minutesAsked(asked: string | null, person: OfPerson, hasSaid: boolean, today: CalendarDate): number {
  const minutes = Number(asked ?? Number.NaN);
  if (Number.isInteger(minutes) && minutes > 0) return Math.min(minutes, LONGEST);
  const there = hasSaid ? minutesOn(person.hours, today) : 0;
  return there > 0 ? there : 45;
}

/** What waits of a page because all its prints that are not here yet are at a lab. */
export function atLab(prints: readonly Print[]): (page: Page) => readonly Step[] {
  const printsOf = printsByThing(prints);
  return ({ content, days: [first] }) => {
    const kinds = content.photos.map(
      (use) => standingOf(use, printsOf.get(use.id) ?? [], first?.content.done ?? []).kind,
    );
    const isAway = kinds.includes("at-lab");
    return isAway && !kinds.some((kind) => kind === "wanted" || kind === "on-sheet") ? ["print"] : [];
  };
}

/** The evening of one album, for who asks. */
function eveningView(
  source: AlbumRead & { readonly album: AlbumPlan },
  today: CalendarDate,
  minutes: number,
  person: OfPerson,
  hasSaid: boolean,
  ends: readonly EveningEnd[],
): EveningView {
  const pages = pagesOf(source);
  const { preparing } = source.album;
  const [away, behind] = [atLab(source.prints), waitsForOthers(pages)];
  const kept = ends.reduce((sum, each) => sum + each.minutes, 0);
  const evening = planEvening(pages, today, Math.max(0, minutes - kept), preparing, person.own, (page) => [
    ...away(page),
    ...behind(page),
  ]);
  return {
    ...{ today, minutes },
    there: hasSaid ? minutesOn(person.hours, today) : null,
    lines: evening.items.map(({ page, step: { step }, minutes: takes, why }) => ({
      ...{ date: leadDate(page), dayId: page.days[0]?.id ?? "", step, label: page.label ?? "", said: STEP_TO_DO[step] },
      ...{ minutes: takes, why },
    })),
    setUp: evening.setUp.map(({ step, minutes: takes }) => ({ said: STEP_TO_DO[step], minutes: takes })),
    ends,
    ...{ takes: evening.minutes + kept, finished: evening.finished, moved: evening.moved },
    helps: evening.minutes + kept < minutes * LITTLE ? helpsOf(source, pages, today, evening) : [],
    isOwn: Object.values(person.own).some(({ seen, isSet }) => seen > 0 || isSet),
  };
}

function helpsOf(
  { album, days }: AlbumRead & { readonly album: AlbumPlan },
  pages: readonly Page[],
  today: CalendarDate,
  { items }: Evening,
): Help[] {
  const inBook = pages.some(({ states }) => states.book === "done");
  const noPrompt = pages.some(({ states, days: [first] }) => states.prompt === "open" && (first?.date ?? "") >= today);
  const pictures = days.some(({ content }) => content.photos.length === 0);
  return [
    ...(!inBook && items.length === 0 ? (["measure"] as const) : []),
    ...(noPrompt ? (["prompts"] as const) : []),
    ...(album.preparing === "all" && withoutPage(pages, today).length > 0 ? (["pages"] as const) : []),
    ...(pictures ? (["pictures"] as const) : []),
  ];
}

/** The evening of who asks, of what is known of them. */
export function tonightOf(
  source: AlbumRead & { readonly album: AlbumPlan },
  known: Known,
  today: CalendarDate,
  asked: string | null,
  ends: readonly EveningEnd[],
): EveningView {
  const person = ofPerson(known, source.album.span, today);
  const hasSaid = known.hours !== null;
  return eveningView(source, today, minutesAsked(asked, person, hasSaid, today), person, hasSaid, ends);
}
