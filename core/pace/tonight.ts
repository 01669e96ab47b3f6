import { type Preparing, STEPS, type Step } from "../album/model.ts";
import type { Page } from "../album/page.ts";
import { type PlannedStep, RINGS, type Ring } from "../album/steps.ts";
import type { CalendarDate } from "../month/dates.ts";
import { type Cost, costOf, type OwnMinutes } from "./minutes.ts";
import { isReady, NEEDS, openSteps, stillDrying, withNeeds } from "./needs.ts";

/** Why a line stands in an evening: what comes of it with the others, or what it begins. */
export type Why =
  | { readonly kind: "finishes" }
  | { readonly kind: "stage"; readonly ring: Ring }
  | { readonly kind: "begins" }
  | { readonly kind: "ahead" };

/** `ahead`: its day is still to come. `minutes`: without the setting up, which is spent once for all of a kind. */
export type TonightItem = {
  readonly page: Page;
  readonly step: PlannedStep;
  readonly ahead: boolean;
  readonly minutes: number;
  readonly why: Why;
};

export type Evening = {
  /** Sitting by sitting: all of a kind that needs setting up together, no step before what it needs. */
  readonly items: readonly TonightItem[];
  /** Setting up, once for each kind that is among them. */
  readonly setUp: readonly { readonly step: Step; readonly minutes: number }[];
  readonly minutes: number;
  /** Pages that will be in the book, and pages of which a stage will be done, those among them. */
  readonly finished: number;
  readonly moved: number;
};

/** What is made before its day, by the album's way of preparing: whole pages but for what the day brings, or their parts. */
export const AHEAD: Readonly<Record<Preparing, readonly Step[]>> = {
  all: ["base", "number", "insert", "build"],
  parts: ["insert", "build"],
  nothing: [],
};

/** What of a page cannot be done yet for reasons of its own, as what hangs on prints that are at a lab. */
export type Waits = (page: Page) => readonly Step[];
const NOTHING_WAITS: Waits = () => [];

/** Something that may be done with a page in an evening. `kinds`: a bit for each kind of step in it. */
type Option = { readonly steps: readonly PlannedStep[]; readonly kinds: number; readonly minutes: number };
type Candidate = {
  readonly page: Page;
  readonly finish: Option | null;
  /** For each stage that can be ended, what it takes; the cheapest first. */
  readonly stages: readonly Option[];
};

/** All of them that are worth as much as any are found of so many pages; more is no month. */
const MOST_PAGES = 48;

/** More than any sum of the next, so that one counts before all of the other: pages finished, then moved, then the oldest. */
const FINISHED = 2 ** 46;
const MOVED = 2 ** 40;
const OLDEST = 2 ** 32;

/** How much it counts that the page of this rank among the open ones, oldest first, is moved on. */
const ageWorth = (rank: number): number => Math.max(1, Math.floor(OLDEST / 2 ** Math.min(32, rank + 1)));

/** Whether every day of a page has come: what a day brings is there when it was lived. */
const isLived = ({ days }: Page, today: CalendarDate) => days.every(({ date }) => date <= today);
const hasCome = ({ days: [first] }: Page, today: CalendarDate) => first !== undefined && first.date <= today;

/**
 * The evening that is worth most in the minutes there are: of all sets of open steps that fit, with nothing before what it
 * needs and setting up counted once for each kind, the one that ends most pages; of those the one that ends a stage of most
 * pages; of those the one of the oldest days; of those the one of fewest minutes. What time is left goes to the oldest page
 * that can be worked on, and then to what is made ahead, the nearest day first.
 *
 * It is exact: which kinds are set up is tried in every combination, and for each the pages are a knapsack over minutes in
 * which a page is finished, moved on in its cheapest way, or left (Bellman's recursion, any textbook). Of more than
 * `MOST_PAGES` open pages the oldest are looked at.
 */
