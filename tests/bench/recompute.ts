import { presetById } from "../../core/album/formats.ts";
import type { Leaf } from "../../core/album/leaf.ts";
import { type AlbumPlan, type Day, EMPTY_DAY, newCard } from "../../core/album/model.ts";
import { closedThickness, readPages } from "../../core/album/page.ts";
import { readBook } from "../../core/book/read.ts";
import { readRhythm } from "../../core/book/rhythm.ts";
import { inches } from "../../core/measure/length.ts";
import { addDays, type CalendarDate } from "../../core/month/dates.ts";
import { leavesOn, PLAIN_USE } from "../samples.ts";

/** An album of `count` days with about 26 pieces each: 31 of them hold 800. Its book has two or three leaves a day. */
export function bigAlbum(count: number): { plan: AlbumPlan; days: Day[] } {
  const preset = presetById("ring-6x8");
  if (!preset) throw new Error("shipped");
  const start = "2026-12-01" as CalendarDate;
  const pieces = <T>(make: (id: string) => T, day: number, many: number) =>
    Array.from({ length: many }, (_, at) => make(`${day}-${at}`));
  const three = { w: inches(3), h: inches(4) };
  const days = Array.from(
    { length: count },
    (_, at): Day => ({
      id: `day-${at}`,
      date: addDays(start, at),
      skipped: at % 13 === 12,
      mergedInto: at % 7 === 6 ? `day-${at - 1}` : null,
      version: 1,
      content: {
        ...EMPTY_DAY,
        photos: pieces((id) => ({ id: `p${id}`, photoId: id, print: three, alt: "", ...PLAIN_USE }), at, 10),
        cards: pieces((id) => newCard(`c${id}`, three, "words"), at, 10),
        done: ["choose"],
      },
    }),
  );
  return {
    plan: {
      title: "Bench",
      unit: "inch",
      numbering: "date",
      preparing: "parts",
      span: { start, end: addDays(start, count - 1) },
      format: preset,
    },
    days,
  };
}

function recompute({ plan, days, leaves }: { plan: AlbumPlan; days: Day[]; leaves: readonly Leaf[] }): number {
  const pages = readPages({ album: plan, days, leaves, prints: [] });
  readRhythm(readBook(plan, pages, leaves), pages);
  return closedThickness(pages, leaves, plan.format);
}

export const median = (values: number[]): number =>
  values.sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN;

/**
 * Median milliseconds of a whole-album recompute, and how much longer ten times the album takes: set against ten readings
 * of the one in a row, so that both leave the collector as much to clear, and taken in turn, so that a busy machine slows both.
 */
export function measureRecompute(): { ms: number; growth: number } {
  const withLeaves = (album: ReturnType<typeof bigAlbum>) => {
    // 80 leaves in a month: two inserts over every page, but for the last days.
    const tag = { insert: "tag" as const, size: { w: inches(3), h: inches(4) } };
    const all = album.days.flatMap(({ id }, at) =>
      leavesOn(id, tag, tag, at % 2 ? { kind: "pocket", layout: "twelve" } : { kind: "full" }),
    );
    return { ...album, leaves: all.slice(0, (album.days.length / 31) * 80) };
  };
  const [one, ten] = [withLeaves(bigAlbum(31)), withLeaves(bigAlbum(310))];
  const time = (album: typeof one, often: number) => {
    const began = performance.now();
    for (let turn = 0; turn < often; turn++) recompute(album);
    return performance.now() - began;
  };
  const tenReadings: number[] = [];
  const growths: number[] = [];
  for (let round = 0; round < 40; round++) {
    const [small, large] = [time(one, 10), time(ten, 1)];
    if (round < 10) continue;
    tenReadings.push(small);
    growths.push((large / small) * 10);
  }
  return { ms: median(tenReadings) / 10, growth: median(growths) };
}
