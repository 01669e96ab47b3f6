import { newCard } from "../core/album/model.ts";
import { type PutAs, putOn } from "../core/drawer/put-on.ts";
import { readAlbum } from "./album.ts";
import type { Author } from "./author.ts";
import { saveBookEditIn } from "./book.ts";
import { PieceElsewhere, saveInLine } from "./day.ts";
import type { Db } from "./db.ts";
import { readDrawer } from "./drawer.ts";
import { journaled } from "./journal/line.ts";
import { usesOf } from "./uses.ts";

export type PutOnDay =
  | { readonly ok: true }
  | { readonly ok: false; readonly reason: "not-found" | "no-size" | "no-room" | "changed-since" };

/** Thrown so that a card does not stay on its day where its page has changed meanwhile. */
class NotPut extends Error {}

/**
 * Puts something of the drawer on the first page of a day that has room for it: as a card of the day, or as a piece. One
 * act, taken back in one; `id` is the new card's or piece's.
 */
export async function putOnDay(
  db: Db,
  author: Author,
  { thing: thingId, day, as, id }: { thing: string; day: string; as: PutAs; id: string },
): Promise<PutOnDay> {
  const album = await readAlbum(db, author.householdId, author.albumId);
  const thing = (await readDrawer(db, author.householdId)).find((each) => each.id === thingId);
  if (!album || !thing) return { ok: false, reason: "not-found" };
  const { pages, book } = usesOf(album);
  const page = pages.find(({ days }) => days.some((each) => each.id === day));
  if (!page) return { ok: false, reason: "not-found" };
  const { size } = thing;
  if (!size) return { ok: false, reason: "no-size" };
  const put = putOn(book, page, { ...thing, size }, as, id);
  if (!put) return { ok: false, reason: "no-room" };
  const { leaf, face, pieces, version } = put;
  try {
    await journaled(db, author, { what: "stash", how: "put-on", thing: "thing" }, async (tx, line) => {
      if (as === "card") {
        const card = await saveInLine(tx, author, line, day, null, { kind: "add-card", card: newCard(id, size) });
        if (!card.ok) throw new NotPut();
      }
      const laid = await saveBookEditIn(tx, author, { [leaf]: version }, { kind: "arrange", leaf, face, pieces });
      if (!laid.ok) throw new NotPut();
      return { ok: true as const };
    });
    return { ok: true };
  } catch (error) {
    if (error instanceof PieceElsewhere) return { ok: false, reason: "not-found" };
    if (error instanceof NotPut) return { ok: false, reason: "changed-since" };
    throw error;
  }
}