export function planEvening(
  pages: readonly Page[],
  today: CalendarDate,
  minutes: number,
  preparing: Preparing,
  own: OwnMinutes,
  waits: Waits = NOTHING_WAITS,
): Evening {
  const cost = new Map<Step, Cost>();
  const of = (step: Step): Cost => {
    const known = cost.get(step) ?? costOf(own, step);
    cost.set(step, known);
    return known;
  };
  const eachOf = ({ step, minutes: typical }: PlannedStep): number => costOf(own, step, typical).each;
  const open = pages.filter((page) => hasCome(page, today) && openSteps(page).length > 0).slice(0, MOST_PAGES);
  const may = (page: Page): ReadonlySet<Step> => {
    const late = new Set([...waits(page), ...stillDrying(page, today), ...driesTooLong(page, minutes, eachOf)]);
    const allowed = isLived(page, today) ? null : AHEAD[preparing];
    const steps = openSteps(page);
    // What waits takes with it all that needs it.
    return new Set(
      steps.flatMap(({ step }) =>
        withNeeds(steps, [step]).every((each) => !late.has(each.step) && (!allowed || allowed.includes(each.step)))
          ? [step]
          : [],
      ),
    );
  };
  const allowed = new Map(pages.map((page) => [page, may(page)]));
  const kinds = [...new Set(open.flatMap((page) => [...(allowed.get(page) ?? [])]))].filter(
    (step) => of(step).setUp > 0,
  );
  const option = (steps: readonly PlannedStep[]): Option => ({
    steps,
    kinds: steps.reduce((mask, { step }) => (kinds.includes(step) ? mask | (1 << kinds.indexOf(step)) : mask), 0),
    minutes: steps.reduce((sum, step) => sum + eachOf(step), 0),
  });
  const candidates = open.map((page): Candidate => {
    const steps = openSteps(page);
    const can = (some: readonly PlannedStep[]) => some.every(({ step }) => allowed.get(page)?.has(step));
    const stages = RINGS.flatMap((ring) => {
      const own = steps.filter((each) => each.ring === ring);
      const all = withNeeds(
        steps,
        own.map(({ step }) => step),
      );
      return own.length > 0 && can(all) ? [option(all)] : [];
    });
    return {
      page,
      finish: can(steps) ? option(steps) : null,
      stages: stages.sort((a, b) => a.minutes - b.minutes),
    };
  });
  const setUps = kinds.map((step) => of(step).setUp);
  // More time than everything takes is as good as just enough.
  const all = candidates.flatMap(({ page }) => openSteps(page)).reduce((sum, step) => sum + eachOf(step), 0);
  const enough = all + setUps.reduce((sum, each) => sum + each, 0);
  const core = best(candidates, setUps, Math.min(Math.max(0, Math.floor(minutes)), enough));
  return filled(core, pages, today, Math.floor(minutes), allowed, { setUpOf: (step) => of(step).setUp, eachOf });
}

/** What cannot be done in an evening of so many minutes, because what it needs dries for longer than what is left of it. */
function driesTooLong(page: Page, minutes: number, eachOf: (step: PlannedStep) => number): readonly Step[] {
  const late = openSteps(page).filter((step) => step.dries > 0 && step.dries + eachOf(step) > minutes);
  return STEPS.filter((step) => late.some((each) => NEEDS[step].includes(each.step)));
}

/** For each candidate what is done with it, or nothing. */
type Chosen = ReadonlyMap<Page, readonly PlannedStep[]>;

/** The best of all choices; exact. */
function best(candidates: readonly Candidate[], setUps: readonly number[], minutes: number): Chosen {
  let top = { score: 0, used: 0, mask: 0 };
  for (let mask = 0; mask < 1 << setUps.length; mask++) {
    const room = minutes - setUps.reduce((sum, each, at) => (mask & (1 << at) ? sum + each : sum), 0);
    if (room < 0) continue;
    const { scores } = knapsack(candidates, mask, room, false);
    const score = scores[room] ?? 0;
    const used = minutes - room + scores.indexOf(score);
    if (score > top.score || (score === top.score && used < top.used)) top = { score, used, mask };
  }
  if (top.score === 0) return new Map();
  const room = minutes - setUps.reduce((sum, each, at) => (top.mask & (1 << at) ? sum + each : sum), 0);
  const { scores, taken } = knapsack(candidates, top.mask, room, true);
  const chosen = new Map<Page, readonly PlannedStep[]>();
  let left = scores.indexOf(scores[room] ?? 0);
  for (let at = candidates.length - 1; at >= 0; at--) {
    const { page } = candidates[at] as Candidate;
    const way = taken[at]?.[left];
    const did = wayOf(candidates[at] as Candidate, top.mask, way ?? LEFT);
    if (!did) continue;
    chosen.set(page, did.steps);
    left -= did.minutes;
  }
  return chosen;
}

/** What is done with a page: it is left, ended, or moved on by the cheapest stage that can be. */
const [LEFT, ENDED, ON] = [0, 1, 2];

/** What that takes, when these kinds are set up. */
function wayOf({ finish, stages }: Candidate, mask: number, way: number): Option | null {
  const isSetUp = (option: Option) => (option.kinds & ~mask) === 0;
  if (way === ENDED) return finish && isSetUp(finish) ? finish : null;
  return way === ON ? (stages.find(isSetUp) ?? null) : null;
}

