import type { Leaf } from "../album/leaf.ts";
import { type AnyPage, allPagesOf, type WholeRead } from "../album/matter.ts";
import type { AlbumPlan } from "../album/model.ts";
import type { Print } from "../album/print.ts";
import type { PocketLayout } from "../book/layout.ts";
import { type LeafRead, readBook } from "../book/read.ts";
import { spreadAt, turnedBy } from "../book/spread.ts";
import { madeAgain, stockOf } from "../craft/built.ts";
import { craftOf } from "../craft/catalog.ts";
import { type Craft, type Made, made, NOWHERE } from "../craft/craft.ts";
import { gangedPages, type Wanted } from "../drawer/ganged-templates.ts";
import { USUAL_SHEETS } from "../drawer/of-sheets.ts";
import { openersIn } from "../finish/openers.ts";
import { openersCards } from "../finish/openers-card.ts";
import { inches, type Unit } from "../measure/length.ts";
import { aSeries, LETTER } from "../measure/sheets.ts";
import { size } from "../measure/size.ts";
import type { CalendarDate } from "../month/dates.ts";
import { type Shareable, shareable } from "../share/share.ts";
import { cardSheetPages, carriedWords, carrierPage, layOnCarriers } from "../sheet/card-sheet.ts";
import { pageSheet } from "../sheet/page-sheet.ts";
import { barOf, PRINT_PAPERS, printableOf, stretchOf } from "../sheet/paper.ts";
import { printSheetPage, scaleTestPage } from "../sheet/print-marks.ts";
import { anyPrinter, measuredOf, type PrinterRecord, printerOf } from "../sheet/printer.ts";
import type { SheetOf, SheetRecord } from "../sheet/record.ts";
import { templatePages } from "../sheet/template.ts";
import { leafSheet, openingSheet, punchGuide, type TrueSheet } from "../sheet/true-size.ts";
import type { DocumentAsked, OPENER_CARDS } from "./asked.ts";
import { bookFor } from "./book-for.ts";
import { bookSheets } from "./book-sheets.ts";
import { printablesOf, printedAs, printsOn } from "./printed.ts";

/** A document: pages of marks, each on its own paper at true size. */
export type Document = {
  readonly title: string;
  readonly pages: readonly TrueSheet[];
  /** It is looked at and not made from: what is on a card already is drawn too. */
  readonly isToLookAt?: true | undefined;
};

/** What documents are made of. */
export type DocumentSource = WholeRead &
  Shareable & {
    readonly album: AlbumPlan;
    readonly leaves: readonly Leaf[];
    readonly layouts: readonly PocketLayout[];
    readonly prints: readonly Print[];
    readonly sheets: readonly SheetRecord[];
    /** The household's printers, the one used last first. */
    readonly printers: readonly PrinterRecord[];
    /** What is private as of this day is not in a page that is printed whole. */
    readonly today: CalendarDate;
    /** What a leaf is called in a title. */
    readonly nameOf: (read: LeafRead, unit: Unit) => string;
    /** What a page is called. */
    readonly pageCalled: (page: AnyPage) => string;
  };

