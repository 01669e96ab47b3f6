import { randomUUID } from "node:crypto";
import { type AnyColumn, and, asc, eq, inArray, isNotNull, isNull, sql } from "drizzle-orm";
import { LRUCache } from "lru-cache";
import type { Leaf, TryOut } from "../core/album/leaf.ts";
import type { AlbumFormat, AlbumPlan, Day, MatterEntry } from "../core/album/model.ts";
import type { Print } from "../core/album/print.ts";
import type { Tally } from "../core/album/tally.ts";
import type { Pattern } from "../core/book/pattern.ts";
import type { RulerMark } from "../core/bulk/ruler.ts";
import type { Bones } from "../core/finish/bones.ts";
import type { EndMark } from "../core/finish/end-mark.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import type { Known } from "../core/month/known.ts";
import { datesOf, type Span } from "../core/month/span.ts";
import type { FirstStep } from "../core/pace/first-evening.ts";
import type { PhotoRule } from "../core/photo/propose.ts";
import { countLeaves } from "./bound.ts";
import { type AlbumPhoto, type DayRow, toDays, toMatters } from "./day-row.ts";
import { type Db, type Reader, type Transaction, writtenOnce } from "./db.ts";
import { insertAll } from "./insert-all.ts";
import { toKnown } from "./known.ts";
import { type LeafRow, SIDES, toLeaf, toTryOuts } from "./leaf-row.ts";
import { type OwnLayout, toLayout } from "./library/layout-row.ts";
import { LOOKS, type LookRow, looksOf, seenLeaf, withLooks } from "./looks.ts";
import { type PrintRow, toPrint } from "./print-row.ts";
import {
  album,
  card,
  day,
  dayPhoto,
  jotting,
  type knownEvent,
  leaf,
  pocketLayout,
  print,
  tally,
  tryOut,
} from "./schema/index.ts";
import { tallyRows, toTallies } from "./tally.ts";

type AlbumRow = typeof album.$inferSelect;

export type AlbumRecord = AlbumPlan & {
  readonly id: string;
  readonly archiveId: string;
  readonly version: number;
  readonly photoRule: PhotoRule;
  /** The pattern of foundation pages that was last set; null before the first. */
  readonly pattern: Pattern | null;
  /** The closed book measured with a ruler. */
  readonly ruler: readonly RulerMark[];
  /** Loose ends that were left, or kept for an evening. */
  readonly looseEnds: readonly EndMark[];
  /** What to do otherwise with the next album. */
  readonly nextYear: string;
  /** Steps of the first evening that are settled. */
  readonly firstSettled: readonly FirstStep[];
};

/** Who wrote a day last, and when. */
export type LastWrite = { readonly by: string; readonly at: string };

export type AlbumAggregate = {
  readonly album: AlbumRecord;
  /** Every day, those outside the span included, in date order. */
  readonly days: Day[];
  /** The entries of the front and back matter. */
  readonly matters: readonly MatterEntry[];
  readonly photos: ReadonlyMap<string, AlbumPhoto>;
  readonly lastWrites: ReadonlyMap<string, LastWrite>;
  /** Who wrote each jotting, and the words of each card, by its id, where that is known. */
  readonly writtenBy: ReadonlyMap<string, string>;
  /** The leaves of the book in order. */
  readonly leaves: readonly Leaf[];
  readonly tryOuts: readonly TryOut[];
  /** The household's own pocket layouts. */
  readonly layouts: readonly OwnLayout[];
  /** What is known ahead of its days, in order. */
  readonly known: readonly Known[];
  /** What is counted over its month. */
  readonly tallies: readonly Tally[];
  /** Every print made for the album, on sheets, at the lab or elsewhere. */
  readonly prints: readonly Print[];
};

/** The plan in an album's row. */
export function planOf(row: AlbumRow): AlbumPlan {
  return {
    title: row.title,
    unit: row.unit,
    numbering: row.numbering,
    span: { start: row.startsOn, end: row.endsOn },
    preparing: row.preparing,
    format: {
      name: row.formatName,
      binding: row.binding,
      nominal: { w: row.nominalW, h: row.nominalH },
      opening: { w: row.openingW, h: row.openingH },
      outer: { w: row.outerW, h: row.outerH },
      bare: { w: row.bareW, h: row.bareH },
      margin: row.margin,
      bindingEdge: row.bindingEdge,
      holes: { positions: row.holePositions, inset: row.holeInset, diameter: row.holeDiameter },
      cover: { w: row.coverW, h: row.coverH },
      capacity: row.capacity,
      leaves: row.leafCount,
    },
  };
}

