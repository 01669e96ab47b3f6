import { randomUUID } from "node:crypto";
import { isDeepStrictEqual } from "node:util";
import { and, eq, isNotNull, isNull, sql } from "drizzle-orm";
import type { Pattern } from "../core/book/pattern.ts";
import type { HouseholdFile } from "../core/format/household-file.ts";
import type { LibraryThing } from "../core/format/library-file.ts";
import type { Running } from "../core/format/running-file.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import type { Db, Reader, Transaction } from "./db.ts";
import { type Household, lockHousehold } from "./household.ts";
import { insertAll } from "./insert-all.ts";
import { readDecks, saveDeck } from "./library/decks.ts";
import { FILE_KINDS, freeName, readThing } from "./library/file.ts";
import { keepHand, keepStampSet } from "./library/hands.ts";
import { OWN } from "./library/kinds.ts";
import { keepMaking } from "./library/makings.ts";
import { keepFormat, saveLayout, saveTemplate } from "./library/pages.ts";
import {
  album,
  card,
  day,
  declinedOffer,
  hours,
  household,
  jotting,
  labOrder,
  member,
  print,
  printer,
  printSheet,
  share,
  sitting,
  tally,
  tallyMark,
} from "./schema/index.ts";

/** What a household's file says beside its albums and pictures, and putting it into a household that may have some of it. */

const iso = (at: Date) => at.toISOString();
const isoOrNull = (at: Date | null) => at && iso(at);
const date = (said: string | null) => (said === null ? null : new Date(said));

/** Those who are in a household and those who left, with when they have time. */
export async function membersOf(db: Reader, householdId: string): Promise<HouseholdFile["members"]> {
  const rows = await db
    .select({ id: member.id, name: member.name, role: member.role, hours })
    .from(member)
    .leftJoin(hours, eq(hours.memberId, member.id))
    .where(eq(member.householdId, householdId))
    .orderBy(member.name, member.id);
  return rows.map(({ hours: has, ...who }) => ({
    ...who,
    hours: has && { said: has.said, minutes: has.minutes, forgottenAt: isoOrNull(has.forgottenAt) },
  }));
}

/** The household's own decks, without the names they go by here. */
export const decksOf = async (db: Reader, householdId: string): Promise<HouseholdFile["decks"]> =>
  (await readDecks(db, householdId)).map(({ name, jar, slips }) => ({
    name,
    jar,
    slips: slips.map((slip) => ({ ...slip })),
  }));

/** What a household keeps to use again, with the ids it goes by. */
export async function libraryOf(db: Reader, householdId: string): Promise<{ id: string; thing: LibraryThing }[]> {
  const all: { id: string; thing: LibraryThing }[] = [];
  for (const kind of FILE_KINDS) {
    const { table } = OWN[kind];
    const inUse = and(eq(table.householdId, householdId), isNull(table.deletedAt));
    const rows: { id: string }[] = await db.select({ id: table.id }).from(table).where(inUse).orderBy(table.id);
    for (const { id } of rows) {
      const found = await readThing(db, householdId, kind, id);
      if (found) all.push({ id, thing: found.thing });
    }
  }
  return all;
}

type FilePrinter = HouseholdFile["printers"][number];
export async function printersOf(db: Reader, householdId: string): Promise<FilePrinter[]> {
  const rows = await db.select().from(printer).where(eq(printer.householdId, householdId)).orderBy(printer.usedAt);
  return rows.map(({ householdId: _, usedAt: __, borderlessAcross, borderlessAlong, ...rest }) => ({
    ...(structuredClone(rest) as Omit<FilePrinter, "borderless">),
    borderless:
      borderlessAcross === null || borderlessAlong === null
        ? null
        : { across: borderlessAcross, along: borderlessAlong },
  }));
}

