import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { type MadeKind, type Matter, type Piece, PLAIN_PAPER } from "../core/album/leaf.ts";
import { pagesOf } from "../core/album/page.ts";
import { toDatedPage } from "../core/book/dated-page.ts";
import type { Arrangement, BookEdit } from "../core/book/edit.ts";
import { grid, POCKET } from "../core/book/layout.ts";
import { dressPage } from "../core/book/pattern.ts";
import { readBook } from "../core/book/read.ts";
import { SHIPPED_TEMPLATES } from "../core/book/shipped-templates.ts";
import { inches } from "../core/measure/length.ts";
import { readAlbum } from "../store/album.ts";
import type { Author } from "../store/author.ts";
import { saveBookEdit } from "../store/book.ts";
import type { Db } from "../store/db.ts";
import { saveLayout } from "../store/page-stash.ts";
import { bookChange } from "../store/schema/index.ts";
import { addTryOut } from "../store/try-out.ts";

/** How Petra's book lies on the evening of the 9th: front matter, pages dressed ahead, a tab, and two ways for the 12th. */
const made = (kind: MadeKind, name: string, x: number, y: number, w: number, h: number): Piece => ({
  id: randomUUID(),
  what: { kind, name, size: { w: inches(w), h: inches(h) } },
  at: { x: inches(x), y: inches(y) },
  turn: 0,
  outside: false,
});

/** Which of the shipped templates a page ahead was made from, by its pockets. */
const TEMPLATE_OF: Record<string, string> = {
  "one-over-two": "6x8/mantel",
  "two-over-one": "6x8/hearthstone",
  four: "6x8/window",
  "one-over-six": "6x8/windowpanes",
};
const AHEAD = 10;

async function frontMatter(change: (edit: BookEdit) => Promise<void>): Promise<void> {
  const [title, calendar] = [randomUUID(), randomUUID()];
  const leaf = (id: string, after: string | null, front: Matter, back: Matter | null): BookEdit => ({
    kind: "add-leaf",
    id,
    make: { ...PLAIN_PAPER, kind: "full", basePaper: "Harbour Slate 12×12" },
    after,
    front: { kind: "matter", matter: front },
    back: back ? { kind: "matter", matter: back } : { kind: "nobody" },
  });
  await change(leaf(title, null, "title", "opening-note"));
  await change(leaf(calendar, title, "month-calendar", null));
  await change({
    kind: "arrange-many",
    sides: [
      {
        leaf: title,
        face: "front",
        pieces: [
          made("mat", "Lantern Month", 0.75, 2.25, 4.5, 2),
          made("embellishment", "Brass lantern", 2.5, 0.75, 1, 1),
          made("mat", "Orrin Skerry, 2026", 1.5, 4.5, 3, 0.75),
        ],
      },
      { leaf: calendar, face: "front", pieces: [made("mat", "December, thirty-one squares", 0.5, 1, 5, 5.5)] },
    ],
  });
}

export async function layOutLantern(db: Db, author: Author): Promise<void> {
  const change = async (edit: BookEdit) => {
    const saved = await saveBookEdit(db, author, null, edit);
    if (!saved.ok) throw new Error(`the demo's book was refused: ${saved.reason}`);
  };
  await saveLayout(db, author.householdId, {
    name: "Two over a strip of three",
    page: { w: inches(6), h: inches(8) },
    margin: inches(0),
    root: {
      kind: "rows",
      seam: inches(0),
      parts: [
        { share: 3, node: grid(1, 2) },
        {
          share: 1,
          node: { kind: "columns", seam: inches(0), parts: [1, 1, 1].map((share) => ({ share, node: POCKET })) },
        },
      ],
    },
  });
  const aggregate = await readAlbum(db, author.householdId, author.albumId);
  if (!aggregate) throw new Error("the album just made is not there");
  const { album, days, leaves, layouts } = aggregate;
  const pages = pagesOf({ album, days, leaves }).map(toDatedPage);
  const book = readBook(album, pages, leaves, layouts);
  const ahead = book.leaves.flatMap(({ leaf, sheet, front }): Arrangement[] => {
    const { page } = front;
    const date = Number(page?.days[0]?.date.slice(8));
    const template = SHIPPED_TEMPLATES.find(({ id }) => id === TEMPLATE_OF[sheet.layout?.id ?? ""]);
    if (sheet.insert !== null || !page || date < AHEAD || !template) return [];
    return [{ leaf: leaf.id, face: "front", pieces: dressPage(page, template, book, randomUUID) }];
  });
  await change({ kind: "arrange-many", sides: ahead });
  const insertOf = (date: string) =>
    book.leaves.find(
      ({ sheet, front }) => sheet.insert !== null && front.page?.days.some((day) => day.date.endsWith(date)),
    );
  const counting = insertOf("-09");
  if (counting) {
    const tab = made("tab", "lift", 3, 1, 0.5, 0.75);
    await change({ kind: "arrange", leaf: counting.leaf.id, face: "front", pieces: [tab] });
  }
  const parade = book.leaves.find(
    ({ sheet, front }) => sheet.insert === null && front.page?.days[0]?.date.endsWith("-12"),
  );
  if (parade) {
    const pieces = parade.front.pieces.map(({ piece }) => piece);
    // The other way round: words first, the parade along the foot.
    const places: Partial<Record<Piece["what"]["kind"], [x: number, y: number]>> = {
      photo: [0, 4],
      card: [0.25, 0],
      numeral: [3.75, 1],
    };
    const other = pieces.map((piece): Piece => {
      const [x, y] = places[piece.what.kind] ?? [0, 0];
      return { ...piece, at: { x: inches(x), y: inches(y) } };
    });
    await addTryOut(db, author, { id: randomUUID(), leafId: parade.leaf.id, face: "front", pieces: other });
  }
  await frontMatter(change);
  // The demo begins here: nothing of its own making is there to take back.
  await db.update(bookChange).set({ settled: true }).where(eq(bookChange.albumId, author.albumId));
}
