import { randomUUID } from "node:crypto";
import { isDeepStrictEqual } from "node:util";
import { and, eq, isNull } from "drizzle-orm";
import type { Held, Leaf, Owner, Piece, Side, TryOut } from "../core/album/leaf.ts";
import type { MadeOf } from "../core/album/made-of.ts";
import type { AlbumPlan, DayContent, MatterEntry } from "../core/album/model.ts";
import type { Tally } from "../core/album/tally.ts";
import type { Pattern } from "../core/book/pattern.ts";
import type { RulerMark } from "../core/bulk/ruler.ts";
import type { KeptThing } from "../core/drawer/thing.ts";
import type { EndMark } from "../core/finish/end-mark.ts";
import type { Known } from "../core/month/known.ts";
import type { Slot } from "../core/month/slots.ts";
import { FIRST_STEPS } from "../core/pace/first-evening.ts";
import type { PhotoRule } from "../core/photo/propose.ts";
import { albumOfArchive, planColumns } from "./album.ts";
import { dayColumns, pieceRows } from "./day-row.ts";
import type { Db, Transaction } from "./db.ts";
import { keepThingsOf } from "./drawer.ts";
import { lockHousehold } from "./household.ts";
import { insertAll } from "./insert-all.ts";
import { guestRows, leafColumns, sideRows } from "./leaf-row.ts";
import { type OwnLayout, toLayout } from "./library/layout-row.ts";
import {
  album,
  card,
  day,
  dayPhoto,
  jotting,
  knownEvent,
  leaf,
  pocketLayout,
  side,
  sideGuest,
  tally,
  tallyMark,
  tryOut,
} from "./schema/index.ts";
import { tallyRows } from "./tally.ts";

export type ImportedDay = Slot & { readonly content: DayContent };
/** The book as read: leaves in order, candidates beside their sides, and layouts the household may not have yet. */
export type ImportedBook = {
  readonly matters: readonly Omit<MatterEntry, "version">[];
  readonly known: readonly Known[];
  readonly tallies: readonly Tally[];
  readonly leaves: readonly Leaf[];
  readonly tryOuts: readonly Omit<TryOut, "version">[];
  readonly layouts: readonly OwnLayout[];
  /** What of a drawer its pages are made of. */
  readonly things: readonly KeptThing[];
};

export const NO_BOOK: ImportedBook = {
  matters: [],
  known: [],
  tallies: [],
  leaves: [],
  tryOuts: [],
  layouts: [],
  things: [],
};

/** New ids for old ones; an id met for the first time gets one, and its name is put among those there are. */
function renamer(names: Map<string, string>): (old: string) => string {
  return (old) => {
    const now = names.get(old) ?? randomUUID();
    names.set(old, now);
    return now;
  };
}
type Rename = ReturnType<typeof renamer>;

type ThingOf = (id: string) => string | null;
const madeOfHere = <O extends MadeOf | null | undefined>(of: O, thingOf: ThingOf): O =>
  of?.thing ? { ...of, thing: thingOf(of.thing) } : of;

/** A piece under the new names of what it stands for. Its own name is kept where it is no such thing's. */
function renamePiece(was: Piece, rename: Rename, thingOf: ThingOf): Piece {
  const piece = was.of ? { ...was, of: madeOfHere(was.of, thingOf) } : was;
  const { what } = piece;
  if (what.kind === "photo")
    return { ...piece, id: what.cut ? piece.id : rename(what.use), what: { ...what, use: rename(what.use) } };
  if (what.kind === "card") return { ...piece, id: rename(what.card), what: { ...what, card: rename(what.card) } };
  const own = piece.dayId === null ? piece : { ...piece, dayId: rename(piece.dayId) };
  if (!("built" in what) || !what.built) return own;
  const holds = what.built.holds.map(({ slot, what: held }): Held => {
    if (held.kind === "photo") return { slot, what: { ...held, use: rename(held.use) } };
    return { slot, what: held.kind === "card" ? { ...held, card: rename(held.card) } : held };
  });
  return { ...own, what: { ...what, built: { ...what.built, holds } } };
}

function renameLeaf({ id, make, front, back, ...rest }: Leaf, rename: Rename, thingOf: ThingOf): Leaf {
  const owner = (was: Owner): Owner => (was.kind === "day" ? { kind: "day", dayId: rename(was.dayId) } : was);
  const face = (was: Side): Side => ({
    ...was,
    owner: owner(was.owner),
    guests: was.guests.map(({ dayId, done }) => ({ dayId: rename(dayId), done })),
    pieces: was.pieces?.map((piece) => renamePiece(piece, rename, thingOf)) ?? null,
  });
  const layout = make.layout && UUID.test(make.layout) ? rename(make.layout) : make.layout;
  const made = { ...make, layout, of: madeOfHere(make.of, thingOf) };
  return { ...rest, id: rename(id), make: made, front: face(front), back: face(back) };
}

/** What was said of a loose end, of the same things under their new names; what kept its name is named so. */
const renamedMark = (mark: EndMark, names: ReadonlyMap<string, string>): EndMark => {
  const now = (id: string) => names.get(id) ?? id;
  return {
    ...mark,
    entry: mark.entry && now(mark.entry),
    of: mark.of.map((each) => each.split(" ").map(now).join(" ")),
  };
};

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/** The archive's layouts that the household has already, line for line, with its own names for them. */
async function sameLayouts(
  tx: Transaction,
  householdId: string,
  layouts: readonly OwnLayout[],
): Promise<Map<string, string>> {
  const own = (
    await tx
      .select()
      .from(pocketLayout)
      .where(and(eq(pocketLayout.householdId, householdId), isNull(pocketLayout.deletedAt)))
  ).map(toLayout);
  return new Map(
    layouts.flatMap((layout) => {
      const twin = own.find((each) => isDeepStrictEqual({ ...each, id: layout.id }, layout));
      return twin ? [[layout.id, twin.id] as const] : [];
    }),
  );
}

