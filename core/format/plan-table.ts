import type { Day } from "../album/model.ts";
import { type AlbumRead, pagesOf } from "../album/page.ts";
import { LIMITS } from "../limits.ts";
import { type CalendarDate, parseDate } from "../month/dates.ts";
import { inSpan, type Span } from "../month/span.ts";
import { clean } from "../words/clean.ts";

/** What of a day a table says that a plan is made of; the rest of the day plan's columns is counted from the album. */
export const PLAN_FIELDS = ["title", "prompt", "note"] as const;
export type PlanField = (typeof PLAN_FIELDS)[number];

/** One thing a table says otherwise than the album; `was`: as the album has it. */
export type PlanChange = {
  readonly dayId: string;
  readonly date: CalendarDate;
  readonly field: PlanField;
  readonly was: string;
  readonly becomes: string;
};

/** Why a row was not taken, or a cell of it: no day is named, or one outside the album, or one that a row before was of. */
export type PassedWhy = "no-day" | "outside" | "twice" | "several" | "too-long";
/** `row`: as a spreadsheet counts them, the head being row 1. */
export type Passed = { readonly row: number; readonly why: PassedWhy };

export type PlanTableRead =
  | {
      readonly ok: true;
      readonly changes: readonly PlanChange[];
      readonly passed: readonly Passed[];
      /** Columns that are not read, by their heads. */
      readonly columns: readonly string[];
    }
  | { readonly ok: false; readonly reason: "no-head" | "two-ways" | "too-many-rows" };

const HEADS: Readonly<Record<PlanField | "date" | "number", readonly string[]>> = {
  date: ["dates", "date", "day"],
  number: ["number", "no", "no.", "nr"],
  title: ["title"],
  prompt: ["prompt"],
  note: ["note", "notes"],
};
type Head = keyof typeof HEADS;
const headOf = (cell: string): Head | null => {
  const said = cell.trim().toLowerCase();
  return (Object.keys(HEADS) as Head[]).find((head) => HEADS[head].includes(said)) ?? null;
};

/** Whether a row is the head of a plan: it says which day a row is of, and something of the day. */
export function isPlanHead(row: readonly string[]): boolean {
  const heads = row.map(headOf);
  const names = heads.includes("date") || heads.includes("number");
  return names && PLAN_FIELDS.some((field) => heads.includes(field));
}

/** Numbers as programs write dates: which comes first, the day or the month, is not in them. */
type Order = "day-first" | "month-first";
const MONTHS = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];
const two = (number: string | number) => String(number).padStart(2, "0");
const year = (text: string) => (text.length === 2 ? `20${text}` : text);

/** One date as a spreadsheet may show it; null where it is none. */
function dateIn(text: string, order: Order): CalendarDate | null {
  const iso = /^(\d{4})[-./](\d{1,2})[-./](\d{1,2})(?:[T ]0?0:00(?::00)?)?$/.exec(text);
  if (iso) return parseDate(`${iso[1]}-${two(iso[2] ?? "")}-${two(iso[3] ?? "")}`);
  const numbers = /^(\d{1,2})[-./](\d{1,2})[-./](\d{4}|\d{2})$/.exec(text);
  if (numbers) {
    const [, one = "", other = "", of = ""] = numbers;
    const [day, month] = order === "day-first" ? [one, other] : [other, one];
    return parseDate(`${year(of)}-${two(month)}-${two(day)}`);
  }
  // After a weekday, or not: 2 December 2026, Dec 2, 2026, 2-Dec-26.
  const words = text.replace(/^(mon|tue|wed|thu|fri|sat|sun)[a-z]*\.?,?\s+/i, "");
  const named =
    /^(\d{1,2})\.?[\s-]+([a-z]{3,9})\.?[\s,-]+(\d{4}|\d{2})$/i.exec(words) ??
    /^(?<month>[a-z]{3,9})\.?\s+(?<day>\d{1,2}),?\s+(?<year>\d{4})$/i.exec(words);
  if (!named) return null;
  const { month = named[2], day = named[1], year: of = named[3] } = named.groups ?? {};
  const nth = MONTHS.indexOf((month ?? "").slice(0, 3).toLowerCase()) + 1;
  return nth === 0 ? null : parseDate(`${year(of ?? "")}-${two(nth)}-${two(day ?? "")}`);
}

/** The dates in a cell, which may be several of one page; null where something in it is no date. */
function datesIn(cell: string, order: Order): CalendarDate[] | null {
  const text = cell.trim();
  const whole = dateIn(text, order);
  if (whole) return [whole];
  const parts = text.split(/[\s;,]+/).filter(Boolean);
  const dates = parts.map((part) => dateIn(part, order));
  return parts.length > 0 && dates.every((date) => date !== null) ? dates : null;
}

