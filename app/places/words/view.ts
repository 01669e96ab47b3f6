import { to } from "#app/addresses.ts";
import { drawingOf, type MatBox, mm } from "#app/drawing/mat-text.ts";
import { leadDate, pageName } from "#app/places/album/view.ts";
import { glanceAt, standingSaid } from "#app/wording/card.ts";
import { mistakeSaid } from "#app/wording/mistakes.ts";
import { cardStanding } from "#core/album/card-printing.ts";
import { idOfHeld, type Leaf } from "#core/album/leaf.ts";
import type { Mistake } from "#core/album/mistakes.ts";
import type { AlbumPlan, Card, Day, Jotting } from "#core/album/model.ts";
import { type Page, pagesOf } from "#core/album/page.ts";
import type { Print } from "#core/album/print.ts";
import { type BuiltInBook, constructionsIn } from "#core/book/constructions.ts";
import type { PocketLayout } from "#core/book/layout.ts";
import { mistakesInBook } from "#core/book/mistakes-in-book.ts";
import { readBook } from "#core/book/read.ts";
import { cardMarks } from "#core/draw/card.ts";
import { ticks, type Unit } from "#core/measure/length.ts";
import { rectOf } from "#core/measure/rect.ts";
import { printSize, type Size } from "#core/measure/size.ts";
import { type CalendarDate, printShort } from "#core/month/dates.ts";
import { isPrivate } from "#core/share/share.ts";
import { findIn, type Snippet } from "#core/words/find.ts";

/** A card as it is seen among the others: its drawing, and whether its words fit. */
export type CardGlance = {
  readonly id: string;
  readonly sizeSaid: string;
  readonly box: MatBox;
  readonly drawing: string;
  readonly fits: string;
  readonly isOver: boolean;
  readonly standing: string;
  readonly hidden: string;
  readonly isPrivate: boolean;
};
export type JottingLine = Jotting & {
  readonly dayId: string;
  readonly version: number;
  readonly isPrivate: boolean;
  /** Whoever wrote it, where several write in the album; else null. */
  readonly by: string | null;
};

/** Who wrote a jotting, or the words of a card, to be said where more than one writes. */
export function writerOf(writtenBy: ReadonlyMap<string, string>): (id: string) => string | null {
  const several = new Set(writtenBy.values()).size > 1;
  return (id) => (several ? (writtenBy.get(id) ?? null) : null);
}
export type WordsDay = {
  readonly date: CalendarDate;
  readonly dayId: string;
  readonly label: string;
  readonly name: string;
  readonly prompt: string;
  readonly technique: string;
  readonly jottings: readonly JottingLine[];
  readonly cards: readonly CardGlance[];
  /** Words that stand inside a construction, and are seen when it is opened. */
  readonly inside: readonly InsideLine[];
};
/** Words on the inside of a construction, or a card that lies in one. */
export type InsideLine = {
  readonly key: string;
  readonly says: string;
  readonly inside: string;
  readonly href: string;
};
export type MistakeLine = {
  readonly key: string;
  readonly date: CalendarDate;
  readonly card: string | null;
  readonly said: string;
  /** The day that it is left alone on, and by which name. */
  readonly dayId: string;
  readonly slip: string;
};
export type Found = {
  readonly key: string;
  /** The card it is on, or its day. */
  readonly href: string;
  readonly where: string;
  readonly snippet: Snippet;
};
/** What `/` finds beside places and days. `query` is what it was asked for. */
export type FoundAnywhere = {
  readonly query: string;
  readonly texts: readonly Found[];
  readonly pictures: readonly { readonly id: string; readonly name: string; readonly date: string | null }[];
};
export type WordsView = {
  readonly albumId: string;
  readonly unit: Unit;
  readonly days: readonly WordsDay[];
  readonly dates: readonly { readonly date: CalendarDate; readonly said: string }[];
  readonly mistakes: readonly MistakeLine[];
  readonly people: readonly string[];
  readonly query: string;
  readonly found: readonly Found[] | null;
  readonly more: number;
};

const drawings = new WeakMap<Card, string>();
function drawingOfCard(card: Card): string {
  const known =
    drawings.get(card) ??
    drawingOf([
      { kind: "rect", at: rectOf(card.size), fill: "paper", stroke: "hair", line: ticks(60) },
      ...cardMarks(card, "front"),
    ]);
  drawings.set(card, known);
  return known;
}
const boxOf = ({ w, h }: Size): MatBox => ({ x: 0, y: 0, w: mm(w), h: mm(h) });

/** The construction that each card lies in, by what it is called. */
type InWhat = ReadonlyMap<string, string>;

function glance(
  card: Card,
  page: Page,
  prints: readonly Print[],
  unit: Unit,
  today: CalendarDate,
  inWhat: InWhat,
): CardGlance {
  const inside = inWhat.get(card.id);
  const fit = glanceAt(card, unit);
  return {
    id: card.id,
    sizeSaid: printSize(card.size, unit),
    box: boxOf(card.size),
    drawing: drawingOfCard(card),
    fits: fit.said,
    isOver: fit.isOver,
    standing: standingSaid(cardStanding(card, prints, page.content.done)),
    hidden: [card.hidden, ...(inside ? [`in the ${inside.toLowerCase()}`] : [])].filter(Boolean).join(", "),
    isPrivate: isPrivate(card, today),
  };
}

function mistakeLine(
  mistake: Mistake,
  nameOf: (date: CalendarDate) => string,
): Pick<MistakeLine, "date" | "card" | "said"> {
  const card = mistake.kind === "no-letter" ? mistake.card : null;
  return { date: mistake.date, card, said: mistakeSaid(mistake, nameOf) };
}

