import { notFound, reading, requireAlbum } from "#app/http/page.ts";
import { type MadeSheet, madeSheet, printerOf } from "#app/places/sheets/view.ts";
import { attachment } from "#core/format/attachment.ts";
import { aSeries, LETTER } from "#core/measure/sheets.ts";
import { stretchOf } from "#core/sheet/paper.ts";
import { printSheetPage, scaleTestPage } from "#core/sheet/print-marks.ts";
import { sheetsPdf } from "#press/sheet.ts";
import { readOriginal } from "#store/photo.ts";
import { readPrinter, readSheets } from "#store/printing.ts";
import type { Route } from "./+types/album.sheet-file";

/** A sheet by its number, all that are not printed yet, or the scale test page: as PDF at true size. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const { album } = aggregate;
  const [name = "", ending] = params.file.split(".");
  if (ending !== "pdf") throw notFound();
  const answer = (title: string, pdf: Buffer) =>
    new Response(new Uint8Array(pdf), {
      headers: {
        "Content-Type": "application/pdf",
        "Content-Disposition": attachment(title, "pdf"),
        "Cache-Control": "private, no-store",
      },
    });
  return reading(async () => {
    const printer = printerOf(await readPrinter(context.db, member.household.id), album.unit);
    const bytesOf = (photoId: string) => readOriginal(context.db, member.household.id, photoId);
    if (name === "scale-test") {
      const page = scaleTestPage(album.unit === "inch" ? LETTER : aSeries(4), printer.bar, album.unit);
      return answer(page.title, await sheetsPdf(page.title, [page], bytesOf, context.now));
    }
    const all = await readSheets(context.db, album.id);
    const wanted = all.filter(({ of, number, printedAt }) =>
      of !== "photos" ? false : name === "to-print" ? printedAt === null : String(number) === name,
    );
    if (wanted.length === 0) throw notFound();
    const stretch = stretchOf(printer, printer.bar);
    const page = (sheet: MadeSheet) =>
      printSheetPage(
        {
          ...sheet,
          prints: sheet.prints.flatMap(({ at, turned, of }) =>
            of?.kind === "photo" ? [{ at, turned, use: of.use, tile: of.tile }] : [],
          ),
        },
        `${album.title}, sheet ${sheet.number}`,
        album.unit,
        stretch,
      );
    const pages = wanted.reverse().map((sheet) => page(madeSheet(aggregate, sheet)));
    const title = name === "to-print" ? `${album.title}, sheets to print` : `${album.title}, sheet ${name}`;
    return answer(title, await sheetsPdf(title, pages, bytesOf, context.now));
  });
}
