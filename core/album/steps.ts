import type { CalendarDate } from "../month/dates.ts";
import { headingsIn, isWritten } from "../words/headings.ts";
import { frontWords } from "./card-words.ts";
import type { Face, LeafStep, SideStep } from "./leaf.ts";
import { type Binding, type DayContent, type Part, STEPS, type Step } from "./model.ts";
import { firstFitSide, firstPage, type PageLeaf, type PageSide } from "./page-leaves.ts";

/** The five rings of the dial, from the rim inward. */
export const RINGS = ["prompt", "photos", "words", "paper", "book"] as const;
export type Ring = (typeof RINGS)[number];

/** Typical minutes a step takes, done by itself, from memory; what somebody really takes is learned (`core/pace/minutes.ts`). */
export const TYPICAL_MINUTES: Readonly<Record<Step, number>> = {
  choose: 5,
  print: 6,
  trim: 4,
  write: 12,
  letter: 8,
  base: 15,
  number: 5,
  insert: 12,
  build: 20,
  assemble: 15,
  punch: 3,
  file: 2,
};

/** What of a page's worth of days is on paper, as its prints say. */
export type Made = {
  /** Every picture is printed as it is wanted now. */
  readonly printed: boolean;
  /** Every print is cut out. */
  readonly trimmed: boolean;
  /** The words of every card are on paper as they are now. */
  readonly lettered: boolean;
};
export const NOTHING_MADE: Made = { printed: false, trimmed: false, lettered: false };

/** What the program knows of a page by itself. */
type Facts = Made & {
  /** It has a picture, and no room kept for one is empty. */
  readonly chosen: boolean;
  /** Every card has words, and no room kept for a card is empty. */
  readonly written: boolean;
};

/** What happens to a page's things after they were made. */
export const HAPPENINGS = ["picture", "print", "card", "words", "numeral", "leaf"] as const;
/**
 * `picture`: one more, or another in its place. `print`: another size or crop of one. `card`: one more, or another size of
 * one. `words`: other words, or other lettering, of a card that goes to paper from here. `numeral`: a number of another
 * kind. `leaf`: a leaf of another kind or size.
 */
export type Happening = (typeof HAPPENINGS)[number];

type StepRule = {
  /** The fact that ticks the step by itself; null: only a keeper knows. */
  readonly tickedBy: keyof Facts | null;
  /** What opens it again, on the sides that it happened to, where it is a step of sides. */
  readonly reopenedBy: readonly Happening[];
};

/**
 * For every step, what ticks it and what opens it again. What a keeper said by hand counts for more than a fact, until
 * one of the happenings makes it untrue. Punched and put into the book stay true whatever happens to what lies on the page.
 */
export const STEP_RULES: Readonly<Record<Step, StepRule>> = {
  choose: { tickedBy: "chosen", reopenedBy: ["picture"] },
  print: { tickedBy: "printed", reopenedBy: ["picture", "print"] },
  trim: { tickedBy: "trimmed", reopenedBy: ["picture", "print"] },
  write: { tickedBy: "written", reopenedBy: ["card"] },
  letter: { tickedBy: "lettered", reopenedBy: ["card", "words"] },
  base: { tickedBy: null, reopenedBy: ["leaf"] },
  number: { tickedBy: null, reopenedBy: ["numeral"] },
  insert: { tickedBy: null, reopenedBy: ["leaf"] },
  // Ticked at the bench, step by step; another size there opens it.
  build: { tickedBy: null, reopenedBy: [] },
  assemble: { tickedBy: null, reopenedBy: ["picture", "print", "card", "words"] },
  punch: { tickedBy: null, reopenedBy: [] },
  file: { tickedBy: null, reopenedBy: [] },
};

/** The steps that something opens again. */
export const reopenedBy = (happening: Happening): Step[] =>
  STEPS.filter((step) => STEP_RULES[step].reopenedBy.includes(happening));

/** A leaf, or with a face one side of it, that a step is ticked on. */
type TickedOnSide = {
  readonly leaf: string;
  readonly face: Face | null;
  /** The day whose pieces on a shared side it is ticked of; null: the owner's, or the leaf. */
  readonly guest: string | null;
  readonly step: LeafStep | SideStep;
  readonly done: boolean;
};
/** A construction that is made, with all that is done at the bench for it. */
type TickedOnPiece = {
  readonly leaf: string;
  readonly face: Face;
  readonly guest: null;
  readonly step: "build";
  readonly piece: string;
  /** Which construction it is. */
  readonly kind: string;
  readonly done: boolean;
};
export type TickedOn = TickedOnSide | TickedOnPiece;

export type PlannedStep = {
  readonly step: Step;
  readonly ring: Exclude<Ring, "prompt">;
  readonly minutes: number;
  /** Minutes that something of it dries before what needs it can be done. */
  readonly dries: number;
  readonly done: boolean;
  /** Each leaf, side or construction it is done for; none where it is done for the day. It is done when it is done for all of them. */
  readonly on: readonly TickedOn[];
};

/** What a page's worth of days holds together; a day on its own is a page of one. */
export type PageContent = Omit<DayContent, "note" | "title" | "leftAlone" | "privateUntil" | "everyYear" | "nextYear">;

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
    undone: first.undone,
    // The page of several days is dry when the last of what was made wet is.
    driesUntil: all.reduce<CalendarDate | null>(
      (last, { driesUntil }) => (driesUntil !== null && (last === null || driesUntil > last) ? driesUntil : last),
      null,
    ),
  };
}