export const toRecord = (row: AlbumRow): AlbumRecord => ({
  id: row.id,
  archiveId: row.archiveId,
  version: row.version,
  photoRule: row.photoRule,
  pattern: row.pattern,
  ruler: row.ruler,
  looseEnds: row.looseEnds,
  nextYear: row.nextYear,
  firstSettled: row.firstSettled,
  ...planOf(row),
});

const formatColumns = (format: AlbumFormat) => ({
  formatName: format.name,
  binding: format.binding,
  nominalW: format.nominal.w,
  nominalH: format.nominal.h,
  openingW: format.opening.w,
  openingH: format.opening.h,
  outerW: format.outer.w,
  outerH: format.outer.h,
  bareW: format.bare.w,
  bareH: format.bare.h,
  margin: format.margin,
  bindingEdge: format.bindingEdge,
  holePositions: [...format.holes.positions],
  holeInset: format.holes.inset,
  holeDiameter: format.holes.diameter,
  coverW: format.cover.w,
  coverH: format.cover.h,
  capacity: format.capacity,
  leafCount: format.leaves,
});

/** The other pictures of a print that several share, as `photo` below reads its first. */
const SHARING = (use: { together: AnyColumn }) => ({
  sharing: sql<AlbumPhoto[]>`case when ${use.together} is null then '[]'::jsonb else (
    select coalesce(jsonb_agg(jsonb_build_object(
      'id', p.id, 'sha256', p.sha256, 'name', p.name, 'width', p.width, 'height', p.height, 'capturedAt', p.captured_at,
      'offset', p.utc_offset, 'givenDate', p.given_date, 'look', p.look, 'faces', p.faces, 'people', p.people, 'star', p.star, 'banked', p.banked,
      'setAside', p.set_aside,
      'trait', (select jsonb_build_object('focusX', t.focus_x, 'focusY', t.focus_y) from picture_trait t where t.sha256 = p.sha256)
    )), '[]') from photo p
    where p.id in (select (other ->> 'photoId')::uuid from jsonb_array_elements(${use.together} -> 'others') other)
  ) end`.as("sharing"),
});

/** What an album knows of a picture that it uses. */
const ALBUM_PHOTO = {
  columns: {
    id: true,
    sha256: true,
    name: true,
    width: true,
    height: true,
    capturedAt: true,
    offset: true,
    givenDate: true,
    look: true,
    faces: true,
    people: true,
    star: true,
    banked: true,
    setAside: true,
  },
  with: { trait: { columns: { focusX: true, focusY: true } } },
} as const;

/** How a day comes out of the database with everything on it. */
export const DAY_WITH_PIECES = {
  lastWriter: { columns: { name: true } },
  cards: {
    where: isNull(card.deletedAt),
    orderBy: asc(card.position),
    with: { writer: { columns: { name: true } }, preprintPicture: ALBUM_PHOTO },
  },
  jottings: {
    where: isNull(jotting.deletedAt),
    orderBy: asc(jotting.at),
    with: { writer: { columns: { name: true } } },
  },
  photos: {
    where: isNull(dayPhoto.deletedAt),
    orderBy: asc(dayPhoto.position),
    extras: SHARING,
    with: {
      photo: ALBUM_PHOTO,
    },
  },
} as const;

/** How the album's book comes out of the database, its household's layouts with it. */
const BOOK = {
  leaves: {
    where: isNotNull(leaf.position),
    orderBy: asc(leaf.position),
    with: {
      lastWriter: { columns: { name: true } },
      sides: { with: { ...SIDES.with, tryOuts: { where: isNull(tryOut.deletedAt), orderBy: asc(tryOut.name) } } },
    },
  },
  known: true,
  tallies: { with: { marks: true } },
  prints: {
    orderBy: asc(print.place),
    with: { sheet: { columns: { number: true } }, order: { columns: { number: true, dueOn: true } } },
  },
  household: {
    columns: {},
    with: {
      layouts: { where: isNull(pocketLayout.deletedAt), orderBy: asc(pocketLayout.name) },
      things: LOOKS,
    },
  },
} as const;

type WholeRow = AlbumRow & {
  days: DayRow[];
  leaves: LeafRow[];
  prints: PrintRow[];
  known: (typeof knownEvent.$inferSelect)[];
  tallies: Parameters<typeof toTallies>[0];
  household: { layouts: (typeof pocketLayout.$inferSelect)[]; things: LookRow[] };
};

