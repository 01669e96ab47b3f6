import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyAlbum } from "../../tests/samples.ts";
import { PREPARING, STEPS, type Step } from "../album/model.ts";
import { type Page, pagesOf } from "../album/page.ts";
import { type PlannedStep, TYPICAL_MINUTES } from "../album/steps.ts";
import { addDays, type CalendarDate } from "../month/dates.ts";
import { costOf, ownMinutes, TYPICAL } from "./minutes.ts";
import { isAfter, NEEDS, openSteps, stillDrying } from "./needs.ts";
import { AHEAD, type Evening, isMoved, planEvening, withoutPage } from "./tonight.ts";

const RING: Record<Step, PlannedStep["ring"]> = {
  ...{ choose: "photos", print: "photos", trim: "photos", write: "words", letter: "words" },
  ...{ base: "paper", number: "paper", insert: "paper", build: "paper", assemble: "book", punch: "book", file: "book" },
};
const FIRST = "2026-12-01" as CalendarDate;
const TODAY = "2026-12-04" as CalendarDate;

/** A page of one day with these steps; nothing else of it is looked at. */
const pageOn = (
  at: number,
  steps: readonly (readonly [Step, boolean])[],
  driesUntil: CalendarDate | null = null,
  build = { minutes: TYPICAL_MINUTES.build, dries: 0 },
): Page =>
  ({
    content: { driesUntil },
    days: [{ date: addDays(FIRST, at) }],
    steps: steps.map(([step, done]) => ({
      ...{ step, done, ring: RING[step], on: [] },
      ...(step === "build" ? build : { minutes: TYPICAL_MINUTES[step], dries: 0 }),
    })),
  }) as unknown as Page;

const anySteps = fc.tuple(fc.subarray([...STEPS]), fc.subarray([...STEPS])).map(([there, done]) => {
  // What is done has what it needs done before it.
  const isDone = (step: Step): boolean =>
    done.includes(step) && NEEDS[step].every((need) => !there.includes(need) || isDone(need));
  return there.map((step) => [step, isDone(step)] as const);
});
/** Constructions take longer or shorter, and some of them dry for longer than there is time. */
const anyBuild = fc.record({ minutes: fc.integer({ min: 1, max: 60 }), dries: fc.constantFrom(0, 10, 30, 200) });
const anyPage = fc.tuple(anySteps, anyBuild);
const MOST_OPEN = 14;
const fewOpen = fc
  .array(anyPage, { minLength: 1, maxLength: 5 })
  .map((all) => all.map(([steps, build], at) => pageOn(at, steps, null, build)))
  .filter((pages) => pages.reduce((sum, page) => sum + openSteps(page).length, 0) <= MOST_OPEN);

type Worth = { finished: number; moved: number; oldest: string };
const worthOf = (pages: readonly Page[], taken: (page: Page, step: Step) => boolean): Worth => {
  const open = pages.filter((page) => (page.days[0]?.date ?? "") <= TODAY && openSteps(page).length > 0);
  const own = (page: Page) => new Set(openSteps(page).flatMap(({ step }) => (taken(page, step) ? [step] : [])));
  const isOn = open.map((page) => isMoved(openSteps(page), own(page)));
  return {
    finished: open.filter((page) => openSteps(page).every(({ step }) => own(page).has(step))).length,
    moved: isOn.filter(Boolean).length,
    oldest: isOn.map((on) => (on ? "1" : "0")).join(""),
  };
};
const isMore = (a: Worth, b: Worth): boolean =>
  a.finished !== b.finished ? a.finished > b.finished : a.moved !== b.moved ? a.moved > b.moved : a.oldest > b.oldest;

const worthOfEvening = (pages: readonly Page[], { items }: Evening) =>
  worthOf(pages, (page, step) => items.some((item) => item.page === page && item.step.step === step));

