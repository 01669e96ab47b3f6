import { randomUUID } from "node:crypto";
import { and, asc, eq, inArray, isNull, notExists, sql } from "drizzle-orm";
import type { Face, Leaf } from "../core/album/leaf.ts";
import { mergeList } from "../core/drawer/list.ts";
import { type DrawerThing, isSameThing, type KeptThing, MOST_OF_A_THING, type Thing } from "../core/drawer/thing.ts";
import type { CutOut } from "../core/drawer/to-cut.ts";
import { LIMITS } from "../core/limits.ts";
import { areaOf, type Rect } from "../core/measure/rect.ts";
import type { Size } from "../core/measure/size.ts";
import { lockAlbums } from "./album-lock.ts";
import type { Author } from "./author.ts";
import { lockLeaves, touchAlbums, writeBook } from "./book.ts";
import type { Db, Reader, Transaction } from "./db.ts";
import { lockHousehold } from "./household.ts";
import { insertAll } from "./insert-all.ts";
import { journaled } from "./journal/line.ts";
import { onADay, putAway } from "./library/tray.ts";
import { photoById } from "./photo.ts";
import { photo, pictureOnDay, pictureTrait, thing } from "./schema/index.ts";

const inUse = (householdId: string) => and(eq(thing.householdId, householdId), isNull(thing.deletedAt));

const drawerRows = (db: Reader, householdId: string) =>
  db.select().from(thing).where(inUse(householdId)).orderBy(asc(thing.name), asc(thing.id));

/** Everything in a household's drawer, by name; one statement. */
export const readDrawer = async (db: Reader, householdId: string): Promise<KeptThing[]> =>
  (await drawerRows(db, householdId)).map(toThing);

/** The same, with how long each lies there and its picture. */
export const readDrawerWithAges = async (db: Reader, householdId: string): Promise<DrawerThing[]> =>
  (await drawerRows(db, householdId)).map((row) => ({ ...toThing(row), addedAt: row.addedAt, photoId: row.photoId }));

const toThing = ({
  householdId: _,
  deletedAt: __,
  addedAt: ___,
  photoId: ____,
  w,
  h,
  ...rest
}: typeof thing.$inferSelect): KeptThing => ({ ...rest, size: w === null || h === null ? null : { w, h } });

/** Things of a household by their ids, those in the tray too; one statement, or none where none is asked for. */
export async function readThings(db: Reader, householdId: string, ids: readonly string[]): Promise<KeptThing[]> {
  if (ids.length === 0) return [];
  const mine = and(eq(thing.householdId, householdId), inArray(thing.id, [...ids]));
  return (await db.select().from(thing).where(mine).orderBy(asc(thing.name), asc(thing.id))).map(toThing);
}

/**
 * Finds what the pages of an album that was read from elsewhere are made of in the household's drawer, or puts it there
 * as long as there is room. Answers under which id each is there now.
 */
export async function keepThingsOf(
  tx: Transaction,
  householdId: string,
  things: readonly KeptThing[],
): Promise<(id: string) => string | null> {
  const own = await readThings(
    tx,
    householdId,
    things.map(({ id }) => id),
  );
  const names = new Map(own.map(({ id }) => [id, id]));
  const strange = things.filter(({ id }) => !names.has(id));
  if (strange.length > 0) {
    const drawer = await readDrawer(tx, householdId);
    const fresh: KeptThing[] = [];
    for (const each of strange) {
      const twin = [...drawer, ...fresh].find((there) => isSameThing(there, each));
      const isRoom = drawer.length + fresh.length < LIMITS.things.most;
      if (!twin && isRoom) fresh.push({ ...each, id: randomUUID() });
      const here = twin ?? (isRoom ? fresh.at(-1) : undefined);
      if (here) names.set(each.id, here.id);
    }
    await insertAll(
      tx,
      thing,
      fresh.map((each) => ({ ...columns(each), householdId, id: each.id })),
    );
  }
  return (id) => names.get(id) ?? null;
}