type Aggregate = {
  readonly album: AlbumPlan & { readonly id: string };
  readonly days: readonly Day[];
  readonly leaves: readonly Leaf[];
  readonly layouts: readonly (PocketLayout & { readonly page: Size })[];
  readonly prints: readonly Print[];
  readonly writtenBy: ReadonlyMap<string, string>;
  readonly photos: ReadonlyMap<string, { readonly capturedAt: string | null; readonly givenDate: CalendarDate | null }>;
};
type Text = {
  readonly albumId: string;
  readonly albumTitle: string;
  readonly date: CalendarDate | null;
  readonly entryId: string;
  readonly place: keyof typeof PLACE_NAME;
  readonly cardId: string | null;
  readonly text: string;
};
const PLACE_NAME = {
  title: "title",
  note: "note",
  prompt: "prompt",
  technique: "technique",
  "next-year": "note for next year",
  card: "card",
  back: "back of a card",
  jotting: "jotting",
  leaf: "note on a leaf",
  photo: "photo",
  inside: "inside a construction",
} as const;

const MOST_FOUND = 60;

/** Where a query is found in the albums, this one first, then the latest. */
export function findAll(texts: readonly Text[], query: string, albumId: string): Found[] {
  return texts
    .flatMap((text) => {
      const snippet = findIn(text.text, query);
      return snippet ? [{ text, snippet }] : [];
    })
    .sort(
      (a, b) =>
        Number(b.text.albumId === albumId) - Number(a.text.albumId === albumId) ||
        ((a.text.date ?? "") < (b.text.date ?? "") ? 1 : -1),
    )
    .map(({ text, snippet }, at) => ({
      key: `${at}`,
      href: text.cardId
        ? to.card(text.albumId, text.cardId)
        : to.entry(text.albumId, text.date ? { date: text.date } : { entry: text.entryId }),
      where: [
        text.albumTitle,
        text.date ? printShort(text.date) : "front and back matter",
        PLACE_NAME[text.place],
      ].join(", "),
      snippet,
    }));
}

/** The words inside the constructions of a page, each with where it is written. */
const insideOf = (page: Page, all: readonly BuiltInBook<Page>[], albumId: string): InsideLine[] =>
  all
    .filter((each) => each.page === page)
    .flatMap(({ built, read, face, placed, called }) =>
      built.holds.flatMap(({ slot, what }): InsideLine[] =>
        what.kind === "words" && what.says.trim() !== ""
          ? [
              {
                ...{ key: `${placed.piece.id} ${slot}`, says: what.says, inside: called || "construction" },
                href: to.making(albumId, built.kind, { leaf: read.leaf.id, face, piece: placed.piece.id }),
              },
            ]
          : [],
      ),
    );

/** Today's page first, then back to the first of the month; what lies ahead comes after them. */
function fromToday(pages: readonly Page[], today: CalendarDate): Page[] {
  const ahead = pages.filter((page) => leadDate(page) > today && !page.days.some(({ date }) => date === today));
  return [...pages.filter((page) => !ahead.includes(page)).reverse(), ...ahead];
}

export function wordsView(
  aggregate: Aggregate,
  people: readonly string[],
  today: CalendarDate,
  query: string,
  texts: readonly Text[] | null,
): WordsView {
  const { album, days, leaves, layouts, prints, photos } = aggregate;
  const { unit } = album;
  const pages = pagesOf({ album, days, leaves, prints });
  const book = readBook(album, pages, leaves, layouts);
  const nameOf = (date: CalendarDate) => {
    const page = pages.find((each) => leadDate(each) === date);
    return page ? pageName(page) : printShort(date);
  };
  const by = writerOf(aggregate.writtenBy);
  const constructions = constructionsIn(book);
  const inWhat: InWhat = new Map(
    constructions.flatMap(({ built, called }) =>
      built.holds.flatMap((held) => {
        const id = idOfHeld(held);
        return id ? [[id, called || "construction"] as const] : [];
      }),
    ),
  );
  const found = texts && findAll(texts, query, album.id);
  return {
    albumId: album.id,
    unit,
    people,
    query,
    found: found?.slice(0, MOST_FOUND) ?? null,
    more: Math.max(0, (found?.length ?? 0) - MOST_FOUND),
    dates: pages.map((page) => ({ date: leadDate(page), said: pageName(page) })),
    mistakes: mistakesInBook(pages, book, photos, people).map((mistake, at) => ({
      ...{ key: `${at}`, dayId: mistake.dayId, slip: mistake.slip },
      ...mistakeLine(mistake, nameOf),
    })),
    days: fromToday(pages, today)
      .filter(
        (page) =>
          !page.skipped &&
          (page.content.cards.length > 0 ||
            insideOf(page, constructions, album.id).length > 0 ||
            page.content.jottings.length > 0 ||
            page.days.some(({ date }) => date === today)),
      )
      .map((page) => ({
        date: leadDate(page),
        dayId: page.group.lead.id,
        label: page.label ?? "",
        name: pageName(page),
        prompt: page.content.prompt.text,
        technique: page.content.technique.text,
        jottings: page.days.flatMap(({ id, version, content }) =>
          content.jottings.map((each) => ({
            ...{ ...each, dayId: id, version, isPrivate: isPrivate(each, today), by: by(each.id) },
          })),
        ),
        cards: page.content.cards.map((card) => glance(card, page, prints, unit, today, inWhat)),
        inside: insideOf(page, constructions, album.id),
      })),
  };
}
