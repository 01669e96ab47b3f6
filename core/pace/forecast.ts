import { type Preparing, STEPS, type Step } from "../album/model.ts";
import type { Page } from "../album/page.ts";
import { type Ring, TYPICAL_MINUTES } from "../album/steps.ts";
import { type CalendarDate, datesFrom, daysBetween } from "../month/dates.ts";
import { chanceFrom } from "../words/chance.ts";
import { type Hours, minutesOn } from "./capacity.ts";
import { beta, gamma, normal } from "./draws.ts";
import type { OwnMinutes } from "./minutes.ts";
import { isAfter, openSteps, stillDrying } from "./needs.ts";
import { AHEAD } from "./tonight.ts";

/** The stages that an album is finished by, the last of them being all of it. */
export const STAGES = ["photos", "words", "book"] as const;
export type Stage = (typeof STAGES)[number];
const STAGE_OF: Readonly<Record<Exclude<Ring, "prompt">, Stage>> = {
  photos: "photos",
  words: "words",
  paper: "book",
  book: "book",
};

/**
 * What is still to be done for a page, and from when on it can be. `page` names it: the same page is as much work in one
 * plan as in another. `spared`: minutes of it that fall away, because its setting up is done with another's.
 */
export type Work = {
  readonly page: string;
  readonly from: CalendarDate;
  readonly steps: readonly Step[];
  readonly spared?: number;
  /** What making its constructions typically takes, in minutes; where it has any to make. */
  readonly build?: number;
};

/** Evenings that were meant and those of them that were kept, so far. */
export type Kept = { readonly meant: number; readonly kept: number };
/** What is typical weighs as much as five evenings, three of them kept. From memory. */
export const TYPICAL_KEPT = { kept: 3, missed: 2 };

/** One page's work differs from what is usual for its steps by about this share of itself. From memory. */
const PAGE_VARIES = 0.35;

/** What a page needs of which nothing is planned yet: a picture, a card, a page, a number. Common practice. */
export const USUAL_PAGE: readonly Step[] = [
  ...(["choose", "print", "trim", "write", "letter", "base", "number", "assemble", "punch", "file"] as const),
];

/**
 * What is left to do of an album: of every page that is told its open steps, made ahead where the album makes them ahead,
 * the others from the day on which the last of its days was lived, and what goes on a page that dries from when it is dry;
 * of a page with nothing planned yet what is usual.
 */
export function workLeft(
  pages: readonly Page[],
  today: CalendarDate,
  preparing: Preparing,
  isBegun: (page: Page) => boolean,
): Work[] {
  return pages.flatMap((page) => {
    const last = page.days.at(-1)?.date;
    const name = page.days[0]?.id ?? "";
    if (page.skipped || last === undefined) return [];
    const open = openSteps(page).map(({ step }) => step);
    const left = page.steps.length === 0 || !isBegun(page) ? [...new Set([...open, ...missing(page)])] : open;
    const ahead = last > today ? left.filter((step) => AHEAD[preparing].includes(step)) : [];
    const dry = page.content.driesUntil ?? today;
    const waits = stillDrying(page, today);
    const lived = last > today ? last : today;
    const onDry = (from: CalendarDate) => (dry > from ? dry : from);
    const isWet = (step: Step) => isAfter(step, waits);
    const parts: [CalendarDate, Step[]][] = [
      [today, ahead.filter((step) => !isWet(step))],
      [onDry(today), ahead.filter(isWet)],
      [lived, left.filter((step) => !ahead.includes(step) && !isWet(step))],
      [onDry(lived), left.filter((step) => !ahead.includes(step) && isWet(step))],
    ];
    const build = page.steps.find(({ step }) => step === "build")?.minutes;
    return parts.flatMap(([from, steps]) => {
      if (steps.length === 0) return [];
      return [{ page: name, from, steps, ...(build !== undefined && steps.includes("build") ? { build } : {}) }];
    });
  });
}

const missing = ({ steps, content }: Page): Step[] =>
  USUAL_PAGE.filter((step) => {
    if (steps.some((each) => each.step === step)) return false;
    if (["choose", "print", "trim"].includes(step)) return !content.waived.includes("photos");
    if (["write", "letter"].includes(step)) return !content.waived.includes("words");
    if (["base", "number", "punch"].includes(step)) return !content.waived.includes("paper");
    return true;
  });

export type Ask = {
  readonly today: CalendarDate;
  readonly work: readonly Work[];
  readonly hours: Hours;
  readonly own: OwnMinutes;
  /** Null: every evening is kept. */
  readonly kept: Kept | null;
  /** The same seed gives the same answer. */
  readonly seed: number;
  readonly runs: number;
  /** How much one page's work differs from another's, as a share of itself; 1 is a steady random pace. */
  readonly varies?: number;
};

/** Whatever is not done in so many days is said to take more than any year. */
export const LONGEST_DAYS = 730;

/**
 * Days from today on which each of the runs ends a stage, in ascending order; `LONGEST_DAYS` where it does not. `runs`: on
 * which each ends all of it, in the order of the runs; the same run of another plan has the same evenings and pages.
 */
export type Forecast = { readonly ends: Readonly<Record<Stage, Int16Array>>; readonly runs: Int16Array };

/**
 * When it will be done, as many times over as `runs`, each with minutes, kept evenings and pages drawn anew: how long this
 * person takes from what is known of it (lognormal, see minutes.ts), which share of the evenings they keep from those kept
 * so far (beta, the conjugate of a coin), each page's work about its own (gamma). Evening by evening the work that there is
 * is done in its order, whatever is left of an evening going to the next page. Today counts. Evenings, the person and each
 * page draw from chances of their own, so that two plans can be compared run by run.
 */
