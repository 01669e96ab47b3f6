import { and, eq, isNull } from "drizzle-orm";
import { MOST_MEASURED, type RulerMark } from "../core/bulk/ruler.ts";
import type { Author } from "./author.ts";
import type { Db } from "./db.ts";
import { journaled } from "./journal/line.ts";
import { album } from "./schema/index.ts";

export type RulerSaved = { readonly ok: true } | { readonly ok: false; readonly reason: "not-found" | "too-many" };

/** Changes what a ruler said of an album's closed book, under the album's lock. */
const changeRuler = (db: Db, author: Author, change: (marks: readonly RulerMark[]) => readonly RulerMark[]) =>
  journaled<RulerSaved>(db, author, { what: "ruler" }, async (tx) => {
    const { householdId, albumId } = author;
    const mine = and(eq(album.id, albumId), eq(album.householdId, householdId), isNull(album.deletedAt));
    const [now] = await tx.select({ ruler: album.ruler }).from(album).where(mine).for("no key update");
    if (!now) return { ok: false, reason: "not-found" };
    const ruler = change(now.ruler);
    if (ruler.length > MOST_MEASURED) return { ok: false, reason: "too-many" };
    await tx
      .update(album)
      .set({ ruler: [...ruler] })
      .where(mine);
    return { ok: true };
  });

/** Keeps what a ruler said of the closed book, and what was reckoned of it then. */
export const keepMeasured = (db: Db, author: Author, mark: RulerMark): Promise<RulerSaved> =>
  changeRuler(db, author, (marks) => [...marks, mark]);

/** Forgets one of the measures; sent twice it is forgotten once. */
export const forgetMeasured = (db: Db, author: Author, mark: RulerMark): Promise<RulerSaved> =>
  changeRuler(db, author, (marks) => {
    const at = marks.findIndex(
      ({ on, measured, reckoned }) => on === mark.on && measured === mark.measured && reckoned === mark.reckoned,
    );
    return marks.filter((_, nth) => nth !== at);
  });
