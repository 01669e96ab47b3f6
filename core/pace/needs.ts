import { STEPS, type Step } from "../album/model.ts";
import type { Page } from "../album/page.ts";
import type { PlannedStep } from "../album/steps.ts";
import type { CalendarDate } from "../month/dates.ts";

/** What has to be done before a step can be; what a page does not have is not waited for. Common practice. */
export const NEEDS: Readonly<Record<Step, readonly Step[]>> = {
  choose: [],
  print: ["choose"],
  trim: ["print"],
  write: [],
  letter: ["write"],
  base: [],
  number: ["base"],
  insert: [],
  build: [],
  assemble: ["trim", "letter", "base", "build"],
  punch: ["assemble"],
  file: ["assemble", "number", "insert", "punch"],
};

/** What goes on a page, and so waits for it to be dry. */
const ON_IT: readonly Step[] = STEPS.filter((step) => NEEDS[step].includes("base"));

/** What waits because the page was made wet and dries for longer than today. */
export const stillDrying = (
  { content: { driesUntil } }: Pick<Page, "content">,
  today: CalendarDate,
): readonly Step[] => (driesUntil !== null && today < driesUntil ? ON_IT : []);

/** Whether a step is one of these, or needs one of them done before it. */
export const isAfter = (step: Step, some: readonly Step[]): boolean =>
  some.includes(step) || NEEDS[step].some((need) => isAfter(need, some));

const isOpen = ({ done }: PlannedStep) => !done;
export const openSteps = ({ steps }: Pick<Page, "steps">): PlannedStep[] => steps.filter(isOpen);

/** The open steps that have to be done for these to be, they among them, in the order of the work. */
export function withNeeds(open: readonly PlannedStep[], wanted: readonly Step[]): PlannedStep[] {
  const here = new Map(open.map((each) => [each.step, each]));
  const all = new Set<Step>();
  const take = (step: Step) => {
    if (all.has(step) || !here.has(step)) return;
    all.add(step);
    for (const need of NEEDS[step]) take(need);
  };
  for (const step of wanted) take(step);
  return open.filter(({ step }) => all.has(step));
}

/** Whether everything that a step needs is done, or among those that are. */
export const isReady = (open: readonly PlannedStep[], step: Step, taken: ReadonlySet<Step>): boolean =>
  NEEDS[step].every((need) => taken.has(need) || open.every((each) => each.step !== need));
