import { FACES } from "../album/leaf.ts";
import { type InBook, isDated } from "../book/dated-page.ts";
import type { LeafRead } from "../book/read.ts";
import { placesOfSpreads, type Spread, turnedBy } from "../book/spread.ts";
import type { CalendarDate } from "../month/dates.ts";
import { likeDay } from "../month/like-day.ts";
import type { Span } from "../month/span.ts";

/** A book among others of its household. */
export type BesideBook = { readonly leaves: readonly LeafRead<InBook>[]; readonly span: Span };

const datesOf = (page: InBook | null): CalendarDate[] =>
  page && isDated(page) ? page.days.map(({ date }) => date) : [];

/** The first date of what lies open, that of the right page first. */
function dateOf({ left, right }: Pick<Spread<InBook>, "left" | "right">): CalendarDate | null {
  const pageOf = (stack: Spread<InBook>["left"]) => {
    const [over] = stack;
    return over ? (over.read as LeafRead<InBook>)[over.face].page : null;
  };
  return datesOf(pageOf(right))[0] ?? datesOf(pageOf(left))[0] ?? null;
}

/**
 * Where another book lies open beside this one: at the same day of its own year, else as many openings from its beginning.
 * Null where it has no leaf.
 */
export function besideAt(spread: Spread<InBook>, of: BesideBook, other: BesideBook): number | null {
  const places = placesOfSpreads(other.leaves);
  if (other.leaves.length === 0) return null;
  const date = dateOf(spread);
  const like = date && likeDay(date, of.span, other.span);
  if (like)
    for (const [at, read] of other.leaves.entries())
      for (const face of FACES) {
        const side = read[face];
        if ([side.page, ...side.guests].some((page) => datesOf(page).includes(like)))
          return turnedBy(other.leaves, at + (face === "back" ? 1 : 0), 0);
      }
  const nth = placesOfSpreads(of.leaves).indexOf(spread.at);
  return places[Math.min(Math.max(nth, 0), places.length - 1)] ?? null;
}
