import { and, eq, gte, isNull, sql } from "drizzle-orm";
import type { Step } from "../core/album/model.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import type { Hours } from "../core/pace/capacity.ts";
import type { Place } from "../core/pace/daylight.ts";
import type { Author } from "./author.ts";
import type { Db, Transaction } from "./db.ts";
import { album, declinedOffer, hours, household, journalLine, member, photo, sitting } from "./schema/index.ts";

/** A sitting that was ended: its date, its minutes, and what was ticked in it. */
export type Sat = { readonly date: CalendarDate; readonly minutes: number; readonly steps: readonly Step[] };

export type PaceRead = {
  /** Null: they have not said. */
  readonly hours: Hours | null;
  readonly minutes: Partial<Record<Step, number>>;
  /** 0 where nothing was said yet. */
  readonly version: number;
  /** What was timed since they last had it forgotten; of all albums, because the hands are the same. */
  readonly sittings: readonly Sat[];
  /** Dates on which they did something in this album, on the household's clock. */
  readonly atWork: readonly CalendarDate[];
  /** A sitting under way, and when it began. */
  readonly under: { readonly albumId: string; readonly began: string } | null;
};

/** How a person stands to time, as this album sees it; one query. */
export async function readPace(db: Db, { memberId, albumId }: Pick<Author, "memberId" | "albumId">): Promise<PaceRead> {
  const isEnded = sql`${sitting.endedAt} is not null and ${sitting.endedAt} >= coalesce(${hours.forgottenAt}, '-infinity')`;
  const [row] = await db
    .select({
      hours: hours.said,
      minutes: hours.minutes,
      version: hours.version,
      sittings: sql<(Omit<Sat, "minutes"> & { seconds: number })[]>`(
        select coalesce(json_agg(json_build_object('date', ${sitting.date}, 'steps', ${sitting.steps},
          'seconds', extract(epoch from ${sitting.endedAt} - ${sitting.beganAt})) order by ${sitting.beganAt}), '[]')
        from ${sitting} where ${sitting.memberId} = ${member.id} and ${isEnded})`,
      atWork: sql<CalendarDate[]>`(
        select coalesce(json_agg(distinct to_char(each.at at time zone ${household.timeZone}, 'YYYY-MM-DD')), '[]') from (
          select ${journalLine.at} as at from ${journalLine}
          where ${journalLine.memberId} = ${member.id} and ${journalLine.albumId} = ${albumId}) as each)`,
      sat: sql<CalendarDate[]>`(
        select coalesce(json_agg(distinct to_char(${sitting.date}, 'YYYY-MM-DD')), '[]')
        from ${sitting} where ${sitting.memberId} = ${member.id} and ${sitting.albumId} = ${albumId} and ${sitting.endedAt} is not null)`,
      under: sql<PaceRead["under"]>`(
        select json_build_object('albumId', ${sitting.albumId}, 'began', ${sitting.beganAt})
        from ${sitting} where ${sitting.memberId} = ${member.id} and ${sitting.endedAt} is null)`,
    })
    .from(member)
    .innerJoin(household, eq(household.id, member.householdId))
    .leftJoin(hours, eq(hours.memberId, member.id))
    .where(eq(member.id, memberId));
  if (!row) return { hours: null, minutes: {}, version: 0, sittings: [], atWork: [], under: null };
  return {
    hours: row.hours,
    minutes: row.minutes ?? {},
    version: row.version ?? 0,
    sittings: row.sittings.map(({ date, steps, seconds }) => ({ date, steps, minutes: seconds / 60 })),
    atWork: [...new Set([...row.atWork, ...row.sat])].sort(),
    under: row.under,
  };
}

export type HoursSaved = { readonly ok: true } | { readonly ok: false; readonly reason: "changed-elsewhere" };

/** Saves when somebody has time; refused where another window saved since `version` was read. */
export async function saveHours(tx: Transaction, memberId: string, version: number, said: Hours): Promise<HoursSaved> {
  return savedOver(tx, memberId, version, { said }, said);
}

/** Saves minutes said by hand, of which those of other steps are learned. */
export async function saveMinutes(
  tx: Transaction,
  memberId: string,
  version: number,
  minutes: Partial<Record<Step, number>>,
  usual: Hours,
): Promise<HoursSaved> {
  return savedOver(tx, memberId, version, { minutes }, usual);
}

/** Begins to learn anew: nothing timed before `at` counts any more, and nothing said by hand. */
export async function forgetMinutes(tx: Transaction, memberId: string, at: Date, usual: Hours): Promise<void> {
  await tx
    .insert(hours)
    .values({ memberId, said: usual, forgottenAt: at })
    .onConflictDoUpdate({
      target: hours.memberId,
      set: { minutes: {}, forgottenAt: at, version: sql`${hours.version} + 1` },
    });
}

