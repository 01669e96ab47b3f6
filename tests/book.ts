import { randomUUID } from "node:crypto";
import { type LeafMake, NOBODY, type Piece, PLAIN_PAPER } from "../core/album/leaf.ts";
import type { BookEdit } from "../core/book/edit.ts";
import { inches, ticks } from "../core/measure/length.ts";
import { readAlbum } from "../store/album.ts";
import type { Author } from "../store/author.ts";
import { type Seen, saveBookEdit } from "../store/book.ts";
import type { Store } from "../store/db.ts";
import { newAlbum } from "./household.ts";

export const FULL: LeafMake = { ...PLAIN_PAPER, kind: "full" };
export const TAG: LeafMake = { ...PLAIN_PAPER, insert: "tag", size: { w: inches(2), h: inches(4) } };
export const piece = (id: string, x = 0): Piece => ({
  id,
  what: { kind: "filler", size: { w: inches(3), h: inches(4) }, name: "" },
  at: { x: ticks(x), y: ticks(0) },
  turn: 0,
  outside: false,
  dayId: null,
});
export const added = (id: string, after: string | null = null): BookEdit => ({
  kind: "add-leaf",
  id,
  make: PLAIN_PAPER,
  after,
  front: NOBODY,
  back: NOBODY,
});

/** An album and ways to look at and write its book. */
export async function newBook(store: Store) {
  const { db } = store;
  const { keeper, albumId, author } = await newAlbum(store);
  const look = async () => {
    const aggregate = await readAlbum(db, keeper.householdId, albumId);
    if (!aggregate) throw new Error("the album is not there");
    return aggregate;
  };
  const dayId = async (date: string) => (await look()).days.find((day) => day.date === date)?.id ?? "";
  const save = (edit: BookEdit, seen: Seen | null = null, who: Author = author()) => saveBookEdit(db, who, seen, edit);
  const give = async (date: string, make = FULL) => {
    const id = randomUUID();
    await save({ kind: "give-leaf", id, make, dayId: await dayId(date) });
    return id;
  };
  return { keeper, albumId, author, look, dayId, save, give };
}