/** The most worth by minutes; with `tracing` also which way each page goes at each number of minutes. */
function knapsack(candidates: readonly Candidate[], mask: number, room: number, tracing: boolean) {
  const scores = new Float64Array(room + 1);
  const taken: Uint8Array[] = [];
  for (let rank = 0; rank < candidates.length; rank++) {
    const candidate = candidates[rank] as Candidate;
    const age = ageWorth(rank);
    const never = room + 1;
    const ended = wayOf(candidate, mask, ENDED)?.minutes ?? never;
    const on = wayOf(candidate, mask, ON)?.minutes ?? never;
    const trace = tracing ? new Uint8Array(room + 1) : null;
    // With fewer minutes than its quickest way takes, nothing changes.
    const least = Math.min(ended, on);
    for (let at = room; at >= least; at--) {
      let most = scores[at] as number;
      let way = LEFT as number;
      if (ended <= at) {
        const score = (scores[at - ended] as number) + FINISHED + MOVED + age;
        if (score > most) {
          most = score;
          way = ENDED;
        }
      }
      if (on <= at) {
        const score = (scores[at - on] as number) + MOVED + age;
        if (score > most) {
          most = score;
          way = ON;
        }
      }
      scores[at] = most;
      if (trace) trace[at] = way;
    }
    if (trace) taken.push(trace);
  }
  return { scores, taken };
}

/** The evening of what was chosen, and of what there is time for beside it. */
function filled(
  chosen: Chosen,
  pages: readonly Page[],
  today: CalendarDate,
  minutes: number,
  allowed: ReadonlyMap<Page, ReadonlySet<Step>>,
  cost: { readonly setUpOf: (step: Step) => number; readonly eachOf: (step: PlannedStep) => number },
): Evening {
  const { setUpOf, eachOf } = cost;
  const taken = new Map(pages.map((page) => [page, new Set(chosen.get(page)?.map(({ step }) => step))]));
  const kinds = new Set([...taken.values()].flatMap((steps) => [...steps]));
  let left = minutes;
  for (const step of kinds) left -= setUpOf(step);
  for (const steps of chosen.values()) for (const step of steps) left -= eachOf(step);
  const come = pages.filter((page) => hasCome(page, today));
  const toCome = pages.filter((page) => !hasCome(page, today));
  for (const page of [...come, ...toCome]) {
    const own = taken.get(page) as Set<Step>;
    const open = openSteps(page);
    for (const planned of open) {
      const { step } = planned;
      if (own.has(step) || !allowed.get(page)?.has(step) || !isReady(open, step, own)) continue;
      const takes = eachOf(planned) + (kinds.has(step) ? 0 : setUpOf(step));
      if (takes > left) continue;
      left -= takes;
      own.add(step);
      kinds.add(step);
    }
  }
  const items = pages.flatMap((page) => {
    const own = taken.get(page) as Set<Step>;
    const open = openSteps(page);
    const ahead = !hasCome(page, today);
    const ends = open.every(({ step }) => own.has(step));
    return open.flatMap((step): TonightItem[] => {
      if (!own.has(step.step)) return [];
      const ring = open.filter((each) => each.ring === step.ring);
      const why: Why = ends
        ? { kind: "finishes" }
        : ahead
          ? { kind: "ahead" }
          : ring.every((each) => own.has(each.step))
            ? { kind: "stage", ring: step.ring }
            : { kind: "begins" };
      return [{ page, step, ahead, minutes: eachOf(step), why }];
    });
  });
  const movedPages = pages.filter((page) => {
    const own = taken.get(page) as Set<Step>;
    return hasCome(page, today) && isMoved(openSteps(page), own);
  });
  return {
    items: inSittings(items),
    setUp: [...kinds].flatMap((step) => (setUpOf(step) > 0 ? [{ step, minutes: setUpOf(step) }] : [])),
    minutes: minutes - left,
    finished: movedPages.filter((page) => openSteps(page).every(({ step }) => taken.get(page)?.has(step))).length,
    moved: movedPages.length,
  };
}

/** Whether a stage of a page is ended by these steps. */
export const isMoved = (open: readonly PlannedStep[], taken: ReadonlySet<Step>): boolean =>
  RINGS.some((ring) => {
    const own = open.filter((each) => each.ring === ring);
    return own.length > 0 && own.every(({ step }) => taken.has(step));
  });

/** What has come first, kind by kind in the order of the work, so that each is set up once; then what is made ahead. */
function inSittings(items: readonly TonightItem[]): TonightItem[] {
  return [...items].sort(
    (a, b) => Number(a.ahead) - Number(b.ahead) || STEPS.indexOf(a.step.step) - STEPS.indexOf(b.step.step),
  );
}

/** The days to come that are told and have no page yet; of interest where all pages are made ahead. */
export const withoutPage = (pages: readonly Page[], today: CalendarDate): Page[] =>
  pages.filter(({ days: [first], skipped, leaves }) => !skipped && leaves.length === 0 && (first?.date ?? "") > today);
