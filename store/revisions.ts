import { and, arrayOverlaps, asc, eq, sql } from "drizzle-orm";
import type { Card } from "../core/album/model.ts";
import type { Reader } from "./db.ts";
import { dayChange, member } from "./schema/index.ts";

/** How a card's words once were: what a save left on its front and back, who made it and when. */
export type Revision = {
  readonly version: number;
  readonly at: string;
  readonly by: string;
  readonly text: string;
  readonly back: string;
};

/** Every change of a card's words, the latest first; the words it began with last. */
export async function readRevisions(db: Reader, dayId: string, now: Card): Promise<Revision[]> {
  const rows = await db
    .select({
      version: dayChange.version,
      at: dayChange.at,
      by: member.name,
      before: sql<{
        text: string;
        back?: string;
      } | null>`jsonb_path_query_first(${dayChange.before}, '$.content.cards[*] ? (@.id == $id)', jsonb_build_object('id', ${now.id}::text))`,
    })
    .from(dayChange)
    .leftJoin(member, eq(member.id, dayChange.memberId))
    .where(and(eq(dayChange.dayId, dayId), arrayOverlaps(dayChange.fields, [`card:${now.id}`, `card-back:${now.id}`])))
    .orderBy(asc(dayChange.version));
  const saved = rows.map((row, at): Revision => {
    // What a save left is what the next one found.
    const after = rows[at + 1] ? (rows[at + 1]?.before ?? null) : now;
    return {
      version: row.version,
      at: row.at.toISOString(),
      by: row.by ?? "somebody",
      text: after?.text ?? "",
      back: after?.back ?? "",
    };
  });
  const [first] = rows;
  const began =
    first?.before && first.before.text !== ""
      ? [{ version: 0, at: first.at.toISOString(), by: "", text: first.before.text, back: first.before.back ?? "" }]
      : [];
  return [...began, ...saved].reverse();
}
