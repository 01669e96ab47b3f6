import type { AlbumPlan, Day, Preparing, Prompt } from "../album/model.ts";
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
};

/** What a new album takes over from an old one besides its book; never its photos or words. */
export type Bones = {
  readonly preparing: Preparing;
  readonly photoRule: PhotoRule;
  readonly pattern: Pattern | null;
  /** The prompts of its days, each on the same day of the new span. */
  readonly prompts: ReadonlyMap<CalendarDate, Prompt>;
};

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
  const { preparing, photoRule, pattern, days } = old;
  const byDate = new Map(days.map(({ date, content }) => [date, content.prompt]));
  const prompts = datesOf(span).flatMap((date): [CalendarDate, Prompt][] => {
    const like = likeDay(date, span, old.span);
    const prompt = like && byDate.get(like);
    return prompt && prompt.text.trim() !== "" ? [[date, prompt]] : [];
  });
  return {
    ...{ preparing, photoRule },
    pattern: pattern && patternFor(pattern, old.span, span),
    prompts: new Map(prompts),
  };
}
