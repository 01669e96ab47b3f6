import { createHash, randomUUID } from "node:crypto";
import { hash } from "@node-rs/argon2";
import { desc, eq, inArray, sql } from "drizzle-orm";
import sharp from "sharp";
import { presetById } from "../../core/album/formats.ts";
import { PLAIN_PAPER } from "../../core/album/leaf.ts";
import { newCard } from "../../core/album/model.ts";
import { madeAs } from "../../core/album/print.ts";
import type { KeptMaking } from "../../core/craft/kept.ts";
import { inches, ticks } from "../../core/measure/length.ts";
import { rect } from "../../core/measure/rect.ts";
import type { CalendarDate } from "../../core/month/dates.ts";
import { AS_IT_COMES } from "../../core/photo/crop.ts";
import type { Role } from "../../core/share/role.ts";
import { STAMP_SETS } from "../../core/words/lettering.ts";
import { createAlbum, readAlbum } from "../../store/album.ts";
import { saveBookEdit } from "../../store/book.ts";
import { saveDayEdit } from "../../store/day.ts";
import type { Db } from "../../store/db.ts";
import { createHousehold, startSession } from "../../store/household.ts";
import { keepKnown } from "../../store/known.ts";
import { keepMaking } from "../../store/library/makings.ts";
import { keepFormat, saveLayout, saveTemplate } from "../../store/library/pages.ts";
import { changeMatter } from "../../store/matter.ts";
import { invite } from "../../store/members.ts";
import { keepPhoto, newUse } from "../../store/photo.ts";
import {
  card,
  deck,
  hand,
  invitation,
  journalLine,
  labOrder,
  leaf,
  measuredFormat,
  member,
  print,
  printer,
  printSheet,
  session,
  stampSet,
  thing,
  tryOut,
  work,
} from "../../store/schema/index.ts";
import { addShare } from "../../store/share.ts";
import { changeTally } from "../../store/tally.ts";
import { addTryOut } from "../../store/try-out.ts";
import { constructionOf } from "../constructions.ts";
import { PASSPHRASE, type Visitor } from "../faults/visitor.ts";

/** Settings of a flip-up as a household keeps them. */
const FLIP_UP: KeptMaking = {
  ...{ name: "Own", kind: "flip-up", paper: "cardstock-80", counts: { edge: 1 } },
  lengths: { width: inches(3), height: inches(4) },
  own: [{ kind: "circle", part: "flip", at: rect(inches(1), inches(1), inches(1), inches(1)) }],
};

/** The names of one household's things: two albums, and one of everything in the first. */
export type World = Readonly<
  Record<
    | "album"
    | "other"
    | "householdId"
    | "day"
    | "secondDay"
    | "card"
    | "jotting"
    | "use"
    | "shared"
    | "photo"
    | "inShared"
    | "loose"
    | "leaf"
    | "matter"
    | "tally"
    | "share"
    | "session"
    | "keeper"
    | "person"
    | "invitation"
    | "tallyMark"
    | "otherLeaf"
    | "sewn"
    | "nextSewn"
    | "tryOut"
    | "sheet"
    | "print"
    | "order"
    | "printer"
    | "deck"
    | "hand"
    | "thing"
    | "paper"
    | "set"
    | "layout"
    | "template"
    | "making"
    | "construction"
    | "format"
    | "trayCard"
    | "trayLeaf"
    | "trayTryOut"
    | "trayDeck"
    | "trayAlbum"
    | "line"
    | "work"
    | "written",
    string
  >
>;

const COVER = { w: inches(4), h: inches(3) };
const PAPER = { w: inches(8.5), h: inches(11) };
/** One print in the corner of a Letter sheet, cut out by two cuts. */
export const GANGED = (id: string) => ({
  paper: PAPER,
  prints: [{ id, at: { x: 0, y: 0, ...COVER }, turned: false, spare: false }],
  waste: [
    { x: COVER.w, y: 0, w: PAPER.w - COVER.w, h: PAPER.h },
    { x: 0, y: COVER.h, w: COVER.w, h: PAPER.h - COVER.h },
  ],
  cuts: [
    {
      piece: { x: 0, y: 0, ...PAPER },
      axis: "x",
      line: COVER.w,
      from: "left",
      measure: COVER.w,
      first: { kind: "cut-on", prints: [0] },
      second: { kind: "waste" },
    },
    {
      piece: { x: 0, y: 0, w: COVER.w, h: PAPER.h },
      axis: "y",
      line: COVER.h,
      from: "top",
      measure: COVER.h,
      first: { kind: "print", print: 0 },
      second: { kind: "waste" },
    },
  ],
});

