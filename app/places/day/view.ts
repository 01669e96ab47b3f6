import type { StillMat } from "#app/drawing/mat-text.ts";
import { leadDate, pageName, pageOf } from "#app/places/album/view.ts";
import { inBookName } from "#app/places/arrange/in-book.ts";
import { writerOf } from "#app/places/words/view.ts";
import { type Glance, glanceAt } from "#app/wording/card.ts";
import { heldSaid } from "#app/wording/day.ts";
import { printSaid, SHARPNESS_BRIEFLY } from "#app/wording/photo.ts";
import { FACES, type Face, type Leaf } from "#core/album/leaf.ts";
import type { MatterKind } from "#core/album/matter.ts";
import { type MatterPage, matterPages, standsAt } from "#core/album/matter.ts";
import { MATTER_NAME } from "#core/album/matter-name.ts";
import type { AlbumPlan, Day, DayContent, MatterEntry } from "#core/album/model.ts";
import { type Page, pagesOf } from "#core/album/page.ts";
import { pageSizeOf } from "#core/album/page-leaves.ts";
import { type Print, standingOf } from "#core/album/print.ts";
import type { PlannedStep, RingStates } from "#core/album/steps.ts";
import type { Tally } from "#core/album/tally.ts";
import { sewnCount } from "#core/book/bound.ts";
import { toInBook, toMatterInBook } from "#core/book/dated-page.ts";
import type { PocketLayout } from "#core/book/layout.ts";
import type { Unit } from "#core/measure/length.ts";
import { printSize, type Size } from "#core/measure/size.ts";
import { type CalendarDate, printDate, printShort, weekdayName } from "#core/month/dates.ts";
import { type Known, knownOn, knownSaid } from "#core/month/known.ts";
import type { MonthPage } from "#core/month/month-kind.ts";
import type { Span } from "#core/month/span.ts";
import { madeTogether } from "#core/pace/one-paper.ts";
import { pixelsPerInch, verdictOn } from "#core/photo/crop.ts";
import { pictureCropOf, pictureSizeOf } from "#core/photo/repeat.ts";
import { picturesOf } from "#core/photo/together.ts";
import { deckOfSlip } from "#core/words/decks.ts";
import { benchOf, type DayBenchData, dayMat } from "./day-book.ts";

export type PhotoInfo = {
  readonly name: string;
  readonly taken: string | null;
  readonly pixels: string;
  /** How far its print is. */
  readonly standing: string;
};

/** One date's own material on the page; a shared page has several. */
export type DayPart = {
  readonly id: string;
  readonly dateSaid: string;
  readonly version: number;
  readonly content: DayContent;
};

export type DayView = {
  readonly albumId: string;
  /** As it stands in an address: the date of a day, the id of a page of the front or back matter. */
  readonly key: string;
  /** Null on a page that is no day's. */
  readonly date: CalendarDate | null;
  /** The dates the page is of, none where it is no day's, and those the album tells. */
  readonly dates: readonly CalendarDate[];
  readonly span: Span;
  /** What a page that is no day's is for; null on a day. */
  readonly matter:
    | (Pick<MatterKind, "kind" | "month"> & {
        readonly name: string;
        readonly date: CalendarDate | null;
        /** What was chosen to stand in the squares of a month calendar; null: nobody chose. */
        readonly chosen: MonthPage | null;
      })
    | null;
  readonly label: string;
  readonly when: string;
  /** What is known of its days beforehand, as it would stand in a note. */
  readonly knownAhead: readonly string[];
  /** What is counted over the month. */
  readonly tallies: readonly Tally[];
  readonly skipped: boolean;
  readonly parts: readonly DayPart[];
  readonly states: RingStates;
  /** Pages whose things are made before anything is stuck on this one: a construction goes through the paper between them. */
  readonly madeFirst: readonly string[];
  readonly steps: readonly PlannedStep[];
  /** The prints made of its pictures and cards. */
  readonly prints: readonly Print[];
  /** The day's leaves as they lie, holding still. */
  readonly mat: StillMat;
  readonly sizeSaid: string;
  /** What the arranger works on. */
  readonly bench: DayBenchData;
  readonly unit: Unit;
  /** The household's own pocket layouts for a page of this size. */
  /** The household's own pockets, each of the page it is for. */
  readonly ownLayouts: readonly { readonly id: string; readonly name: string; readonly page: Size }[];
  readonly pageSize: Size;
  readonly albumSize: Size;
  /** Sides of pages near it that are another's, where it could have a place. */
  readonly sharable: readonly { readonly leaf: string; readonly face: Face; readonly said: string }[];
  /** Of a bound book: how many leaves are sewn in, and how many of them are used. */
  readonly bound: { readonly sewn: number; readonly used: number };
  readonly photoInfo: Readonly<Record<string, PhotoInfo>>;
  /** Slips that days of this album have taken, and the number of each day. */
  readonly slipsUsed: Readonly<Record<string, string>>;
  readonly promptFrom: string | null;
  /** Whether the words of each card fit it. */
  readonly fits: Readonly<Record<string, Glance>>;
  readonly lastWrite: string | null;
  /** Who wrote each jotting, where several write. */
  readonly writtenBy: Readonly<Record<string, string>>;
};

