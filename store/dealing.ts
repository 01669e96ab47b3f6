import { applyEdit } from "../core/album/edit.ts";
import type { Did } from "../core/journal/did.ts";
import type { Jar } from "../core/words/slip.ts";
import type { Author } from "./author.ts";
import { type DayChanged, saveDays } from "./day.ts";
import { lockDays } from "./day-lock.ts";
import type { Db } from "./db.ts";
import { journaled } from "./journal/line.ts";

/** A slip for a day, and what its keeper saw there: another window may have put something else there since. */
export type Handed = {
  readonly dayId: string;
  readonly slip: string;
  readonly text: string;
  readonly saw: string;
};

/**
 * Puts slips on days as one act that can be taken back. A day on which something else stands than its keeper saw is passed
 * over; returns how many days got theirs.
 */
export async function handOut(db: Db, author: Author, jar: Jar, handed: readonly Handed[]): Promise<number> {
  const did: Did = { what: "deal", jar, days: handed.length };
  return journaled(db, author, did, async (tx, line, say) => {
    const locked = await lockDays(
      tx,
      author,
      handed.map(({ dayId }) => dayId),
    );
    if (!locked) return 0;
    const put = handed.flatMap(({ dayId, slip, text, saw }): DayChanged[] => {
      const found = locked.days.find(({ id }) => id === dayId);
      if (!found || found.content[jar].text !== saw) return [];
      const applied = applyEdit(found.content, { kind: jar, text, slip }, locked.binding);
      return applied.ok ? [{ day: found, content: applied.content, fields: applied.fields }] : [];
    });
    await saveDays(tx, author, line, put);
    say({ ...did, days: put.length });
    return put.length;
  });
}
