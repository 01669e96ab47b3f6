import { and, asc, count, eq, inArray, lt, or, sql } from "drizzle-orm";
import { LIMITS } from "../core/limits.ts";
import type { Db, Reader } from "./db.ts";
import { photo, picture, work, workPart } from "./schema/index.ts";
import type { WorkKind, WorkState } from "./schema/work.ts";

export type { WorkKind, WorkState };
export type WorkRecord = typeof work.$inferSelect;

/** How long a file that was made, or that is coming in, is kept. */
const KEPT_HOURS = 24;
/** A process that has not been heard of for so long has lost its work to whoever comes next. */
const LOST_SECONDS = 20;
/** A work that ended the process that did it is begun so often, and then given up. */
const MOST_TRIES = 4;
/** How many a household may have under way. */
const MOST_AT_ONCE = 4;

const LIVE: WorkState[] = ["gathering", "waiting", "running"];
const hours = (count: number, from: Date) => new Date(from.getTime() + count * 3_600_000);
const ofHousehold = (householdId: string, id: string) => and(eq(work.id, id), eq(work.householdId, householdId));

export type Asked = {
  readonly id: string;
  readonly householdId: string;
  readonly memberId: string;
  readonly kind: WorkKind;
  readonly asked: unknown;
  /** With the size of the file that is to come first; null where there is none. */
  readonly fileBytes: number | null;
  readonly at: Date;
};

/**
 * Asks for a piece of work. Asked twice with one id it is there once. Refused where the household has enough under way,
 * or the id is somebody else's.
 */
export async function askWork(db: Db, asked: Asked): Promise<WorkRecord | "too-many" | "not-found"> {
  const { id, householdId, memberId, kind, fileBytes, at } = asked;
  return db.transaction(async (tx) => {
    const [known] = await tx.select().from(work).where(eq(work.id, id));
    if (known) return known.householdId === householdId ? known : "not-found";
    const [live] = await tx
      .select({ many: count() })
      .from(work)
      .where(and(eq(work.householdId, householdId), inArray(work.state, LIVE)));
    if ((live?.many ?? 0) >= MOST_AT_ONCE) return "too-many";
    const [row] = await tx
      .insert(work)
      .values({
        id,
        householdId,
        memberId,
        kind,
        asked: asked.asked,
        askedAt: at,
        expiresAt: hours(KEPT_HOURS, at),
        state: fileBytes === null ? "waiting" : "gathering",
        whole: fileBytes ?? 0,
      })
      .onConflictDoNothing()
      .returning();
    return row ?? "not-found";
  });
}

export async function readWork(db: Reader, householdId: string, id: string): Promise<WorkRecord | null> {
  const [row] = await db.select().from(work).where(ofHousehold(householdId, id));
  return row ?? null;
}

/** The numbers of the parts of a work's file that are there. */
export async function partsOf(db: Reader, workId: string): Promise<number[]> {
  const rows = await db
    .select({ place: workPart.place })
    .from(workPart)
    .where(eq(workPart.workId, workId))
    .orderBy(asc(workPart.place));
  return rows.map(({ place }) => place);
}

/** How large the part with this number is of a file of so many bytes; null where it has no such part. */
export function partSize(fileBytes: number, place: number): number | null {
  const from = place * LIMITS.partBytes.most;
  if (!Number.isSafeInteger(place) || place < 0 || from >= fileBytes) return null;
  return Math.min(LIMITS.partBytes.most, fileBytes - from);
}

/** Keeps a part of a file that is coming in. Sent twice it is there once; false where it is not awaited. */
export async function keepPart(
  db: Db,
  householdId: string,
  workId: string,
  place: number,
  bytes: Buffer,
): Promise<boolean> {
  const found = await readWork(db, householdId, workId);
  if (found?.state !== "gathering" || partSize(found.whole, place) !== bytes.length) return false;
  await db.insert(workPart).values({ workId, place, bytes }).onConflictDoNothing();
  return true;
}

/** Lets a work begin whose file is whole; false while parts are missing. */
export async function beginWork(db: Db, householdId: string, id: string): Promise<boolean> {
  const found = await readWork(db, householdId, id);
  if (!found) return false;
  if (found.state !== "gathering") return true;
  const parts = await partsOf(db, id);
  if (parts.length !== Math.ceil(found.whole / LIMITS.partBytes.most)) return false;
  await db
    .update(work)
    .set({ state: "waiting", done: 0, whole: 0 })
    .where(and(ofHousehold(householdId, id), eq(work.state, "gathering")));
  return true;
}

/** Ends a work that is not done yet; what was made of its file goes. */
export async function cancelWork(db: Db, householdId: string, id: string): Promise<boolean> {
  return db.transaction(async (tx) => {
    const rows = await tx
      .update(work)
      .set({ state: "cancelled", claimedBy: null })
      .where(and(ofHousehold(householdId, id), inArray(work.state, LIVE)))
      .returning({ id: work.id });
    if (rows.length > 0) await tx.delete(workPart).where(eq(workPart.workId, id));
    return rows.length > 0;
  });
}

