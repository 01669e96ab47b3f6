import type { DocumentSource } from "../core/document/document.ts";
import type { CalendarDate } from "../core/month/dates.ts";
import type { AlbumAggregate } from "./album.ts";
import type { Reader } from "./db.ts";
import { readPrinters } from "./printers.ts";
import { readSheets } from "./printing.ts";

/** What documents of an album are made of: the album as it was read, its sheets and the household's printer. */
export async function readDocumentSource(
  db: Reader,
  householdId: string,
  aggregate: AlbumAggregate,
  today: CalendarDate,
  nameOf: DocumentSource["nameOf"],
  pageCalled: DocumentSource["pageCalled"],
): Promise<DocumentSource> {
  const [printers, sheets] = await Promise.all([readPrinters(db, householdId), readSheets(db, aggregate.album.id)]);
  return { ...aggregate, sheets, printers, today, nameOf, pageCalled };
}
