import type { Side } from "../album/leaf.ts";
import { type AnyPage, allPagesOf } from "../album/matter.ts";
import { readBook } from "../book/read.ts";
import { placesOfSpreads, spreadAt } from "../book/spread.ts";
import { type OpenBook, openingAt } from "../finish/open-book.ts";
import { pageTitled } from "../finish/page-called.ts";
import { entriesOut, type GoesOut, goingOut } from "../share/going-out.ts";
import type { BookSource } from "./book-for.ts";

/** The book as a link shows it: how many openings, and each of them when it is asked for. */
export type SharedBook = {
  readonly title: string;
  readonly count: number;
  /** What the pages of each opening are called, in order. */
  readonly called: readonly string[];
  /** The opening at a place from 0; null where there is none. */
  readonly at: (nth: number) => OpenBook | null;
};

/**
 * An album's book as a link shows it: of what is private, and of what is kept back, nothing; an opening of which neither
 * page goes out is left out of it.
 */
export function sharedBook(source: BookSource, goes: GoesOut): SharedBook {
  const out = entriesOut(source, source.today, goes);
  const { album, leaves, layouts, ...rest } = goingOut(source, source.today, goes);
  const read = readBook<AnyPage>(album, allPagesOf({ album, leaves, ...rest }), leaves, layouts).leaves;
  const { format } = album;
  const isShown = ({ owner, guests, pieces }: Side): boolean =>
    owner.kind === "day"
      ? out.has(owner.dayId) || guests.some(({ dayId }) => out.has(dayId))
      : (pieces ?? []).length > 0;
  const openings = placesOfSpreads(read).flatMap((place) => {
    const { left, right } = spreadAt(read, place, format);
    const up = [left[0], right[0]].flatMap((lying) => (lying ? [lying] : []));
    const shown = up.filter(({ read: { leaf }, face }) => isShown(leaf[face]));
    const names = shown.flatMap(({ read: each, face }) => {
      const { page, guests } = each[face];
      return [page, ...guests].flatMap((of) => (of ? [pageTitled(of)] : []));
    });
    return shown.length > 0 ? [{ place, called: [...new Set(names)].join(" · ") }] : [];
  });
  return {
    title: album.title,
    count: openings.length,
    called: openings.map(({ called }) => called),
    at: (nth) => {
      const place = openings[nth]?.place;
      return place === undefined ? null : openingAt(read, place, format, pageTitled);
    },
  };
}