/** What the day or the page is called within a sentence. */
export const entryName = ({ matter, label, when }: Pick<DayView, "matter" | "label" | "when">): string =>
  matter ? `the ${matter.name.toLowerCase()}` : label ? `day ${label}` : when;

type Aggregate = {
  readonly tryOuts: DayBenchData["tryOuts"];
  readonly leaves: readonly Leaf[];
  readonly layouts: readonly (PocketLayout & { readonly page: Size })[];
  readonly album: AlbumPlan & { readonly id: string };
  readonly days: readonly Day[];
  readonly matters: readonly MatterEntry[];
  readonly known: readonly Known[];
  readonly tallies: readonly Tally[];
  readonly photos: ReadonlyMap<string, { name: string; capturedAt: string | null; givenDate: CalendarDate | null }>;
  readonly prints: readonly Print[];
  readonly lastWrites: ReadonlyMap<string, { by: string; at: string }>;
  readonly writtenBy: ReadonlyMap<string, string>;
};

function printsOf({ prints }: Aggregate, { content: { photos, cards } }: Page | MatterPage): Print[] {
  const things = new Set([...photos, ...cards].map(({ id }) => id));
  return prints.filter((print) => things.has(print.of));
}

function photoInfo({ photos, prints }: Aggregate, page: Page | MatterPage): Record<string, PhotoInfo> {
  return Object.fromEntries(
    page.content.photos.flatMap((use) => {
      const photo = photos.get(use.photoId);
      if (!photo) return [];
      const each = use.together
        ? picturesOf(use).map(({ picture, at: { w, h }, crop }) => pixelsPerInch(picture, { w, h }, crop))
        : [pixelsPerInch(use.picture, pictureSizeOf(use), pictureCropOf(use))];
      const ppi = Math.floor(Math.min(...each));
      const date = photo.givenDate ?? (photo.capturedAt?.slice(0, 10) as CalendarDate | undefined);
      return [
        [
          use.id,
          {
            name: photo.name,
            taken: date
              ? [printShort(date), photo.givenDate ? null : photo.capturedAt?.slice(11, 16)].filter(Boolean).join(", ")
              : null,
            pixels: `${ppi} ppi, ${SHARPNESS_BRIEFLY[verdictOn(ppi)]}`,
            standing: printSaid(standingOf(use, prints, page.content.done)),
          },
        ],
      ];
    }),
  );
}

const known = new WeakMap<Aggregate, Map<string, DayView | null>>();
type SaidAt = (iso: string) => string;

/** A view read once for as long as the album stands. */
function readOnce(aggregate: Aggregate, key: string, read: () => DayView | null): DayView | null {
  const views = known.get(aggregate) ?? new Map<string, DayView | null>();
  known.set(aggregate, views);
  const view = views.get(key) ?? read();
  views.set(key, view);
  return view;
}

/** Everything the Day place shows; null when the date is not in the album. */
export function dayView(aggregate: Aggregate, date: CalendarDate, saidAt: SaidAt): DayView | null {
  return readOnce(aggregate, date, () => {
    const page = pageOf(pagesOf(aggregate), date);
    if (!page) return null;
    const lead = leadDate(page);
    return {
      ...entryView(aggregate, page, saidAt),
      ...{ key: lead, date: lead, dates: page.days.map(({ date: each }) => each), matter: null },
      label: page.label ?? "",
      knownAhead: [...new Set(page.days.flatMap((day) => knownOn(aggregate.known, day.date).map(knownSaid)))],
      when: page.days.map((day) => `${weekdayName(day.date)}, ${printDate(day.date)}`).join(" and "),
      parts: page.days.map((day) => partOf(day, printShort(day.date))),
    };
  });
}

export type SetAside = {
  readonly albumId: string;
  readonly said: string;
  readonly title: string;
  readonly holds: string;
  readonly span: string;
};

/** A day that the album keeps outside its first and last day; null where there is none of this date. */
export function setAsideView(
  { album, days }: { album: AlbumPlan & { readonly id: string }; days: readonly Day[] },
  date: CalendarDate,
): SetAside | null {
  const day = days.find((each) => each.date === date);
  if (!day) return null;
  return {
    albumId: album.id,
    said: `${weekdayName(date)}, ${printDate(date)}`,
    title: day.content.title,
    holds: heldSaid([day.content]),
    span: `${printShort(album.span.start)} to ${printShort(album.span.end)}`,
  };
}