/** Brings a whole drawer in, with the pictures that show its things; what is there already stays as it is. Answers under which id each is there. */
export const bringThings = (
  db: Db,
  householdId: string,
  brought: readonly { readonly thing: KeptThing; readonly photoId: string | null }[],
): Promise<Map<string, string>> =>
  db.transaction(async (tx) => {
    await lockAlbums(tx, householdId);
    await lockHousehold(tx, householdId);
    const before = new Set((await readDrawer(tx, householdId)).map(({ id }) => id));
    const thingOf = await keepThingsOf(
      tx,
      householdId,
      brought.map(({ thing: each }) => each),
    );
    const names = new Map<string, string>();
    for (const { thing: each, photoId } of brought) {
      const now = thingOf(each.id);
      if (now === null) continue;
      names.set(each.id, now);
      if (photoId && !before.has(now)) await tx.update(thing).set({ photoId }).where(eq(thing.id, now));
    }
    return names;
  });

const columns = ({ size, ...rest }: Thing) => ({ ...rest, w: size?.w ?? null, h: size?.h ?? null });

export type DrawerSaved =
  | { readonly ok: true }
  | { readonly ok: false; readonly reason: "not-found" | "too-many" | "none-left" };

const kept = (db: Db, author: Author, work: (tx: Transaction) => Promise<DrawerSaved>) =>
  journaled<DrawerSaved>(db, author, { what: "stash", how: "kept", thing: "thing" }, async (tx) => {
    // Two windows that fill the drawer fill it one after the other, so that it never holds more than it may. Albums, whose
    // pages may look different then, are locked before their household, as everywhere.
    await lockAlbums(tx, author.householdId);
    await lockHousehold(tx, author.householdId);
    return work(tx);
  });

const isFull = async (tx: Transaction, { householdId }: Author, more: number): Promise<boolean> =>
  (await tx.$count(thing, inUse(householdId))) + more > LIMITS.things.most;

/** Puts something into the drawer, or says anew what it is; sent twice under one id it is there once. */
export const keepThing = (db: Db, author: Author, id: string, said: Thing): Promise<DrawerSaved> =>
  kept(db, author, async (tx) => {
    const changed = await tx
      .update(thing)
      .set(columns(said))
      .where(and(inUse(author.householdId), eq(thing.id, id)))
      .returning({ id: thing.id });
    if (changed.length > 0) {
      // What pages are made of may look different now: as large as its sheet is said to be.
      await touchAlbums(tx, author.householdId);
      return { ok: true };
    }
    if (await isFull(tx, author, 1)) return { ok: false, reason: "too-many" };
    const made = await tx
      .insert(thing)
      .values({ ...columns(said), id, householdId: author.householdId })
      .onConflictDoNothing()
      .returning({ id: thing.id });
    // Under that id there is another household's, or one in the tray.
    return made.length > 0 ? { ok: true } : { ok: false, reason: "not-found" };
  });

/** So many more of something, or fewer; refused where there are not so many any more. */
export const countThing = (db: Db, author: Author, id: string, by: number): Promise<DrawerSaved> =>
  journaled<DrawerSaved>(db, author, { what: "stash", how: "counted", thing: "thing" }, async (tx) => {
    const mine = and(inUse(author.householdId), eq(thing.id, id));
    const [now] = await tx.select({ count: thing.count }).from(thing).where(mine).for("no key update");
    if (!now) return { ok: false, reason: "not-found" };
    if (now.count + by < 0) return { ok: false, reason: "none-left" };
    if (now.count + by > MOST_OF_A_THING) return { ok: false, reason: "too-many" };
    await tx
      .update(thing)
      .set({ count: sql`${thing.count} + ${by}` })
      .where(mine);
    return { ok: true };
  });

