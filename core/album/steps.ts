import type { Binding, DayContent, Part, Step } from "./model.ts";

/** The five rings of the dial, from the rim inward. */
export const RINGS = ["prompt", "photos", "words", "paper", "book"] as const;
export type Ring = (typeof RINGS)[number];

/** Typical minutes a step takes, from memory; a household's own pace replaces them when it has one. */
const MINUTES: Record<Step, number> = {
  choose: 5,
  print: 6,
  trim: 4,
  write: 12,
  letter: 8,
  base: 15,
  number: 5,
  insert: 12,
  assemble: 15,
  punch: 3,
  file: 2,
};

export type PlannedStep = {
  readonly step: Step;
  readonly ring: Exclude<Ring, "prompt">;
  readonly minutes: number;
  readonly done: boolean;
};

/** What a page's worth of days holds together; a day on its own is a page of one. */
export type PageContent = Omit<DayContent, "note" | "title">;

/** Days that share a page pool their photos, cards and inserts; the first has the page, the ticks and the number. */
export function poolContent(first: DayContent, others: readonly DayContent[]): PageContent {
  const all = [first, ...others];
  return {
    prompt: all.find(({ prompt }) => prompt.text !== "")?.prompt ?? first.prompt,
    technique: all.find(({ technique }) => technique.text !== "")?.technique ?? first.technique,
    waived: first.waived.filter((part) => others.every(({ waived }) => waived.includes(part))),
    foundation: all.find(({ foundation }) => foundation !== null)?.foundation ?? null,
    pageSize: first.pageSize,
    numeral: first.numeral,
    photos: all.flatMap(({ photos }) => photos),
    cards: all.flatMap(({ cards }) => cards),
    jottings: all.flatMap(({ jottings }) => jottings),
    inserts: all.flatMap(({ inserts }) => inserts),
    done: first.done,
  };
}

/** Leaves go through the punch where they are held by holes; protectors come punched, a sewn book never is. */
const needsPunch = (content: PageContent, binding: Binding): boolean => {
  if (binding === "sewn") return false;
  const kind = content.foundation?.kind;
  return kind === "paper" || kind === "clear" || kind === "vellum" || content.inserts.length > 0;
};

/**
 * The steps that follow from what a page holds, in the order of the work: no photo, no photo steps; no holes, no punch.
 * An empty page has none.
 */
export function stepsFor(content: PageContent, binding: Binding): PlannedStep[] {
  const steps: [Step, PlannedStep["ring"]][] = [];
  const add = (ring: PlannedStep["ring"], ...names: Step[]) =>
    steps.push(...names.map((name) => [name, ring] as [Step, PlannedStep["ring"]]));
  if (content.photos.length > 0) add("photos", "choose", "print", "trim");
  if (content.cards.length > 0) add("words", "write", "letter");
  if (content.foundation) add("paper", "base");
  if (content.foundation && content.numeral.style !== "none") add("paper", "number");
  if (content.inserts.length > 0) add("paper", "insert");
  if (steps.length > 0) {
    add("book", "assemble");
    if (needsPunch(content, binding)) add("book", "punch");
    add("book", "file");
  }
  return steps.map(([step, ring]) => ({ step, ring, minutes: MINUTES[step], done: content.done.includes(step) }));
}

/** Filled, hatched, open, or a short line. */
export type RingState = "done" | "begun" | "open" | "not-needed";
export type RingStates = Record<Ring, RingState>;

const NOTHING: RingStates = {
  prompt: "not-needed",
  photos: "not-needed",
  words: "not-needed",
  paper: "not-needed",
  book: "not-needed",
};

/** How far each part of a page is. A part said to be done without is not needed, unless it has something after all. */
export function ringStates(content: PageContent, binding: Binding, skipped = false): RingStates {
  if (skipped) return NOTHING;
  const steps = stepsFor(content, binding);
  const waived = (part: Part) => content.waived.includes(part);
  const fromSteps = (ring: PlannedStep["ring"]): RingState => {
    const own = steps.filter((step) => step.ring === ring);
    if (own.length === 0) return ring !== "book" && waived(ring) ? "not-needed" : "open";
    return own.every(({ done }) => done) ? "done" : "begun";
  };
  const book = steps.filter(({ ring }) => ring === "book");
  return {
    prompt: content.prompt.text !== "" ? "done" : waived("prompt") ? "not-needed" : "open",
    photos: fromSteps("photos"),
    words: fromSteps("words"),
    paper: fromSteps("paper"),
    book: book.some(({ step, done }) => step === "file" && done)
      ? "done"
      : book.some(({ done }) => done)
        ? "begun"
        : "open",
  };
}

/** Share of a page's needed rings that are done, 0 to 1, begun rings counting half: the height of its notch. */
export function fullness(states: RingStates): number {
  const needed = RINGS.map((ring) => states[ring]).filter((state) => state !== "not-needed");
  if (needed.length === 0) return 0;
  const worth = needed.reduce((sum, state) => sum + (state === "done" ? 1 : state === "begun" ? 0.5 : 0), 0);
  return worth / needed.length;
}
