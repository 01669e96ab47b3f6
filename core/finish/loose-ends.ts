import { hasWords } from "../album/card-words.ts";
import type { Leaf } from "../album/leaf.ts";
import { type AnyPage, allPagesOf, type MatterPage, type WholeRead } from "../album/matter.ts";
import type { Mistake } from "../album/mistakes.ts";
import type { AlbumPlan, DayContent, PhotoUse } from "../album/model.ts";
import { isBegun, type Page, pagesOf } from "../album/page.ts";
import { type Print, printsByThing, type Standing, standingOf } from "../album/print.ts";
import { type BuiltInBook, constructionsIn } from "../book/constructions.ts";
import type { PocketLayout } from "../book/layout.ts";
import { mistakesInBook } from "../book/mistakes-in-book.ts";
import { type BookRead, pageOfPiece, readBook } from "../book/read.ts";
import { placesOfSpreads, spreadAt } from "../book/spread.ts";
import { troublesOf } from "../book/troubles.ts";
import { madeAgain } from "../craft/built.ts";
import { troublesThere } from "../craft/place.ts";
import { mirrored, overlap } from "../measure/rect.ts";
import type { CalendarDate } from "../month/dates.ts";
import { openSteps } from "../pace/needs.ts";
import type { OnIt } from "../photo/on-it.ts";
import { photoIdsOf } from "../photo/together.ts";
import { isLeft, seenSlips } from "../see-through/slips.ts";
import { FOR_GOOD, isPrivate, type Private } from "../share/share.ts";
import type { EndKind } from "./end-mark.ts";
import { namesIn } from "./names.ts";

/** Something of an album that hangs loose: why, where, and what it is about by ids, so that it can be left once. */
export type LooseEnd = {
  readonly kind: EndKind;
  /** The day or page it is of, and that page; null where it is the whole album's. */
  readonly entry: string | null;
  readonly page: AnyPage | null;
  readonly of: readonly string[];
  /** What closing it takes. */
  readonly minutes: number;
  /** The names it is about, where it is about any. */
  readonly names?: readonly string[];
  /** The day that something comes back from the lab; the earliest of several. */
  readonly due?: CalendarDate;
  /** The words of a note. */
  readonly note?: string;
  /** Slips in its words, each left alone on its day. */
  readonly slips?: readonly Mistake[];
  /** A piece that it is about, to be gone to. */
  readonly at?: {
    readonly leaf: string;
    readonly face: "front" | "back";
    readonly piece: string;
    readonly built?: string;
  };
};

/** Of which pages of an album ends are looked for, and by whose names. */
export type EndsSource = WholeRead & {
  readonly album: AlbumPlan;
  readonly leaves: readonly Leaf[];
  readonly layouts: readonly PocketLayout[];
  readonly prints: readonly Print[];
  readonly photos: ReadonlyMap<
    string,
    { readonly capturedAt: string | null; readonly givenDate: CalendarDate | null; readonly people: OnIt }
  >;
};
export type Names = {
  /** Those who are written about. */
  readonly people: readonly string[];
  /** Those who keep the album: most easily missing on its pictures. */
  readonly keepers: readonly string[];
};

/** What an end takes at the table, each thing it is about. From memory. */
const MINUTES: Readonly<Record<EndKind, number>> = {
  ...{ note: 5, come: 2, spoiled: 6, names: 3, wordless: 12, room: 8, fit: 5, rings: 10, slip: 3 },
  ...{ print: 6, lab: 0, jotted: 12, nearly: 5, bare: 20, skipped: 5, calendar: 10, matter: 15, through: 3 },
  ...{ pocket: 5, hint: 4, described: 1, unmarked: 0.1, nobody: 5 },
};
/** No end is said to take longer. */
const MOST_MINUTES = 60;

/** Nearly there: so many steps are left at the most. */
const NEARLY = 3;
/** That somebody is on no picture is said once it is known of so many of the pictures who is on them. */
const MOST_KNOWN = 2 / 3;

/** What was said of words so that they are known again, and cannot be read: 32 bits (FNV-1a, from memory). */
export function wordsKey(text: string): string {
  let key = 0x811c9dc5;
  for (const letter of text) key = Math.imul(key ^ (letter.codePointAt(0) ?? 0), 0x01000193);
  return (key >>> 0).toString(16);
}

const leadOf = (page: AnyPage): string => ("matter" in page ? page.entry.id : page.group.lead.id);
const contentsOf = (page: AnyPage): readonly { readonly id: string; readonly content: DayContent }[] => page.days;

