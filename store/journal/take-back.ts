import { and, asc, desc, eq, isNotNull, isNull, notInArray, type SQL, sql } from "drizzle-orm";
import { stillGlued } from "../../core/book/bound.ts";
import type { Did } from "../../core/journal/did.ts";
import { netOf, type Recorded, reversed } from "../../core/journal/net.ts";
import { joinOrders } from "../../core/journal/order.ts";
import { groupsOf } from "../../core/month/slots.ts";
import { lockAlbums, lockSlots } from "../album-lock.ts";
import type { Author } from "../author.ts";
import { lockLeaves } from "../book.ts";
import { type Db, isForeign, isTaken, type Transaction } from "../db.ts";
import { moveLeaves } from "../leaf-place.ts";
import { isBare } from "../matter.ts";
import { daySave, journalLine, journalRow, leaf, member, tryOut } from "../schema/index.ts";
import { MOST_TRY_OUTS } from "../try-out.ts";
import { keepWordings } from "../wordings.ts";
import { type InTheWay, makeChanges } from "./rows.ts";
import { LEAF_ORDER, OF_HOUSEHOLD } from "./tables.ts";

/** What somebody did after a line, on the same thing. */
export type Since = { readonly did: Did; readonly by: string; readonly at: string };
export type Turned =
  | { ok: true; did: Did; days: string[] }
  | { ok: false; reason: "nothing-left" | "no-longer-kept" | "not-found" }
  /** Somebody has changed it since: to put it back would undo their work. `since` is null where that is not known. */
  | { ok: false; reason: "changed-since"; did: Did; since: Since | null };

/** Taken back: as it was before the line. Done again: as the line had left it. */
export type Way = "back" | "again";

type Line = typeof journalLine.$inferSelect;

/** The line that is meant: the one of this name, or the member's own last one in the album that goes this way. */
async function lineFor(
  tx: Transaction,
  author: Author,
  way: Way,
  id: string | null,
  own: boolean,
): Promise<Line | null> {
  const byAuthor = eq(journalLine.memberId, author.memberId);
  const ofHousehold = own
    ? and(eq(journalLine.householdId, author.householdId), byAuthor)
    : eq(journalLine.householdId, author.householdId);
  if (id !== null) {
    const here = sql`(${journalLine.albumId} = ${author.albumId} or ${journalLine.albumId} is null)`;
    const [row] = await tx
      .select()
      .from(journalLine)
      .where(and(eq(journalLine.id, id), ofHousehold, here));
    return row ?? null;
  }
  const mine = and(ofHousehold, eq(journalLine.albumId, author.albumId), byAuthor, eq(journalLine.open, true));
  const [row] = await tx
    .select()
    .from(journalLine)
    .where(and(mine, way === "back" ? isNull(journalLine.takenBackAt) : isNotNull(journalLine.takenBackAt)))
    .orderBy(desc(way === "back" ? journalLine.seq : journalLine.takenBackAt))
    .limit(1);
  return row ?? null;
}

/** Thrown inside the transaction, so that nothing of it stays. */
class ChangedSince extends Error {
  readonly way: InTheWay | null;
  constructor(way: InTheWay | null) {
    super("changed since");
    this.way = way;
  }
}

/**
 * Takes a line of the journal back, or does it again: the member's own last one in the album, or the one of this id.
 * Everything it changed must be as it left it; what others have changed beside that stays as they made it. Refused, with
 * what they did, where it would undo their work. With `own`, no line is found but what the author did themselves.
 */
export async function turnLine(db: Db, author: Author, way: Way, id: string | null, own = false): Promise<Turned> {
  let line: Line | null = null;
  try {
    return await db.transaction(async (tx) => {
      if (!(await lockSlots(tx, author.householdId, author.albumId))) return { ok: false, reason: "not-found" };
      line = await lineFor(tx, author, way, id, own);
      if (!line) return { ok: false, reason: id === null ? "nothing-left" : "not-found" };
      if (!line.open) return { ok: false, reason: "no-longer-kept" };
      // Asked for twice, it is done once.
      if ((line.takenBackAt !== null) === (way === "back")) return { ok: true, did: line.did, days: [] };
      const days = await turn(tx, author, line, way);
      return { ok: true, did: line.did, days };
    });
  } catch (error) {
    const known = line as Line | null;
    // Something it needs was put elsewhere, or is gone for good.
    if (known && (error instanceof ChangedSince || isTaken(error) || isForeign(error))) {
      const inTheWay = error instanceof ChangedSince ? error.way : null;
      const since = inTheWay ? await whoChanged(db, known, inTheWay) : null;
      return { ok: false, reason: "changed-since", did: known.did, since };
    }
    throw error;
  }
}

