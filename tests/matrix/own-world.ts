import type { Author } from "../../store/author.ts";
import type { Db } from "../../store/db.ts";
import { makeWorld, quickVisitor } from "./world.ts";

/** The names in a world of what its household keeps to use again, by kind. */
export const IN_WORLD = {
  deck: "deck",
  hand: "hand",
  "stamp-set": "set",
  layout: "layout",
  template: "template",
  making: "making",
  format: "format",
} as const;

/** A household with one of everything, and who writes in its first album. */
export async function ownWorld(db: Db) {
  const ids = await makeWorld(db, await quickVisitor(db, "http://nowhere"));
  const author: Author = { householdId: ids.householdId, albumId: ids.album, memberId: ids.keeper, at: new Date() };
  return { ids, author };
}