async function importBook(
  tx: Transaction,
  householdId: string,
  albumId: string,
  book: ImportedBook,
  rename: Rename,
): Promise<void> {
  const thingOf = await keepThingsOf(tx, householdId, book.things);
  const leaves = book.leaves.map((each) => renameLeaf(each, rename, thingOf));
  // All in one statement where they are few: that the leaves leave no gap is looked at when the album is whole.
  await insertAll(
    tx,
    leaf,
    leaves.map((each, position) => ({ id: each.id, albumId, position, version: 0, ...leafColumns(each) })),
  );
  await insertAll(
    tx,
    side,
    leaves.flatMap((each) => sideRows(albumId, each)),
  );
  await insertAll(
    tx,
    sideGuest,
    leaves.flatMap((each) => guestRows(albumId, each)),
  );
  await insertAll(
    tx,
    tryOut,
    book.tryOuts.map(({ leafId, face, name, pieces }) => ({
      id: randomUUID(),
      leafId: rename(leafId),
      face,
      name,
      madeAt: new Date(),
      pieces: pieces.map((piece) => renamePiece(piece, rename, thingOf)),
    })),
  );
  await insertAll(
    tx,
    pocketLayout,
    book.layouts.map(({ id, name, page, margin, root }) => ({
      id: rename(id),
      householdId,
      name,
      margin,
      root,
      pageW: page.w,
      pageH: page.h,
    })),
  );
}

export type Imported = { ok: true; albumId: string } | { ok: false; albumId: string };

/**
 * Writes a whole album that was read from elsewhere, under ids of its own, in one transaction: it is there complete or
 * not at all. The album of this archive that the household has already is told instead, unless `asCopy`: also where it
 * came a moment ago, from another window. `content.photos` name photos already in the household's roll. `beside` writes what
 * belongs to it in the same transaction, under the names that old ids have now.
 */
export async function importAlbum(
  db: Db,
  householdId: string,
  archiveId: string,
  plan: AlbumPlan & {
    readonly photoRule?: PhotoRule;
    readonly pattern?: Pattern | null;
    readonly ruler?: readonly RulerMark[];
    readonly looseEnds?: readonly EndMark[];
    readonly nextYear?: string;
  },
  days: readonly ImportedDay[],
  book: ImportedBook = NO_BOOK,
  asCopy = false,
  beside?: (tx: Transaction, albumId: string, names: ReadonlyMap<string, string>) => Promise<void>,
): Promise<Imported> {
  return db.transaction(async (tx) => {
    await lockHousehold(tx, householdId);
    const present = asCopy ? null : await albumOfArchive(tx, householdId, archiveId);
    if (present) return { ok: false, albumId: present };
    const [row] = await tx
      .insert(album)
      .values({
        ...{ householdId, archiveId, ...planColumns(plan), photoRule: plan.photoRule, pattern: plan.pattern },
        ruler: [...(plan.ruler ?? [])],
        nextYear: plan.nextYear,
        // It was begun long ago.
        firstSettled: [...FIRST_STEPS],
      })
      .returning({ id: album.id });
    if (!row) throw new Error("insert returned nothing");
    const known = await sameLayouts(tx, householdId, book.layouts);
    const names = new Map(known);
    const rename = renamer(names);
    const renamed = <T extends { id: string }>(pieces: readonly T[]): T[] =>
      pieces.map((piece) => ({ ...piece, id: rename(piece.id) }));
    const underNames = (content: DayContent): DayContent => ({
      ...content,
      cards: renamed(content.cards),
      jottings: renamed(content.jottings),
      photos: renamed(content.photos),
    });
    const under = [
      ...days.map(({ content, id, mergedInto, ...slot }) => ({
        ...slot,
        ...{ matter: null, ownDate: null, monthPage: null },
        id: rename(id),
        mergedInto: mergedInto === null ? null : rename(mergedInto),
        content: underNames(content),
      })),
      ...book.matters.map(({ content, id, matter, date, month }) => ({
        ...{ matter, date: null, ownDate: date, monthPage: month, skipped: false, mergedInto: null },
        id: rename(id),
        content: underNames(content),
      })),
    ];
    await insertAll(
      tx,
      day,
      under.map(({ content, ...slot }) => ({ ...slot, albumId: row.id, ...dayColumns(content) })),
    );
    const rows = under.map(({ id, content }) => pieceRows(id, content));
    const all = <K extends keyof (typeof rows)[number]>(kind: K) => rows.flatMap((each) => each[kind] as never[]);
    await insertAll(tx, card, all("cards"));
    await insertAll(tx, jotting, all("jottings"));
    await insertAll(tx, dayPhoto, all("photos"));
    await insertAll(
      tx,
      knownEvent,
      book.known.map((known) => ({ ...known, albumId: row.id })),
    );
    const counted = renamed(book.tallies).map((each) => ({ ...each, marks: renamed(each.marks) }));
    const { tallies, marks } = tallyRows(row.id, counted);
    await insertAll(tx, tally, tallies);
    await insertAll(tx, tallyMark, marks);
    const layouts = book.layouts.filter(({ id }) => !known.has(id));
    await importBook(tx, householdId, row.id, { ...book, layouts }, rename);
    const ends = (plan.looseEnds ?? []).map((mark) => renamedMark(mark, names));
    if (ends.length > 0) await tx.update(album).set({ looseEnds: ends }).where(eq(album.id, row.id));
    await beside?.(tx, row.id, names);
    return { ok: true, albumId: row.id };
  });
}