/** Takes back the member's own last change in the album, or the one of this id. */
export const takeBack = (db: Db, author: Author, id: string | null = null) => turnLine(db, author, "back", id);
/** Does again what the member took back last in the album, or the change of this id. */
export const doAgain = (db: Db, author: Author, id: string | null = null) => turnLine(db, author, "again", id);

/** What was done after a line to what it is about, and by whom; null where no line says so. */
async function whoChanged(db: Db, line: Line, { of, key, columns }: InTheWay): Promise<Since | null> {
  const touched =
    columns.length > 0
      ? sql`(coalesce(${journalRow.before}, '{}') || coalesce(${journalRow.after}, '{}')) ?| ${`{${columns.join(",")}}`}::text[]`
      : undefined;
  const [row] = await db
    .select({ did: journalLine.did, by: member.name, at: journalLine.at })
    .from(journalRow)
    .innerJoin(journalLine, eq(journalLine.id, journalRow.lineId))
    .leftJoin(member, eq(member.id, journalLine.memberId))
    .where(
      and(
        eq(journalRow.of, of),
        sql`${journalRow.key} = ${JSON.stringify(key)}::jsonb`,
        sql`${journalLine.seq} > ${line.seq}`,
        isNull(journalLine.takenBackAt),
        touched,
      ),
    )
    .orderBy(desc(journalLine.seq))
    .limit(1);
  return row ? { did: row.did, by: row.by ?? "somebody", at: row.at.toISOString() } : null;
}

async function turn(tx: Transaction, author: Author, line: Line, way: Way): Promise<string[]> {
  const recorded: Recorded[] = await tx
    .select({ of: journalRow.of, key: journalRow.key, before: journalRow.before, after: journalRow.after })
    .from(journalRow)
    .where(eq(journalRow.lineId, line.id))
    .orderBy(asc(journalRow.id));
  const changes = netOf(recorded).map((each) => (way === "back" ? reversed(each) : each));
  const touched = (...names: string[]) => changes.filter(({ of }) => names.includes(of));
  const isOfHousehold = touched(...OF_HOUSEHOLD).length > 0;
  if (isOfHousehold) await lockAlbums(tx, author.householdId);

  const [slotsBefore, leavesBefore] = [await slotsOf(tx, author), await lockLeaves(tx, author)];
  if (!slotsBefore || !leavesBefore) throw new ChangedSince(null);
  const orderNow = leavesBefore.map(({ id }) => id);
  const inTheWay = await makeChanges(tx, changes, author.at);
  if (inTheWay) throw new ChangedSince(inTheWay);
  await takeMatters(tx, changes);

  // Stories that are moved back take their leaves along by the dates where somebody has put the leaves in another order.
  const saves = await tx.select().from(daySave).where(eq(daySave.lineId, line.id));
  const [order] = touched(LEAF_ORDER);
  const moved = line.did.what === "month" || line.did.what === "told";
  const byDates = !(await putInOrder(tx, author, order, orderNow, moved));
  if (byDates) await moveLeaves(tx, author, [...new Set(saves.map(({ dayId }) => dayId))]);

  await checkLeavesGone(tx, author, line, changes);
  await checkBook(tx, author, leavesBefore, changes);
  await checkGroups(tx, author, slotsBefore, changes);
  await checkTryOuts(tx, changes);
  await countVersions(tx, author, changes, saves);
  const cards = touched("card").filter(({ after }) => after && ("text" in after || "back" in after));
  if (cards.length > 0)
    await keepWordings(
      tx,
      author,
      cards.map(({ key }) => String(key.id)),
    );
  await tx.execute(
    isOfHousehold
      ? sql`update album set revision = revision where household_id = ${author.householdId}`
      : sql`update album set revision = revision where id = ${author.albumId}`,
  );
  await tx
    .update(journalLine)
    .set({ takenBackAt: way === "back" ? (sql`clock_timestamp()` as SQL<Date>) : null })
    .where(eq(journalLine.id, line.id));
  return [...new Set(saves.map(({ dayId }) => dayId))];
}

const slotsOf = (tx: Transaction, author: Author) => lockSlots(tx, author.householdId, author.albumId);