/** Says which picture of the roll shows something, or that none does. One that no day uses is set aside: it is offered to none. */
export const pictureThing = (db: Db, author: Author, id: string, photoId: string | null): Promise<DrawerSaved> =>
  journaled<DrawerSaved>(db, author, { what: "stash", how: "kept", thing: "thing" }, async (tx) => {
    await lockAlbums(tx, author.householdId);
    if (photoId !== null && !(await photoById(tx, author.householdId, photoId)))
      return { ok: false, reason: "not-found" };
    const rows = await tx
      .update(thing)
      .set({ photoId })
      .where(and(inUse(author.householdId), eq(thing.id, id)))
      .returning({ id: thing.id });
    if (rows.length === 0) return { ok: false, reason: "not-found" };
    await touchAlbums(tx, author.householdId);
    if (photoId !== null)
      await tx
        .update(photo)
        .set({ setAside: true })
        .where(and(eq(photo.id, photoId), notExists(onADay(tx, isNull(pictureOnDay.deletedAt)))));
    return { ok: true };
  });

/** Something of the drawer with the colours of its picture. */
export type Coloured = Pick<KeptThing, "id" | "name" | "kind"> & {
  readonly photoId: string;
  readonly colours: readonly string[];
};

/** Everything in a household's drawer of which there is a picture whose colours are read; one statement. */
export async function readColoured(db: Reader, householdId: string): Promise<Coloured[]> {
  const rows = await db
    .select({ id: thing.id, name: thing.name, kind: thing.kind, photoId: photo.id, detail: pictureTrait.detail })
    .from(thing)
    .innerJoin(photo, eq(photo.id, thing.photoId))
    .innerJoin(pictureTrait, eq(pictureTrait.sha256, photo.sha256))
    .where(inUse(householdId))
    .orderBy(asc(thing.name), asc(thing.id));
  return rows.map(({ detail, ...each }) => ({ ...each, colours: detail.colours }));
}

/** Puts something into the tray. */
export const dropThing = (db: Db, author: Author, id: string): Promise<DrawerSaved> =>
  journaled<DrawerSaved>(db, author, { what: "stash", how: "put-away", thing: "thing" }, async (tx) =>
    (await putAway(tx, author.householdId, "thing", id, author.at)) ? { ok: true } : { ok: false, reason: "not-found" },
  );

/** The leaves with these marked as cut out of a thing; what is no longer of it is passed over. */
function withCut(leaves: readonly Leaf[], cut: readonly CutOut[]): Leaf[] {
  return leaves.map((leaf) => {
    const mine = cut.filter((each) => each.leaf === leaf.id);
    if (mine.length === 0) return leaf;
    const of = mine.some(({ face }) => face === null) && leaf.make.of ? { ...leaf.make.of, cut: true } : leaf.make.of;
    const side = (face: Face) => ({
      ...leaf[face],
      pieces:
        leaf[face].pieces?.map((piece) =>
          piece.of && mine.some((each) => each.face === face && each.piece === piece.id)
            ? { ...piece, of: { ...piece.of, cut: true } }
            : piece,
        ) ?? null,
    });
    return { ...leaf, make: { ...leaf.make, of }, front: side("front"), back: side("back") };
  });
}

/** Remainders by what of them is in the drawer already, so many more of it, and what is new there. */
function mergeRests(drawer: readonly KeptThing[], rests: readonly Thing[]) {
  const more = new Map<string, number>();
  const fresh: Thing[] = [];
  const plain = drawer.filter(({ motif }) => motif === null);
  for (const rest of rests) {
    const same = plain.find((each) => isSameThing(each, rest));
    const twin = fresh.findIndex((each) => isSameThing(each, rest));
    if (same) more.set(same.id, (more.get(same.id) ?? 0) + 1);
    else if (twin >= 0) fresh[twin] = { ...rest, count: (fresh[twin]?.count ?? 0) + 1 };
    else fresh.push(rest);
  }
  return { more, fresh };
}

/**
 * A sheet was cut: there is one less of it, what was cut out of it is marked as that, and what was left of it lies in the
 * drawer under the same name. One line of the journal, taken back in one.
 */
