import { execFileSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { buffer } from "node:stream/consumers";
import { unzipSync } from "fflate";
import sharp from "sharp";
import { describe, expect, it } from "vitest";
import type { Leaf, Piece } from "../../core/album/leaf.ts";
import { type DayContent, newCard } from "../../core/album/model.ts";
import { bookFor } from "../../core/document/book-for.ts";
import { type DocumentSource, documentOf } from "../../core/document/document.ts";
import { openBook } from "../../core/finish/open-book.ts";
import { pageTitled } from "../../core/finish/page-called.ts";
import { wordsAlone, wordsAsHtml, wordsAsText } from "../../core/finish/words-alone.ts";
import { inches } from "../../core/measure/length.ts";
import { WHOLE } from "../../core/photo/crop.ts";
import { FOR_GOOD } from "../../core/share/share.ts";
import { documentPdf } from "../../press/document.ts";
import { leafingFile } from "../../press/leafing-file.ts";
import { zipOfPictures } from "../../press/opening-pictures.ts";
import { decemberDays, fullDay, leavesOn, makeOf } from "../samples.ts";

const folder = mkdtempSync(path.join(tmpdir(), "hearth-book-"));
const TODAY = "2026-12-31" as DocumentSource["today"];
const OPEN = "2026-12-02";
const SECRET = "2026-12-04";

const piece = (id: string, what: Piece["what"], x = 0): Piece => ({
  ...{ id, what, at: { x: inches(x), y: inches(1) }, turn: 0, outside: false, dayId: null },
});
function contentOf(says: string, suffix: string): DayContent {
  const full = fullDay(suffix);
  const card = { ...newCard(`card${suffix}`, { w: inches(3), h: inches(4) }), text: says };
  return {
    ...full,
    cards: [card],
    photos: full.photos.map((use) => ({ ...use, print: { w: inches(3), h: inches(2) } })),
  };
}
/** A book of two days' leaves, the second of a day that is private for good, a line under both openings. */
function source(): DocumentSource {
  const contents = {
    [OPEN]: contentOf("Saffron loaves", "a"),
    [SECRET]: { ...contentOf("The parcel under the stairs", "b"), privateUntil: FOR_GOOD },
  };
  const { plan, days } = decemberDays(contents);
  const leaf = (date: string, suffix: string, line: string): Leaf[] =>
    leavesOn(date, makeOf({ kind: "full" })).map((each) => ({
      ...each,
      front: {
        ...each.front,
        line,
        pieces: [
          piece(`photo${suffix}`, { kind: "photo", use: `photo${suffix}`, cut: null }),
          piece(`card${suffix}`, { kind: "card", card: `card${suffix}` }, 3),
        ],
      },
    }));
  const leaves = [...leaf(OPEN, "a", "Seen from the quay"), ...leaf(SECRET, "b", "Nobody guessed")];
  return {
    ...{ album: plan, days, matters: [], leaves, layouts: [], tryOuts: [], sheets: [], prints: [], printers: [] },
    ...{ today: TODAY, nameOf: () => "", pageCalled: () => "" },
  };
}
const picture = sharp({ create: { width: 1200, height: 900, channels: 3, background: "#b8451b" } })
  .jpeg()
  .toBuffer();

/** A document of the book as PDF, as another program reads it: its words, the size of its pages in points, its pictures. */
async function read(asked: Parameters<typeof documentOf>[0], of = source()) {
  const document = documentOf(asked, of);
  if (!document) throw new Error("no document");
  const file = path.join(folder, `${Object.values(asked).join("-")}.pdf`);
  const asked_: string[] = [];
  const bytesOf = async (id: string) => {
    asked_.push(id);
    return { bytes: await picture, mime: "image/jpeg" as const };
  };
  writeFileSync(file, await documentPdf(document, bytesOf, new Date(0)));
  const run = (program: string, ...args: string[]) => execFileSync(program, args, { encoding: "utf8" });
  const info = run("pdfinfo", "-l", "99", file);
  const sizes = [...info.matchAll(/Page +\d+ size: +([\d.]+) x ([\d.]+)/g)].map(([, w, h]) => [Number(w), Number(h)]);
  const images = run("pdfimages", "-list", file).trim().split("\n").slice(2);
  return { text: run("pdftotext", "-layout", file, "-"), sizes, images, asked: asked_ };
}

describe("a whole book as PDF, read by another program", () => {
  it("has a page for every opening, each as large as the book lies open, with its words, pictures and lines", async () => {
    const { text, sizes, images } = await read({ kind: "book", as: "openings", fit: "true", forWhom: "self" });
    expect(sizes).toHaveLength(3);
    const { format } = source().album;
    // Two whole leaves side by side with an eighth round them and three eighths for a line: 72 points an inch (ISO 32000-1).
    const points = (length: number) => (length / 8128) * 72;
    for (const [w = 0, h = 0] of sizes) {
      expect(Math.abs(w - points(2 * format.outer.w + 2 * inches(1 / 8)))).toBeLessThan(0.6);
      expect(Math.abs(h - points(format.outer.h + inches(3 / 8) + 2 * inches(1 / 8)))).toBeLessThan(0.6);
    }
    expect(images.length).toBe(2);
    for (const words of ["Saffron loaves", "The parcel under the stairs", "Seen from the quay", "Nobody guessed"])
      expect(text).toContain(words);
  });

  it("has nothing in it of what is private where it goes to others, nor asks for its picture", async () => {
    for (const as of ["openings", "pages"] as const) {
      const { text, images, asked } = await read({ kind: "book", as, fit: "letter", forWhom: "others" });
      expect(text).toContain("Saffron loaves");
      for (const words of ["parcel", "Nobody guessed"]) expect(text).not.toContain(words);
      expect([images.length, asked]).toEqual([1, ["rolla"]]);
    }
  });

  it("has a page for every side, at true size or as large as a usual sheet takes it", async () => {
    const asked = { kind: "book", as: "pages", forWhom: "self" } as const;
    const whole = await read({ ...asked, fit: "true" });
    expect(whole.sizes).toHaveLength(4);
    // Letter and A4 in points: ANSI/ASME Y14.1, ISO 216.
    const letter = await read({ ...asked, fit: "letter" });
    for (const size of letter.sizes) expect([...size].sort((a, b) => a - b)).toEqual([612, 792]);
    const a4 = await read({ kind: "book", as: "openings", fit: "a4", forWhom: "self" });
    for (const [w = 0, h = 0] of a4.sizes) {
      expect(Math.abs(w - 841.89)).toBeLessThan(0.1);
      expect(Math.abs(h - 595.28)).toBeLessThan(0.1);
    }
    expect(a4.text).toContain("Saffron loaves");
  });

  it("shows what is on a card already, which no print of the card has", async () => {
    const of = source();
    const corners = [
      [0, 0],
      [WHOLE, 0],
      [WHOLE, WHOLE],
      [0, WHOLE],
    ].map(([x = 0, y = 0]) => ({ x, y }));
    const days = of.days.map((day) => ({
      ...day,
      content: {
        ...day.content,
        cards: day.content.cards.map((card) => ({ ...card, preprint: { photoId: "border", corners } as never })),
      },
    }));
    const { asked } = await read({ kind: "book", as: "pages", fit: "true", forWhom: "others" }, { ...of, days });
    expect(asked).toContain("border");
    const [leaf] = of.leaves;
    const printed = await read({ kind: "leaf", leaf: leaf?.id ?? "", face: "front" }, { ...of, days });
    expect(printed.asked).not.toContain("border");
  });

  it("is none of a book that has no leaf", () => {
    const asked = { kind: "book", as: "openings", fit: "true", forWhom: "others" } as const;
    expect(documentOf(asked, { ...source(), leaves: [] })).toBeNull();
  });
});

const SAID = ["Saffron loaves", "Seen from the quay"];
const KEPT = ["parcel", "Nobody guessed"];

/** The bytes of every picture, and which were asked for. */
function pictures() {
  const asked: string[] = [];
  const bytesOf = async (id: string) => {
    asked.push(id);
    return { bytes: await picture, mime: "image/jpeg" as const };
  };
  return { asked, bytesOf };
}

describe("a whole book as pictures, read by another library", () => {
  const zipFor = async (forWhom: "self" | "others") => {
    const { asked, bytesOf } = pictures();
    const document = documentOf({ kind: "book", as: "openings", fit: "true", forWhom }, source());
    if (!document) throw new Error("no document");
    const files = unzipSync(await buffer(zipOfPictures(document, bytesOf, new Date(1e12))));
    return { files, asked, paper: document.pages[0]?.paper };
  };

  it("has one of every opening, at 150 pixels to the inch, with the photo in it", async () => {
    const { files, paper } = await zipFor("self");
    expect(Object.keys(files)).toEqual(["opening-1.jpg", "opening-2.jpg", "opening-3.jpg"]);
    const [first] = Object.values(files);
    const { width, height, format } = await sharp(first).metadata();
    // 8128 ticks to the inch.
    const wanted = [paper?.w ?? 0, paper?.h ?? 0].map((length) => Math.round((length / 8128) * 150));
    expect([width, height, format]).toEqual([...wanted, "jpeg"]);
    // The photo's own colour is the most of its print, which is 3 by 2 inches of it.
    const { data } = await sharp(first).raw().toBuffer({ resolveWithObject: true });
    let orange = 0;
    for (let at = 0; at < data.length; at += 3)
      if (Math.abs((data[at] ?? 0) - 0xb8) < 6 && Math.abs((data[at + 2] ?? 0) - 0x1b) < 6) orange++;
    expect(orange / (3 * 2 * 150 * 150)).toBeGreaterThan(0.95);
    expect(orange / (3 * 2 * 150 * 150)).toBeLessThan(1.05);
  });

  it("asks for no picture that is private where it goes to others", async () => {
    expect((await zipFor("others")).asked).toEqual(["rolla"]);
  });
});

describe("a whole book as one page to leaf in", () => {
  const fileFor = async (forWhom: "self" | "others", gone = false) => {
    const { asked, bytesOf } = pictures();
    const { album, leaves } = bookFor(source(), forWhom);
    const openings = openBook(leaves, album.format, pageTitled);
    const pieces: Buffer[] = [];
    const given = gone ? async () => null : bytesOf;
    for await (const piece of leafingFile({ title: "A <month> & more", openings }, given)) pieces.push(piece);
    return { html: Buffer.concat(pieces).toString(), asked, pieces: pieces.length };
  };

  it("has every opening, its words, lines and pictures, and asks for nothing outside itself", async () => {
    const { html, pieces } = await fileFor("self");
    expect(html.match(/<section /g)).toHaveLength(3);
    // One piece an opening, so that no more than one is held.
    expect(pieces).toBe(5);
    for (const words of [...SAID, ...KEPT]) expect(html).toContain(words);
    expect(html.match(/<image href="data:image\/jpeg/g)?.length).toBe(2);
    expect(html).toContain("A &#60;month&#62; &#38; more");
    expect(html.replace(/xmlns="[^"]*"/g, "")).not.toMatch(/https?:|src="(?!data:)|url\((?!data:)(?!#)/);
  });

  it("has nothing in it of what is private where it goes to others, nor asks for its picture", async () => {
    const { html, asked } = await fileFor("others");
    for (const words of SAID) expect(html).toContain(words);
    for (const words of KEPT) expect(html).not.toContain(words);
    expect(asked).toEqual(["rolla"]);
  });

  it("has the pictures and letters of what is opened in it too", async () => {
    const { asked, bytesOf } = pictures();
    const { album, leaves } = bookFor(source(), "self");
    const [, inside] = openBook(leaves, album.format, pageTitled);
    if (!inside) throw new Error("it has three openings");
    const opens = [{ name: "Flip", lies: inside.frame, states: [{ name: "Up", marks: inside.marks }] }];
    let html = "";
    for await (const piece of leafingFile({ title: "Opens", openings: [{ ...inside, marks: [], opens }] }, bytesOf))
      html += piece.toString();
    expect(asked.length).toBeGreaterThan(0);
    expect(html).toMatch(/<g class="state" data-thing="0" data-state="Up">.*data:image\/jpeg/);
    expect(html).toContain('font-family:"Alegreya"');
  });

  it("is written whole where a picture is gone", async () => {
    const { html } = await fileFor("self", true);
    expect(html).not.toContain("data:image/jpeg");
    for (const words of [...SAID, ...KEPT]) expect(html).toContain(words);
    expect(html.endsWith("</html>\n")).toBe(true);
  });
});

describe("the words of a book alone", () => {
  const wordsFor = (forWhom: "self" | "others") => {
    const { album, pages, leaves } = bookFor(source(), forWhom);
    const chapters = wordsAlone(pages, leaves);
    return { text: wordsAsText(album.title, chapters), html: wordsAsHtml(album.title, chapters) };
  };

  it("have every card and line once, under their day, and nothing that is private where they go to others", () => {
    const all = wordsFor("self");
    for (const written of [all.text, all.html])
      for (const words of ["Saffron loaves", "Seen from the quay", "The parcel under the stairs", "Nobody guessed"])
        expect(written.split(words)).toHaveLength(2);
    expect(all.text.indexOf("Saffron loaves")).toBeLessThan(all.text.indexOf("The parcel under the stairs"));
    expect(all.text.indexOf("Wednesday, 2 December 2026")).toBeLessThan(all.text.indexOf("Saffron loaves"));
    const open = wordsFor("others");
    for (const written of [open.text, open.html]) {
      for (const words of SAID) expect(written).toContain(words);
      for (const words of KEPT) expect(written).not.toContain(words);
    }
  });
});
