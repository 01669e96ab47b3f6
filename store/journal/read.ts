import { and, desc, eq, lt, sql } from "drizzle-orm";
import type { Did } from "../../core/journal/did.ts";
import type { Author } from "../author.ts";
import type { Db, Reader, Transaction } from "../db.ts";
import { journalLine, member } from "../schema/index.ts";

/** How long it is kept how things were before a change. */
export const KEPT_DAYS = 30;

export type JournalLine = {
  readonly id: string;
  /** Lines that were written earlier have a lower one. */
  readonly seq: number;
  readonly at: Date;
  readonly by: string | null;
  readonly isOwn: boolean;
  readonly did: Did;
  readonly takenBack: boolean;
  readonly open: boolean;
};

/** The last `most` lines of an album and of its household, the latest first; those before `before` where that is given. */
export async function readJournal(
  db: Reader,
  { householdId, albumId, memberId }: Omit<Author, "at">,
  most: number,
  before: number | null,
): Promise<JournalLine[]> {
  const here = sql`(${journalLine.albumId} = ${albumId} or ${journalLine.albumId} is null)`;
  const rows = await db
    .select({
      id: journalLine.id,
      seq: journalLine.seq,
      at: journalLine.at,
      by: member.name,
      memberId: journalLine.memberId,
      did: journalLine.did,
      takenBackAt: journalLine.takenBackAt,
      open: journalLine.open,
    })
    .from(journalLine)
    .leftJoin(member, eq(member.id, journalLine.memberId))
    .where(
      and(eq(journalLine.householdId, householdId), here, before === null ? undefined : lt(journalLine.seq, before)),
    )
    .orderBy(desc(journalLine.seq))
    .limit(most);
  return rows.map(({ memberId: by, takenBackAt, ...row }) => ({
    ...row,
    isOwn: by === memberId,
    takenBack: takenBackAt !== null,
  }));
}

/** Forgets the changes that are older than what is kept of them. */
export async function forgetChanges(db: Db, now: Date): Promise<void> {
  await db.delete(journalLine).where(lt(journalLine.at, new Date(now.getTime() - KEPT_DAYS * 86_400_000)));
}

/** Forgets how everything of a household was before; what was done stays told. */
export async function forgetBefore(tx: Transaction, householdId: string): Promise<void> {
  await tx.execute(
    sql`delete from journal_row where line_id in (select id from journal_line where household_id = ${householdId})`,
  );
  await tx.update(journalLine).set({ open: false }).where(eq(journalLine.householdId, householdId));
}

/** When something was last done in an album, as far as the journal goes back; null where it has no line of it. */
export async function lastTouched(db: Db, albumId: string): Promise<Date | null> {
  const [row] = await db
    .select({ at: journalLine.at })
    .from(journalLine)
    .where(eq(journalLine.albumId, albumId))
    .orderBy(desc(journalLine.seq))
    .limit(1);
  return row?.at ?? null;
}
