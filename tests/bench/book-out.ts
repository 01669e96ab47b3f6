import PDFDocument from "pdfkit";
import sharp from "sharp";
import { leafOfDay, type Piece } from "../../core/album/leaf.ts";
import type { AlbumPlan, Day } from "../../core/album/model.ts";
import { bookFor } from "../../core/document/book-for.ts";
import { documentOf } from "../../core/document/document.ts";
import { openBook } from "../../core/finish/open-book.ts";
import { pageTitled } from "../../core/finish/page-called.ts";
import { inches, ticks } from "../../core/measure/length.ts";
import { developed } from "../../press/develop.ts";
import { pdfPieces } from "../../press/document.ts";
import { leafingFile } from "../../press/leafing-file.ts";
import { makeOf } from "../samples.ts";
import { bigAlbum } from "./recompute.ts";

const DAYS = 31;
const PRINT = { w: inches(3), h: inches(4) };
const ROUNDS = 3;

/** A book of 31 days with two pictures on each day's front, sixty-two in all. */
function book(): { plan: AlbumPlan; days: Day[]; source: Parameters<typeof documentOf>[1] } {
  const { plan, days: all } = bigAlbum(DAYS);
  const days = all.map((day, at) => {
    const [use] = day.content.photos;
    if (!use) throw new Error("a day of the bench has a picture");
    const photos = [0, 1].map((nth) => ({ ...use, id: `${day.id} ${nth}`, photoId: `${at} ${nth}`, print: PRINT }));
    return { ...day, content: { ...day.content, photos } };
  });
  const leaves = days.map(({ id, content }) => {
    const leaf = leafOfDay(`leaf ${id}`, makeOf({ kind: "full" }), id);
    const pieces = content.photos.map(
      (use, nth): Piece => ({
        ...{ id: use.id, what: { kind: "photo", use: use.id, cut: null }, turn: 0, outside: false, dayId: null },
        at: { x: inches(3 * nth), y: ticks(0) },
      }),
    );
    return { ...leaf, front: { ...leaf.front, pieces } };
  });
  const source = {
    ...{ album: plan, days, matters: [], leaves, layouts: [], tryOuts: [], sheets: [], prints: [], printers: [] },
    ...{ today: plan.span.end, nameOf: () => "", pageCalled: () => "" },
  };
  return { plan, days, source };
}

/** A picture of noise, which no writer makes small. */
const noise = (width: number, height: number): Promise<Buffer> =>
  sharp({
    create: { width, height, channels: 3, background: "#808080", noise: { type: "gaussian", mean: 128, sigma: 20 } },
  })
    .jpeg({ quality: 88 })
    .toBuffer();

/** The same pictures developed and drawn by the bare writer, a page a day. */
async function bare(days: readonly Day[], bytes: Buffer): Promise<void> {
  const doc = new PDFDocument({ autoFirstPage: false });
  doc.on("data", () => {});
  const ended = new Promise((resolve) => doc.once("end", resolve));
  for (const { content } of days) {
    doc.addPage({ size: [612, 792], margin: 0 });
    for (const [nth, use] of content.photos.entries()) {
      const print = await developed(bytes, "image/jpeg", { print: PRINT, crop: use.crop, facts: use.picture });
      doc.image(print, 216 * nth, 0, { width: 216, height: 288 });
    }
  }
  doc.end();
  await ended;
}

async function written(source: Parameters<typeof documentOf>[1], bytes: Buffer): Promise<void> {
  const document = documentOf({ kind: "book", as: "openings", fit: "true", forWhom: "self" }, source);
  if (!document) throw new Error("no book");
  let sum = 0;
  for await (const piece of pdfPieces(document, async () => ({ bytes, mime: "image/jpeg" }), new Date(0)))
    sum += piece.length;
  if (sum < 100_000) throw new Error("hardly a book");
}

/** Watches how much more memory is held from now until it is asked, in megabytes. */
function watchMemory(): () => number {
  const before = process.memoryUsage().rss;
  let most = before;
  const looks = setInterval(() => {
    most = Math.max(most, process.memoryUsage().rss);
  }, 50);
  return () => {
    clearInterval(looks);
    return (most - before) / 1024 ** 2;
  };
}

const LEAVES = 62;
const ON_LEAF = 32;

/** How much more memory is held while a book of 62 leaves and 1,984 pictures is written as one file to leaf in. */
export async function measureLeafingOut(): Promise<number> {
  const { plan, days: all } = bigAlbum(LEAVES);
  const days = all.map((day, at) => {
    const [use] = day.content.photos;
    if (!use) throw new Error("a day of the bench has a picture");
    const photos = Array.from({ length: ON_LEAF }, (_, nth) => ({
      ...{ ...use, id: `${day.id} ${nth}`, photoId: `${at} ${nth}` },
      print: { w: inches(1), h: inches(1) },
    }));
    return { ...day, content: { ...day.content, photos } };
  });
  const leaves = days.map(({ id, content }) => {
    const leaf = leafOfDay(`leaf ${id}`, makeOf({ kind: "full" }), id);
    const pieces = content.photos.map(
      (use, nth): Piece => ({
        ...{ id: use.id, what: { kind: "photo", use: use.id, cut: null }, turn: 0, outside: false, dayId: null },
        at: { x: inches(nth % 6), y: inches(Math.floor(nth / 6)) },
      }),
    );
    return { ...leaf, front: { ...leaf.front, pieces } };
  });
  const source = { album: plan, days, matters: [], leaves, layouts: [], tryOuts: [], prints: [], today: plan.span.end };
  const bytes = await noise(800, 600);
  const { album, leaves: reads } = bookFor(source, "self");
  const memory = watchMemory();
  const openings = openBook(reads, album.format, pageTitled);
  let pictures = 0;
  const bytesOf = async () => {
    pictures += 1;
    return { bytes, mime: "image/jpeg" as const };
  };
  for await (const piece of leafingFile({ title: album.title, openings }, bytesOf))
    if (piece.length === 0) throw new Error("an empty piece");
  if (pictures !== LEAVES * ON_LEAF) throw new Error(`${pictures} pictures were drawn`);
  return memory();
}

/** How long a book of 31 days and 62 pictures takes to be written as PDF, over the bare writer drawing the same pictures; and how much more memory was held meanwhile. */
export async function measureBookOut(): Promise<{ ratio: number; megabytes: number }> {
  const { days, source } = book();
  const bytes = await noise(2400, 3200);
  const ratios: number[] = [];
  const memory = watchMemory();
  await written(source, bytes);
  // The bare writer's memory is not ours.
  const megabytes = memory();
  for (let round = 0; round < ROUNDS; round++) {
    const began = performance.now();
    await written(source, bytes);
    const between = performance.now();
    await bare(days, bytes);
    ratios.push((between - began) / (performance.now() - between));
  }
  ratios.sort((a, b) => a - b);
  return { ratio: ratios[Math.floor(ROUNDS / 2)] ?? 0, megabytes };
}