/** The running work of an album: prints, sheets, orders, who wrote what, sittings, links. */
export async function runningOf(db: Reader, albumId: string): Promise<Running> {
  const writers = async (table: typeof card | typeof jotting) =>
    db
      .select({ of: table.id, by: table.writtenBy })
      .from(table)
      .innerJoin(day, eq(day.id, table.dayId))
      .where(and(eq(day.albumId, albumId), isNull(table.deletedAt), isNotNull(table.writtenBy)));
  // One after the other: a transaction asks for one thing at a time.
  const sheets = await db.select().from(printSheet).where(eq(printSheet.albumId, albumId)).orderBy(printSheet.number);
  const orders = await db.select().from(labOrder).where(eq(labOrder.albumId, albumId)).orderBy(labOrder.number);
  const prints = await db
    .select()
    .from(print)
    .where(eq(print.albumId, albumId))
    .orderBy(print.sheetId, print.orderId, print.place);
  const cards = await writers(card);
  const jottings = await writers(jotting);
  const marks = await db
    .select({ of: tallyMark.id, by: tallyMark.writtenBy })
    .from(tallyMark)
    .innerJoin(tally, eq(tally.id, tallyMark.tallyId))
    .where(and(eq(tally.albumId, albumId), isNotNull(tallyMark.writtenBy)));
  const declined = await db
    .select()
    .from(declinedOffer)
    .where(eq(declinedOffer.albumId, albumId))
    .orderBy(declinedOffer.offer);
  const sat = await db
    .select()
    .from(sitting)
    .where(and(eq(sitting.albumId, albumId), isNotNull(sitting.endedAt)))
    .orderBy(sitting.beganAt);
  const links = await db.select().from(share).where(eq(share.albumId, albumId)).orderBy(share.createdAt);
  const [plan] = await db.select({ firstSettled: album.firstSettled }).from(album).where(eq(album.id, albumId));
  // What lies in the tray is not in the file, nor are prints of it.
  const there = await piecesThere(db, albumId);
  return {
    sheets: sheets.map(
      ({ id, number, of, paperW, paperH, cuts, waste, cutsDone, madeAt, printedAt, printerId, borderless }) => ({
        ...{ id, number, of, cuts: structuredClone(cuts) as never, waste, cutsDone, borderless },
        paper: { w: paperW, h: paperH },
        madeAt: iso(madeAt),
        printedAt: isoOrNull(printedAt),
        printer: printerId,
      }),
    ),
    orders: orders.map(({ id, number, orderedOn, dueOn, arrivedAt, labId }) => ({
      ...{ id, number, orderedOn, dueOn, lab: labId },
      arrivedAt: isoOrNull(arrivedAt),
    })),
    prints: prints
      .filter(({ useId, cardId }) => there.has(useId ?? cardId ?? ""))
      .map(
        ({
          sheetId,
          orderId,
          useId,
          cardId,
          x,
          y,
          w,
          h,
          paperW,
          paperH,
          place,
          turned,
          spare,
          madeAs,
          state,
          tile,
        }) => ({
          ...{ place, turned, spare, madeAs, state },
          ...{ sheet: sheetId, order: orderId, use: useId, card: cardId, at: { x, y, w, h } },
          tile: tile ?? null,
          paper: paperW === null || paperH === null ? null : { w: paperW, h: paperH },
        }),
      ),
    written: [...cards, ...jottings, ...marks].flatMap(({ of, by }) => (by === null ? [] : [{ of, by }])),
    declined: declined.map(({ offer }) => offer),
    sittings: sat.flatMap(({ memberId, date: on, beganAt, endedAt, steps }) =>
      endedAt ? [{ by: memberId, date: on, began: iso(beganAt), ended: iso(endedAt), steps }] : [],
    ),
    links: links.map(({ name, goes, endsOn }) => ({ name, goes: structuredClone(goes), endsOn })),
    firstSettled: plan?.firstSettled ?? [],
  };
}

/** The pictures and cards that the days of an album have, by their ids. */
async function piecesThere(db: Reader, albumId: string): Promise<Set<string>> {
  const { rows } = await db.execute<{ id: string }>(sql`
    select c.id from card c join day d on d.id = c.day_id where d.album_id = ${albumId} and c.deleted_at is null
    union all select u.id from day_photo u join day d on d.id = u.day_id where d.album_id = ${albumId} and u.deleted_at is null`);
  return new Set(rows.map(({ id }) => id));
}

/** What the ids of a file are called in the household it is brought into. */
export type Renamed = ReadonlyMap<string, string>;

/**
 * Those of a file, in the household it comes into: its reader, or whoever is there under the same name, or somebody who left,
 * whose name what they wrote goes on under. They come in again by an invitation.
 */
export const bringMembers = (
  db: Db,
  householdId: string,
  reader: string | null,
  members: HouseholdFile["members"],
  at: Date,
): Promise<Map<string, string>> =>
  db.transaction(async (tx) => {
    await lockHousehold(tx, householdId);
    const here = await tx.select().from(member).where(eq(member.householdId, householdId));
    const names = new Map<string, string>();
    const free = here.toSorted((a, b) => Number(b.id === reader) - Number(a.id === reader));
    for (const { id, name, role, hours: has } of members) {
      const at_ = free.findIndex((each) => each.name === name);
      const [found] = at_ < 0 ? [] : free.splice(at_, 1);
      const now = found?.id ?? randomUUID();
      if (!found) await tx.insert(member).values({ id: now, householdId, name, role, leftAt: at });
      names.set(id, now);
      if (has)
        await tx
          .insert(hours)
          .values({ memberId: now, said: has.said, minutes: has.minutes, forgottenAt: date(has.forgottenAt) })
          .onConflictDoNothing();
    }
    return names;
  });

