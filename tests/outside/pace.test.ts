import { Body, Observer, SearchAltitude, SearchRiseSet } from "astronomy-engine";
import jStat from "jstat";
import { describe, expect, it } from "vitest";
import { STEPS, type Step } from "../../core/album/model.ts";
import { TYPICAL_MINUTES } from "../../core/album/steps.ts";
import { addDays, type CalendarDate } from "../../core/month/dates.ts";
import { type Hours, minutesOn, USUAL_HOURS } from "../../core/pace/capacity.ts";
import { daylight, freeDaylight, wallTime } from "../../core/pace/daylight.ts";
import { beta, gamma, normal } from "../../core/pace/draws.ts";
import { doneBy, forecast, LONGEST_DAYS, type Work } from "../../core/pace/forecast.ts";
import { ownMinutes, type Timed, TYPICAL_WEIGHS, VARIES } from "../../core/pace/minutes.ts";
import { chanceFrom } from "../../core/words/chance.ts";

const FIRST = "2026-12-01" as CalendarDate;

describe("the finish of a steady random pace", () => {
  it("lies where the gamma distribution has it, within 2 % (textbook; jstat)", () => {
    // Pages of exponential length: at one minute an evening the time for n of them is Gamma(n, 1 / mean).
    const mean = 14;
    const own = ownMinutes([], { write: mean });
    const hours = { ...USUAL_HOURS, weekly: Array.from({ length: 7 }, () => 1) };
    for (const pages of [6, 12, 20]) {
      const work: Work[] = Array.from({ length: pages }, (_, at) => ({
        page: `${at}`,
        from: FIRST,
        steps: ["write"] as Step[],
      }));
      const { ends } = forecast({
        ...{ today: FIRST, work, hours, own, kept: null, seed: pages, runs: 20_000, varies: 1 },
      });
      for (const share of [0.1, 0.5, 0.9]) {
        const known: number = jStat.gamma.inv(share, pages, mean);
        // The evening on which it ends is over half an evening after, in the mean.
        const found = (doneBy(ends.words, share) ?? Number.NaN) + 0.5;
        expect(Math.abs(found - known) / known, `${pages} pages, ${share}`).toBeLessThan(0.02);
      }
    }
  });
});

describe("a thousand keepers", () => {
  /** Evenings on which somebody really works, and what they really take, drawn as what is typical says that people are. */
  function keeper(seed: number) {
    const chance = chanceFrom(seed);
    const doubt = VARIES / Math.sqrt(TYPICAL_WEIGHS);
    const factor = STEPS.map(() => Math.exp(doubt * normal(chance)));
    return { chance, factor, share: beta(chance, 3, 2) };
  }
  const pageSteps: Step[] = [
    "choose",
    "print",
    "trim",
    "write",
    "letter",
    "base",
    "number",
    "assemble",
    "punch",
    "file",
  ];
  const hours: Hours = { ...USUAL_HOURS, weekly: [30, 30, 30, 30, 30, 120, 120] };
  const varies = 0.35;

  /** A December as it went: on which day each page was ended, and what was seen of it up to a day. */
  function live(seed: number) {
    const { chance, factor, share } = keeper(seed);
    const minutes = (step: Step) => TYPICAL_MINUTES[step] * (factor[STEPS.indexOf(step)] ?? 1);
    const shape = 1 / varies ** 2;
    const ends: number[] = [];
    const evenings: { meant: boolean; kept: boolean }[] = [];
    let [day, left] = [-1, 0];
    const next = () => {
      day += 1;
      const there = minutesOn(hours, addDays(FIRST, day));
      const kept = there > 0 && chance.next() < share;
      evenings.push({ meant: there > 0, kept });
      left = kept ? there : 0;
    };
    for (let page = 0; page < 31; page++) {
      let need = (pageSteps.reduce((sum, step) => sum + minutes(step), 0) * gamma(chance, shape)) / shape;
      while (day < LONGEST_DAYS && (day < page || left < need)) {
        if (day >= page) need -= left;
        next();
      }
      left -= need;
      ends.push(day);
    }
    /** Each step of a page that was done is one time, about this person's own. */
    const timed = (until: number): Timed[] =>
      ends
        .filter((end) => end < until)
        .flatMap(() => pageSteps.map((step) => ({ step, minutes: minutes(step) * Math.exp(VARIES * normal(chance)) })));
    return { ends, evenings, timed };
  }

  it("are done by the day that was said with nine in ten, in 87 to 93 of a hundred, seen from days 5, 10 and 20", () => {
    for (const seen of [5, 10, 20]) {
      let held = 0;
      const keepers = 1000;
      for (let seed = 0; seed < keepers; seed++) {
        const { ends, evenings, timed } = live(seed * 7919 + seen);
        const past = evenings.slice(0, seen).filter(({ meant }) => meant);
        const work: Work[] = ends.flatMap((end, page) =>
          end < seen ? [] : [{ page: `${page}`, from: addDays(FIRST, Math.max(page, seen)), steps: pageSteps }],
        );
        const said = forecast({
          ...{ today: addDays(FIRST, seen), work, hours, own: ownMinutes(timed(seen), {}), varies },
          kept: { meant: past.length, kept: past.filter(({ kept }) => kept).length },
          ...{ seed, runs: 200 },
        });
        const by = doneBy(said.ends.book, 0.9);
        if (by === null || Math.max(...ends) - seen <= by) held += 1;
      }
      expect(held / keepers, `from day ${seen}`).toBeGreaterThanOrEqual(0.87);
      expect(held / keepers, `from day ${seen}`).toBeLessThanOrEqual(0.93);
    }
  }, 120_000);
});