/** The document that is asked for; null where the album has none. */
export function documentOf(asked: DocumentAsked, source: DocumentSource): Document | null {
  const { album } = source;
  switch (asked.kind) {
    case "leaf":
    case "page":
    case "opening":
      return leafDocument(asked, source);
    case "punch-guide":
      return { title: `Punch guide ${album.format.name}`, pages: [punchGuide(album.format, album.unit)] };
    case "scale-test": {
      const page = scaleTestPage(album.unit === "inch" ? LETTER : aSeries(4), barOf(album.unit), album.unit);
      return { title: page.title, pages: [page] };
    }
    case "print-sheets": {
      const pages = sheetsOf(source, "photos", asked.which).map((sheet) => photoPage(source, sheet));
      const title = asked.which === "to-print" ? "sheets to print" : `sheet ${asked.which}`;
      return pages.length > 0 ? { title: `${album.title}, ${title}`, pages } : null;
    }
    case "card-sheets": {
      const pages = sheetsOf(source, "cards", asked.which).flatMap((sheet) => cardPages(source, sheet));
      return pages.length > 0 ? { title: `${album.title}, cards ${asked.which}`, pages } : null;
    }
    case "carriers":
      return carrierDocument(asked, source);
    case "book":
      return bookDocument(asked, source);
    case "openers":
      return openersDocument(asked.card, source);
    case "making": {
      const making = madeAsAsked(asked);
      if (!making) return null;
      const { name } = making.of;
      return { title: name, pages: templatePages(making.done, name, album.unit, asked.mirrored) };
    }
    case "makings": {
      const all = madeOnPages(source, asked.pieces);
      const sheet = USUAL_SHEETS[album.unit][asked.sheet];
      if (all.length === 0 || !sheet) return null;
      return { title: `${album.title}, templates`, pages: gangedPages(all, sheet, album.unit, asked.turn) };
    }
  }
}

/** The constructions on an album's pages that are named, each with what it is called, as they are made. */
export function madeOnPages({ leaves }: { readonly leaves: readonly Leaf[] }, ids: readonly string[]): Wanted[] {
  const wanted = new Set(ids);
  return leaves.flatMap(({ front, back }) =>
    [...(front.pieces ?? []), ...(back.pieces ?? [])].flatMap(({ id, what, of }): Wanted[] => {
      if (!wanted.has(id) || !("built" in what) || !what.built) return [];
      const making = madeAgain(what.built, of?.material);
      return making ? [{ name: what.name || making.of.name, made: making.done }] : [];
    }),
  );
}

/** A construction as it is asked for; null where there is none, or it cannot be made so. */
export function madeAsAsked({
  craft,
  sizes,
  paper,
  own,
}: Extract<DocumentAsked, { kind: "making" }>): { readonly of: Craft; readonly done: Made } | null {
  const of = craftOf(craft);
  const done = of && made(of, sizes, stockOf(paper), NOWHERE, own);
  return of && done?.ok ? { of, done } : null;
}

function bookDocument(
  { as, fit, forWhom }: Extract<DocumentAsked, { kind: "book" }>,
  source: DocumentSource,
): Document | null {
  const { album, leaves } = bookFor(source, forWhom);
  const pages = bookSheets(leaves, album.format, { as, fit }, album.title);
  return pages.length > 0 ? { title: album.title, pages, isToLookAt: true } : null;
}

/** What opens where, without what is private: the card goes with the book. */
function openersDocument(of: (typeof OPENER_CARDS)[number], source: DocumentSource): Document | null {
  const { album, leaves, layouts, pageCalled, ...open } = shareable(source, source.today);
  const pages = allPagesOf({ album, leaves, ...open });
  const { format, unit } = album;
  const openers = openersIn(readBook<AnyPage>(album, pages, leaves, layouts), format);
  const card = of === "page" ? format.nominal : size(inches(4), inches(6));
  const title = `${album.title}, what opens where`;
  const sheets = openersCards(openers, card, format, unit, title, pageCalled);
  return sheets.length > 0 ? { title, pages: sheets } : null;
}

