import { randomUUID } from "node:crypto";
import { applyEdit } from "../core/album/edit.ts";
import type { Jar } from "../core/words/slip.ts";
import type { Author } from "./author.ts";
import { lockDay, logChange, writeContent } from "./day.ts";
import type { Db } from "./db.ts";

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
  return db.transaction(async (tx) => {
    const act = randomUUID();
    let put = 0;
    for (const { dayId, slip, text, saw } of handed) {
      const found = await lockDay(tx, author, dayId);
      if (!found || found.day.content[jar].text !== saw) continue;
      const { content } = found.day;
      const applied = applyEdit(content, { kind: jar, text, slip }, found.binding);
      if (!applied.ok) continue;
      await writeContent(tx, dayId, content, applied.content, author.at);
      await logChange(tx, author, {
        ...{ act, day: found.day, content: applied.content },
        ...{ fields: applied.fields, before: { content } },
      });
      put += 1;
    }
    return put;
  });
}