describe("sunrise, sunset and civil twilight", () => {
  const HALF_A_MINUTE = 30_000;

  it("are those of a second library within half a minute, from 60° south to 60° north (astronomy-engine)", () => {
    for (const latitude of [-60, -45, -30, -10, 0, 15, 35, 47.5, 54.6, 60])
      for (const longitude of [-170, -71, 0, 13.4, 151])
        for (const date of ["2026-01-15", "2026-03-20", "2026-06-21", "2026-10-25", "2026-12-09", "2026-12-21"]) {
          const light = daylight(date as CalendarDate, { latitude, longitude });
          if (light.kind !== "day") throw new Error(`${latitude} ${date}: the sun rises there`);
          const observer = new Observer(latitude, longitude, 0);
          const noon = new Date(Date.parse(`${date}T12:00:00Z`) - (longitude / 360) * 86_400_000);
          const from = new Date(noon.getTime() - 43_200_000);
          const near = (ours: number | null, theirs: { date: Date } | null, what: string) =>
            expect(
              Math.abs((ours ?? 0) - (theirs?.date.getTime() ?? Number.NaN)),
              `${what} ${latitude} ${longitude} ${date}`,
            ).toBeLessThanOrEqual(HALF_A_MINUTE);
          near(light.sunrise, SearchRiseSet(Body.Sun, observer, +1, from, 1), "sunrise");
          near(light.sunset, SearchRiseSet(Body.Sun, observer, -1, noon, 1), "sunset");
          if (light.dawn !== null) near(light.dawn, SearchAltitude(Body.Sun, observer, +1, from, 1, -6), "dawn");
          if (light.dusk !== null) near(light.dusk, SearchAltitude(Body.Sun, observer, -1, noon, 1, -6), "dusk");
        }
  });

  it("say a day without night and a night without day as such", () => {
    const far = { latitude: 78, longitude: 15 };
    expect(daylight("2026-06-21" as CalendarDate, far)).toEqual({ kind: "polar-day" });
    expect(daylight("2026-12-21" as CalendarDate, far)).toEqual({ kind: "polar-night", dawn: null, dusk: null });
    // At 68° north the sun stays down at midwinter, with twilight at noon.
    expect(daylight("2026-12-21" as CalendarDate, { latitude: 68, longitude: 15 })).toMatchObject({
      kind: "polar-night",
      dawn: expect.any(Number),
    });
    expect(["polar-day", "polar-night"]).toContain(
      daylight("2026-12-21" as CalendarDate, { latitude: 90, longitude: 0 }).kind,
    );
  });

  it("are told by the clock of the place, its change included, and leave free what nobody is away in", () => {
    const place = { latitude: 54.6, longitude: -5.9 };
    const zone = "Europe/London";
    const [before, after] = ["2026-10-24", "2026-10-25"].map((date) => {
      const light = daylight(date as CalendarDate, place);
      return light.kind === "day" ? wallTime(light.sunrise, zone) : "";
    });
    // The clocks go back an hour on the last Sunday of October: the sun rises an hour earlier by the wall, and two minutes later.
    const minutes = (time = "") => Number(time.slice(0, 2)) * 60 + Number(time.slice(3));
    expect(minutes(before) - minutes(after)).toBeGreaterThanOrEqual(57);
    expect(minutes(before) - minutes(after)).toBeLessThanOrEqual(60);
    const free = (date: string, away: Hours["away"]) =>
      freeDaylight(date as CalendarDate, daylight(date as CalendarDate, place), { ...USUAL_HOURS, away }, zone);
    const [home, gone] = [Array(7).fill(null), Array(7).fill({ from: "08:00", to: "17:00" })];
    expect(free("2026-12-09", home)).toBeGreaterThan(7 * 60);
    expect(free("2026-12-09", home)).toBeLessThan(8 * 60);
    expect(free("2026-12-09", gone)).toBe(0);
    // Away until the clocks have been put back is an hour longer of the sun's time.
    expect(free("2026-10-25", gone)).toBeLessThan(free("2026-10-25", home));
  });
});