/** Every set of steps that may be done in the minutes, tried. */
function byTryingAll(pages: readonly Page[], minutes: number): Worth {
  const all = pages.flatMap((page) => openSteps(page).map(({ step, minutes: typical }) => ({ page, step, typical })));
  const eachOf = (step: Step, typical: number) => costOf(TYPICAL, step, typical).each;
  // What dries for longer than is left of the evening is not gone on with.
  const isWet = (page: Page, step: Step) =>
    openSteps(page).some(
      (need) =>
        NEEDS[step].includes(need.step) && need.dries > 0 && need.dries + eachOf("build", need.minutes) > minutes,
    );
  let top: Worth = { finished: 0, moved: 0, oldest: "" };
  for (let mask = 0; mask < 1 << all.length; mask++) {
    const isIn = (page: Page, step: Step) =>
      all.some((each, at) => each.page === page && each.step === step && (mask & (1 << at)) !== 0);
    const some = all.filter((_, at) => mask & (1 << at));
    const kinds = new Set(some.map(({ step }) => step));
    const cost =
      some.reduce((sum, { step, typical }) => sum + eachOf(step, typical), 0) +
      [...kinds].reduce((sum, step) => sum + costOf(TYPICAL, step).setUp, 0);
    if (cost > minutes) continue;
    const isFine = some.every(
      ({ page, step }) =>
        (page.days[0]?.date ?? "") <= TODAY &&
        !isWet(page, step) &&
        NEEDS[step].every((need) => openSteps(page).every((each) => each.step !== need) || isIn(page, need)),
    );
    if (!isFine) continue;
    const worth = worthOf(pages, isIn);
    if (isMore(worth, top)) top = worth;
  }
  return top;
}

/** The oldest page's steps in their order, then the next one's, as long as they fit. */
function oldestFirst(pages: readonly Page[], minutes: number): Worth {
  const kinds = new Set<Step>();
  const taken = new Map<Page, Set<Step>>();
  let left = minutes;
  for (const page of pages.filter(({ days: [first] }) => (first?.date ?? "") <= TODAY)) {
    const own = new Set<Step>();
    taken.set(page, own);
    for (const { step } of openSteps(page)) {
      const takes = costOf(TYPICAL, step).each + (kinds.has(step) ? 0 : costOf(TYPICAL, step).setUp);
      if (takes > left) break;
      left -= takes;
      own.add(step);
      kinds.add(step);
    }
  }
  return worthOf(pages, (page, step) => taken.get(page)?.has(step) ?? false);
}

const evening = (pages: readonly Page[], minutes: number) => planEvening(pages, TODAY, minutes, "nothing", TYPICAL);

describe("the evening that is worth most", () => {
  it("is worth what trying every set of steps finds", () => {
    fc.assert(
      fc.property(fewOpen, fc.nat(100), (pages, minutes) => {
        const found = worthOfEvening(pages, evening(pages, minutes));
        const best = byTryingAll(pages, minutes);
        expect([found.finished, found.moved]).toEqual([best.finished, best.moved]);
        if (best.moved > 0) expect(found.oldest).toBe(best.oldest);
      }),
      { numRuns: 25 },
    );
  }, 60_000);

  it("is within its minutes, with nothing before what it needs, and says itself what it is worth", () => {
    fc.assert(
      fc.property(fc.array(anyPage, { maxLength: 31 }), fc.nat(300), (all, minutes) => {
        const pages = all.map(([steps, build], at) => pageOn(at % 6, steps, null, build));
        const plan = evening(pages, minutes);
        const cost =
          plan.items.reduce((sum, item) => sum + item.minutes, 0) +
          plan.setUp.reduce((sum, each) => sum + each.minutes, 0);
        expect(cost).toBe(plan.minutes);
        expect(cost).toBeLessThanOrEqual(minutes);
        const kinds = new Set(plan.items.map(({ step }) => step.step));
        expect(plan.setUp.every(({ step }) => kinds.has(step))).toBe(true);
        expect(worthOfEvening(pages, plan)).toMatchObject({ finished: plan.finished, moved: plan.moved });
        plan.items.forEach(({ page, step: { step } }, at) => {
          for (const need of NEEDS[step]) {
            const isOpen = openSteps(page).some((each) => each.step === need);
            const before = plan.items.findIndex((item) => item.page === page && item.step.step === need);
            expect(!isOpen || (before >= 0 && before < at)).toBe(true);
          }
        });
      }),
      { numRuns: 60 },
    );
  });

  it("is never worse than the oldest first, and more minutes never finish fewer pages", () => {
    fc.assert(
      fc.property(fc.array(anySteps, { maxLength: 31 }), fc.nat(300), fc.nat(60), (all, minutes, more) => {
        const pages = all.map((steps, at) => pageOn(at % 4, steps));
        const plan = evening(pages, minutes);
        expect(isMore(oldestFirst(pages, minutes), worthOfEvening(pages, plan))).toBe(false);
        const longer = evening(pages, minutes + more);
        expect(longer.finished).toBeGreaterThanOrEqual(plan.finished);
        if (longer.finished === plan.finished) expect(longer.moved).toBeGreaterThanOrEqual(plan.moved);
      }),
      { numRuns: 40 },
    );
  });

  it("trims a week in one sitting: the trimmer is put out once", () => {
    const pages = [0, 1, 2, 3].map((at) =>
      pageOn(at, [
        ["print", true],
        ["trim", false],
      ]),
    );
    const { setUp, each } = costOf(TYPICAL, "trim");
    const plan = evening(pages, setUp + 4 * each);
    expect(plan).toMatchObject({ finished: 4, minutes: setUp + 4 * each, setUp: [{ step: "trim", minutes: setUp }] });
    // One by one there would be time for fewer.
    expect(4 * (setUp + each)).toBeGreaterThan(setUp + 4 * each);
  });

  it("leaves what waits for a lab, and all that needs it", () => {
    const page = pageOn(
      0,
      STEPS.map((step) => [step, step === "choose" || step === "print"] as const),
    );
    const plan = planEvening([page], TODAY, 500, "nothing", TYPICAL, () => ["trim"]);
    const steps = plan.items.map(({ step }) => step.step);
    expect(steps).toEqual(["write", "letter", "base", "number", "insert", "build"]);
  });

  it("puts nothing on a page that is wet, nor what comes after that, until the day on which it is dry", () => {
    const steps = STEPS.map((step) => [step, step === "base"] as const);
    const stepsOn = (driesUntil: CalendarDate | null) =>
      evening([pageOn(0, steps, driesUntil)], 500).items.map(({ step: { step } }) => step);
    const all = STEPS.filter((step) => step !== "base");
    expect(stepsOn(addDays(TODAY, 1))).toEqual(["choose", "print", "trim", "write", "letter", "insert", "build"]);
    for (const dry of [null, TODAY, addDays(TODAY, -3)]) expect(stepsOn(dry)).toEqual(all);
  });

  it("reckons with what this page's constructions take, and leaves for another evening what they dry for", () => {
    const steps = [
      ["build", false],
      ["assemble", false],
    ] as const;
    const on = (minutes: number, dries: number, evening: number) =>
      planEvening([pageOn(0, steps, null, { minutes, dries })], TODAY, evening, "nothing", TYPICAL).items.map(
        (item) => [item.step.step, item.minutes] as const,
      );
    const { each } = costOf(TYPICAL, "assemble");
    const setUp = costOf(TYPICAL, "build").setUp;
    expect(on(40, 0, 90)).toEqual([
      ["build", 40 - setUp],
      ["assemble", each],
    ]);
    expect(on(40, 30, 90)).toHaveLength(2);
    expect(on(40, 60, 90)).toEqual([["build", 40 - setUp]]);
    expect(on(100, 0, 90)).toEqual([]);
  });

  it("reckons with one's own minutes", () => {
    const page = pageOn(0, [["write", false]]);
    const slow = ownMinutes([], { write: 40 });
    expect(planEvening([page], TODAY, 30, "nothing", TYPICAL).finished).toBe(1);
    expect(planEvening([page], TODAY, 30, "nothing", slow).items).toEqual([]);
  });
});

