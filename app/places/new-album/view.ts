import { FORMAT_PRESETS } from "#core/album/formats.ts";
import type { AlbumFormat, AlbumPlan } from "#core/album/model.ts";
import { toMillimetres, type Unit } from "#core/measure/length.ts";
import { printSize } from "#core/measure/size.ts";
import {
  addDays,
  type CalendarDate,
  dayOfMonth,
  lastOfMonth,
  monthName,
  monthOf,
  parseDate,
} from "#core/month/dates.ts";
import type { Numbering } from "#core/month/numbering.ts";

export type MonthChoice = { readonly name: string; readonly start: string; readonly end: string };
/** An album that a new one can be begun from, and what comes with it. */
export type OldChoice = {
  readonly id: string;
  readonly title: string;
  readonly numbering: Numbering;
  readonly unit: Unit;
  readonly book: BookChoice;
  readonly prompts: number;
  readonly pattern: boolean;
  readonly traditions: number;
  readonly tallies: number;
  /** The same days a year later. */
  readonly next: MonthChoice;
};
export type BookChoice = {
  readonly id: string;
  readonly name: string;
  readonly size: string;
  readonly unit: "inch" | "cm";
  readonly w: number;
  readonly h: number;
  readonly margin: number;
  readonly binding: string;
};

type Old = {
  readonly id: string;
  readonly plan: AlbumPlan;
  readonly prompts: number;
  readonly pattern: boolean;
  readonly traditions: number;
  readonly tallies: number;
};

type Choosable = AlbumFormat & { readonly id: string; readonly unit: Unit };
const bookChoice = ({ id, name, nominal, unit, outer, margin, binding }: Choosable): BookChoice => ({
  ...{ id, name, unit, binding },
  size: printSize(nominal, unit),
  w: toMillimetres(outer.w),
  h: toMillimetres(outer.h),
  margin: toMillimetres(margin),
});

/** A date a year later; where that year has no such day, the one before it. */
function yearLater(date: CalendarDate): CalendarDate {
  const [year, rest] = [Number(date.slice(0, 4)) + 1, date.slice(4)];
  return parseDate(`${year}${rest}`) ?? (`${year}-02-28` as CalendarDate);
}

/** The days of an album a year later; a whole month stays whole, and is called by its name. */
export function nextOf({ title, span }: Pick<AlbumPlan, "title" | "span">): MonthChoice {
  const start = yearLater(span.start);
  const isMonth = dayOfMonth(span.start) === 1 && lastOfMonth(span.start) === span.end;
  return isMonth
    ? { name: `${monthName(start)} ${start.slice(0, 4)}`, start, end: lastOfMonth(start) }
    : { name: title, start, end: yearLater(span.end) };
}

/** An album as one to begin from: its book is named by the album's id. */
export const oldChoice = ({ id, plan, ...brings }: Old): OldChoice => ({
  ...{ id, ...brings, title: plan.title, numbering: plan.numbering, unit: plan.unit },
  next: nextOf(plan),
  book: { ...bookChoice({ ...plan.format, id, unit: plan.unit }), name: `As in ${plan.title}` },
});

const firstOf = (date: CalendarDate): CalendarDate => addDays(date, 1 - dayOfMonth(date));

/** Months before this one that an album may still be made of, and months to come. */
const PAST = 2;
const ALL = 8;

/** The last December there was, where it is not among the months offered anyway: the album that many still mean to make. */
function lastDecember(today: CalendarDate, first: CalendarDate): CalendarDate[] {
  let start = firstOf(today);
  while (monthOf(start) !== 12) start = firstOf(addDays(start, -1));
  return start >= first ? [] : [start];
}

/**
 * Books to choose from, the household's own measured ones last; the last months, this one and the next, and which of them to
 * begin with: a December if it is this month or one of the next two, else this month.
 */
export function newAlbumView(
  today: CalendarDate,
  measured: readonly { id: string; unit: Unit; format: AlbumFormat }[],
): { months: MonthChoice[]; usual: number; books: BookChoice[] } {
  let first = firstOf(today);
  for (let back = 0; back < PAST; back++) first = firstOf(addDays(first, -1));
  const starts = lastDecember(today, first);
  for (let start = first; starts.length < ALL; start = addDays(lastOfMonth(start), 1)) starts.push(start);
  const months = starts.map((start) => ({
    ...{ name: `${monthName(start)} ${start.slice(0, 4)}`, start, end: lastOfMonth(start) },
  }));
  const now = starts.indexOf(firstOf(today));
  const december = starts.findIndex((start, at) => at >= now && at <= now + 2 && monthOf(start) === 12);
  return {
    months,
    usual: december === -1 ? now : december,
    books: [...FORMAT_PRESETS, ...measured.map(({ format, ...each }) => ({ ...format, ...each }))].map(bookChoice),
  };
}
