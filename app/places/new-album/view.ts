import { FORMAT_PRESETS } from "#core/album/formats.ts";
import type { AlbumFormat } from "#core/album/model.ts";
import { toMillimetres, type Unit } from "#core/measure/length.ts";
import { printSize } from "#core/measure/size.ts";
import { addDays, type CalendarDate, dayOfMonth, lastOfMonth, monthName, parseDate } from "#core/month/dates.ts";

export type MonthChoice = { readonly name: string; readonly start: string; readonly end: string };
export type BookChoice = {
  readonly id: string;
  readonly name: string;
  readonly size: string;
  readonly unit: "inch" | "cm";
  readonly w: number;
  readonly h: number;
  readonly margin: number;
  readonly binding: string;
};

const firstOf = (date: CalendarDate): CalendarDate => addDays(date, 1 - dayOfMonth(date));

/** Books to choose from, the household's own measured ones last; the next seven months, and which of them to begin with: a December if one is among the next three, else this month. */
export function newAlbumView(
  today: CalendarDate,
  measured: readonly { id: string; unit: Unit; format: AlbumFormat }[],
): { months: MonthChoice[]; usual: number; books: BookChoice[] } {
  const months: MonthChoice[] = [];
  for (let start = firstOf(today); months.length < 7; start = addDays(lastOfMonth(start), 1)) {
    months.push({ name: `${monthName(start)} ${start.slice(0, 4)}`, start, end: lastOfMonth(start) });
  }
  const december = months.slice(0, 3).findIndex(({ start }) => parseDate(start)?.slice(5, 7) === "12");
  return {
    months,
    usual: Math.max(0, december),
    books: [...FORMAT_PRESETS, ...measured.map(({ format, ...each }) => ({ ...format, ...each }))].map(
      ({ id, name, nominal, unit, outer, margin, binding }) => ({
        id,
        name,
        unit,
        binding,
        size: printSize(nominal, unit),
        w: toMillimetres(outer.w),
        h: toMillimetres(outer.h),
        margin: toMillimetres(margin),
      }),
    ),
  };
}