export function forecast({ today, work, hours, own, kept, seed, runs, varies = PAGE_VARIES }: Ask): Forecast {
  const [person, evenings, pages] = [chanceFrom(0), chanceFrom(0), chanceFrom(0)];
  const given = Int16Array.from(datesFrom(today, LONGEST_DAYS), (date) => minutesOn(hours, date));
  const jobs = jobsOf(work, today);
  const parts = jobs.flatMap((job) => job.parts);
  // Many pages have the same to do: what it takes is summed up once a run for each different list of steps.
  const listed = [...new Map(parts.map((part) => [nameOf(part), part])).entries()];
  const lists = listed.map(([, part]) => part);
  const listOf = parts.map((part) => listed.findIndex(([name]) => name === nameOf(part)));
  const takes = new Float64Array(lists.length);
  const endOf = new Int16Array(parts.length);
  const ends = { photos: new Int16Array(runs), words: new Int16Array(runs), book: new Int16Array(runs) };
  const lasts = STAGES.map((stage) => ({
    stage,
    // A stage is over with the last that has some of it, the book with everything.
    part: stage === "book" ? parts.length - 1 : parts.findLastIndex((part) => part.stage === stage),
  }));
  const shape = varies > 0 ? 1 / varies ** 2 : 0;
  const minutes = new Float64Array(STEPS.length);
  for (let run = 0; run < runs; run++) {
    const ofRun = stirred(seed, run);
    person.from(stirred(ofRun, 1));
    evenings.from(stirred(ofRun, 2));
    STEPS.forEach((step, at) => {
      const { factor, doubt } = own[step];
      minutes[at] = TYPICAL_MINUTES[step] * factor * (doubt > 0 ? Math.exp(doubt * normal(person)) : 1);
    });
    lists.forEach(({ steps, times }, at) => {
      takes[at] = steps.reduce((sum, step) => sum + (minutes[step] as number) * (step === BUILD ? times : 1), 0);
    });
    const share = kept ? beta(person, TYPICAL_KEPT.kept + kept.kept, TYPICAL_KEPT.missed + kept.meant - kept.kept) : 1;
    let day = -1;
    let left = 0;
    let at = 0;
    for (const { from, name, spared, parts: own } of jobs) {
      if (shape > 0) pages.from(stirred(ofRun, name));
      const times = shape > 0 ? gamma(pages, shape) / shape : 1;
      let spare = spared;
      for (const last = at + own.length; at < last; at++) {
        let need = (takes[listOf[at] as number] as number) * times;
        const less = Math.min(need, spare);
        need -= less;
        spare -= less;
        while (day < LONGEST_DAYS && (day < from || left < need)) {
          if (day >= from) need -= left;
          day += 1;
          const there = given[day] ?? 0;
          left = there > 0 && (share >= 1 || evenings.next() < share) ? there : 0;
        }
        left -= need;
        endOf[at] = day;
      }
    }
    for (const { stage, part } of lasts) ends[stage][run] = Math.min(endOf[part] ?? 0, LONGEST_DAYS);
  }
  const inOrder = Int16Array.from(ends.book);
  for (const stage of STAGES) ends[stage].sort();
  return { ends, runs: inOrder };
}

/** Another seed from a seed and a number: the two are multiplied apart and stirred (as in chance.ts). */
function stirred(seed: number, by: number): number {
  const mixed = Math.imul(seed ^ Math.imul(by + 1, 0x9e3779b1), 0x85ebca6b);
  return Math.imul(mixed ^ (mixed >>> 15), 0xc2b2ae35) | 0;
}

/** `times`: how much longer making its constructions takes than that step usually does. */
type Part = { readonly stage: Stage; readonly steps: readonly number[]; readonly times: number };
const BUILD = STEPS.indexOf("build");
const nameOf = ({ steps, times }: Part): string => `${steps.join()} ${steps.includes(BUILD) ? times : 1}`;

/** The work in the order in which it can be done, a page's pictures first, then its words, then the rest. */
function jobsOf(work: readonly Work[], today: CalendarDate) {
  return work
    .map(({ page, from, steps, spared = 0, build = TYPICAL_MINUTES.build }) => ({
      from: Math.max(0, daysBetween(today, from)),
      name: [...page].reduce((hash, sign) => (Math.imul(hash, 31) + sign.charCodeAt(0)) | 0, 17),
      spared,
      // Where nothing is left to do but to wait, as for a lab, it ends on the day that is waited for.
      parts: (steps.length === 0 ? (["photos"] as const) : STAGES).flatMap((stage): Part[] => {
        const of = steps.filter((step) => STAGE_OF[ringOf(step)] === stage);
        const times = build / TYPICAL_MINUTES.build;
        return of.length > 0 || steps.length === 0
          ? [{ stage, times, steps: of.map((step) => STEPS.indexOf(step)) }]
          : [];
      }),
    }))
    .sort((a, b) => a.from - b.from);
}

function ringOf(step: Step): Exclude<Ring, "prompt"> {
  if (step === "choose" || step === "print" || step === "trim") return "photos";
  if (step === "write" || step === "letter") return "words";
  return ["base", "number", "insert", "build"].includes(step) ? "paper" : "book";
}

/** The first day, counted from today, by which this share of the runs is done; null where it takes longer than is looked at. */
export function doneBy(ends: Int16Array, share: number): number | null {
  const at = ends[Math.max(0, Math.ceil(share * ends.length) - 1)];
  return at === undefined || at >= LONGEST_DAYS ? null : at;
}

/** How many of the runs are done within so many days, as a share. */
export function chanceBy(ends: Int16Array, days: number): number {
  let count = 0;
  for (const end of ends) if (end <= days && end < LONGEST_DAYS) count += 1;
  return ends.length === 0 ? 0 : count / ends.length;
}