/** Whether a household has nothing yet that a file could contradict: then it is called and set as the file says. */
export async function bringSettings(db: Db, householdId: string, file: HouseholdFile): Promise<boolean> {
  return db.transaction(async (tx) => {
    await lockHousehold(tx, householdId);
    if ((await tx.$count(album, eq(album.householdId, householdId))) > 0) return false;
    const { name, timeZone, people, place } = file;
    const set: Partial<Household> = { name, timeZone, people: [...people], ...(place ?? {}) };
    await tx.update(household).set(set).where(eq(household.id, householdId));
    return true;
  });
}

/** Whether a name is this one, or this one with a number that was put behind it because the name was taken. */
const isNamed = (name: string, wanted: string): boolean =>
  name === wanted || (name.startsWith(`${wanted} `) && /^\d+$/.test(name.slice(wanted.length + 1)));

/** Keeps decks that the household has not, slip for slip; one whose name is another's there gets a number. */
export async function bringDecks(db: Db, householdId: string, decks: HouseholdFile["decks"]): Promise<void> {
  const own = await readDecks(db, householdId);
  for (const { name: wanted, jar, slips } of decks) {
    if (own.some((each) => each.jar === jar && isNamed(each.name, wanted) && isDeepStrictEqual(each.slips, slips)))
      continue;
    for (let nth = 1; nth < 100; nth++) {
      const name = nth === 1 ? wanted : `${wanted} ${nth}`;
      if ((await saveDeck(db, householdId, { id: randomUUID(), name, jar, slips })) === "kept") break;
    }
  }
}

type Kept = { readonly id: string; readonly thing: LibraryThing };
/** A thing as its name, and all else of it. */
function nameAndRest({ kind, ...thing }: LibraryThing): { name: string; rest: unknown } {
  const named = Object.values(thing).find((each) => typeof each === "object" && each !== null && "name" in each);
  const { name } = named as { name: string };
  const rest = JSON.parse(
    JSON.stringify(thing, (key, value) => (key === "name" && value === name ? undefined : value)),
  );
  return { name, rest: { kind, ...rest } };
}
const isTwin = (there: LibraryThing, wanted: LibraryThing): boolean => {
  if (there.kind !== wanted.kind) return false;
  const [one, other] = [nameAndRest(there), nameAndRest(wanted)];
  return isNamed(one.name, other.name) && isDeepStrictEqual(one.rest, other.rest);
};

/** Layouts before templates, which are made of them. */
const ORDER: readonly LibraryThing["kind"][] = ["layout", "hand", "stamp-set", "making", "format", "template"];

/** Keeps what a household keeps to use again; what it has already is not doubled. Answers under which id each is there. */
export async function bringLibrary(
  db: Db,
  householdId: string,
  library: HouseholdFile["library"],
): Promise<Map<string, string>> {
  const names = new Map<string, string>();
  const own: Kept[] = await libraryOf(db, householdId);
  for (const { id, thing } of library.toSorted((a, b) => ORDER.indexOf(a.thing.kind) - ORDER.indexOf(b.thing.kind))) {
    const twin = own.find((each) => isTwin(each.thing, thing));
    const now = twin?.id ?? (await keepAnother(db, householdId, thing, own));
    if (now) names.set(id, now);
    if (now && !twin) own.push({ id: now, thing });
  }
  return names;
}

/** Keeps one thing more under a free name; its id where it goes by one, null where it does not, or there is no room. */
const keepAnother = (db: Db, householdId: string, thing: LibraryThing, own: readonly Kept[]): Promise<string | null> =>
  db.transaction(async (tx) => {
    const free = (name: string) => freeName(tx, householdId, thing.kind, name);
    switch (thing.kind) {
      case "layout":
        return saveLayout(tx, householdId, { ...thing.layout, name: await free(thing.layout.name) });
      case "template": {
        const { layout, template } = thing;
        const made = layout && own.find((each) => isTwin(each.thing, { kind: "layout", layout }));
        const name = await free(template.name);
        return saveTemplate(tx, householdId, { ...template, name, layout: made?.id ?? template.layout });
      }
      case "making":
        return keepMaking(tx, householdId, { ...thing.making, name: await free(thing.making.name) });
      case "hand":
        await keepHand(tx, householdId, { ...thing.hand, name: await free(thing.hand.name) });
        return null;
      case "stamp-set":
        await keepStampSet(tx, householdId, { ...thing.set, name: await free(thing.set.name) });
        return null;
      case "format":
        await keepFormat(tx, householdId, thing.unit, { ...thing.format, name: await free(thing.format.name) });
        return null;
    }
  });

