import type { Face, LeafStep, SideStep } from "./leaf.ts";
import type { Binding, DayContent, Part, Step } from "./model.ts";
import { firstFitSide, firstPage, type PageLeaf, type PageSide } from "./page-leaves.ts";

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

/** A leaf, or with a face one side of it, that a step is ticked on. */
export type TickedOn = {
  readonly leaf: string;
  readonly face: Face | null;
  /** The day whose pieces on a shared side it is ticked of; null: the owner's, or the leaf. */
  readonly guest: string | null;
  readonly step: LeafStep | SideStep;
  readonly done: boolean;
};

export type PlannedStep = {
  readonly step: Step;
  readonly ring: Exclude<Ring, "prompt">;
  readonly minutes: number;
  readonly done: boolean;
  /** Each leaf or side it is done for; none where it is done for the day. It is done when it is done for all of them. */
  readonly on: readonly TickedOn[];
};

/** What a page's worth of days holds together; a day on its own is a page of one. */
export type PageContent = Omit<DayContent, "note" | "title">;

/** Days that share a page pool their photos and cards; the first has the ticks and the number. */
export function poolContent(first: DayContent, others: readonly DayContent[]): PageContent {
  const all = [first, ...others];
  return {
    prompt: all.find(({ prompt }) => prompt.text !== "")?.prompt ?? first.prompt,
    technique: all.find(({ technique }) => technique.text !== "")?.technique ?? first.technique,
    waived: first.waived.filter((part) => others.every(({ waived }) => waived.includes(part))),
    numeral: first.numeral,
    photos: all.flatMap(({ photos }) => photos),
    cards: all.flatMap(({ cards }) => cards),
    jottings: all.flatMap(({ jottings }) => jottings),
    done: first.done,
  };
}

/** Leaves go through the punch where they are held by holes; protectors come punched, a sewn book never is. */
const needsPunch = ({ make }: PageLeaf, binding: Binding): boolean =>
  binding !== "sewn" && (make.insert !== null || ["paper", "clear", "vellum"].includes(make.kind));

const onLeaves = (leaves: readonly PageLeaf[], step: LeafStep): TickedOn[] =>
  leaves.map(({ id, done }) => ({ leaf: id, face: null, guest: null, step, done: done.includes(step) }));

type SideOf = { readonly leaf: string; readonly side: PageSide };
const onSides = (sides: readonly SideOf[], step: SideStep): TickedOn[] =>
  sides.map(({ leaf, side: { face, guest, done } }) => ({ leaf, face, guest, step, done: done.includes(step) }));

/** The sides that something is laid on, the one of the first dry fit among them; where there is none, the first. */
function sidesToAssemble(leaves: readonly PageLeaf[]): SideOf[] {
  const sides = leaves.flatMap(({ id, sides: own }) => own.map((side) => ({ leaf: id, side })));
  const fit = firstFitSide(leaves);
  const laid = sides.filter(({ leaf, side }) => side.filled || (leaf === fit?.leaf && side.face === fit.face));
  return laid.length > 0 ? laid : sides.slice(0, 1);
}

/** The sides that carry a number; until one does, the first of the first page. */
function sidesToNumber(leaves: readonly PageLeaf[]): SideOf[] {
  const sides = leaves.flatMap(({ id, sides: own }) => own.map((side) => ({ leaf: id, side })));
  const numbered = sides.filter(({ side }) => side.hasNumeral);
  if (numbered.length > 0) return numbered;
  const fit = firstFitSide(leaves);
  const home = sides.find(({ leaf, side }) => leaf === fit?.leaf && side.face === fit.face);
  const first = firstPage(leaves);
  return [home ?? sides.find(({ leaf }) => leaf === first?.id)].flatMap((side) => side ?? []);
}

/**
 * The steps that follow from what a page's worth of days holds and the leaves it has sides of, in the order of the work:
 * no photo, no photo steps; no holes, no punch. A day with nothing has none.
 */
export function stepsFor(content: PageContent, leaves: readonly PageLeaf[], binding: Binding): PlannedStep[] {
  const steps: PlannedStep[] = [];
  const add = (ring: PlannedStep["ring"], step: Step, on: TickedOn[] = []) => {
    const done = on.length > 0 ? on.every((each) => each.done) : content.done.includes(step);
    steps.push({ step, ring, minutes: MINUTES[step], done, on });
  };
  const pages = leaves.filter(({ make }) => make.insert === null);
  const inserts = leaves.filter(({ make }) => make.insert !== null);
  if (content.photos.length > 0) for (const step of ["choose", "print", "trim"] as const) add("photos", step);
  if (content.cards.length > 0) for (const step of ["write", "letter"] as const) add("words", step);
  if (pages.length > 0) add("paper", "base", onLeaves(pages, "base"));
  const numbered = leaves.some(({ sides }) => sides.some(({ hasNumeral }) => hasNumeral));
  if (numbered || (pages.length > 0 && content.numeral.style !== "none"))
    add("paper", "number", onSides(sidesToNumber(leaves), "number"));
  if (inserts.length > 0) add("paper", "insert", onLeaves(inserts, "base"));
  if (steps.length > 0) {
    add("book", "assemble", onSides(sidesToAssemble(leaves), "assemble"));
    const punched = leaves.filter((leaf) => needsPunch(leaf, binding));
    if (punched.length > 0) add("book", "punch", onLeaves(punched, "punch"));
    add("book", "file", onLeaves(leaves, "file"));
  }
  return steps;
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
export function ringStates(
  content: PageContent,
  leaves: readonly PageLeaf[],
  binding: Binding,
  skipped = false,
): RingStates {
  if (skipped) return NOTHING;
  const steps = stepsFor(content, leaves, binding);
  const waived = (part: Part) => content.waived.includes(part);
  const fromSteps = (ring: PlannedStep["ring"]): RingState => {
    const own = steps.filter((step) => step.ring === ring);
    if (own.length === 0) return ring !== "book" && waived(ring) ? "not-needed" : "open";
    return own.every(({ done }) => done) ? "done" : "begun";
  };
  const book = steps.filter(({ ring }) => ring === "book");
  // In the book when its sides are made and their leaves are in; where it has no leaf, when that is said.
  const inBook = book.every(
    ({ step, on, done }) => done || step === "punch" || (step === "assemble" && on.length === 0),
  );
  return {
    prompt: content.prompt.text !== "" ? "done" : waived("prompt") ? "not-needed" : "open",
    photos: fromSteps("photos"),
    words: fromSteps("words"),
    paper: fromSteps("paper"),
    book: book.length > 0 && inBook ? "done" : book.some(({ done }) => done) ? "begun" : "open",
  };
}

/** Share of a page's needed rings that are done, 0 to 1, begun rings counting half: the height of its notch. */
export function fullness(states: RingStates): number {
  const needed = RINGS.map((ring) => states[ring]).filter((state) => state !== "not-needed");
  if (needed.length === 0) return 0;
  const worth = needed.reduce((sum, state) => sum + (state === "done" ? 1 : state === "begun" ? 0.5 : 0), 0);
  return worth / needed.length;
}
