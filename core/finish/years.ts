import { frontWords, hasWords } from "../album/card-words.ts";
import type { Leaf } from "../album/leaf.ts";
import type { Day } from "../album/model.ts";
import type { CalendarDate } from "../month/dates.ts";
import { sameDate } from "../month/like-day.ts";
import type { Span } from "../month/span.ts";
import { sameWords } from "../words/same-words.ts";

/** An album among those of its household, as it is looked at from year to year. */
export type YearAlbum = {
  readonly id: string;
  readonly title: string;
  readonly span: Span;
  readonly days: readonly Pick<Day, "id" | "date" | "skipped" | "content">[];
  readonly leaves: readonly Leaf[];
};

/** Where something was in one of the albums. */
export type InYear = { readonly albumId: string; readonly album: string; readonly date: CalendarDate };

/** What an earlier album has on the same day of its year. */
export type OtherYear = InYear & {
  readonly title: string;
  readonly prompt: string;
  /** Whether it is of the album before, whose notes for next year are for this one. */
  readonly isBefore: boolean;
  /** Whether it stands every year, and what was noted on it for the next. */
  readonly everyYear: boolean;
  readonly nextYear: string;
  /** The words of its cards' fronts. */
  readonly words: readonly string[];
  readonly photos: readonly { readonly photoId: string; readonly alt: string }[];
};

/** A question that several albums asked, with what was written each time, the latest first. */
export type Asked = {
  readonly question: string;
  readonly answers: readonly (InYear & { readonly title: string; readonly words: readonly string[] })[];
};

/** The days an album tells, in order. */
export const told = ({ days, span }: Pick<YearAlbum, "days" | "span">) =>
  days
    .filter(({ date, skipped }) => !skipped && date >= span.start && date <= span.end)
    .sort((a, b) => (a.date < b.date ? -1 : 1));

/** The questions that more than one album asks, those of most albums first; of one album's the last asking counts. */
export function askedAgain(albums: readonly YearAlbum[]): Asked[] {
  const known = new Map<string, Map<string, Asked["answers"][number] & { question: string }>>();
  for (const album of albums)
    for (const { date, content } of told(album)) {
      const question = content.prompt.text.trim();
      const key = sameWords(question);
      if (key === "") continue;
      const words = content.cards.filter(hasWords).map(frontWords);
      const answers = known.get(key) ?? new Map();
      answers.set(album.id, { albumId: album.id, album: album.title, date, title: content.title, words, question });
      known.set(key, answers);
    }
  return [...known.values()]
    .filter((answers) => answers.size > 1)
    .map((of) => {
      const answers = [...of.values()].sort((a, b) => (a.date < b.date ? 1 : -1));
      return { question: answers[0]?.question ?? "", answers: answers.map(({ question: _, ...each }) => each) };
    })
    .sort((a, b) => b.answers.length - a.answers.length || (a.question < b.question ? -1 : 1));
}

/** A page as it is built: what its leaves are, and how many of what lie on them. */
function shapeOf(dayId: string, leaves: readonly Leaf[]): string | null {
  const parts = leaves.flatMap(({ make, front, back }) =>
    [front, back].flatMap((side) => {
      if (side.owner.kind !== "day" || side.owner.dayId !== dayId || !side.pieces || side.pieces.length === 0)
        return [];
      const counts = new Map<string, number>();
      for (const { what } of side.pieces) {
        const kind = "built" in what && what.built ? what.built.kind : what.kind;
        counts.set(kind, (counts.get(kind) ?? 0) + 1);
      }
      const lying = [...counts].sort(([a], [b]) => (a < b ? -1 : 1)).map(([kind, count]) => `${count} ${kind}`);
      const of = make.insert ?? make.kind;
      return [`${of}${make.layout ? ` ${make.layout}` : ""}: ${lying.join(", ")}`];
    }),
  );
  return parts.length === 0 ? null : parts.join(" / ");
}

/** A day whose page is built as it was before, and where. */
export type BuiltAgain = { readonly date: CalendarDate; readonly title: string; readonly before: readonly InYear[] };

/** So many earlier pages may be alike; one more repeats too often. Common practice: not the same page a fourth time. */
export const ALIKE_AT_MOST = 2;

/** The days whose page is built as the same day's was in too many earlier albums. */
export function builtAgain(album: YearAlbum, others: readonly YearAlbum[]): BuiltAgain[] {
  const earlier = others
    .filter(({ span }) => span.start < album.span.start)
    .sort((a, b) => (a.span.start < b.span.start ? 1 : -1));
  return told(album).flatMap(({ id, date, content }): BuiltAgain[] => {
    const shape = shapeOf(id, album.leaves);
    if (shape === null) return [];
    const before = earlier.flatMap((other): InYear[] => {
      const like = sameDate(date, other.span);
      const there = like && told(other).find((each) => each.date === like);
      return there && shapeOf(there.id, other.leaves) === shape
        ? [{ albumId: other.id, album: other.title, date: there.date }]
        : [];
    });
    return before.length > ALIKE_AT_MOST ? [{ date, title: content.title, before }] : [];
  });
}
