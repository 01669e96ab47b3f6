import { and, eq, isNull } from "drizzle-orm";
import { type EndAs, type EndMark, withEndMark } from "../core/finish/end-mark.ts";
import { LIMITS } from "../core/limits.ts";
import type { Author } from "./author.ts";
import type { Db } from "./db.ts";
import { journaled } from "./journal/line.ts";
import { album, day } from "./schema/index.ts";

export type EndSaved = { readonly ok: true } | { readonly ok: false; readonly reason: "not-found" | "too-many" };

/** Leaves a loose end of an album as it is, keeps it for an evening, or takes that back; under the album's lock. */
export const markEnd = (
  db: Db,
  author: Author,
  { kind, entry, of, as }: Omit<EndMark, "as"> & { readonly as: EndAs | null },
): Promise<EndSaved> =>
  journaled<EndSaved>(db, author, { what: "loose-end", how: as ?? "not-tonight" }, async (tx) => {
    const { householdId, albumId } = author;
    const mine = and(eq(album.id, albumId), eq(album.householdId, householdId), isNull(album.deletedAt));
    const [now] = await tx.select({ marks: album.looseEnds }).from(album).where(mine).for("no key update");
    // What it is of is a day or a page of this album.
    const ofAlbum = entry === null || (await tx.$count(day, and(eq(day.id, entry), eq(day.albumId, albumId)))) > 0;
    if (!now || !ofAlbum) return { ok: false, reason: "not-found" };
    const marks: EndMark[] = withEndMark(now.marks, { kind, entry, of, as });
    if (marks.length > LIMITS.endMarks.most) return { ok: false, reason: "too-many" };
    await tx.update(album).set({ looseEnds: marks }).where(mine);
    return { ok: true };
  });