/** Whether a page's days have come; those of the front and back matter once the month has begun. */
const hasCome = (page: AnyPage, today: CalendarDate, { span }: AlbumPlan): boolean =>
  "matter" in page
    ? page.matter.kind === "closing"
      ? today >= span.end
      : today >= span.start
    : page.days.every(({ date }) => date <= today);

type Given = Partial<Omit<LooseEnd, "kind" | "entry" | "page" | "of" | "minutes">>;

function end(kind: EndKind, page: AnyPage | null, of: readonly string[], given: Given = {}): LooseEnd {
  const minutes = Math.min(MOST_MINUTES, Math.max(1, Math.round(MINUTES[kind] * Math.max(1, of.length))));
  return { kind, entry: page && leadOf(page), page, of, minutes: kind === "lab" ? 0 : minutes, ...given };
}
/** One end where it is about anything. */
const some = (kind: EndKind, page: AnyPage | null, of: readonly string[], given?: Given): LooseEnd[] =>
  of.length > 0 ? [end(kind, page, of, given)] : [];

/**
 * Everything of an album that hangs loose as of a day, gathered from all of it: each is there for as long as its cause is.
 * What is still ahead hangs nowhere; of pages that are far from done the forecast tells.
 */
export function looseEnds(source: EndsSource, { people, keepers }: Names, today: CalendarDate): LooseEnd[] {
  const { album, leaves, layouts, prints, photos } = source;
  const pages = allPagesOf(source);
  const dated = pagesOf(source);
  const book: BookRead<AnyPage> = readBook<AnyPage>(album, pages, leaves, layouts);
  const printsOf = printsByThing(prints);
  const leavesOf = leavesByPage(book);
  const constructions = constructionsIn(book);
  const mistakes = mistakesInBook<AnyPage>(dated, book, photos, people);
  const told = pages.filter((page) => hasCome(page, today, album));
  const onPages = told.flatMap((page): LooseEnd[] => {
    if (page.skipped) return ofSkipped(page as Page);
    const own = { leaves: leavesOf.get(page) ?? [] };
    const made = ofPrints(page, printsOf);
    // A note that asks for names is told as the note it is.
    const slips = mistakes.filter(({ kind, dayId }) => kind !== "nameless" && page.days.some(({ id }) => id === dayId));
    return [
      ...notesOf(page),
      ...someCome(page, today),
      ...unnamed(page, source, own),
      ...ofPaper(page, own, source),
      ...(slips.length > 0 ? [end("slip", page, [], { slips })] : []),
      ...made.away,
      ...(isClose(page) ? closing(page, made, own) : begun(page)),
      ...("matter" in page ? ofMatter(page) : []),
    ];
  });
  const skipped = told.filter((page) => page.skipped && ofSkipped(page as Page).length === 0);
  return [
    ...onPages,
    ...some("skipped", null, skipped.map(leadOf)),
    ...openers(constructions, album, told),
    ...seenThrough(book, album, today),
    ...onPictures(told, source, { people, keepers }),
  ];
}

/** The leaves of a book that a page has a side of, or shares one of. */
type Own = Pick<BookRead<AnyPage>, "leaves">;

function leavesByPage({ leaves }: Own): ReadonlyMap<AnyPage, Own["leaves"]> {
  const found = new Map<AnyPage, Own["leaves"][number][]>();
  for (const read of leaves)
    for (const page of new Set(
      [read.front, read.back].flatMap(({ page, guests }) => (page ? [page, ...guests] : guests)),
    ))
      found.set(page, [...(found.get(page) ?? []), read]);
  return found;
}

/** Whether a page is nearly there, or in the book. */
function isClose(page: AnyPage): boolean {
  const { content, steps } = page;
  const isTold = content.photos.length > 0 || content.cards.length > 0;
  return isTold && steps.length > 0 && openSteps(page).length <= NEARLY;
}

const notesOf = (page: AnyPage): LooseEnd[] =>
  contentsOf(page).flatMap(({ id, content: { note } }) =>
    note.trim() === "" ? [] : [{ ...end("note", page, [wordsKey(note)], { note }), entry: id }],
  );

/** What was private until a day that has come, and is still marked so: it leaves the household from now on. */
function someCome(page: AnyPage, today: CalendarDate): LooseEnd[] {
  const come = (each: Private) =>
    each.privateUntil !== null && each.privateUntil !== FOR_GOOD && !isPrivate(each, today);
  const ids = contentsOf(page).flatMap(({ id, content }) => [
    ...(come(content) ? [id] : []),
    ...[...content.photos, ...content.cards, ...content.jottings].filter(come).map((each) => each.id),
  ]);
  return some("come", page, ids);
}