/** The same of a page of the front or back matter; null when there is none of this id. */
export function matterView(aggregate: Aggregate, id: string, saidAt: SaidAt): DayView | null {
  return readOnce(aggregate, id, () => {
    const page = mattersOf(aggregate).find(({ entry }) => entry.id === id);
    if (!page) return null;
    const name = MATTER_NAME[page.matter.kind];
    const { date } = page.entry;
    return {
      ...entryView(aggregate, page, saidAt),
      ...{ key: id, date: null, dates: [], label: "" },
      matter: { kind: page.matter.kind, month: page.matter.month, name, date, chosen: page.entry.month },
      when: date ? `${weekdayName(date)}, ${printDate(date)}` : "",
      knownAhead: [],
      parts: [partOf(page.entry, name)],
    };
  });
}

const partOf = ({ id, version, content }: Pick<Day, "id" | "version" | "content">, dateSaid: string): DayPart => ({
  id,
  dateSaid,
  version,
  content,
});
const mattersOf = (aggregate: Aggregate): MatterPage[] => matterPages(aggregate);

/** How many pages to either side of a day are offered for a place on them. */
const NEAR = 3;

const whenOf = (page: Page | MatterPage) => ("matter" in page ? standsAt(page.entry) : page.group.lead.date);

/** Sides of the pages nearest to one that belong to another, and that it does not share yet. */
function sharableBy(
  page: Page | MatterPage,
  all: readonly (Page | MatterPage)[],
  leaves: readonly Leaf[],
): DayView["sharable"] {
  const order = [...all]
    .sort((a, b) => (whenOf(a) < whenOf(b) ? -1 : 1))
    .filter((each) => each === page || (!each.skipped && each.leaves.length > 0));
  const at = order.indexOf(page);
  const near = order.filter((each, nth) => each !== page && Math.abs(nth - at) <= NEAR);
  const byId = new Map(near.flatMap((each) => each.days.map(({ id }) => [id, each] as const)));
  const own = new Set(page.days.map(({ id }) => id));
  return leaves.flatMap((leaf) =>
    FACES.flatMap((face) => {
      const { owner, guests } = leaf[face];
      const of = owner.kind === "day" && leaf.make.insert === null ? byId.get(owner.dayId) : undefined;
      if (!of || guests.some(({ dayId }) => own.has(dayId))) return [];
      return [{ leaf: leaf.id, face, said: `with ${inBookName(toInBook(of))}, ${face}` }];
    }),
  );
}

/** What a day and a page of the front or back matter show alike. */
function entryView(
  aggregate: Aggregate,
  page: Page | MatterPage,
  saidAt: SaidAt,
): Omit<DayView, "key" | "date" | "dates" | "matter" | "label" | "when" | "knownAhead" | "parts"> {
  const { album, lastWrites } = aggregate;
  const { unit } = album;
  const pages = pagesOf(aggregate);
  // The same page as among those asked about, so that what is the bench's own is known by it.
  const all = [...pages, ...mattersOf(aggregate).filter(({ entry }) => entry.id !== page.days[0]?.id), page];
  const bench = benchOf(aggregate, page, all);
  const size = pageSizeOf(page.leaves, album.format);
  const writes = page.days.flatMap(({ id }) => lastWrites.get(id) ?? []).sort((a, b) => (a.at < b.at ? 1 : -1));
  return {
    albumId: album.id,
    tallies: aggregate.tallies,
    span: album.span,
    skipped: page.skipped,
    states: page.states,
    steps: page.steps,
    madeFirst: "matter" in page ? [] : (madeTogether(pages).get(page) ?? []).map(pageName),
    prints: printsOf(aggregate, page),
    mat: dayMat("matter" in page ? toMatterInBook(page) : page, bench, unit, "day"),
    sizeSaid: printSize(size, unit),
    bench,
    unit,
    ownLayouts: aggregate.layouts.map(({ id, name, page: of }) => ({ id, name, page: of })),
    pageSize: size,
    albumSize: album.format.nominal,
    sharable: sharableBy(page, all, aggregate.leaves),
    bound: sewnCount(aggregate.leaves),
    photoInfo: photoInfo(aggregate, page),
    slipsUsed: Object.fromEntries(
      pages.flatMap((each) =>
        each.days.flatMap((day) => (day.content.prompt.slip ? [[day.content.prompt.slip, each.label ?? ""]] : [])),
      ),
    ),
    fits: Object.fromEntries(page.content.cards.map((card) => [card.id, glanceAt(card, unit)])),
    promptFrom: deckOfSlip(page.content.prompt.slip)?.name ?? null,
    writtenBy: Object.fromEntries(
      [...page.content.jottings, ...page.content.cards].flatMap(({ id }) => {
        const by = writerOf(aggregate.writtenBy)(id);
        return by ? [[id, by]] : [];
      }),
    ),
    lastWrite: writes[0] ? `${writes[0].by}, ${saidAt(writes[0].at)}` : null,
  };
}