/** Takes away the pages of the front and back matter whose coming is taken back, where nothing was put on them since. */
async function takeMatters(tx: Transaction, changes: readonly Recorded[]): Promise<void> {
  for (const { of, key, before, after } of changes) {
    if (of !== "day" || after !== null || before?.matter == null) continue;
    const id = String(key.id);
    if (!(await isBare(tx, id))) throw new ChangedSince({ of, key, columns: [] });
    await tx.execute(sql`update side set day_id = null where day_id = ${id}`);
    await tx.execute(sql`delete from day where id = ${id}`);
  }
}

/**
 * Puts the leaves in the order that the change and everybody else's since make together. False where they make none and
 * the leaves may go by the dates of their days instead; otherwise that is refused.
 */
async function putInOrder(
  tx: Transaction,
  author: Author,
  change: Recorded | undefined,
  orderNow: readonly string[],
  mayGoByDates: boolean,
): Promise<boolean> {
  const ids = (image: Recorded["before"]) => (image?.ids ?? []) as readonly string[];
  const joined = change ? joinOrders(ids(change.before), ids(change.after), orderNow) : orderNow;
  if (joined === null && !mayGoByDates) throw new ChangedSince({ of: LEAF_ORDER, key: change?.key ?? {}, columns: [] });
  const rows = await tx
    .select({ id: leaf.id })
    .from(leaf)
    .where(and(eq(leaf.albumId, author.albumId), isNotNull(leaf.position)))
    .orderBy(asc(leaf.position));
  const there = rows.map(({ id }) => id);
  const wanted = (joined ?? orderNow).filter((id) => there.includes(id));
  const order = [...wanted, ...there.filter((id) => !wanted.includes(id))];
  const places = JSON.stringify(order.map((id, position) => ({ id, position })));
  await tx.execute(
    sql`update leaf set position = there.position from jsonb_to_recordset(${places}::jsonb) as there(id uuid, position int)
        where leaf.id = there.id and leaf.position is distinct from there.position`,
  );
  return joined !== null;
}

/** Refuses what would take a leaf out of the book that somebody has shared a side of, or set a candidate beside, since. */
async function checkLeavesGone(
  tx: Transaction,
  { albumId }: Author,
  line: Line,
  changes: readonly Recorded[],
): Promise<void> {
  const ids = changes.filter(({ of }) => of === "leaf").map(({ key }) => String(key.id));
  if (ids.length === 0) return;
  const { rows } = await tx.execute<{ of: string; key: Recorded["key"] }>(sql`
    select r.of, r.key from journal_row r join journal_line l on l.id = r.line_id, leaf f
    where f.album_id = ${albumId} and f.id = any(${`{${ids.join(",")}}`}::uuid[]) and f.position is null
      and l.album_id = f.album_id and l.seq > ${line.seq} and l.taken_back_at is null
      and (r.of = 'side_guest' and r.key ->> 'leaf_id' = f.id::text
        or r.of = 'try_out' and r.key ->> 'id' in (select t.id::text from try_out t where t.leaf_id = f.id))
    order by l.seq desc limit 1`);
  if (rows[0]) throw new ChangedSince({ ...rows[0], columns: [] });
}

/** Refuses what would glue a leaf to another than it was glued to, or leave it glued to nothing. */
async function checkBook(
  tx: Transaction,
  author: Author,
  before: NonNullable<Awaited<ReturnType<typeof lockLeaves>>>,
  changes: readonly Recorded[],
): Promise<void> {
  const after = await lockLeaves(tx, author);
  if (!after) throw new ChangedSince(null);
  const glueOfOurs = new Set(
    changes
      .filter((each) => each.of === "leaf" && each.after && "glued" in each.after)
      .map(({ key }) => String(key.id)),
  );
  const wrong = after.find((each, at) => {
    if (!each.glued) return false;
    if (after[at + 1]?.sewn !== true) return true;
    return !glueOfOurs.has(each.id) && stillGlued(before, after)[at]?.glued === false;
  });
  if (wrong) throw new ChangedSince({ of: "leaf", key: { id: wrong.id }, columns: ["glued"] });
}