/** Which way round a column's dates are: the one in which more of them fall into the album; null where that says nothing. */
function orderOf(cells: readonly string[], span: Span): Order | null {
  const inIt = (order: Order) => cells.map((cell) => datesIn(cell, order)?.filter((date) => inSpan(span, date)) ?? []);
  const [day, month] = [inIt("day-first"), inIt("month-first")];
  const [many, other] = [day.flat().length, month.flat().length];
  if (many !== other) return many > other ? "day-first" : "month-first";
  return JSON.stringify(day) === JSON.stringify(month) ? "day-first" : null;
}

const asText = (text: string) => clean(text.replace(/\r\n?/g, "\n")).trim();
/** The longest a field may be, in letters. */
const MOST: Readonly<Record<PlanField, number>> = { title: 500, prompt: 100_000, note: 100_000 };

/** What a day says in one field. */
const fieldOf = ({ content }: Day, field: PlanField): string =>
  field === "prompt" ? content.prompt.text : content[field];

/** A text in the pieces that the day plan's divider leaves of it, white space aside. */
const piecesOf = (text: string, divider: RegExp): string[] =>
  text
    .split(divider)
    .map((piece) => piece.replace(/\s+/g, " ").trim())
    .filter(Boolean);

/** Whether pieces are those of some of these days, one day after another. */
function areOf(pieces: readonly string[], days: readonly (readonly string[])[]): boolean {
  // How far into the pieces some of the days so far may reach.
  const reached = new Set([0]);
  for (const of of days)
    for (const from of [...reached])
      if (of.every((piece, at) => piece === pieces[from + at])) reached.add(from + of.length);
  return reached.has(pieces.length);
}

/**
 * Whether a cell says of the days of one page what the day plan says of them: their titles or notes one after another, the
 * first prompt. Days that are private are not in it.
 */
function isAsPlanned(days: readonly Day[], field: PlanField, text: string): boolean {
  const divider = field === "title" ? /[/\n]/ : /\n/;
  const said = days.map((day) => piecesOf(fieldOf(day, field), divider));
  const pieces = piecesOf(text, divider);
  return field === "prompt" ? said.some((each) => areOf(pieces, [each])) : areOf(pieces, said);
}

/**
 * Reads a table back as a plan for an album: rows of text with the head first, as the day plan has them or as another
 * program wrote them, in any order of columns. An empty cell leaves what there is, so that a table never takes a word away.
 * Nothing is changed by reading; what would be is told.
 */
export function readPlanTable(table: readonly (readonly string[])[], album: AlbumRead): PlanTableRead {
  const [head = [], ...rows] = table;
  if (!isPlanHead(head)) return { ok: false, reason: "no-head" };
  if (rows.length > LIMITS.planRows.most) return { ok: false, reason: "too-many-rows" };
  const heads = head.map(headOf);
  const cell = (row: readonly string[], of: Head): string => row[heads.indexOf(of)] ?? "";
  const has = (of: Head) => heads.includes(of);
  const { span } = album.album;
  const order = has("date")
    ? orderOf(
        rows.map((row) => cell(row, "date")),
        span,
      )
    : "day-first";
  if (order === null) return { ok: false, reason: "two-ways" };

  const pages = pagesOf(album);
  const days = new Map(pages.flatMap((page) => page.days.map((day) => [day.date, day] as const)));
  const dayRows = rows.map((row): readonly CalendarDate[] | null => {
    if (has("date")) return datesIn(cell(row, "date"), order);
    const number = cell(row, "number").trim();
    return pages.find(({ label }) => label !== null && label === number)?.days.map(({ date }) => date) ?? null;
  });
  const changes: PlanChange[] = [];
  const passed: Passed[] = [];
  const seen = new Set<CalendarDate>();
  for (const [at, row] of rows.entries()) {
    if (row.every((each) => each.trim() === "")) continue;
    const pass = (why: PassedWhy) => passed.push({ row: at + 2, why });
    const dates = dayRows[at];
    if (!dates) {
      pass("no-day");
      continue;
    }
    const of = dates.flatMap((date) => days.get(date) ?? []);
    if (of.length < dates.length) pass("outside");
    else if (dates.some((date) => seen.has(date))) pass("twice");
    else {
      for (const date of dates) seen.add(date);
      for (const field of PLAN_FIELDS) {
        if (!has(field)) continue;
        const text = asText(cell(row, field));
        const becomes = field === "title" ? text.replace(/\s*\n\s*/g, " ") : text;
        // Which of several days on one page it is for, the table does not say.
        const [day] = of.length === 1 ? of : [];
        const isThere = day ? asText(fieldOf(day, field)) === text : isAsPlanned(of, field, text);
        if (text === "" || isThere) continue;
        if (!day) pass("several");
        else if (becomes.length > MOST[field]) pass("too-long");
        else changes.push({ dayId: day.id, date: day.date, field, was: fieldOf(day, field), becomes });
      }
    }
  }
  const columns = head.filter(
    (each, nth) => each.trim() !== "" && (heads[nth] === null || heads.indexOf(heads[nth] ?? null) < nth),
  );
  return { ok: true, changes, passed, columns };
}