/** Several are on a picture, and the words of its page do not say who. */
function unnamed(page: AnyPage, { photos }: EndsSource, own: Own): LooseEnd[] {
  const peopleOn = (use: PhotoUse) => photoIdsOf(use).flatMap((id) => photos.get(id)?.people ?? []);
  const several = page.content.photos.map(peopleOn).filter((on) => on.length > 1);
  if (several.length === 0) return [];
  const said = namesIn(page, own, several.flat());
  const missing = new Set<string>();
  const uses = page.content.photos.filter((use) => {
    const on = peopleOn(use);
    const unsaid = on.length > 1 ? on.filter((name) => !said.has(name)) : [];
    for (const name of unsaid) missing.add(name);
    return unsaid.length > 0;
  });
  return some(
    "names",
    page,
    uses.map(({ id }) => id),
    { names: [...missing] },
  );
}

/** What will not work as it lies on the sides that are a page's. */
function ofPaper(page: AnyPage, own: Own, { album }: EndsSource): LooseEnd[] {
  const found = own.leaves.flatMap((read) =>
    (["front", "back"] as const).flatMap((face) =>
      read[face].page === page || read[face].guests.includes(page)
        ? troublesOf(read, face, album.format).flatMap(({ act, placed }) =>
            act && pageOfPiece(read[face], placed.piece) === page
              ? [{ leaf: read.leaf.id, face, piece: placed.piece.id }]
              : [],
          )
        : [],
    ),
  );
  const [at] = found;
  return some("fit", page, [...new Set(found.map(({ piece }) => piece))], at && { at });
}

/** Prints of a page that are spoiled or away at a lab, and those that nobody has made yet. */
function ofPrints(page: AnyPage, printsOf: ReturnType<typeof printsByThing>): { away: LooseEnd[]; unmade: LooseEnd[] } {
  const { content } = page;
  const states = content.photos.map((use) => ({
    id: use.id,
    standing: standingOf(use, printsOf.get(use.id) ?? [], content.done),
  }));
  const ids = (is: (standing: Standing) => boolean) =>
    states.filter(({ standing }) => is(standing)).map(({ id }) => id);
  const [due] = states.flatMap(({ standing }) => (standing.kind === "at-lab" ? [standing.due] : [])).sort();
  return {
    away: [
      ...some(
        "spoiled",
        page,
        ids((standing) => standing.kind === "wanted" && standing.spoiled),
      ),
      ...some(
        "lab",
        page,
        ids(({ kind }) => kind === "at-lab"),
        due ? { due } : {},
      ),
    ],
    unmade: some(
      "print",
      page,
      ids((standing) => standing.kind === "wanted" && !standing.spoiled),
    ),
  };
}

/** What keeps a page that is nearly there, or is in the book, from being whole; `prints`: what is told of its prints. */
function closing(page: AnyPage, { away, unmade }: ReturnType<typeof ofPrints>, { leaves }: Own): LooseEnd[] {
  const { content } = page;
  const own = leaves.filter((read) => read.front.page === page || read.back.page === page);
  const rooms = own.flatMap((read) =>
    [read.front, read.back].flatMap((side) =>
      side.pieces.flatMap(({ piece }) =>
        piece.what.kind === "room" && pageOfPiece(side, piece) === page ? [piece.id] : [],
      ),
    ),
  );
  const isByHand = content.done.includes("write");
  const causes = [
    ...unmade,
    ...some("wordless", page, isByHand ? [] : content.cards.filter((card) => !hasWords(card)).map(({ id }) => id)),
    ...some("room", page, rooms),
  ];
  const isNearly = openSteps(page).length > 0 && causes.length + away.length === 0;
  return [...causes, ...(isNearly ? [nearlyThere(page)] : []), ...some("pocket", page, emptyPockets(own, page))];
}

function nearlyThere(page: AnyPage): LooseEnd {
  const steps = openSteps(page);
  const minutes = Math.round(steps.reduce((sum, step) => sum + step.minutes, 0));
  return { ...end("nearly", page, []), minutes: Math.max(1, minutes) };
}

/** Pockets in which nothing lies from either side, each by its leaf and its place there. */
const emptyPockets = (own: BookRead<AnyPage>["leaves"], page: AnyPage): string[] =>
  own.flatMap((read) => {
    if (read.front.page !== page && !(read.front.page === null && read.back.page === page)) return [];
    const { w } = read.build.page;
    const lie = [
      ...read.front.pieces.map(({ rect }) => rect),
      ...read.back.pieces.map(({ rect }) => mirrored(rect, w)),
    ];
    return read.build.pockets.flatMap((pocket, nth) =>
      lie.some((rect) => overlap(rect, pocket)) ? [] : [`${read.leaf.id} ${nth}`],
    );
  });