/** Keeps printers and labs; one of the same name and measures is the same. Answers under which id each is there. */
export const bringPrinters = (
  db: Db,
  householdId: string,
  printers: readonly FilePrinter[],
): Promise<Map<string, string>> =>
  db.transaction(async (tx) => {
    await lockHousehold(tx, householdId);
    const own = await printersOf(tx, householdId);
    const measures = ({ id: _, last: __, ...rest }: FilePrinter) => JSON.parse(JSON.stringify(rest));
    const names = new Map<string, string>();
    for (const each of printers) {
      const twin = own.find((there) => isDeepStrictEqual(measures(there), measures(each)));
      const id = twin?.id ?? randomUUID();
      names.set(each.id, id);
      const { borderless, id: _, ...columns } = each;
      if (!twin)
        await tx.insert(printer).values({
          ...columns,
          ...{ id, householdId },
          borderlessAcross: borderless?.across ?? null,
          borderlessAlong: borderless?.along ?? null,
        });
    }
    return names;
  });

const UUIDS = /[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}/g;

/** Writes the running work of an album that was just brought in; `names`: what every id of the file is called now. */
export async function bringRunning(tx: Transaction, albumId: string, running: Running, names: Renamed): Promise<void> {
  const now = (id: string) => names.get(id);
  const known = (id: string | null) => (id === null ? null : (names.get(id) ?? null));
  const within = (text: string) => text.replaceAll(UUIDS, (id) => names.get(id) ?? id);
  const own = new Map([...running.sheets, ...running.orders].map(({ id }) => [id, randomUUID()]));
  await insertAll(
    tx,
    printSheet,
    running.sheets.map(({ id, paper, madeAt, printedAt, printer: on, ...rest }) => ({
      ...rest,
      ...{ id: own.get(id) ?? "", albumId, paperW: paper.w, paperH: paper.h },
      madeAt: new Date(madeAt),
      printedAt: date(printedAt),
      printerId: known(on),
    })),
  );
  await insertAll(
    tx,
    labOrder,
    running.orders.map(({ id, lab, arrivedAt, ...rest }) => ({
      ...rest,
      ...{ id: own.get(id) ?? "", albumId, labId: known(lab), arrivedAt: date(arrivedAt) },
    })),
  );
  await insertAll(
    tx,
    print,
    running.prints.flatMap(({ sheet, order, use, card: of, at, paper, madeAs, ...rest }) => {
      const [useId, cardId] = [known(use), known(of)];
      if (useId === null && cardId === null) return [];
      return [
        {
          ...rest,
          ...at,
          ...{ albumId, useId, cardId, madeAs: within(madeAs) },
          sheetId: sheet && (own.get(sheet) ?? null),
          orderId: order && (own.get(order) ?? null),
          ...{ paperW: paper?.w ?? null, paperH: paper?.h ?? null },
        },
      ];
    }),
  );
  const written = running.written.flatMap(({ of, by }) => {
    const [piece, who] = [now(of), now(by)];
    return piece && who ? [{ piece, who }] : [];
  });
  for (const table of [card, jotting, tallyMark])
    await tx.execute(
      sql`update ${table} set written_by = said.who from jsonb_to_recordset(${JSON.stringify(written)}::jsonb) as said(piece uuid, who uuid)
          where ${table}.id = said.piece`,
    );
  await insertAll(
    tx,
    declinedOffer,
    [...new Set(running.declined.map(within))].map((offer) => ({ albumId, offer })),
  );
  await insertAll(
    tx,
    sitting,
    running.sittings.flatMap(({ by, date: on, began, ended, steps }) => {
      const memberId = now(by);
      if (!memberId) return [];
      const times = { date: on as CalendarDate, beganAt: new Date(began), endedAt: new Date(ended) };
      return [{ id: randomUUID(), memberId, albumId, steps, ...times }];
    }),
  );
  await insertAll(
    tx,
    share,
    running.links.map(({ name, goes, endsOn }) => ({
      ...{ albumId, name, endsOn },
      goes: { ...goes, entries: goes.entries.map(within), pieces: goes.pieces.map(within) },
    })),
  );
  const [row] = await tx.select({ pattern: album.pattern }).from(album).where(eq(album.id, albumId));
  const pattern = row?.pattern ? (JSON.parse(within(JSON.stringify(row.pattern))) as Pattern) : null;
  await tx.update(album).set({ firstSettled: running.firstSettled, pattern }).where(eq(album.id, albumId));
}