function toAggregate(row: WholeRow): AlbumAggregate {
  const photos = new Map<string, AlbumPhoto>();
  const lastWrites = new Map<string, LastWrite>();
  const writtenBy = new Map<string, string>();
  for (const each of row.days) {
    for (const { photo, sharing } of each.photos) for (const one of [photo, ...sharing]) photos.set(one.id, one);
    for (const { preprintPicture } of each.cards) if (preprintPicture) photos.set(preprintPicture.id, preprintPicture);
    for (const { id, writer } of [...each.jottings, ...each.cards]) if (writer) writtenBy.set(id, writer.name);
    if (each.updatedAt)
      lastWrites.set(each.id, { by: each.lastWriter?.name ?? "somebody", at: new Date(each.updatedAt).toISOString() });
  }
  const looks = looksOf(row.household.things);
  return {
    album: toRecord(row),
    days: toDays(row.days),
    matters: toMatters(row.days),
    photos,
    lastWrites,
    writtenBy,
    leaves: row.leaves.map((each) => seenLeaf(toLeaf(each), looks)),
    tryOuts: row.leaves.flatMap(toTryOuts).map((each) => ({ ...each, pieces: withLooks(each.pieces, looks) })),
    layouts: row.household.layouts.map(toLayout),
    prints: row.prints.map(toPrint),
    known: toKnown(row.known),
    tallies: toTallies(row.tallies),
  };
}

export const ownAlbum = (householdId: string, albumId: string) =>
  and(eq(album.id, albumId), eq(album.householdId, householdId), isNull(album.deletedAt));

const OWN_BY_PLACEHOLDER = and(
  eq(album.id, sql.placeholder("albumId")),
  eq(album.householdId, sql.placeholder("householdId")),
  isNull(album.deletedAt),
);
/** The one statement that every page of an album sends. */
const revisionQuery = writtenOnce((db) =>
  db.select({ revision: album.revision }).from(album).where(OWN_BY_PLACEHOLDER).prepare("album_revision"),
);
const WHOLE = { days: { orderBy: asc(day.date), with: DAY_WITH_PIECES }, ...BOOK } as const;
const wholeQuery = writtenOnce((db) =>
  db.query.album
    .findFirst({
      where: OWN_BY_PLACEHOLDER,
      with: WHOLE,
    })
    .prepare("album_whole"),
);

/** Albums as last read; those that were not asked for the longest make room. */
const remembered = new LRUCache<string, { revision: number; aggregate: AlbumAggregate }>({ max: 200 });

/**
 * The album with its days and their pieces; null when it is not this household's, or in the tray. An album whose
 * revision has not moved since this process read it last is not read again: the database is asked every time, but only
 * for that number.
 */
export async function readAlbum(db: Db, householdId: string, albumId: string): Promise<AlbumAggregate | null> {
  const [now] = await revisionQuery(db).execute({ householdId, albumId });
  if (!now) return null;
  const known = remembered.get(albumId);
  if (known?.revision === now.revision) return known.aggregate;
  const row = await wholeQuery(db).execute({ householdId, albumId });
  if (!row) return null;
  const aggregate = toAggregate(row);
  remembered.set(albumId, { revision: row.revision, aggregate });
  return aggregate;
}

/**
 * All albums of a household but those in the tray, the earliest first: one statement for how far each is, and one more for
 * all that this process has not read as they are now.
 */
export async function readAlbums(db: Db, householdId: string): Promise<AlbumAggregate[]> {
  const rows = await db
    .select({ id: album.id, revision: album.revision })
    .from(album)
    .where(and(eq(album.householdId, householdId), isNull(album.deletedAt)))
    .orderBy(asc(album.startsOn), asc(album.title));
  const aggregates = new Map<string, AlbumAggregate>();
  for (const { id, revision } of rows) {
    const known = remembered.get(id);
    if (known?.revision === revision) aggregates.set(id, known.aggregate);
  }
  const stale = rows.flatMap(({ id }) => (aggregates.has(id) ? [] : [id]));
  if (stale.length > 0)
    for (const row of await db.query.album.findMany({ where: inArray(album.id, stale), with: WHOLE })) {
      const aggregate = toAggregate(row);
      remembered.set(row.id, { revision: row.revision, aggregate });
      aggregates.set(row.id, aggregate);
    }
  return rows.flatMap(({ id }) => aggregates.get(id) ?? []);
}

