import { notFound, reading, requireAlbum } from "#app/http/page.ts";
import { cardOf } from "#app/places/card/view.ts";
import { madeSheet, printerOf } from "#app/places/sheets/view.ts";
import { attachment } from "#core/format/attachment.ts";
import { cardSheetPages, carriedWords, carrierPage, layOnCarriers } from "#core/sheet/card-sheet.ts";
import { PRINT_PAPERS, printableOf, stretchOf } from "#core/sheet/paper.ts";
import type { TrueSheet } from "#core/sheet/true-size.ts";
import { sheetsPdf } from "#press/sheet.ts";
import type { AlbumAggregate } from "#store/album.ts";
import { readPrinter, readSheets } from "#store/printing.ts";
import type { Route } from "./+types/album.card-file";

type Printer = ReturnType<typeof printerOf>;

const MOST_CARDS = 200;

/** The carrier for the cards an address names, or the words that are printed onto them once they are stuck on it. */
function carrierPages(aggregate: AlbumAggregate, name: string, query: URLSearchParams, printer: Printer): TrueSheet[] {
  const paper = PRINT_PAPERS.find(({ id }) => id === query.get("paper"));
  const printable = paper && printableOf(paper.size, printer, printer.bar);
  const ids = (query.get("cards") ?? "").split(",").slice(0, MOST_CARDS);
  const cards = ids.flatMap((id) => cardOf(aggregate, id)?.card ?? []);
  if (!paper || !printable || cards.length === 0) return [];
  const { title } = aggregate.album;
  const stretch = stretchOf(printer, printer.bar);
  return layOnCarriers(cards, paper.size, printable).sheets.map((sheet, at) => {
    if (name === "carrier") return carrierPage(sheet, paper.size, `${title}, carrier ${at + 1}`, stretch);
    const face = name === "words-back" ? "back" : "front";
    return carriedWords(sheet, paper.size, face, `${title}, words of carrier ${at + 1}`, stretch);
  });
}

const CARRIERS = ["carrier", "words-front", "words-back"];

/** A sheet of cards by its number, all that are not printed yet, a carrier or its words: as PDF at true size. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const { album } = aggregate;
  const [name = "", ending] = params.file.split(".");
  if (ending !== "pdf") throw notFound();
  return reading(async () => {
    const printer = printerOf(await readPrinter(context.db, member.household.id), album.unit);
    const pages = CARRIERS.includes(name)
      ? carrierPages(aggregate, name, new URL(request.url).searchParams, printer)
      : (await readSheets(context.db, album.id))
          .filter(({ of, number, printedAt }) =>
            of !== "cards" ? false : name === "to-print" ? printedAt === null : String(number) === name,
          )
          .reverse()
          .flatMap((record) => {
            const { prints, ...sheet } = madeSheet(aggregate, record);
            const cards = prints.flatMap(({ at, turned, of }) =>
              of?.kind === "card" ? [{ card: of.card, at, turned }] : [],
            );
            const title = `${album.title}, sheet ${record.number}`;
            return cardSheetPages({ ...sheet, cards }, title, album.unit, stretchOf(printer, printer.bar));
          });
    if (pages.length === 0) throw notFound();
    const title = CARRIERS.includes(name) ? `${album.title}, ${name}` : `${album.title}, cards ${name}`;
    const pdf = await sheetsPdf(title, pages, async () => null, context.now);
    return new Response(new Uint8Array(pdf), {
      headers: {
        "Content-Type": "application/pdf",
        "Content-Disposition": attachment(title, "pdf"),
        "Cache-Control": "private, no-store",
      },
    });
  });
}