async function savedOver(
  tx: Transaction,
  memberId: string,
  version: number,
  change: { said?: Hours; minutes?: Partial<Record<Step, number>> },
  usual: Hours,
): Promise<HoursSaved> {
  const rows =
    version === 0
      ? await tx
          .insert(hours)
          .values({ memberId, said: usual, ...change })
          .onConflictDoNothing()
          .returning({ version: hours.version })
      : await tx
          .update(hours)
          .set({ ...change, version: sql`${hours.version} + 1` })
          .where(and(eq(hours.memberId, memberId), eq(hours.version, version)))
          .returning({ version: hours.version });
  return rows.length > 0 ? { ok: true } : { ok: false, reason: "changed-elsewhere" };
}

/** Says where the household lives on the globe; null: it is not to be known. */
export async function setSky(tx: Transaction, householdId: string, place: Place | null): Promise<void> {
  await tx
    .update(household)
    .set({ latitude: place?.latitude ?? null, longitude: place?.longitude ?? null })
    .where(eq(household.id, householdId));
}

/** A sitting that was forgotten is not counted longer than this. */
const LONGEST_SITTING_HOURS = 6;

/** Begins a sitting; where one is under way, wherever, it goes on and nothing is begun. */
export async function beginSitting(
  db: Db,
  { householdId, albumId, memberId, at }: Author,
  id: string,
  on: CalendarDate,
) {
  await db.execute(sql`
    insert into sitting (id, member_id, album_id, date, began_at)
    select ${id}::uuid, ${memberId}::uuid, album.id, ${on}::date, ${at.toISOString()}::timestamptz from album
    where album.id = ${albumId}::uuid and album.household_id = ${householdId}::uuid and album.deleted_at is null
    on conflict do nothing`);
}

/** Ends the sitting under way: what this person ticked since it began is what was done in it. */
export async function endSitting(db: Db, { memberId, at }: Pick<Author, "memberId" | "at">): Promise<boolean> {
  return db.transaction(async (tx) => {
    const mine = and(eq(sitting.memberId, memberId), isNull(sitting.endedAt));
    const [row] = await tx.select().from(sitting).where(mine).for("update");
    if (!row) return false;
    const ticked = await tx
      .select({ step: sql<Step>`${journalLine.did} ->> 'step'` })
      .from(journalLine)
      .where(
        and(
          eq(journalLine.memberId, memberId),
          eq(journalLine.albumId, row.albumId),
          gte(journalLine.at, row.beganAt),
          isNull(journalLine.takenBackAt),
          sql`${journalLine.did} ->> 'what' in ('step', 'leaf-step') and (${journalLine.did} ->> 'done')::boolean`,
        ),
      );
    const last = new Date(row.beganAt.getTime() + LONGEST_SITTING_HOURS * 3_600_000);
    const ended = new Date(Math.max(row.beganAt.getTime(), Math.min(at.getTime(), last.getTime())));
    await tx
      .update(sitting)
      .set({ endedAt: ended, steps: ticked.map(({ step }) => step) })
      .where(and(eq(sitting.id, row.id), isNull(sitting.endedAt)));
    return true;
  });
}

/** Lets go of a sitting under way as if it had not been begun. */
export async function dropSitting(db: Db, memberId: string): Promise<void> {
  await db.delete(sitting).where(and(eq(sitting.memberId, memberId), isNull(sitting.endedAt)));
}

/** How many pictures of the household are banked: kept for a day that has no light. */
export async function bankedPictures(db: Db, householdId: string): Promise<number> {
  return db.$count(photo, and(eq(photo.householdId, householdId), eq(photo.banked, true), isNull(photo.deletedAt)));
}

/** The ways to catch up that were answered with "no" in an album, by their names. */
export async function declinedOffers(db: Db, albumId: string): Promise<string[]> {
  const rows = await db
    .select({ offer: declinedOffer.offer })
    .from(declinedOffer)
    .where(eq(declinedOffer.albumId, albumId));
  return rows.map(({ offer }) => offer);
}

/** Says "no" to a way to catch up: it is not offered in this album again, however often that is said. */
export async function declineOffer(
  tx: Transaction,
  { householdId, albumId }: Author,
  offer: string,
): Promise<{ readonly ok: true } | { readonly ok: false; readonly reason: "not-found" }> {
  const mine = and(eq(album.id, albumId), eq(album.householdId, householdId), isNull(album.deletedAt));
  const rows = await tx.select({ id: album.id }).from(album).where(mine);
  if (rows.length === 0) return { ok: false, reason: "not-found" };
  await tx.insert(declinedOffer).values({ albumId, offer }).onConflictDoNothing();
  return { ok: true };
}