/** The dates of the span that the album has no day for yet; `begun`: what new days begin with. */
async function addMissingDays(tx: Transaction, albumId: string, span: Span, begun?: Bones["days"]): Promise<void> {
  const present = await tx.select({ date: day.date }).from(day).where(eq(day.albumId, albumId));
  const known = new Set(present.map(({ date }) => date));
  const missing = datesOf(span).filter((date) => !known.has(date));
  const days = missing.map((date) => {
    const from = begun?.get(date);
    if (!from) return { albumId, date };
    const { prompt, title, everyYear } = from;
    return { albumId, date, promptText: prompt.text, promptSlip: prompt.slip, title, everyYear };
  });
  if (days.length > 0) await tx.insert(day).values(days);
}

/** A new album of a household, with what it takes over from an old one. */
export async function createAlbum(
  db: Db,
  householdId: string,
  plan: AlbumPlan,
  firstSettled: FirstStep[] = [],
  bones: Bones | null = null,
): Promise<string> {
  return db.transaction(async (tx) => {
    const [row] = await tx
      .insert(album)
      .values({
        ...{ householdId, ...planColumns(plan), firstSettled },
        ...(bones && { preparing: bones.preparing, photoRule: bones.photoRule, pattern: bones.pattern }),
      })
      .returning({ id: album.id });
    if (!row) throw new Error("insert returned nothing");
    await addMissingDays(tx, row.id, plan.span, bones?.days);
    const tallies = (bones?.tallies ?? []).map((name) => ({ id: randomUUID(), name, marks: [] }));
    await insertAll(tx, tally, tallyRows(row.id, tallies).tallies);
    await countLeaves(tx, row.id, null, plan.format.leaves);
    return row.id;
  });
}

export const planColumns = (plan: AlbumPlan) => ({
  title: plan.title,
  unit: plan.unit,
  numbering: plan.numbering,
  startsOn: plan.span.start,
  endsOn: plan.span.end,
  preparing: plan.preparing,
  ...formatColumns(plan.format),
});

/**
 * Writes the album's settings. Days that fall outside a new span stay, set aside; dates new to the span get a day.
 * Refused when somebody wrote the settings after `version`.
 */
export async function updateAlbum(
  db: Db,
  householdId: string,
  albumId: string,
  version: number,
  plan: AlbumPlan,
): Promise<{ ok: true } | { ok: false; reason: "not-found" | "changed-since" }> {
  return db.transaction(async (tx) => {
    const [row] = await tx
      .select({ version: album.version, leafCount: album.leafCount })
      .from(album)
      .where(ownAlbum(householdId, albumId))
      .for("update");
    if (!row) return { ok: false as const, reason: "not-found" as const };
    if (row.version !== version) return { ok: false as const, reason: "changed-since" as const };
    await tx
      .update(album)
      .set({ ...planColumns(plan), version: version + 1 })
      .where(eq(album.id, albumId));
    await addMissingDays(tx, albumId, plan.span);
    await countLeaves(tx, albumId, row.leafCount, plan.format.leaves);
    return { ok: true as const };
  });
}

export async function setAlbumDeleted(db: Db, householdId: string, albumId: string, at: Date | null): Promise<boolean> {
  const rows = await db
    .update(album)
    .set({ deletedAt: at })
    .where(and(eq(album.id, albumId), eq(album.householdId, householdId)))
    .returning({ id: album.id });
  return rows.length > 0;
}

/** An album by when it is. */
export type AlbumInTime = {
  readonly id: string;
  readonly title: string;
  readonly startsOn: CalendarDate;
  readonly endsOn: CalendarDate;
};

/** The household's albums as they are asked for on a day: those under way, then the next to come, then the last there was. */
export const albumsByDate = (db: Reader, householdId: string, on: CalendarDate): Promise<AlbumInTime[]> =>
  db
    .select({ id: album.id, title: album.title, startsOn: album.startsOn, endsOn: album.endsOn })
    .from(album)
    .where(and(eq(album.householdId, householdId), isNull(album.deletedAt)))
    .orderBy(
      sql`case when ${album.startsOn} <= ${on} and ${album.endsOn} >= ${on} then 0 when ${album.startsOn} > ${on} then 1 else 2 end`,
      sql`least(abs(${album.startsOn} - ${on}::date), abs(${album.endsOn} - ${on}::date))`,
      asc(album.title),
    );

/** The id of the household's album that was read from, or written to, the archive with this id. */
export async function albumOfArchive(db: Reader, householdId: string, archiveId: string): Promise<string | null> {
  const [row] = await db
    .select({ id: album.id })
    .from(album)
    .where(and(eq(album.householdId, householdId), eq(album.archiveId, archiveId), isNull(album.deletedAt)));
  return row?.id ?? null;
}
