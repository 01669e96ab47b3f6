import { randomUUID } from "node:crypto";
import { sql } from "drizzle-orm";
import type { Did } from "../../core/journal/did.ts";
import type { Author } from "../author.ts";
import type { Db, Transaction } from "../db.ts";

/** Who does something and when; in which album, or null where it is done outside of any. */
export type Doer = Omit<Author, "albumId"> & { readonly albumId: string | null };

/** Something an act says of itself only when it is done: how many pages it set, for one. */
export type Say = (did: Did) => void;

/**
 * Does something as one line of the journal: all that `work` writes within its transaction is kept as it was before, so
 * that it can be taken back. Where nothing was written there is no line. `line` is the name of the line, for what is
 * saved under it; `say` changes what the line says was done. What this member had taken back before can no longer be
 * done again once there is a new line.
 */
export async function journaled<T>(
  db: Db,
  doer: Doer,
  did: Did,
  work: (tx: Transaction, line: string, say: Say) => Promise<T>,
): Promise<T> {
  return db.transaction(async (tx) => {
    const line = randomUUID();
    let said = did;
    await tx.execute(sql`select set_config('hearth.line', ${line}, true)`);
    const answer = await work(tx, line, (now) => {
      said = now;
    });
    // What was refused is no line, whatever was put in the tray on the way.
    const refused = typeof answer === "object" && answer !== null && "ok" in answer && answer.ok === false;
    if (refused) await tx.execute(sql`delete from journal_row where line_id = ${line}`);
    await tx.execute(sql`
      with written as (
        select exists (select from journal_row where line_id = ${line}) or exists (select from day_save where line_id = ${line}) as there
      ), line as (
        insert into journal_line (id, household_id, album_id, member_id, at, did)
        select ${line}, ${doer.householdId}, ${doer.albumId}::uuid, ${doer.memberId}, ${doer.at.toISOString()}::timestamptz, ${JSON.stringify(said)}::jsonb
        from written where there
      ), over as (
        update journal_line set open = false from written
        where there and taken_back_at is not null and open and member_id = ${doer.memberId} and album_id is not distinct from ${doer.albumId}::uuid
      )
      select set_config('hearth.line', '', true)`);
    return answer;
  });
}
