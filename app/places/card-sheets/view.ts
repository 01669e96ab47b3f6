import { pageName } from "#app/places/album/view.ts";
import type { Had } from "#app/places/sheets/had.tsx";
import { type MadeSheet, madeSheet, printersOr } from "#app/places/sheets/view.ts";
import { glanceAt } from "#app/wording/card.ts";
import { cardStandings } from "#core/album/card-printing.ts";
import { allPagesOf, dayOfPage } from "#core/album/matter.ts";
import type { AlbumPlan, Card, Day, MatterEntry } from "#core/album/model.ts";
import type { LeafOutline } from "#core/album/page-leaves.ts";
import type { Print } from "#core/album/print.ts";
import type { Unit } from "#core/measure/length.ts";
import { printSize } from "#core/measure/size.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import type { PrinterRecord } from "#core/sheet/printer.ts";
import type { SheetRecord } from "#core/sheet/record.ts";

/** A card whose words are to go on paper, and the day it is for. */
export type CardWish = {
  readonly card: Card;
  readonly day: string;
  readonly label: string;
  readonly date: CalendarDate;
  readonly spoiled: boolean;
  /** What would be missing on paper; null when nothing would. */
  readonly trouble: string | null;
};
export type CardSheetsView = {
  readonly albumId: string;
  readonly title: string;
  readonly unit: Unit;
  /** To be printed on sheets and cut out. */
  readonly wishes: readonly CardWish[];
  /** Cards with a print of their own, for a carrier sheet. */
  readonly carried: readonly CardWish[];
  /** Words that are on their cards, as the keeper says. */
  readonly had: readonly Had[];
  readonly sheets: readonly MadeSheet[];
  readonly printers: readonly PrinterRecord[];
};

type Aggregate = {
  readonly album: AlbumPlan & { readonly id: string };
  readonly days: readonly Day[];
  readonly matters: readonly MatterEntry[];
  readonly leaves: readonly LeafOutline[];
  readonly prints: readonly Print[];
};

export function cardSheetsView(
  aggregate: Aggregate,
  sheets: readonly SheetRecord[],
  kept: readonly PrinterRecord[],
): CardSheetsView {
  const { album, prints } = aggregate;
  const all = cardStandings(allPagesOf(aggregate), prints).map(({ page, card, standing }) => ({
    standing,
    wish: {
      card,
      day: pageName(page),
      label: page.label ?? "",
      date: dayOfPage(page, album),
      spoiled: standing.kind === "wanted" && standing.spoiled,
      trouble: glanceAt(card, album.unit).trouble,
    },
  }));
  const of = (kind: (typeof all)[number]["standing"]["kind"]) =>
    all.filter(({ standing }) => standing.kind === kind).map(({ wish }) => wish);
  return {
    albumId: album.id,
    title: album.title,
    unit: album.unit,
    wishes: of("wanted"),
    carried: of("carrier"),
    had: all.flatMap(({ standing, wish: { card, day } }) =>
      standing.kind === "trimmed" && standing.print.from.kind === "hand"
        ? [{ id: card.id, day, said: printSize(card.size, album.unit) }]
        : [],
    ),
    sheets: sheets.filter((sheet) => sheet.of === "cards").map((sheet) => madeSheet(aggregate, sheet)),
    printers: printersOr(kept, album.unit),
  };
}
