import { randomUUID } from "node:crypto";
import type { DayEdit } from "../core/album/edit.ts";
import { type MadeKind, type Owner, type Piece, PLAIN_PAPER } from "../core/album/leaf.ts";
import { type Matter, newCard } from "../core/album/model.ts";
import { pagesOf } from "../core/album/page.ts";
import { type DatedPage, toDatedPage } from "../core/book/dated-page.ts";
import type { Arrangement, BookEdit } from "../core/book/edit.ts";
import { grid, POCKET } from "../core/book/layout.ts";
import { dressPage } from "../core/book/pattern.ts";
import { type LeafRead, readBook } from "../core/book/read.ts";
import { SHIPPED_TEMPLATES } from "../core/book/shipped-templates.ts";
import { inches } from "../core/measure/length.ts";
import { AS_IT_COMES } from "../core/photo/crop.ts";
import { readAlbum } from "../store/album.ts";
import type { Author } from "../store/author.ts";
import { saveBookEdit } from "../store/book.ts";
import { saveDayEdit } from "../store/day.ts";
import { factsOf } from "../store/day-row.ts";
import type { Db } from "../store/db.ts";
import { keepAs } from "../store/library/makings.ts";
import { saveLayout } from "../store/library/pages.ts";
import { changeMatter } from "../store/matter.ts";
import { markPhotos } from "../store/roll.ts";
import { addTryOut } from "../store/try-out.ts";
import { layConstructions, PEEPHOLE } from "./lantern-bench.ts";

/** How Petra's book lies on the evening of the 9th: front matter, pages dressed ahead, a tab, and two ways for the 12th. */
const made = (kind: MadeKind, name: string, x: number, y: number, w: number, h: number): Piece => ({
  id: randomUUID(),
  what: { kind, name, size: { w: inches(w), h: inches(h) } },
  at: { x: inches(x), y: inches(y) },
  turn: 0,
  outside: false,
  dayId: null,
});

/** Which of the shipped templates a page ahead was made from, by its pockets. */
const TEMPLATE_OF: Record<string, string> = {
  "one-over-two": "6x8/mantel",
  "two-over-one": "6x8/hearthstone",
  four: "6x8/window",
  "one-over-six": "6x8/windowpanes",
};
const AHEAD = 10;

/** What the title page and the opening note hold: a picture of the signal tower, and why Petra does this. */
async function onFrontMatter(db: Db, author: Author, titlePage: string, note: string): Promise<[Piece[], Piece[]]> {
  const save = async (id: string, edit: DayEdit) => {
    const saved = await saveDayEdit(db, author, id, null, edit);
    if (!saved.ok) throw new Error(`the demo's front matter was refused: ${saved.reason}`);
  };
  await save(titlePage, { kind: "title", text: "Lantern Month" });
  await save(note, { kind: "title", text: "Why I do this" });
  const card = newCard(
    randomUUID(),
    { w: inches(4), h: inches(6) },
    "The island has forty houses, and in December every one of them leaves a light on for the boat. I mean to write down who, and why, before I forget which window was whose.",
  );
  await save(note, { kind: "add-card", card });
  const lies = (id: string, what: Piece["what"], x: number, y: number): Piece => ({
    ...{ id, what, turn: 0, outside: false, dayId: null },
    at: { x: inches(x), y: inches(y) },
  });
  const words = [lies(card.id, { kind: "card", card: card.id }, 1, 1)];
  const tower = await db.query.photo.findFirst({
    where: (table, { and: both, eq: is }) =>
      both(is(table.householdId, author.householdId), is(table.name, "2026-12-05-2.jpg")),
    with: { trait: { columns: { focusX: true, focusY: true } } },
  });
  if (!tower) return [[], words];
  const photo = {
    ...{ id: randomUUID(), photoId: tower.id, alt: "The signal tower, lit" },
    ...{
      print: { w: inches(3), h: inches(4) },
      crop: AS_IT_COMES,
      picture: factsOf(tower),
      onIt: [],
      repeat: null,
      together: null,
      privateUntil: null,
    },
  };
  await save(titlePage, { kind: "add-photo", photo });
  return [[lies(photo.id, { kind: "photo", use: photo.id, cut: null }, 1.5, 0.75)], words];
}

