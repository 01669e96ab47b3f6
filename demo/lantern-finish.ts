import { type AnyPage, allPagesOf } from "../core/album/matter.ts";
import { readBook } from "../core/book/read.ts";
import { readAlbum } from "../store/album.ts";
import type { Author } from "../store/author.ts";
import { saveBookEdit } from "../store/book.ts";
import type { Db } from "../store/db.ts";
import { markPhotos } from "../store/roll.ts";

/** Who is on the pictures of the days that are told so far, by the words that say what is on each; none: nobody is. */
const ON_IT: readonly (readonly [words: string, names: readonly string[]])[] = [
  ["pulls the rope of the brass fog bell", ["Petra"]],
  ["Two people on the slipway", ["Quill", "Isolde"]],
  ["The mail boat alongside, boxes", ["Quill", "Petra"]],
  ["Frosted nets", []],
  ["behind three saffron loaves", ["Gran Hespera"]],
  ["Four of us and the dog", ["Petra", "Quill", "Isolde", "Marrow"]],
  ["The signal tower, lit", []],
  ["Walking home", ["Petra", "Isolde"]],
  ["A grey lurcher", ["Marrow"]],
  ["The twins at the table", ["Quill", "Isolde"]],
];

const LINES: readonly (readonly [date: string, line: string])[] = [
  ["2026-12-02", "Forty minutes of tide, and the rail held."],
  ["2026-12-05", "The night the causeway stayed dry for all four of us."],
];

/** Who is on its pictures, and a line under some of its openings. */
export async function lookBackOnLantern(db: Db, author: Author): Promise<void> {
  const aggregate = await readAlbum(db, author.householdId, author.albumId);
  if (!aggregate) throw new Error("the album just made is not there");
  const { album, leaves, layouts } = aggregate;
  const pages = allPagesOf(aggregate);
  for (const [words, names] of ON_IT) {
    const ids = pages.flatMap(({ content }) =>
      content.photos.filter(({ alt }) => alt.includes(words)).map(({ photoId }) => photoId),
    );
    if (ids.length === 0) throw new Error(`no picture of the demo says: ${words}`);
    if (names.length === 0) await markPhotos(db, author.householdId, ids, { kind: "nobody", on: true });
    for (const name of names) await markPhotos(db, author.householdId, ids, { kind: "person", name, on: true });
  }
  const book = readBook<AnyPage>(album, pages, leaves, layouts);
  for (const [date, line] of LINES) {
    const read = book.leaves.find(
      ({ front: { page } }) => page && "group" in page && page.days.some((day) => day.date === date),
    );
    if (!read) continue;
    const saved = await saveBookEdit(db, author, null, { kind: "say-line", leaf: read.leaf.id, face: "front", line });
    if (!saved.ok) throw new Error(`the demo's line was refused: ${saved.reason}`);
  }
}
