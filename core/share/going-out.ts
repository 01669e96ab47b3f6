import { heldIn, idOfHeld, type Leaf, type Side } from "../album/leaf.ts";
import type { DayContent } from "../album/model.ts";
import type { CalendarDate } from "../month/dates.ts";
import { FOR_GOOD, isPrivate, type Shareable, shareable } from "./share.ts";

/** Which pages a link shows: all but some, or some alone. */
export const WHICH_PAGES = ["all-but", "only"] as const;

/** What of an album goes out by a link, besides that nothing does which is private. */
export type GoesOut = {
  readonly pages: (typeof WHICH_PAGES)[number];
  /** The days and other pages that `pages` speaks of. */
  readonly entries: readonly string[];
  /** What is kept back of the pages that go out: prints, cards and whatever else lies on them, by their ids. */
  readonly pieces: readonly string[];
};

export const ALL_GOES_OUT: GoesOut = { pages: "all-but", entries: [], pieces: [] };

/** Whether a day or another page is among those that go out. */
export const isGoingOut = ({ pages, entries }: GoesOut, entry: string): boolean =>
  entries.includes(entry) === (pages === "only");

/** The days and other pages of an album that a link shows as of a day, by their ids. */
export const entriesOut = (
  { days, matters }: Pick<Shareable, "days" | "matters">,
  today: CalendarDate,
  goes: GoesOut,
): ReadonlySet<string> =>
  new Set(
    [...days, ...matters].flatMap(({ id, content }) =>
      isGoingOut(goes, id) && !isPrivate(content, today) ? [id] : [],
    ),
  );

type Entry = { readonly id: string; readonly content: DayContent };

/**
 * The album as a link shows it as of a day. What is kept back is made private for good, so that there is one way out for
 * both; what lies on a page and is no print or card is taken off it, with all that it carries.
 */
export function goingOut<A extends Shareable>(album: A, today: CalendarDate, goes: GoesOut): A {
  const kept = new Set(goes.pieces);
  const sides = album.leaves.flatMap(({ front, back }) => [front, back]);
  // A construction that is kept back takes along what lies in it.
  const things = new Set(kept);
  for (const piece of sides.flatMap(({ pieces }) => pieces ?? []))
    if (kept.has(piece.id)) for (const held of heldIn(piece)) things.add(idOfHeld(held) ?? piece.id);
  const hidden = <T extends { readonly id: string }>(all: readonly T[]): T[] =>
    all.map((each) => (things.has(each.id) ? { ...each, privateUntil: FOR_GOOD } : each));
  const closed = <E extends Entry>(all: readonly E[]): E[] =>
    all.map((entry) => ({
      ...entry,
      content: {
        ...entry.content,
        ...(isGoingOut(goes, entry.id) ? {} : { privateUntil: FOR_GOOD }),
        ...{ photos: hidden(entry.content.photos), cards: hidden(entry.content.cards) },
      },
    }));
  const onSide = (side: Side): Side => {
    // What is nobody's is on no page that could be chosen.
    if (goes.pages === "only" && side.owner.kind !== "day") return { ...side, pieces: side.pieces && [] };
    return { ...side, pieces: side.pieces?.filter(({ id }) => !kept.has(id)) ?? null };
  };
  const leaves = album.leaves.map((leaf): Leaf => ({ ...leaf, front: onSide(leaf.front), back: onSide(leaf.back) }));
  return shareable({ ...album, days: closed(album.days), matters: closed(album.matters), leaves }, today);
}
