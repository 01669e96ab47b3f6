import { eq } from "drizzle-orm";
import { presetById } from "../core/album/formats.ts";
import type { Leaf } from "../core/album/leaf.ts";
import type { AlbumPlan } from "../core/album/model.ts";
import { countedAnew } from "../core/book/bound.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import { datesOf } from "../core/month/span.ts";
import { findSlip } from "../core/words/decks.ts";
import { readPicture } from "../press/picture.ts";
import type { Db } from "../store/db.ts";
import { type ImportedDay, importAlbum, NO_BOOK } from "../store/import.ts";
import { keepPhoto } from "../store/photo.ts";
import { household, journalLine, member } from "../store/schema/index.ts";
import { CIDER_MONTH, QUIET } from "./cider-month.ts";
import { dayOf, type Story } from "./day-maker.ts";
import { fillDrawer } from "./drawer.ts";
import { FIRST_LANTERNS } from "./first-lanterns.ts";
import { knowLanternMonth } from "./known.ts";
import { layOutLantern } from "./lantern-book.ts";
import { lookBackOnLantern } from "./lantern-finish.ts";
import { LANTERN_MONTH } from "./lantern-month.ts";
import { fillLanternRoll } from "./lantern-roll.ts";
import { writeLantern } from "./lantern-words.ts";
import { shareWithBram } from "./link.ts";
import { keepLanternHours } from "./pace.ts";
import { paintAhead } from "./pictures/paint.ts";
import { takeFromDrawer } from "./taken.ts";
import { keepFromYearToYear } from "./year-to-year.ts";

/** The evening the demo stands still at. */
const DEMO_NOW = "2026-12-09T18:40";
const slipText = (id: string) => {
  const slip = findSlip(id);
  if (!slip) throw new Error(`the demo names a slip that no deck has: ${id}`);
  return slip.text;
};

function planOf(
  presetId: string,
  given: Pick<AlbumPlan, "title" | "numbering"> & { start: string; end: string; capacity?: number },
): AlbumPlan {
  const preset = presetById(presetId);
  if (!preset) throw new Error(`no such preset: ${presetId}`);
  const { id: _, unit, ...measured } = preset;
  const format = { ...measured, capacity: given.capacity ?? measured.capacity };
  const span = { start: given.start as CalendarDate, end: given.end as CalendarDate };
  return { title: given.title, numbering: given.numbering, preparing: "parts", unit, span, format };
}

/** Takes a day's pictures off the easel, keeps them, and returns their ids in order. */
async function keepPictures(
  db: Db,
  householdId: string,
  story: Story,
  name: string,
  easel: AsyncGenerator<Buffer>,
): Promise<string[]> {
  const ids: string[] = [];
  for (const at of (story.photos ?? []).keys()) {
    const painted = await easel.next();
    const read = await readPicture(painted.value, `${name}-${at + 1}.jpg`);
    if (!read.ok) throw new Error(`a painted picture was refused: ${read.reason}`);
    ids.push((await keepPhoto(db, householdId, read.photo)).id);
  }
  return ids;
}

async function seedAlbum(
  db: Db,
  householdId: string,
  plan: AlbumPlan,
  stories: Record<string, Story>,
  shape: { skipped?: string[]; merged?: [string, string] },
): Promise<string> {
  // One day after the other: painting keeps the processor busy, and a connection that waits too long for it is given up.
  const days: ImportedDay[] = [];
  const leaves: Leaf[] = [];
  const dates = datesOf(plan.span);
  const sittings = dates.flatMap((date) => (stories[date.slice(8)]?.photos ?? []).map(({ sitting }) => sitting));
  const easel = paintAhead(sittings);
  for (const date of dates) {
    const key = date.slice(8);
    const story = stories[key] ?? {};
    const photoIds = await keepPictures(db, householdId, story, date, easel);
    const id = `day-${key}`;
    const { content, leaves: own } = dayOf(id, story, slipText, photoIds);
    days.push({
      id,
      date,
      skipped: shape.skipped?.includes(key) ?? false,
      mergedInto: shape.merged?.[1] === key ? `day-${shape.merged[0]}` : null,
      content,
    });
    leaves.push(...own);
  }
  const counted = countedAnew(leaves, null, plan.format.leaves, () => crypto.randomUUID());
  const book = { ...NO_BOOK, leaves: counted };
  return (await importAlbum(db, householdId, crypto.randomUUID(), plan, days, book)).albumId;
}

/**
 * Fills a database with the demo household and its four albums. Does nothing when they are there already; `begins` is
 * called before the painting, which takes a while.
 */
export async function seedDemo(db: Db, begins: () => void = () => {}): Promise<void> {
  const present = await db.select({ id: household.id }).from(household).where(eq(household.isDemo, true));
  if (present.length > 0) return;
  begins();
  const [home] = await db
    .insert(household)
    .values({ name: "Orrin Skerry", timeZone: "Europe/London", fixedNow: DEMO_NOW, isDemo: false })
    .returning();
  if (!home) throw new Error("insert returned nothing");
  const [petra] = await db
    .insert(member)
    .values(["Petra Vane", "Tobiah"].map((name) => ({ householdId: home.id, name })))
    .returning({ id: member.id });
  if (!petra) throw new Error("insert returned nothing");
  await seedAlbum(
    db,
    home.id,
    planOf("ring-10x8", { title: "Cider Month", numbering: "story", start: "2026-10-01", end: "2026-10-31" }),
    CIDER_MONTH,
    { skipped: QUIET },
  );
  const first = await seedAlbum(
    db,
    home.id,
    planOf("ring-6x8", { title: "First Lanterns", numbering: "date", start: "2025-12-01", end: "2025-12-31" }),
    FIRST_LANTERNS,
    {},
  );
  const lantern = await seedAlbum(
    db,
    home.id,
    // Petra's rings are half an inch: her month will be too much for them.
    planOf("ring-6x8", {
      ...{ title: "Lantern Month", numbering: "date", start: "2026-12-01", end: "2026-12-31" },
      capacity: 12_700,
    }),
    LANTERN_MONTH,
    { skipped: ["20"], merged: ["13", "14"] },
  );
  await seedAlbum(
    db,
    home.id,
    planOf("a5-sewn", { title: "Twelve Tides", numbering: "countdown", start: "2026-12-26", end: "2027-01-06" }),
    {},
    {},
  );
  const at = new Date(`${DEMO_NOW}:00Z`);
  const author = { householdId: home.id, albumId: lantern, memberId: petra.id, at };
  await layOutLantern(db, author);
  await writeLantern(db, author);
  await fillLanternRoll(db, author);
  await keepLanternHours(db, author);
  await knowLanternMonth(db, author, "Europe/London");
  await fillDrawer(db, author);
  await takeFromDrawer(db, author);
  await lookBackOnLantern(db, author);
  await shareWithBram(db, author);
  await keepFromYearToYear(db, { ...author, albumId: first }, author);
  // What was seeded is not the keeper's own doing: "Take back" begins with what is done from now on.
  await db.delete(journalLine).where(eq(journalLine.householdId, home.id));
  // Marked last: a seed broken off half-way is not taken for the demo.
  await db.update(household).set({ isDemo: true }).where(eq(household.id, home.id));
}