/** Leaves go through the punch where they are held by holes; protectors come punched, a sewn book never is. */
const needsPunch = ({ make }: PageLeaf, binding: Binding): boolean =>
  binding !== "sewn" && (make.insert !== null || ["paper", "clear", "vellum"].includes(make.kind));

/** Every construction of the page, and what is left of making them all. */
function toBuild(leaves: readonly PageLeaf[]) {
  const all = leaves.flatMap(({ id, sides }) =>
    sides.flatMap(({ face, built }) => built.map((each) => ({ ...each, leaf: id, face }))),
  );
  return {
    minutes: all.reduce((sum, { left }) => sum + (left?.minutes ?? 0), 0),
    dries: Math.max(0, ...all.map(({ left }) => left?.dries ?? 0)),
    on: all.map(
      ({ piece, kind, leaf, face, left }): TickedOn => ({
        ...{ leaf, face, guest: null, step: "build", piece, kind, done: left === null },
      }),
    ),
  };
}

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

/** Whether a room kept for a picture, or for a card, is still empty on a page that is not said to do without. */
const waitsFor = (keeps: "photo" | "card", { waived }: PageContent, leaves: readonly PageLeaf[]): boolean =>
  !waived.includes(keeps === "photo" ? "photos" : "words") &&
  leaves.some(({ sides }) => sides.some(({ rooms }) => rooms.includes(keeps)));

function factsOf(content: PageContent, leaves: readonly PageLeaf[], made: Made): Facts {
  const { photos, cards, prompt } = content;
  const headings = headingsIn(prompt.text);
  return {
    ...made,
    chosen: photos.length > 0 && !waitsFor("photo", content, leaves),
    written:
      cards.length > 0 &&
      cards.every((card) => isWritten(`${frontWords(card)}\n${card.back}`, headings)) &&
      !waitsFor("card", content, leaves),
  };
}

/**
 * The steps that follow from what a page's worth of days holds and the leaves it has sides of, in the order of the work:
 * no photo and no room for one, no photo steps; no holes, no punch. A day with nothing has none. A step is done where a
 * keeper says so, or where what is known says so and no keeper says otherwise.
 */
export function stepsFor(
  content: PageContent,
  leaves: readonly PageLeaf[],
  binding: Binding,
  made: Made = NOTHING_MADE,
): PlannedStep[] {
  const steps: PlannedStep[] = [];
  const facts = factsOf(content, leaves, made);
  const isDone = (step: Step): boolean => {
    const { tickedBy } = STEP_RULES[step];
    const known = tickedBy !== null && facts[tickedBy] && !content.undone.includes(step);
    return known || content.done.includes(step);
  };
  const add = (ring: PlannedStep["ring"], step: Step, on: TickedOn[] = []) => {
    const done = on.length > 0 ? on.every((each) => each.done) : isDone(step);
    steps.push({ step, ring, minutes: TYPICAL_MINUTES[step], dries: 0, done, on });
  };
  const pages = leaves.filter(({ make }) => make.insert === null);
  const inserts = leaves.filter(({ make }) => make.insert !== null);
  const hasPhotos = content.photos.length > 0;
  const hasCards = content.cards.length > 0;
  if (hasPhotos || waitsFor("photo", content, leaves)) add("photos", "choose");
  if (hasPhotos) for (const step of ["print", "trim"] as const) add("photos", step);
  if (hasCards || waitsFor("card", content, leaves)) add("words", "write");
  if (hasCards) add("words", "letter");
  if (pages.length > 0) add("paper", "base", onLeaves(pages, "base"));
  const numbered = leaves.some(({ sides }) => sides.some(({ hasNumeral }) => hasNumeral));
  if (numbered || (pages.length > 0 && content.numeral.style !== "none"))
    add("paper", "number", onSides(sidesToNumber(leaves), "number"));
  if (inserts.length > 0) add("paper", "insert", onLeaves(inserts, "base"));
  const built = toBuild(leaves);
  if (built.on.length > 0) {
    const done = built.on.every((each) => each.done);
    // Once it is made it counts as usual, where minutes are compared.
    const minutes = done ? TYPICAL_MINUTES.build : Math.max(1, built.minutes);
    steps.push({ step: "build", ring: "paper", minutes, dries: built.dries, done, on: built.on });
  }
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

/**
 * How far each part of a page is, by the steps that follow from it. A part said to be done without is not needed, unless it
 * has something after all; a room that waits for something is not begun.
 */
export function ringStates(content: PageContent, steps: readonly PlannedStep[], skipped = false): RingStates {
  if (skipped) return NOTHING;
  const waived = (part: Part) => content.waived.includes(part);
  const isThere = { photos: content.photos.length > 0, words: content.cards.length > 0, paper: true, book: true };
  const fromSteps = (ring: PlannedStep["ring"]): RingState => {
    const own = steps.filter((step) => step.ring === ring);
    if (own.length === 0) return ring !== "book" && waived(ring) ? "not-needed" : "open";
    if (own.every(({ done }) => done)) return "done";
    return isThere[ring] ? "begun" : "open";
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