const NOBODY = { kind: "nobody" as const };

async function picture(db: Db, householdId: string) {
  const bytes = await sharp({
    create: { width: 40, height: 30, channels: 3, background: `#${randomUUID().slice(0, 6)}` },
  })
    .jpeg()
    .toBuffer();
  const cells = { light: [], tone: [], busy: [], colours: [] } as never;
  return keepPhoto(db, householdId, {
    sha256: createHash("sha256").update(bytes).digest("hex"),
    mime: "image/jpeg",
    bytes,
    name: "a.jpg",
    width: 40,
    height: 30,
    capturedAt: "2026-12-01T17:48:00",
    offset: null,
    hasPlace: false,
    ownWords: "",
    versions: [1600, 480, 96].map((longSide) => ({ longSide, bytes })),
    traits: {
      fingerprint: "0".repeat(16).padEnd(160, "7"),
      sharpness: 1,
      focus: { x: 5000, y: 5000 },
      ...(cells as object),
    } as never,
  });
}

/** A passphrase takes its time to be hashed: all visitors share one. */
const HASHED = hash(PASSPHRASE, { memoryCost: 19_456, timeCost: 2, parallelism: 1 });

/** A visitor with a session, made in the database: the door itself is tried elsewhere. */
export async function quickVisitor(db: Db, base: string): Promise<Visitor> {
  const mail = `${randomUUID()}@example.org`;
  const made = await createHousehold(db, { mail, passphraseHash: await HASHED, name: "Keeper", timeZone: "UTC" });
  if (!made.ok) throw new Error("a new address is never taken");
  const { token } = await startSession(db, made.memberId, new Date());
  return { base, mail, cookie: `hearth_session=${token}`, device: "" };
}

/** Another member of a household, with a session. */
export async function quickMember(db: Db, base: string, householdId: string, role: Role): Promise<Visitor> {
  const mail = `${randomUUID()}@example.org`;
  const [row] = await db
    .insert(member)
    .values({ householdId, role, mail, name: role, passphraseHash: await HASHED })
    .returning();
  const { token } = await startSession(db, row?.id ?? "", new Date());
  return { base, mail, cookie: `hearth_session=${token}`, device: "" };
}

