import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { parse } from "csv-parse/sync";
import fc from "fast-check";
import { breakLines, type InputItem, MIN_COST } from "tex-linebreak";
import { describe, expect, it } from "vitest";
import { type Card, newCard } from "../../core/album/model.ts";
import { inches, type Length, ticks, toMillimetres } from "../../core/measure/length.ts";
import { rect } from "../../core/measure/rect.ts";
import { LETTER } from "../../core/measure/sheets.ts";
import { cardSheetPages, carriedWords, carrierPage, layOnCarriers } from "../../core/sheet/card-sheet.ts";
import { costOf, totalFit } from "../../core/words/breaking.ts";
import { deckRows } from "../../core/words/deck-text.ts";
import { DECKS } from "../../core/words/decks.ts";
import { FORCED, type Item, itemsOf } from "../../core/words/items.ts";
import { layWords } from "../../core/words/lay.ts";
import { type CardSetting, usualSetting } from "../../core/words/lettering.ts";
import { measureOf } from "../../core/words/measure.ts";
import { TYPEFACES } from "../../core/words/typeface.ts";
import { lackedBy, widthOf } from "../../core/words/typefaces.ts";
import { writeDeckFile } from "../../press/deck-file.ts";
import { documentPdf } from "../../press/document.ts";
import { fontsOf, LETTERS_ALONE } from "../../press/typefaces.ts";
import { pdfWords } from "../pdf-words.ts";

const folder = mkdtempSync(path.join(tmpdir(), "hearth-words-"));
const TYPED = measureOf({ kind: "typed", typeface: "book", size: 40, leading: 120, align: "left" });

/** Items as the reference library takes them. It knows a break that must be made by its cost of -1000. */
const theirs = (items: readonly Item[]): InputItem[] =>
  items.map((item): InputItem => {
    if (item.kind === "box") return { type: "box", width: item.width };
    if (item.kind === "glue")
      return { type: "glue", width: item.width, stretch: Math.min(item.stretch, 1e6), shrink: item.shrink };
    const cost = item.cost === FORCED ? MIN_COST : item.cost;
    return { type: "penalty", width: item.width, cost, flagged: item.hyphen };
  });

// Knuth & Plass 1981. Reference library: tex-linebreak, without its penalties for neighbouring lines, at the same widths.
describe("lines broken for the whole paragraph", () => {
  it("cost no more than those of the reference, which breaks most paragraphs at the same places", () => {
    let [same, all] = [0, 0];
    fc.assert(
      fc.property(
        fc.lorem({ maxCount: 60 }).filter((text) => text.split(" ").length > 6),
        fc.array(fc.integer({ min: 14, max: 32 }), { minLength: 1, maxLength: 3 }),
        (text, widths) => {
          const items = itemsOf(text, TYPED, { justified: true, tearOver: null });
          const width = (line: number) => widths[Math.min(line, widths.length - 1)] ?? 20;
          const reference = breakLines(
            theirs(items),
            [...widths, ...Array.from({ length: 200 }, () => widths.at(-1) ?? 20)],
            {
              maxAdjustmentRatio: null,
              initialMaxAdjustmentRatio: 1000,
              doubleHyphenPenalty: 0,
              adjacentLooseTightPenalty: 0,
            },
          );
          // The reference tells the start of the paragraph as a break of its own.
          const breaks = reference.filter((at) => at > 0);
          const ours = totalFit(items, width, widths.length === 1);
          expect(ours.cost).toBeLessThanOrEqual(costOf(items, width, breaks) * (1 + 1e-9));
          all += 1;
          if (breaks.join() === ours.at.join()) same += 1;
        },
      ),
      { numRuns: 200 },
    );
    expect(same / all).toBeGreaterThan(0.95);
  });
});

// Reference library: fontkit, on the very files that are embedded in print.
describe("widths of letters", () => {
  it("are those of the font files, kerning and all", () => {
    for (const typeface of TYPEFACES) {
      const [file] = fontsOf(typeface);
      if (!file) throw new Error("no file");
      const has = file.font.characterSet
        .map((code) => String.fromCodePoint(code))
        .filter((letter) => /[\p{L}\p{N}\p{P}]/u.test(letter));
      fc.assert(
        fc.property(fc.array(fc.constantFrom(...has), { minLength: 1, maxLength: 14 }), (letters) => {
          const word = letters.join("");
          const { advanceWidth } = file.font.layout(word, LETTERS_ALONE);
          expect(widthOf(typeface, word) * file.font.unitsPerEm).toBeCloseTo(advanceWidth, 1);
        }),
        { numRuns: 200 },
      );
    }
  });

  it("are known of exactly the letters that the files have", () => {
    for (const typeface of TYPEFACES)
      for (const { font } of fontsOf(typeface))
        for (const code of font.characterSet) {
          const letter = String.fromCodePoint(code);
          if (/[\p{C}\p{M}\p{Z}]/u.test(letter)) continue;
          expect(lackedBy(typeface, letter), `${typeface} ${letter}`).toEqual([]);
        }
  });
});

function wordsOf(pdf: Buffer, page: number) {
  const file = path.join(folder, "card.pdf");
  writeFileSync(file, pdf);
  return pdfWords(file, page);
}
const mm = (length: number) => toMillimetres(length as Length);
const pdfOf = (pages: ReturnType<typeof cardSheetPages>) =>
  documentPdf({ title: "Cards", pages }, async () => null, new Date(0));
const STRAIGHT = { x: 1, y: 1 };
const TEXT =
  "The bell tonight\nTested the bell before watch. One pull too many, and three kitchens on the east side put their kettles on.";

const cardWith = (lettering: CardSetting["lettering"], back = ""): Card => {
  const size = { w: inches(3), h: inches(4) };
  return { ...newCard("c", size, TEXT), back, setting: { ...usualSetting(size), lettering } };
};

