import type { AlbumPlan, Day, DayContent, Preparing } from "../album/model.ts";
import type { Tally } from "../album/tally.ts";
import type { Pattern, PatternRule } from "../book/pattern.ts";
import type { CalendarDate } from "../month/dates.ts";
import { likeDay } from "../month/like-day.ts";
import { datesOf, type Span } from "../month/span.ts";
import type { PhotoRule } from "../photo/propose.ts";

/** What of an album is read for the next one. */
export type OldAlbum = Pick<AlbumPlan, "span" | "preparing"> & {
  readonly days: readonly Pick<Day, "date" | "content">[];
  readonly pattern: Pattern | null;
  readonly photoRule: PhotoRule;
  readonly tallies: readonly Pick<Tally, "name">[];
};

/** What a new album takes over from an old one besides its book; never its photos, nor what was written on its days. */
export type Bones = {
  readonly preparing: Preparing;
  readonly photoRule: PhotoRule;
  readonly pattern: Pattern | null;
  /** What its days begin with, each on the same day of the new span; those that begin with nothing are left out. */
  readonly days: ReadonlyMap<CalendarDate, BegunDay>;
  /** What is counted again over the new month, from none. */
  readonly tallies: readonly string[];
};

/** What a day of a new album begins with. One that stands every year has its title too. */
export type BegunDay = Pick<DayContent, "title" | "prompt" | "everyYear">;

/** A pattern with its dates moved to the same days of another span; those that have none there are left out. */
function patternFor(pattern: Pattern, of: Span, span: Span): Pattern {
  const moved = (dates: readonly CalendarDate[]) => dates.flatMap((date) => likeDay(date, of, span) ?? []);
  return {
    ...pattern,
    rules: pattern.rules.flatMap((rule): PatternRule[] => {
      if (rule.when !== "dates") return [rule];
      const dates = moved(rule.dates);
      return dates.length > 0 ? [{ ...rule, dates }] : [];
    }),
    without: moved(pattern.without),
  };
}

/** The bones of an album for a new one of another span. */
export function bonesOf(old: OldAlbum, span: Span): Bones {
  const { preparing, photoRule, pattern } = old;
  const byDate = new Map(old.days.map(({ date, content }) => [date, content]));
  const days = datesOf(span).flatMap((date): [CalendarDate, BegunDay][] => {
    const like = likeDay(date, span, old.span);
    const was = like && byDate.get(like);
    if (!was || (was.prompt.text.trim() === "" && !was.everyYear)) return [];
    const { prompt, everyYear } = was;
    return [[date, { prompt, everyYear, title: everyYear ? was.title : "" }]];
  });
  return {
    ...{ preparing, photoRule },
    pattern: pattern && patternFor(pattern, old.span, span),
    days: new Map(days),
    tallies: old.tallies.map(({ name }) => name),
  };
}