function leafDocument(
  { kind, leaf, face }: Extract<DocumentAsked, { kind: "leaf" | "page" | "opening" }>,
  source: DocumentSource,
): Document | null {
  const { album, leaves, layouts, nameOf, ...open } = shareable(source, source.today);
  const pages = allPagesOf({ album, leaves, ...open });
  const { leaves: reads } = readBook(album, pages, leaves, layouts);
  const read = reads.find((each) => each.leaf.id === leaf);
  if (!read) return null;
  if (kind === "opening") {
    // A side that is glued over is never up: the book opens behind it.
    const at = turnedBy(reads, reads.indexOf(read) + (face === "back" ? 1 : 0), 0);
    const seen = `${album.title}, the opening at ${nameOf(read, album.unit)}`;
    return { title: seen, pages: [openingSheet(spreadAt(reads, at, album.format), album.format, album.unit, seen)] };
  }
  const title = `${album.title}, ${nameOf(read, album.unit)}, ${face}`;
  if (kind === "page") {
    const printer = source.printers[0] ?? anyPrinter(album.unit);
    return { title, pages: [pageSheet(read, face, album, title, stretchOf(printer, printer.bar))] };
  }
  return { title, pages: [leafSheet(read, face, album.format, album.unit, title)] };
}

const sheetsOf = ({ sheets }: DocumentSource, kind: SheetOf, which: number | "to-print"): SheetRecord[] =>
  sheets
    .filter(
      ({ of, number, printedAt }) => of === kind && (which === "to-print" ? printedAt === null : number === which),
    )
    .sort((a, b) => a.number - b.number);

/** Everything on a sheet as it was made, where it lies. */
function madeOn(source: DocumentSource, sheet: SheetRecord) {
  const known = printablesOf(source);
  return printsOn(source.prints, sheet).flatMap((print) => {
    const found = known.get(print.of);
    return found ? [{ at: print.at, turned: print.turned, of: printedAs(found.of, print) }] : [];
  });
}

/** By how much the printer that a sheet was made for stretches it. */
function stretchFor({ printers, album }: DocumentSource, { printerId, borderless }: SheetRecord) {
  const measured = measuredOf(printerOf(printers, printerId, album.unit), borderless);
  return stretchOf(measured, measured.bar);
}

function photoPage(source: DocumentSource, sheet: SheetRecord): TrueSheet {
  const { album } = source;
  const prints = madeOn(source, sheet).flatMap(({ at, turned, of }) =>
    of.kind === "photo" ? [{ at, turned, use: of.use, tile: of.tile }] : [],
  );
  const title = `${album.title}, sheet ${sheet.number}`;
  return printSheetPage({ ...sheet, prints }, title, album.unit, stretchFor(source, sheet));
}

function cardPages(source: DocumentSource, sheet: SheetRecord): TrueSheet[] {
  const { album } = source;
  const cards = madeOn(source, sheet).flatMap(({ at, turned, of }) =>
    of.kind === "card" ? [{ card: of.card, at, turned }] : [],
  );
  const title = `${album.title}, sheet ${sheet.number}`;
  return cardSheetPages({ ...sheet, cards }, title, album.unit, stretchFor(source, sheet));
}

function carrierDocument(
  { what, paper: id, cards: ids }: Extract<DocumentAsked, { kind: "carriers" }>,
  source: DocumentSource,
): Document | null {
  const { album } = source;
  const printer = source.printers[0] ?? anyPrinter(album.unit);
  const paper = PRINT_PAPERS.find((each) => each.id === id);
  const printable = paper && printableOf(paper.size, printer, printer.bar);
  const all = new Map(
    allPagesOf(source).flatMap(({ content }) => content.cards.map((card) => [card.id, card] as const)),
  );
  const cards = ids.flatMap((each) => all.get(each) ?? []);
  if (!paper || !printable || cards.length === 0) return null;
  const stretch = stretchOf(printer, printer.bar);
  const pages = layOnCarriers(cards, paper.size, printable).sheets.map((sheet, at) => {
    const name = what === "carrier" ? `carrier ${at + 1}` : `words of carrier ${at + 1}`;
    if (what === "carrier") return carrierPage(sheet, paper.size, `${album.title}, ${name}`, stretch);
    const face = what === "words-back" ? "back" : "front";
    return carriedWords(sheet, paper.size, face, `${album.title}, ${name}`, stretch);
  });
  return pages.length > 0 ? { title: `${album.title}, ${what}`, pages } : null;
}