/** Refuses what would take a day that the line is not about off the page it shares. */
async function checkGroups(
  tx: Transaction,
  author: Author,
  before: NonNullable<Awaited<ReturnType<typeof slotsOf>>>,
  changes: readonly Recorded[],
): Promise<void> {
  const ours = new Set(changes.filter(({ of }) => of === "day").map(({ key }) => String(key.id)));
  if (ours.size === 0) return;
  const after = await slotsOf(tx, author);
  if (!after) throw new ChangedSince(null);
  const leads = ({ slots, span }: typeof before) =>
    new Map(groupsOf(slots, span).flatMap(({ lead, members }) => members.map(({ id }) => [id, lead.id] as const)));
  const [was, is] = [leads(before), leads(after)];
  for (const [id, lead] of was)
    if (!ours.has(id) && is.has(id) && is.get(id) !== lead)
      throw new ChangedSince({ of: "day", key: { id }, columns: ["merged_into", "date"] });
}

/** Refuses what would bring candidates back beside ones that others have set beside the side since, where that is too many. */
async function checkTryOuts(tx: Transaction, changes: readonly Recorded[]): Promise<void> {
  const back = changes.filter(({ of, after }) => of === "try_out" && after?.deleted_at === null);
  const [first] = back;
  if (!first) return;
  const ours = back.map(({ key }) => String(key.id));
  const [row] = await tx
    .select({ others: sql<number>`count(*)::int` })
    .from(tryOut)
    .where(
      and(
        isNull(tryOut.deletedAt),
        notInArray(tryOut.id, ours),
        sql`(${tryOut.leafId}, ${tryOut.face}) in (select t.leaf_id, t.face from try_out t where t.id = ${ours[0]})`,
      ),
    );
  const others = row?.others ?? 0;
  if (others > 0 && others + ours.length > MOST_TRY_OUTS)
    throw new ChangedSince({ of: "try_out", key: first.key, columns: [] });
}

/** What of an album's row is set elsewhere than in its settings and measures. */
const BESIDE_SETTINGS: readonly string[] = [
  "photo_rule",
  "pattern",
  "first_settled",
  "ruler",
  "loose_ends",
  "next_year",
];

/** Counts everything that was changed one version on, and says for other windows which fields of each day were. */
async function countVersions(
  tx: Transaction,
  { at, memberId, albumId }: Author,
  changes: readonly Recorded[],
  saves: readonly (typeof daySave.$inferSelect)[],
): Promise<void> {
  const by = sql`version = version + 1, updated_at = ${at.toISOString()}::timestamptz, updated_by = ${memberId}`;
  const fields = new Map<string, Set<string>>();
  for (const { dayId, fields: wrote } of saves) fields.set(dayId, new Set([...(fields.get(dayId) ?? []), ...wrote]));
  if (fields.size > 0) {
    const wrote = JSON.stringify([...fields].map(([id, names]) => ({ id, fields: [...names] })));
    await tx.execute(sql`
      with wrote as (select * from jsonb_to_recordset(${wrote}::jsonb) as w(id uuid, fields text[])),
        counted as (update day set ${by} where id in (select id from wrote) returning id, version)
      insert into day_save (day_id, version, member_id, at, fields)
      select c.id, c.version, ${memberId}::uuid, ${at.toISOString()}::timestamptz, w.fields from counted c join wrote w using (id)`);
  }
  const leaves = new Set(
    changes.flatMap(({ of, key }) =>
      of === "leaf" ? [String(key.id)] : of === "side" || of === "side_guest" ? [String(key.leaf_id)] : [],
    ),
  );
  if (leaves.size > 0)
    await tx.execute(sql`update leaf set ${by} where id = any(${`{${[...leaves].join(",")}}`}::uuid[])`);
  const tryOuts = changes.filter(({ of }) => of === "try_out").map(({ key }) => String(key.id));
  if (tryOuts.length > 0)
    await tx.execute(sql`update try_out set version = version + 1 where id = any(${`{${tryOuts.join(",")}}`}::uuid[])`);
  const people = changes.filter(({ of }) => of === "hours").map(({ key }) => String(key.member_id));
  if (people.length > 0)
    await tx.execute(
      sql`update hours set version = version + 1 where member_id = any(${`{${people.join(",")}}`}::uuid[])`,
    );
  // A form of settings that is open answers for these and no others.
  const ofSettings = changes.some(
    ({ of, after }) => of === "album" && Object.keys(after ?? {}).some((name) => !BESIDE_SETTINGS.includes(name)),
  );
  if (ofSettings) await tx.execute(sql`update album set version = version + 1 where id = ${albumId}`);
}