/** Reads an archive that is here already as a second album: its file is still kept. */
export async function readAgain(db: Db, householdId: string, id: string): Promise<boolean> {
  const rows = await db
    .update(work)
    .set({ state: "waiting", outcome: null, asked: sql`${work.asked} || '{"copy": true}'` })
    .where(and(ofHousehold(householdId, id), eq(work.kind, "read-archive"), eq(work.state, "refused")))
    .returning({ id: work.id });
  return rows.length > 0 && (await partsOf(db, id)).length > 0;
}

/**
 * Takes the oldest work that waits, or one whose process has not been heard of for a while. Several processes may ask at once:
 * each gets another one, or null.
 */
export async function claimWork(db: Db, by: string): Promise<WorkRecord | null> {
  const lost = sql`${work.state} = 'running' and ${work.beatAt} < now() - make_interval(secs => ${LOST_SECONDS})`;
  await db
    .update(work)
    .set({ state: "failed", claimedBy: null })
    .where(and(lost, sql`${work.tries} >= ${MOST_TRIES}`));
  const next = db
    .select({ id: work.id })
    .from(work)
    .where(or(eq(work.state, "waiting"), lost))
    .orderBy(asc(work.askedAt))
    .limit(1)
    .for("update", { skipLocked: true });
  const [row] = await db
    .update(work)
    .set({ state: "running", claimedBy: by, beatAt: sql`now()`, tries: sql`${work.tries} + 1` })
    .where(eq(work.id, sql`(${next})`))
    .returning();
  return row ?? null;
}

const held = (id: string, by: string) => and(eq(work.id, id), eq(work.state, "running"), eq(work.claimedBy, by));

/** Says that a work goes on and how far it is; false where it was cancelled, or given to another. */
export async function beatWork(db: Db, id: string, by: string, done: number, whole: number): Promise<boolean> {
  const rows = await db
    .update(work)
    .set({ beatAt: sql`now()`, done, whole })
    .where(held(id, by))
    .returning({ id: work.id });
  return rows.length > 0;
}

/** Ends a work that is held. `keepFile` where its file is what was asked for. */
export async function endWork(
  db: Db,
  id: string,
  by: string,
  state: "done" | "refused" | "failed",
  outcome: unknown,
  keepFile: boolean,
): Promise<void> {
  await db.transaction(async (tx) => {
    const rows = await tx
      .update(work)
      .set({ state, outcome, claimedBy: null })
      .where(held(id, by))
      .returning({ id: work.id });
    if (rows.length > 0 && !keepFile) await tx.delete(workPart).where(eq(workPart.workId, id));
  });
}

/** Puts a work back for another to do: this process ends. */
export async function letGoOfWork(db: Db, id: string, by: string): Promise<void> {
  await db
    .update(work)
    .set({ state: "waiting", claimedBy: null, tries: sql`greatest(0, ${work.tries} - 1)` })
    .where(held(id, by));
}

/** Takes away what was made of a work's file before, so that it is made anew. */
export async function clearParts(db: Db, workId: string): Promise<void> {
  await db.delete(workPart).where(eq(workPart.workId, workId));
}

export async function writePart(db: Db, workId: string, place: number, bytes: Buffer): Promise<void> {
  await db.insert(workPart).values({ workId, place, bytes });
}

/** Bytes of one part, from `from` within it, `most` of them at the most; null where there is no such part. */
export async function readPart(
  db: Reader,
  workId: string,
  place: number,
  from = 0,
  most: number = LIMITS.partBytes.most,
): Promise<Buffer | null> {
  const [row] = await db
    .select({ bytes: sql<Buffer>`substring(${workPart.bytes} from ${from + 1}::int for ${most}::int)` })
    .from(workPart)
    .where(and(eq(workPart.workId, workId), eq(workPart.place, place)));
  return row?.bytes ?? null;
}

/** Drops works, and their files, whose time is over. */
export async function dropExpiredWork(db: Db, now: Date): Promise<void> {
  await db.delete(work).where(lt(work.expiresAt, now));
}

/** How many bytes of the household's are kept: its pictures as they came, and files of works. */
export async function keptBytes(db: Reader, householdId: string): Promise<number> {
  const [row] = await db
    .select({
      pictures: sql<string>`coalesce((select sum(octet_length(p.bytes)) from ${picture} p join ${photo} f on f.sha256 = p.sha256 where f.household_id = ${householdId}), 0)`,
      files: sql<string>`coalesce((select sum(octet_length(b.bytes)) from ${workPart} b join ${work} w on w.id = b.work_id where w.household_id = ${householdId}), 0)`,
    })
    .from(sql`(select 1) as one`);
  return Number(row?.pictures ?? 0) + Number(row?.files ?? 0);
}

/** How many bytes a household may keep; whoever runs the program sets another number of gigabytes. */
export function householdRoom(gigabytes: string | undefined): number {
  const set = Number(gigabytes);
  return Number.isFinite(set) && set > 0 ? set * 1e9 : LIMITS.householdBytes.most;
}
