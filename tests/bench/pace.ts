import { EMPTY_DAY, STEPS, type Step } from "../../core/album/model.ts";
import type { Page } from "../../core/album/page.ts";
import { addDays, type CalendarDate } from "../../core/month/dates.ts";
import { USUAL_HOURS } from "../../core/pace/capacity.ts";
import { forecast, USUAL_PAGE, type Work } from "../../core/pace/forecast.ts";
import { TYPICAL } from "../../core/pace/minutes.ts";
import { planEvening } from "../../core/pace/tonight.ts";
import { readCalendar } from "../../press/calendar-read.ts";
import { median } from "./recompute.ts";

const FIRST = "2026-12-01" as CalendarDate;
const timed = (work: () => void, times: number): number => {
  for (let warm = 0; warm < 3; warm++) work();
  return median(
    Array.from({ length: times }, () => {
      const began = performance.now();
      work();
      return performance.now() - began;
    }),
  );
};

/** An evening of ninety minutes planned over a month in which every page has every step still to do. */
export function measureTonight(): number {
  const ring = (step: Step) =>
    (["choose", "print", "trim"].includes(step)
      ? "photos"
      : ["write", "letter"].includes(step)
        ? "words"
        : ["base", "number", "insert", "build"].includes(step)
          ? "paper"
          : "book") as Page["steps"][number]["ring"];
  const pages = Array.from({ length: 31 }, (_, at) => ({
    ...{ content: EMPTY_DAY, days: [{ date: addDays(FIRST, at) }] },
    steps: STEPS.map((step, rank) => ({ step, ring: ring(step), done: (at + rank) % 3 === 0, minutes: 0, on: [] })),
  })) as unknown as Page[];
  return timed(() => planEvening(pages, addDays(FIRST, 30), 90, "all", TYPICAL), 15);
}

const two = (n: number) => String(n).padStart(2, "0");

/** A calendar of five thousand events over some years, of which a month is wanted; a tenth of them repeat. */
export function measureCalendar(): number {
  const events = Array.from({ length: 5000 }, (_, at) => {
    const day = `${2022 + (at % 5)}${two((at % 12) + 1)}${two((at % 28) + 1)}`;
    const repeats = at % 10 === 0 ? ["RRULE:FREQ=YEARLY"] : [];
    return [
      ...["BEGIN:VEVENT", `UID:${at}`, `SUMMARY:Event ${at}`, "DESCRIPTION:What is said of it\\, and more of that"],
      ...[`DTSTART;TZID=Europe/Oslo:${day}T180000`, `DTEND;TZID=Europe/Oslo:${day}T190000`, ...repeats, "END:VEVENT"],
    ].join("\r\n");
  });
  const file = new TextEncoder().encode(["BEGIN:VCALENDAR", ...events, "END:VCALENDAR", ""].join("\r\n"));
  const span = { start: FIRST, end: addDays(FIRST, 30) };
  return timed(() => void readCalendar(file, span, "Europe/Oslo"), 5);
}

/** Ten thousand runs of a whole album of which nothing is done. */
export function measureForecast(): number {
  const work: Work[] = Array.from({ length: 31 }, (_, at) => ({
    ...{ page: `page ${at}`, from: addDays(FIRST, at), steps: USUAL_PAGE },
  }));
  const ask = { today: FIRST, work, hours: USUAL_HOURS, own: TYPICAL, kept: { meant: 0, kept: 0 }, seed: 1 };
  return timed(() => forecast({ ...ask, runs: 10_000 }), 5);
}