/** A page that is far from done: nothing of it is there at all, or it was jotted down and nowhere written. */
function begun(page: AnyPage): LooseEnd[] {
  if ("matter" in page) return [];
  const { content } = page;
  const hasAny = isBegun(page);
  if (!hasAny) return [end("bare", page, [])];
  const isWritten = content.cards.some(hasWords) || content.waived.includes("words");
  return isWritten
    ? []
    : some(
        "jotted",
        page,
        content.jottings.map(({ id }) => id),
      );
}

/** A day that is left out of the album, and has pictures or words all the same. */
function ofSkipped(page: Page): LooseEnd[] {
  const { photos, cards, jottings } = page.content;
  return some(
    "skipped",
    page,
    [...photos, ...cards, ...jottings].map(({ id }) => id),
  );
}

/** A page of the front or back matter that nothing is on yet. */
function ofMatter(page: MatterPage): LooseEnd[] {
  const { content, matter, entry } = page;
  if (matter.kind === "month-calendar") {
    const { month } = matter;
    const isByHand = entry.month?.kind === "by-hand";
    const says = month?.grids.some(({ weeks }) => weeks.flat().some((square) => (square?.lines.length ?? 0) > 0));
    return says || content.photos.length + content.cards.length > 0 || (isByHand && content.done.includes("write"))
      ? []
      : [end("calendar", page, [])];
  }
  const isBare =
    content.photos.length + content.cards.length === 0 &&
    page.leaves.every((leaf) => leaf.sides.every(({ filled }) => !filled));
  return isBare && !content.done.includes("file") ? [end("matter", page, [])] : [];
}

/** Constructions that open towards the rings, and those that nothing tells of. */
function openers(all: readonly BuiltInBook<AnyPage>[], { format }: AlbumPlan, told: readonly AnyPage[]): LooseEnd[] {
  return all.flatMap(({ read, face, placed, built, page }): LooseEnd[] => {
    const making = page && told.includes(page) ? madeAgain(built, placed.piece.of?.material) : null;
    if (!making) return [];
    const { piece, rect } = placed;
    const others = read[face].pieces.filter((each) => each !== placed);
    const where = { read, face, lies: rect, turn: piece.turn, outside: piece.outside, others };
    const kinds = new Set(troublesThere(making.done, where, format).map(({ kind }) => kind));
    const at = { leaf: read.leaf.id, face, piece: piece.id, built: built.kind };
    return [
      ...(kinds.has("into-rings") ? [end("rings", page, [piece.id], { at })] : []),
      ...(kinds.has("no-hint") ? [end("hint", page, [piece.id], { at })] : []),
    ];
  });
}

/** What is seen through pages and may not be meant, of the whole book in one. How light pictures are is not asked here. */
function seenThrough(book: BookRead<AnyPage>, { format }: AlbumPlan, today: CalendarDate): LooseEnd[] {
  const seen = placesOfSpreads(book.leaves).flatMap((at) =>
    seenSlips(spreadAt(book.leaves, at, format), today, new Map()).filter((slip) => !isLeft(slip)),
  );
  const [first] = seen;
  const keys = [...new Set(seen.map(({ through, slip }) => `${through.leaf.id} ${wordsKey(slip)}`))];
  return some("through", null, keys, first && { at: { leaf: first.through.leaf.id, face: first.face, piece: "" } });
}

/** What is said of the album's pictures as a whole: not described, nobody marked, and who is on none of them. */
function onPictures(told: readonly AnyPage[], { photos }: EndsSource, { people, keepers }: Names): LooseEnd[] {
  const kept = told.filter(({ skipped }) => !skipped);
  const uses = kept.flatMap((page) => page.content.photos.map((use) => ({ page, use })));
  const bare = uses.filter(({ use }) => use.alt.trim() === "");
  const ids = [...new Set(uses.flatMap(({ use }) => photoIdsOf(use)))];
  const known = ids.filter((id) => (photos.get(id)?.people ?? null) !== null);
  const on = new Set(known.flatMap((id) => photos.get(id)?.people ?? []));
  const isKnown = ids.length > 0 && known.length >= MOST_KNOWN * ids.length;
  const missing = [...new Set([...keepers, ...people])].filter((name) => !on.has(name));
  const describe = some(
    "described",
    null,
    bare.map(({ use }) => use.id),
  ).map((each) => ({ ...each, page: bare[0]?.page ?? null }));
  return [
    ...describe,
    // Once somebody has begun to say who is on them.
    ...(known.length > 0
      ? some(
          "unmarked",
          null,
          ids.filter((id) => !known.includes(id)),
        )
      : []),
    ...(isKnown ? some("nobody", null, missing.map(wordsKey), { names: missing }) : []),
  ];
}
