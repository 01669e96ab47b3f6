import type { Step } from "../album/model.ts";
import type { Page } from "../album/page.ts";
import type { PlannedStep } from "../album/steps.ts";

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
  assemble: ["trim", "letter", "base"],
  punch: ["assemble"],
  file: ["assemble", "number", "insert", "punch"],
};

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