export const cutSheet = (
  db: Db,
  author: Author,
  {
    thing: id,
    cut,
    rests,
    kept: keeper,
  }: {
    readonly thing: string;
    readonly cut: readonly CutOut[];
    readonly rests: readonly Size[];
    /** What of it keeps the motif, with where the motif lies on that. */
    readonly kept: { readonly size: Size; readonly motif: Rect } | null;
  },
): Promise<DrawerSaved> =>
  journaled<DrawerSaved>(db, author, { what: "stash", how: "cut", thing: "thing" }, async (tx) => {
    const before = await lockLeaves(tx, author);
    if (!before) return { ok: false, reason: "not-found" };
    await lockHousehold(tx, author.householdId);
    const drawer = await readDrawer(tx, author.householdId);
    const sheet = drawer.find((each) => each.id === id);
    const whole = sheet?.size;
    const all = keeper ? [...rests, keeper.size] : rests;
    if (!sheet || !whole || all.reduce((sum, rest) => sum + areaOf(rest), 0) >= areaOf(whole))
      return { ok: false, reason: "not-found" };
    if (sheet.count === 0) return { ok: false, reason: "none-left" };
    const { id: _, ...whatItIs } = sheet;
    const kept = mergeRests(
      drawer,
      rests.map((rest): Thing => ({ ...whatItIs, motif: null, size: rest, count: 1 })),
    );
    const fresh = keeper ? [...kept.fresh, { ...whatItIs, ...keeper, count: 1 }] : kept.fresh;
    if (await isFull(tx, author, fresh.length)) return { ok: false, reason: "too-many" };
    for (const [of, by] of [[id, -1] as const, ...kept.more])
      await tx
        .update(thing)
        .set({ count: sql`least(${thing.count} + ${by}, ${MOST_OF_A_THING})` })
        .where(and(inUse(author.householdId), eq(thing.id, of)));
    const [shown] = await tx.select({ photoId: thing.photoId }).from(thing).where(eq(thing.id, id));
    await insertAll(
      tx,
      thing,
      fresh.map((each) => ({ ...columns(each), ...shown, id: randomUUID(), householdId: author.householdId })),
    );
    await writeBook(tx, author, before, withCut(before, cut));
    return { ok: true };
  });

export type ListSaved =
  | { readonly ok: true; readonly fresh: number; readonly changed: number; readonly same: number }
  | { readonly ok: false; readonly reason: "too-many" };

/**
 * Takes a list in: what is new comes into the drawer, what is there already is as the list says. `shown` are pictures of the
 * household's roll that show some of the things; what it does not name keeps the picture it has.
 */
export async function keepList(
  db: Db,
  author: Author,
  read: readonly Thing[],
  newId: () => string,
  shown: ReadonlyMap<Thing, string> = new Map(),
): Promise<ListSaved> {
  return journaled<ListSaved>(db, author, { what: "stash", how: "kept", thing: "thing" }, async (tx) => {
    await lockAlbums(tx, author.householdId);
    await lockHousehold(tx, author.householdId);
    const { fresh, changed, same } = mergeList(await readDrawer(tx, author.householdId), read);
    if (await isFull(tx, author, fresh.length)) return { ok: false, reason: "too-many" };
    for (const { was, thing: now } of changed)
      await tx
        .update(thing)
        .set({ ...columns(now), name: was.name })
        .where(and(inUse(author.householdId), eq(thing.id, was.id)));
    await insertAll(
      tx,
      thing,
      fresh.map((each) => ({ ...columns(each), id: newId(), householdId: author.householdId })),
    );
    await showThings(tx, author, shown);
    await touchAlbums(tx, author.householdId);
    return { ok: true, fresh: fresh.length, changed: changed.length, same };
  });
}

async function showThings(tx: Transaction, { householdId }: Author, shown: ReadonlyMap<Thing, string>): Promise<void> {
  if (shown.size === 0) return;
  const drawer = await readDrawer(tx, householdId);
  for (const [each, photoId] of shown) {
    const there = drawer.find((one) => isSameThing(one, each));
    if (there)
      await tx
        .update(thing)
        .set({ photoId })
        .where(and(inUse(householdId), eq(thing.id, there.id)));
  }
}