/** Fills a visitor's household with one of everything. */
export async function makeWorld(db: Db, { mail }: Visitor): Promise<World> {
  const [who] = await db
    .select({ id: member.id, householdId: member.householdId })
    .from(member)
    .where(eq(member.mail, mail));
  const preset = presetById("ring-6x8");
  if (!who || !preset) throw new Error("no such visitor");
  const { householdId, id: memberId } = who;
  const { id: _, unit, ...format } = preset;
  const span = { start: "2026-12-01" as CalendarDate, end: "2026-12-05" as CalendarDate };
  const plan = (title: string) => ({
    title,
    unit,
    numbering: "date" as const,
    preparing: "parts" as const,
    span,
    format,
  });
  const albums: string[] = [];
  for (const title of ["First", "Second", "Put away"]) albums.push(await createAlbum(db, householdId, plan(title)));
  const [album = "", other = "", trayAlbum = ""] = albums;
  await db.execute(sql`update album set deleted_at = now() where id = ${trayAlbum}`);
  let second = 0;
  // Each thing done a moment after the last, as a person does it.
  const author = () => ({ householdId, albumId: album, memberId, at: new Date(Date.now() + second++) });
  const days = (await readAlbum(db, householdId, album))?.days ?? [];
  const [day, secondDay] = [days[0]?.id ?? "", days[1]?.id ?? ""];
  const save = async (edit: Parameters<typeof saveDayEdit>[4]) => {
    const saved = await saveDayEdit(db, author(), day, null, edit);
    if (!saved.ok) throw new Error(`${edit.kind}: ${saved.reason}`);
  };
  const id = {
    card: randomUUID(),
    trayCard: randomUUID(),
    jotting: randomUUID(),
    use: randomUUID(),
    shared: randomUUID(),
  };
  await save({ kind: "add-card", card: newCard(id.card, COVER, "Words") });
  await save({ kind: "add-card", card: newCard(id.trayCard, COVER, "Away") });
  await db.update(card).set({ deletedAt: new Date() }).where(eq(card.id, id.trayCard));
  await save({
    kind: "add-jotting",
    jotting: { id: id.jotting, text: "Jotted", at: "2026-12-01T18:40", privateUntil: null },
  });
  const [photo, loose] = [await picture(db, householdId), await picture(db, householdId)];
  const [firstOfTwo, inShared] = [await picture(db, householdId), await picture(db, householdId)];
  await save({ kind: "add-photo", photo: { ...newUse(id.use, photo), print: COVER } });
  await save({ kind: "add-photo", photo: newUse(id.shared, firstOfTwo) });
  const pictures = [firstOfTwo, inShared].map((each) => ({
    ...{ photoId: each.id, crop: AS_IT_COMES, picture: each.facts },
  }));
  await save({ kind: "photo-together", id: id.shared, along: "rows", counts: [2], gap: ticks(0), pictures });
  await saveBookEdit(db, author(), null, {
    kind: "give-leaf",
    id: randomUUID(),
    make: { ...PLAIN_PAPER, kind: "full" },
    dayId: day,
  });
  const leaves = {
    ...{ leaf: randomUUID(), otherLeaf: randomUUID(), trayLeaf: randomUUID() },
    // The one added last is the first in the book.
    ...{ nextSewn: randomUUID(), sewn: randomUUID() },
  };
  for (const each of Object.values(leaves)) {
    const edit = { kind: "add-leaf" as const, id: each, make: PLAIN_PAPER, after: null, front: NOBODY, back: NOBODY };
    await saveBookEdit(db, author(), null, edit);
  }
  await saveBookEdit(db, author(), null, { kind: "remove-leaf", leaf: leaves.trayLeaf });
  const construction = randomUUID();
  await saveBookEdit(db, author(), null, {
    ...({ kind: "arrange", leaf: leaves.otherLeaf, face: "front" } as const),
    pieces: [constructionOf(construction)],
  });
  await db
    .update(leaf)
    .set({ sewn: true })
    .where(inArray(leaf.id, [leaves.sewn, leaves.nextSewn]));
  const matter = randomUUID();
  await changeMatter(db, author(), { what: "matter", how: "add", id: matter, matter: "month-calendar" });
  const on = "2026-12-02" as CalendarDate;
  await keepKnown(db, author(), {
    ...{ key: "visit", source: "", title: "A visit", from: on, to: on, starts: "18:00", ends: null, onPage: false },
  });
  const counted = { tally: randomUUID(), tallyMark: randomUUID() };
  await changeTally(db, author(), { how: "add", id: counted.tally, name: "Films seen" });
  await changeTally(db, author(), {
    how: "mark",
    id: counted.tally,
    mark: { id: counted.tallyMark, date: on, text: "" },
  });
  const [person] = await db.insert(member).values({ householdId, role: "helper", name: "Bram" }).returning();
  await invite(db, { householdId, memberId, at: new Date() }, { name: "Odette", role: "looker" });
  const [invited] = await db.select().from(invitation).where(eq(invitation.householdId, householdId));
  // One that was begun elsewhere.
  await startSession(db, memberId, new Date(Date.now() + 1000));
  const [elsewhere] = await db
    .select({ id: session.id })
    .from(session)
    .where(eq(session.memberId, memberId))
    .orderBy(desc(session.startedAt))
    .limit(1);
  const link = randomUUID();
  await addShare(db, author(), link, "Bram");
  const tries = { tryOut: randomUUID(), trayTryOut: randomUUID() };
  for (const each of Object.values(tries))
    await addTryOut(db, author(), { id: each, leafId: leaves.leaf, face: "front", pieces: [] });
  await db.update(tryOut).set({ deletedAt: new Date() }).where(eq(tryOut.id, tries.trayTryOut));
  const [sheet] = await db
    .insert(printSheet)
    .values({
      albumId: album,
      number: 1,
      paperW: PAPER.w,
      paperH: PAPER.h,
      cuts: GANGED("").cuts as never,
      waste: [],
      madeAt: new Date(),
      printedAt: null,
    })
    .returning();
  const [order] = await db
    .insert(labOrder)
    .values({ albumId: album, number: 1, orderedOn: "2026-12-01" as CalendarDate, dueOn: "2026-12-04" as CalendarDate })
    .returning();
  const use = (await readAlbum(db, householdId, album))?.days[0]?.content.photos[0];
  const [printed] = await db
    .insert(print)
    .values(
      [
        { sheetId: sheet?.id, state: "printed" as const },
        { orderId: order?.id, state: "made" as const },
      ].map((from) => ({
        albumId: album,
        ...from,
        place: 0,
        useId: id.use,
        x: ticks(0),
        y: ticks(0),
        ...COVER,
        turned: false,
        spare: false,
        madeAs: use ? `old ${madeAs(use)}` : "",
      })),
    )
    .returning();
  const decks = await db
    .insert(deck)
    .values(
      [null, new Date()].map((deletedAt, at) => ({
        householdId,
        name: `Deck ${at}`,
        jar: "prompt" as const,
        slips: [],
        deletedAt,
      })),
    )
    .returning();
  const [ownHand] = await db
    .insert(hand)
    .values({ householdId, name: "Petra", em: inches(0.2), line: inches(0.3) })
    .returning();
  const [ownThing, ownPaper] = await db
    .insert(thing)
    .values([
      { id: randomUUID(), householdId, name: "Brass numerals", kind: "numbers", count: 2 },
      { id: randomUUID(), householdId, name: "Oak", kind: "paper", count: 2, w: inches(2), h: inches(2) },
    ])
    .returning();
  const [ownSet] = await db
    .insert(stampSet)
    .values({ householdId, measures: STAMP_SETS[0] as never })
    .returning();
  const layout = await saveLayout(db, householdId, {
    name: "Own",
    page: format.nominal,
    margin: ticks(0),
    root: { kind: "pocket" },
  });
  const [ownPrinter] = await db
    .insert(printer)
    .values({ householdId, margin: ticks(800), across: inches(6), along: inches(6), bar: inches(6) })
    .returning();
  const template = await saveTemplate(db, householdId, {
    name: "Own",
    page: format.nominal,
    kind: "full",
    layout: null,
    pieces: [],
  });
  const making = await db.transaction((tx) => keepMaking(tx, householdId, FLIP_UP));
  await keepFormat(db, householdId, unit, { ...format, name: "Own book" });
  const [kept] = await db
    .select({ id: measuredFormat.id })
    .from(measuredFormat)
    .where(eq(measuredFormat.householdId, householdId));
  const expiresAt = new Date(Date.now() + 86_400_000);
  const works = await db
    .insert(work)
    .values([
      {
        id: randomUUID(),
        householdId,
        memberId,
        kind: "read-archive" as const,
        asked: { copy: false, bytes: 9 },
        state: "gathering" as const,
        whole: 9,
        expiresAt,
      },
      {
        id: randomUUID(),
        householdId,
        memberId,
        kind: "write-archive" as const,
        asked: {},
        state: "done" as const,
        outcome: { ok: true, bytes: 3, title: "First" },
        expiresAt,
      },
    ])
    .returning();
  await db.execute(sql`insert into work_part (work_id, place, bytes) values (${works[1]?.id}, 0, 'abc')`);
  await saveDayEdit(db, author(), day, null, { kind: "note", text: "Said last" });
  const [line] = await db
    .select({ id: journalLine.id })
    .from(journalLine)
    .where(eq(journalLine.albumId, album))
    .orderBy(desc(journalLine.seq))
    .limit(1);
  return {
    album,
    other,
    printer: ownPrinter?.id ?? "",
    householdId,
    day,
    secondDay,
    ...id,
    photo: photo.id,
    loose: loose.id,
    inShared: inShared.id,
    ...leaves,
    ...tries,
    ...counted,
    share: link,
    keeper: memberId,
    person: person?.id ?? "",
    invitation: invited?.id ?? "",
    session: elsewhere?.id ?? "",
    matter,
    trayAlbum,
    line: line?.id ?? "",
    sheet: sheet?.id ?? "",
    print: printed?.id ?? "",
    order: order?.id ?? "",
    deck: decks[0]?.id ?? "",
    trayDeck: decks[1]?.id ?? "",
    hand: ownHand?.id ?? "",
    thing: ownThing?.id ?? "",
    paper: ownPaper?.id ?? "",
    set: ownSet?.id ?? "",
    layout: layout ?? "",
    template,
    making: making ?? "",
    construction,
    format: kept?.id ?? "",
    work: works[0]?.id ?? "",
    written: works[1]?.id ?? "",
  };
}
