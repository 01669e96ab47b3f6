import { idOfHeld, type Leaf, type Owner, type Piece, type Side, type TryOut } from "../album/leaf.ts";
import { type DayContent, EMPTY_DAY } from "../album/model.ts";
import { isSetAside } from "../album/page.ts";
import type { Print } from "../album/print.ts";
import type { CalendarDate } from "../month/dates.ts";
import type { Span } from "../month/span.ts";

/** Said of what is private for good: the last day that there is. */
export const FOR_GOOD = "8999-12-31" as CalendarDate;

/** What may be private: a whole day, or one picture, card or jotting of it. */
export type Private = { readonly privateUntil: CalendarDate | null };

/** Whether something is left out of everything that leaves the household, as of a day. */
export const isPrivate = ({ privateUntil }: Private, today: CalendarDate): boolean =>
  privateUntil === FOR_GOOD || (privateUntil !== null && today < privateUntil);

type Entry = { readonly id: string; readonly content: DayContent; readonly date?: CalendarDate | null };

/** What of an album may leave a household, or be asked about when it does. */
export type Shareable = {
  /** Leaves of days outside its span are not in the book; where none is said, all are. */
  readonly album?: { readonly span: Span };
  readonly days: readonly Entry[];
  readonly matters: readonly Entry[];
  readonly leaves: readonly Leaf[];
  readonly tryOuts: readonly TryOut[];
  readonly prints: readonly Print[];
};

/** The content of a day without what is private: of a private day nothing, as if nobody had planned it yet. */
function openContent(content: DayContent, today: CalendarDate): DayContent {
  if (isPrivate(content, today)) return EMPTY_DAY;
  const open = <T extends Private>(all: readonly T[]): T[] => all.filter((each) => !isPrivate(each, today));
  // A slip that was left alone says the words it is about; what to do otherwise next year is for the household alone.
  const rest = { ...content, leftAlone: [], nextYear: "" };
  return { ...rest, photos: open(content.photos), cards: open(content.cards), jottings: open(content.jottings) };
}

/** How many private things a day has: it is one itself, or each of its pictures, cards and jottings may be. */
export function countPrivate(content: DayContent, today: CalendarDate): number {
  if (isPrivate(content, today)) return 1;
  const { photos, cards, jottings } = content;
  return [...photos, ...cards, ...jottings].filter((each) => isPrivate(each, today)).length;
}

/** A piece that carries nothing but what is open. */
function withoutHeld(piece: Piece, isOpen: (id: string) => boolean): Piece {
  const { what } = piece;
  if (!("built" in what) || !what.built) return piece;
  const holds = what.built.holds.filter((held) => {
    const id = idOfHeld(held);
    return id === null || isOpen(id);
  });
  return { ...piece, what: { ...what, built: { ...what.built, holds } } };
}

const dayOf = (owner: Owner): string | null => (owner.kind === "day" ? owner.dayId : null);

/**
 * The one way out: an album as it may be handed on as of a day, whatever it is handed on as. What is private is not in it,
 * nor is anything that tells of it: no words, no picture, no description, no piece on a page. A private day keeps its date,
 * so that the others keep their numbers, and its leaves their place in the book. All else is as it was.
 */
export function shareable<A extends Shareable>(album: A, today: CalendarDate): A {
  const entries = [...album.days, ...album.matters];
  const closed = new Set(entries.filter(({ content }) => isPrivate(content, today)).map(({ id }) => id));
  const open = <E extends Entry>(all: readonly E[]): E[] =>
    all.map((entry) => ({ ...entry, content: openContent(entry.content, today) }));
  const [days, matters] = [open(album.days), open(album.matters)];
  const things = new Set(
    [...days, ...matters].flatMap(({ content: { photos, cards } }) => [...photos, ...cards].map(({ id }) => id)),
  );
  const isClosed = (dayId: string | null) => dayId !== null && closed.has(dayId);
  const isOpenPiece =
    (owner: string | null) =>
    ({ what, dayId }: Piece): boolean =>
      what.kind === "photo"
        ? things.has(what.use)
        : what.kind === "card"
          ? things.has(what.card)
          : !isClosed(dayId ?? owner);
  const openPieces = (pieces: readonly Piece[], owner: string | null): Piece[] =>
    pieces.filter(isOpenPiece(owner)).map((piece) => withoutHeld(piece, (id) => things.has(id)));
  const openSide = (side: Side): Side => {
    const owner = dayOf(side.owner);
    return {
      ...(withoutLine.has(side) ? { ...side, line: undefined } : side),
      pieces: side.pieces && openPieces(side.pieces, owner),
      done: isClosed(owner) ? [] : side.done,
      guests: side.guests.map((guest) => (isClosed(guest.dayId) ? { ...guest, done: [] } : guest)),
    };
  };
  const dates = new Map(album.days.map(({ id, date }) => [id, date]));
  const span = album.album?.span;
  const isInSpan = (id: string) => {
    const date = dates.get(id);
    return !span || !date || (date >= span.start && date <= span.end);
  };
  const inBook = album.leaves.filter((leaf) => !isSetAside(leaf, isInSpan));
  const isOfPrivate = ({ owner, guests }: Side) =>
    isClosed(dayOf(owner)) || guests.some(({ dayId }) => isClosed(dayId));
  // What is said under an opening is said of both its pages.
  const withoutLine = new Set(
    inBook.flatMap((leaf, at) => {
      const before = inBook[at - 1]?.back;
      return [
        ...(isOfPrivate(leaf.front) || (before && isOfPrivate(before)) ? [leaf.front] : []),
        ...(isOfPrivate(leaf.back) ? [leaf.back] : []),
      ];
    }),
  );
  const leaves = album.leaves.map((leaf): Leaf => {
    const owners = [dayOf(leaf.front.owner), dayOf(leaf.back.owner)].filter((each) => each !== null);
    const isWhollyClosed = owners.length > 0 && owners.every(isClosed);
    const make = isWhollyClosed ? { ...leaf.make, basePaper: "", note: "" } : leaf.make;
    const done = isWhollyClosed ? [] : leaf.done;
    return { ...leaf, make, done, front: openSide(leaf.front), back: openSide(leaf.back) };
  });
  const byId = new Map(leaves.map((leaf) => [leaf.id, leaf]));
  const tryOuts = album.tryOuts.flatMap((tried): TryOut[] => {
    const owner = byId.get(tried.leafId)?.[tried.face].owner;
    const dayId = owner ? dayOf(owner) : null;
    return isClosed(dayId) ? [] : [{ ...tried, pieces: openPieces(tried.pieces, dayId) }];
  });
  return { ...album, days, matters, leaves, tryOuts, prints: album.prints.filter(({ of }) => things.has(of)) };
}
