import { presetById } from "../../core/album/formats.ts";
import { type AlbumPlan, type Day, EMPTY_DAY } from "../../core/album/model.ts";
import { closedThickness, readPages } from "../../core/album/page.ts";
import { inches } from "../../core/measure/length.ts";
import { addDays, type CalendarDate } from "../../core/month/dates.ts";

/** An album of `count` days with about 26 pieces each: 31 of them hold 800. */
function bigAlbum(count: number): { plan: AlbumPlan; days: Day[] } {
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
        foundation: { kind: at % 2 ? "pocket" : "full", layout: at % 2 ? "twelve" : null, basePaper: "", note: "" },
        photos: pieces((id) => ({ id: `p${id}`, photoId: id, print: three, alt: "" }), at, 10),
        cards: pieces((id) => ({ id: `c${id}`, size: three, text: "words" }), at, 10),
        inserts: pieces((id) => ({ id: `i${id}`, kind: "tag" as const, size: three, note: "" }), at, 6),
        done: ["choose", "base"],
      },
    }),
  );
  return {
    plan: {
      title: "Bench",
      unit: "inch",
      numbering: "date",
      span: { start, end: addDays(start, count - 1) },
      format: preset,
    },
    days,
  };
}

function recompute({ plan, days }: { plan: AlbumPlan; days: Day[] }): number {
  const pages = readPages(plan, days);
  return closedThickness(pages, plan.format);
}

const median = (values: number[]): number => values.sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN;

/** Median milliseconds of a whole-album recompute, and how much longer ten times the album takes. */
export function measureRecompute(): { ms: number; growth: number } {
  const [one, ten] = [bigAlbum(31), bigAlbum(310)];
  const time = (album: typeof one) => {
    const began = performance.now();
    recompute(album);
    return performance.now() - began;
  };
  for (let warm = 0; warm < 15; warm++) time(one) + time(ten);
  const small: number[] = [];
  const large: number[] = [];
  for (let round = 0; round < 25; round++) {
    small.push(time(one));
    large.push(time(ten));
  }
  const ms = median(small);
  return { ms, growth: median(large) / ms };
}
