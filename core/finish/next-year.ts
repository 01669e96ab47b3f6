import { frontWords, hasWords } from "../album/card-words.ts";
import type { DayEdit } from "../album/edit.ts";
import type { Day, DayContent, Matter, MatterEntry } from "../album/model.ts";
import { countUntil, type Tally } from "../album/tally.ts";
import type { CalendarDate } from "../month/dates.ts";
import { likeDay, sameDate } from "../month/like-day.ts";
import { datesOf, type Span } from "../month/span.ts";
import { sameWords } from "../words/same-words.ts";
import { type InYear, told, type YearAlbum } from "./years.ts";

/** An album with what it says of the next one, and what it counts. */
export type AlbumForNext = Omit<YearAlbum, "leaves"> & {
  readonly nextYear: string;
  readonly matters: readonly Pick<MatterEntry, "id" | "matter" | "content">[];
  readonly tallies: readonly Tally[];
};

const sharesDates = (one: Span, other: Span): boolean => datesOf(one).some((date) => sameDate(date, other) !== null);

/**
 * The album before one: the latest earlier one of the same dates of the year, else the latest earlier one of any; null where
 * it is the first. Its notes for next year come up; those of albums before it have had their year.
 */
export function albumBefore<A extends { readonly span: Span }>(span: Span, others: readonly A[]): A | null {
  const earlier = others
    .filter((each) => each.span.start < span.start)
    .sort((a, b) => (a.span.start < b.span.start ? 1 : -1));
  return earlier.find((each) => sharesDates(span, each.span)) ?? earlier[0] ?? null;
}

/** A note that was written for this album in the one before it. */
export type NotedBefore = {
  readonly albumId: string;
  readonly album: string;
  readonly text: string;
  /** What it was noted on: a day, and which one of this album comes like it; a page that is no day's; or the album. */
  readonly on:
    | { readonly what: "day"; readonly date: CalendarDate; readonly here: CalendarDate }
    | { readonly what: "page"; readonly entry: string; readonly matter: Matter }
    | { readonly what: "album" };
};

/** What was noted for an album in the one before: of the whole first, then its other pages, then day by day. */
export function notedBefore(span: Span, others: readonly AlbumForNext[]): NotedBefore[] {
  const before = albumBefore(span, others);
  if (!before) return [];
  const noted = (text: string, on: NotedBefore["on"]): NotedBefore[] =>
    text.trim() === "" ? [] : [{ albumId: before.id, album: before.title, text: text.trim(), on }];
  return [
    ...noted(before.nextYear, { what: "album" }),
    ...before.matters.flatMap(({ id, matter, content }) =>
      noted(content.nextYear, { what: "page", entry: id, matter }),
    ),
    // Of a month that has none of these dates the days are no other's: what was noted of them is told with the album.
    ...[...before.days]
      .sort((a, b) => (a.date < b.date ? -1 : 1))
      .flatMap(({ date, content }) => {
        const here = sameDate(date, span);
        return here ? noted(content.nextYear, { what: "day", date, here }) : [];
      }),
  ];
}

/** A day that stands every year: when, what it is called and asks, and what each album had on it, the latest first. */
export type Tradition = {
  /** The day of this album; null where this album has none of that date. */
  readonly here: (Pick<Day, "id" | "date"> & Pick<DayContent, "title" | "prompt">) | null;
  /** Whether this album has it so as well. */
  readonly stands: boolean;
  readonly title: string;
  readonly prompt: string;
  readonly years: readonly (InYear & { readonly title: string; readonly words: readonly string[] })[];
};

/** The days that stand every year in any of the albums, in the order of this one's days. */
export function traditionsOf(
  album: Omit<AlbumForNext, "tallies">,
  others: readonly Omit<AlbumForNext, "tallies">[],
): Tradition[] {
  const all = [album, ...others].sort((a, b) => (a.span.start < b.span.start ? 1 : -1));
  const inYear = (date: CalendarDate) => date.slice(5);
  const marked = new Set(
    all.flatMap((each) => told(each).flatMap(({ date, content }) => (content.everyYear ? [inYear(date)] : []))),
  );
  const own = new Map(told(album).map((day) => [inYear(day.date), day]));
  return [...marked]
    .map((when): Tradition => {
      const on = all.flatMap((each) =>
        told(each).flatMap((day) => (inYear(day.date) === when ? [{ album: each, day }] : [])),
      );
      const so = on.flatMap(({ day: { content } }) => (content.everyYear ? [content] : []));
      const here = own.get(when);
      const years = on.flatMap(({ album: { id, title: name }, day: { date, content } }) => {
        const words = content.cards.filter(hasWords).map(frontWords);
        const isBare = content.title === "" && words.length === 0;
        return isBare ? [] : [{ albumId: id, album: name, date, title: content.title, words }];
      });
      return {
        here: here ? { id: here.id, date: here.date, title: here.content.title, prompt: here.content.prompt } : null,
        stands: here?.content.everyYear ?? false,
        title: so.find(({ title }) => title !== "")?.title ?? "",
        prompt: so.find(({ prompt }) => prompt.text !== "")?.prompt.text ?? "",
        years,
      };
    })
    .sort((a, b) => {
      const [one, other] = [a.here?.date ?? a.years[0]?.date ?? "", b.here?.date ?? b.years[0]?.date ?? ""];
      return one.slice(5) < other.slice(5) ? -1 : 1;
    });
}

/**
 * What makes a day one that stands every year, as another album has it: it is called and asks the same, where nothing of its
 * own stands there.
 */
export const takenOver = (
  { title, prompt }: Pick<DayContent, "title" | "prompt">,
  from: Pick<Tradition, "title" | "prompt">,
): DayEdit[] => [
  { kind: "every-year", on: true },
  ...(title.trim() === "" && from.title !== "" ? [{ kind: "title", text: from.title } as const] : []),
  ...(prompt.text.trim() === "" && from.prompt !== ""
    ? [{ kind: "prompt", text: from.prompt, slip: null } as const]
    : []),
];

/** What is counted in several albums under one name. */
export type CountedAgain = {
  readonly name: string;
  /** Each album's number, the latest first; `byNow`: how many it had on the day that is like today, null where there is none. */
  readonly years: readonly {
    readonly albumId: string;
    readonly album: string;
    readonly total: number;
    readonly byNow: number | null;
  }[];
};

/** What this album counts and others counted too, each with how many it was, in the order of this album's. */
export function countedAgain(
  album: Pick<AlbumForNext, "id" | "title" | "span" | "tallies">,
  others: readonly Pick<AlbumForNext, "id" | "title" | "span" | "tallies">[],
  today: CalendarDate,
): CountedAgain[] {
  const all = [album, ...others].sort((a, b) => (a.span.start < b.span.start ? 1 : -1));
  const isNow = today >= album.span.start && today <= album.span.end;
  return album.tallies.flatMap(({ name }): CountedAgain[] => {
    const years = all.flatMap(({ id, title, span, tallies }) => {
      const same = tallies.find((each) => sameWords(each.name) === sameWords(name));
      if (!same) return [];
      const like = isNow ? likeDay(today, album.span, span) : null;
      return [{ albumId: id, album: title, total: same.marks.length, byNow: like && countUntil(same, like) }];
    });
    return years.length > 1 ? [{ name, years }] : [];
  });
}
