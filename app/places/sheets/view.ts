import { pageName } from "#app/places/album/view.ts";
import { labelOf } from "#app/wording/photo.ts";
import { allPagesOf, dayOfPage, type WholeRead } from "#core/album/matter.ts";
import type { AlbumPlan, Day, MatterEntry, PhotoUse } from "#core/album/model.ts";
import type { LeafOutline } from "#core/album/page-leaves.ts";
import { type Print, type PrintState, standings } from "#core/album/print.ts";
import type { Tile } from "#core/album/tiles.ts";
import { type Printed, printablesOf, printedAs, printsOn } from "#core/document/printed.ts";
import type { Unit } from "#core/measure/length.ts";
import type { Rect } from "#core/measure/rect.ts";
import { printSize } from "#core/measure/size.ts";
import { addDays, type CalendarDate, printShort, weekdayNumber } from "#core/month/dates.ts";
import { anyLab, anyPrinter, type LabRecord, type PrinterRecord } from "#core/sheet/printer.ts";
import type { OrderRecord, SheetRecord } from "#core/sheet/record.ts";
import type { Had } from "./had.tsx";

/** A print that is not made yet: what it is of, and the day it is for. */
export type Wish = {
  readonly use: PhotoUse;
  readonly day: string;
  readonly label: string;
  readonly date: CalendarDate;
  readonly spoiled: boolean;
  readonly star: boolean;
  /** Of a print whose other parts are made, the parts that are not. */
  readonly missing: readonly Tile[];
};

export type MadePrint = {
  readonly id: string;
  readonly at: Rect;
  readonly turned: boolean;
  readonly spare: boolean;
  readonly state: PrintState;
  readonly place: number;
  readonly of: Printed | null;
  readonly day: string;
  readonly label: string;
};
export type MadeSheet = SheetRecord & { readonly prints: readonly MadePrint[] };
export type MadeOrder = {
  readonly id: string;
  readonly number: number;
  readonly ordered: string;
  readonly due: string;
  readonly isDue: boolean;
  readonly arrived: boolean;
  readonly days: readonly string[];
  readonly prints: number;
  /** The lab it went to, as it is called; null where that is kept no more, or never was. */
  readonly lab: string | null;
  /** Prints that come on larger paper, and of them those that are not cut out yet. */
  readonly toCut: number;
  readonly uncut: number;
};
export type SheetsView = {
  readonly albumId: string;
  readonly title: string;
  readonly unit: Unit;
  readonly today: CalendarDate;
  readonly week: { readonly from: CalendarDate; readonly to: CalendarDate };
  readonly wishes: readonly Wish[];
  /** Printed elsewhere, as the keeper says. */
  readonly had: readonly Had[];
  readonly sheets: readonly MadeSheet[];
  readonly orders: readonly MadeOrder[];
  /** The household's printers, the one used last first; an ordinary one where none is kept. */
  readonly printers: readonly PrinterRecord[];
  /** The labs it orders from, the one used last first; an ordinary one where none is kept. */
  readonly labs: readonly LabRecord[];
};

type Aggregate = {
  readonly album: AlbumPlan & { readonly id: string };
  readonly days: readonly Day[];
  readonly matters: readonly MatterEntry[];
  readonly leaves: readonly LeafOutline[];
  readonly prints: readonly Print[];
  readonly photos: ReadonlyMap<string, { readonly star: boolean }>;
};

/** The printers to choose from: an ordinary one where the household keeps none. */
export const printersOr = (kept: readonly PrinterRecord[], unit: Unit): readonly PrinterRecord[] =>
  kept.length > 0 ? kept : [anyPrinter(unit)];

type Shown = { readonly of: Printed; readonly day: string; readonly label: string };

/** Every picture and card of the album with what its page is called. */
const shownBy = (aggregate: WholeRead): Map<string, Shown> =>
  new Map(
    [...printablesOf(aggregate)].map(([id, { of, page }]) => [
      id,
      { of, day: pageName(page), label: page.label ?? "" },
    ]),
  );

/** A sheet with what is on it. */
export function madeSheet(
  aggregate: Pick<Aggregate, "album" | "days" | "matters" | "leaves" | "prints">,
  sheet: SheetRecord,
  shown = shownBy(aggregate),
): MadeSheet {
  const prints = printsOn(aggregate.prints, sheet).map((print): MadePrint => {
    const found = shown.get(print.of);
    return {
      id: print.id,
      at: print.at,
      turned: print.turned,
      spare: print.spare,
      state: print.state,
      place: print.place,
      of: found ? printedAs(found.of, print) : null,
      day: found?.day ?? "a day that has it no more",
      label: labelOf(found?.label ?? "–", print.tile),
    };
  });
  return { ...sheet, prints };
}

export function sheetsView(
  aggregate: Aggregate,
  sheets: readonly SheetRecord[],
  orders: readonly OrderRecord[],
  kept: { readonly printers: readonly PrinterRecord[]; readonly labs: readonly LabRecord[] },
  today: CalendarDate,
): SheetsView {
  const { album, prints, photos } = aggregate;
  const shown = shownBy(aggregate);
  const all = standings(allPagesOf(aggregate), prints);
  const monday = addDays(today, 1 - weekdayNumber(today));
  return {
    albumId: album.id,
    title: album.title,
    unit: album.unit,
    today,
    week: { from: monday, to: addDays(monday, 6) },
    had: all.flatMap(({ page, use, standing }) =>
      standing.kind === "trimmed" && standing.print.from.kind === "hand"
        ? [{ id: use.id, day: pageName(page), said: printSize(use.print, album.unit) }]
        : [],
    ),
    wishes: all.flatMap(({ page, use, standing }) =>
      standing.kind === "wanted"
        ? [
            {
              use,
              day: pageName(page),
              label: page.label ?? "",
              date: dayOfPage(page, album),
              spoiled: standing.spoiled,
              missing: standing.missing,
              star: photos.get(use.photoId)?.star ?? false,
            },
          ]
        : [],
    ),
    sheets: sheets.filter(({ of }) => of === "photos").map((sheet) => madeSheet(aggregate, sheet, shown)),
    orders: orders.map(({ id, number, orderedOn, dueOn, arrived, labId }) => {
      const own = prints.filter(({ from }) => from.kind === "lab" && from.id === id);
      return {
        id,
        number,
        arrived,
        ordered: printShort(orderedOn),
        due: printShort(dueOn),
        isDue: dueOn <= today,
        days: [...new Set(own.map(({ of }) => shown.get(of)?.day ?? "a day"))],
        prints: own.length,
        lab: kept.labs.find((each) => each.id === labId)?.name ?? null,
        toCut: own.filter(({ paper }) => paper !== null).length,
        uncut: own.filter(({ paper, state }) => paper !== null && state === "printed").length,
      };
    }),
    printers: printersOr(kept.printers, album.unit),
    labs: kept.labs.length > 0 ? kept.labs : [anyLab(album.unit)],
  };
}