// Outside reader: Poppler.
describe("printed words", () => {
  it("stand within a tenth of a millimetre of where they are shown, in every typeface and on the typewriter", async () => {
    const letterings: CardSetting["lettering"][] = [
      ...(["book", "numeral", "plain", "typed"] as const).map((typeface) => ({
        kind: "typed" as const,
        typeface,
        size: 42,
        leading: 125,
        align: "justified" as const,
      })),
      // Its first line is a heading over the others.
      ...(["book", "numeral", "plain", "typed"] as const).flatMap((typeface) =>
        (["bold", "capitals"] as const).map((headings) => ({
          ...({ kind: "typed", typeface, size: 40, leading: 125, align: "left", headings } as const),
        })),
      ),
      { kind: "typewriter", pitch: 12, spacing: 1, align: "left" },
    ];
    for (const lettering of letterings) {
      const card = cardWith(lettering);
      const at = rect(inches(1), inches(1), card.size.w, card.size.h);
      const pages = cardSheetPages(
        { paper: LETTER, cards: [{ card, at, turned: false }], waste: [] },
        "Cards",
        "inch",
        STRAIGHT,
      );
      const printed = wordsOf(await pdfOf(pages), 1);
      const shown = layWords(TEXT, card.size, card.setting as CardSetting, "front").words;
      expect(printed.map(({ text }) => text)).toEqual(shown.map(({ text }) => text));
      for (const [index, word] of shown.entries()) {
        expect(Math.abs((printed[index]?.x ?? 0) - mm(word.x + at.x))).toBeLessThan(0.1);
        expect(Math.abs((printed[index]?.w ?? 0) - mm(word.w))).toBeLessThan(0.1);
      }
    }
  });

  it("say on paper what was typed, accents, quotes and all, and never an empty box", async () => {
    const size = { w: inches(4), h: inches(6) };
    const text = "“Łódź”, naïve café – 4½″ × 6, œuvre; 🐚 gone";
    const card = newCard("c", size, text);
    const at = rect(0, 0, size.w, size.h);
    const pages = cardSheetPages(
      { paper: LETTER, cards: [{ card, at, turned: false }], waste: [] },
      "Cards",
      "inch",
      STRAIGHT,
    );
    const said = wordsOf(await pdfOf(pages), 1)
      .map((word) => word.text.replaceAll("&quot;", '"'))
      .join(" ");
    expect(said).toBe('“Łódź”, naïve café – 4½" × 6, œuvre; gone');
  });

  it("lie behind their fronts when the sheet is turned over like a page", async () => {
    const card = cardWith({ kind: "typed", typeface: "book", size: 42, leading: 125, align: "left" }, "Back");
    const at = rect(inches(1), inches(1), card.size.w, card.size.h);
    const pages = cardSheetPages(
      { paper: LETTER, cards: [{ card, at, turned: false }], waste: [] },
      "Cards",
      "inch",
      STRAIGHT,
    );
    const [front] = wordsOf(await pdfOf(pages), 1);
    const [back] = wordsOf(await pdfOf(pages), 2);
    // A quarter inch in from the card's left edge, as seen from either side.
    expect(Math.abs((front?.x ?? 0) - 1.25 * 25.4)).toBeLessThan(0.1);
    expect(Math.abs((back?.x ?? 0) - (8.5 - 1 - 3 + 0.25) * 25.4)).toBeLessThan(0.1);
  });

  it("come onto a carrier where the cards are stuck, and are made up for a printer that stretches", async () => {
    const size = { w: inches(3), h: inches(4) };
    const cards = ["One", "Two", "Three", "Four", "Five"].map((text, index) => newCard(`c${index}`, size, text));
    const printable = rect(inches(1 / 4), inches(1 / 4), inches(8), inches(10.5));
    const { sheets, tooLarge } = layOnCarriers(cards, LETTER, printable);
    expect(tooLarge).toEqual([]);
    expect(sheets.map((sheet) => sheet.length)).toEqual([4, 1]);
    const first = sheets[0] ?? [];
    for (const stretch of [STRAIGHT, { x: 1.02, y: 1.01 }]) {
      const pages = [
        carrierPage(first, LETTER, "Carrier", stretch),
        carriedWords(first, LETTER, "front", "Words", stretch),
      ];
      const pdf = await pdfOf(pages);
      expect(wordsOf(pdf, 1).map(({ text }) => text)).toEqual(["1", "2", "3", "4"]);
      for (const [index, word] of wordsOf(pdf, 2).entries()) {
        const lies = first[index];
        expect(word.text).toBe(lies?.card.text);
        expect(Math.abs(word.x * stretch.x - mm((lies?.at.x ?? 0) + inches(1 / 4)))).toBeLessThan(0.1);
        const [shown] = lies ? layWords(lies.card.text, size, usualSetting(size), "front").words : [];
        expect(Math.abs(word.w * stretch.x - mm(shown?.w ?? 0))).toBeLessThan(0.1);
      }
    }
    expect(layOnCarriers([newCard("x", { w: inches(9), h: inches(4) })], LETTER, printable).tooLarge.length).toBe(1);
    expect(Math.max(...sheets.flat().map(({ at }) => at.x + at.w))).toBeLessThanOrEqual(
      ticks(LETTER.w - inches(1 / 4)),
    );
  });
});

// Outside reader: csv-parse. RFC 4180.
describe("a deck as a table", () => {
  it("is read by another library, row for row", () => {
    for (const { slips } of DECKS) {
      const rows = parse(writeDeckFile("csv", slips), { bom: true, recordDelimiter: "\r\n" });
      expect(rows).toEqual(deckRows(slips));
    }
  });
});