describe("days to come", () => {
  const anyEvening = [anyAlbum, fc.nat(120), fc.nat(61), fc.constantFrom(...PREPARING)] as const;
  it("are offered only what the way of preparing makes ahead, after everything of the days that have come", () => {
    fc.assert(
      fc.property(...anyEvening, ({ plan, days, leaves }, minutes, at, preparing) => {
        const today = days[at % days.length]?.date ?? plan.span.start;
        const pages = pagesOf({ album: plan, days, leaves, prints: [] });
        const { items } = planEvening(pages, today, minutes, preparing, TYPICAL);
        const ahead = items.filter((item) => item.ahead);
        expect(ahead.every(({ step: { step } }) => AHEAD[preparing].includes(step))).toBe(true);
        expect(items.slice(0, items.length - ahead.length).every((item) => !item.ahead)).toBe(true);
        expect(items.every(({ step }) => !step.done)).toBe(true);
        // A page that not all days of have come for is not finished before they have.
        for (const { page, step } of items)
          if (page.days.some(({ date }) => date > today)) expect(AHEAD[preparing]).toContain(step.step);
        // With time enough nothing of it is passed over.
        const all = planEvening(pages, today, 100_000, preparing, TYPICAL).items.filter((item) => item.ahead);
        const open = pages
          .filter(({ days: [first] }) => (first?.date ?? "") > today)
          .flatMap((page) => {
            const isWet = (step: Step) => isAfter(step, stillDrying(page, today));
            return page.steps.filter(({ done, step }) => !done && AHEAD[preparing].includes(step) && !isWet(step));
          });
        expect(new Set(all.map(({ step }) => step))).toEqual(new Set(open));
        for (const page of withoutPage(pages, today)) expect([page.skipped, page.leaves.length]).toEqual([false, 0]);
      }),
      { numRuns: 40 },
    );
  });
});