async function frontMatter(db: Db, author: Author, change: (edit: BookEdit) => Promise<void>): Promise<void> {
  const [title, calendar] = [randomUUID(), randomUUID()];
  const owner = (dayId: string | null): Owner => (dayId ? { kind: "day", dayId } : { kind: "nobody" });
  const leaf = (id: string, after: string | null, front: string, back: string | null): BookEdit => ({
    kind: "add-leaf",
    id,
    make: { ...PLAIN_PAPER, kind: "full", basePaper: "Harbour Slate 12×12" },
    after,
    front: owner(front),
    back: owner(back),
  });
  const entry = async (matter: Matter) => {
    const id = randomUUID();
    await changeMatter(db, author, { what: "matter", how: "add", id, matter });
    return id;
  };
  const [titlePage, note, month] = [await entry("title"), await entry("opening-note"), await entry("month-calendar")];
  await change(leaf(title, null, titlePage, note));
  await change(leaf(calendar, title, month, null));
  const [picture, words] = await onFrontMatter(db, author, titlePage, note);
  await change({
    kind: "arrange-many",
    sides: [
      {
        leaf: title,
        face: "front",
        pieces: [
          ...picture,
          made("photo-mat", "Lantern Month", 0.75, 5.25, 4.5, 1.25),
          made("photo-mat", "Orrin Skerry, 2026", 1.5, 6.75, 3, 0.75),
        ],
      },
      { leaf: title, face: "back", pieces: words },
    ],
  });
}

/** On the 5th, printed film with words lies over the picture of the way home, and over the faces of those who go it. */
async function wordsOverFaces(
  db: Db,
  author: Author,
  leaves: readonly LeafRead<DatedPage>[],
  change: (edit: BookEdit) => Promise<void>,
): Promise<void> {
  const tides = leaves.find(({ front }) => front.page?.days.some(({ date }) => date.endsWith("-05")));
  const wayHome = await db.query.photo.findFirst({
    columns: { id: true },
    where: (table, { and: both, eq: is }) =>
      both(is(table.householdId, author.householdId), is(table.name, "2026-12-05-3.jpg")),
  });
  if (!tides || !wayHome) return;
  const faces = [
    { x: 4750, y: 6200, w: 500, h: 650 },
    { x: 5400, y: 7000, w: 420, h: 500 },
    { x: 5900, y: 7000, w: 420, h: 500 },
  ];
  await markPhotos(db, author.householdId, [wayHome.id], { kind: "faces", faces });
  const film = made("overlay", "printed film", 0.25, 6.05, 2.5, 0.9);
  const words: Piece = { ...film, what: { ...film.what, says: "hurry home", ink: "white" } as Piece["what"] };
  const pieces = [...tides.front.pieces.map(({ piece }) => piece), words];
  await change({ kind: "arrange", leaf: tides.leaf.id, face: "front", pieces });
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
  const { album, days, leaves, prints, layouts } = aggregate;
  const pages = pagesOf({ album, days, leaves, prints }).map(toDatedPage);
  const book = readBook(album, pages, leaves, layouts);
  const ahead = book.leaves.flatMap(({ leaf, build, front }): Arrangement[] => {
    const { page } = front;
    const date = Number(page?.days[0]?.date.slice(8));
    const template = SHIPPED_TEMPLATES.find(({ id }) => id === TEMPLATE_OF[build.layout?.id ?? ""]);
    if (build.insert !== null || !page || date < AHEAD || !template) return [];
    return [{ leaf: leaf.id, face: "front", pieces: dressPage(page, template, book, randomUUID) }];
  });
  await change({ kind: "arrange-many", sides: ahead });
  const insertOf = (date: string) =>
    book.leaves.find(
      ({ build, front }) => build.insert !== null && front.page?.days.some((day) => day.date.endsWith(date)),
    );
  const counting = insertOf("-09");
  if (counting) {
    const tab = made("tab", "lift", 3, 1, 0.5, 0.75);
    await change({ kind: "arrange", leaf: counting.leaf.id, face: "front", pieces: [tab] });
  }
  const parade = book.leaves.find(
    ({ build, front }) => build.insert === null && front.page?.days[0]?.date.endsWith("-12"),
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
  await wordsOverFaces(db, author, book.leaves, change);
  // The 22nd begins on the back of the 21st's leaf and goes on on the front of its own: a spread.
  const dayOn = (date: string) => days.find((each) => each.date.endsWith(date))?.id;
  const shortest = book.leaves.find(({ front }) => front.page?.days.some(({ id }) => id === dayOn("-21")));
  const next = dayOn("-22");
  if (shortest && next) {
    await change({ kind: "own-side", leaf: shortest.leaf.id, face: "back", owner: { kind: "day", dayId: next } });
    const map = made("photo-mat", "The path, from above", 1, 1.5, 4, 5);
    await change({ kind: "arrange", leaf: shortest.leaf.id, face: "back", pieces: [map] });
  }
  await layConstructions(book.leaves, dayOn, change);
  await keepAs(db, author, PEEPHOLE);
  await frontMatter(db, author, change);
}
