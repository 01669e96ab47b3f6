import type { EditProblem } from "#core/album/edit.ts";
import type { InsertKind, LeafKind, NumeralColour } from "#core/album/leaf.ts";
import type { DayContent, NumeralStyle, Part, Step } from "#core/album/model.ts";
import type { Ring, RingState } from "#core/album/steps.ts";
import { many } from "./count.ts";

/** The words for what a day holds and how far it is. */

/** `2 photos, 1 card, 3 jottings`: what days hold, of what there is; empty where there is none of it. */
export function heldSaid(days: readonly Pick<DayContent, "photos" | "cards" | "jottings">[]): string {
  const of = (what: "photos" | "cards" | "jottings") => days.reduce((sum, day) => sum + day[what].length, 0);
  return (["photo", "card", "jotting"] as const)
    .flatMap((one) => (of(`${one}s`) > 0 ? many(of(`${one}s`), one) : []))
    .join(", ");
}

export const RING_NAME: Record<Ring, string> = {
  prompt: "Prompt",
  photos: "Photos",
  words: "Words",
  paper: "Paper",
  book: "In the book",
};

export const RING_STATE: Record<RingState, string> = {
  done: "done",
  begun: "begun",
  open: "to come",
  "not-needed": "not needed",
};

export const STEP_NAME: Record<Step, string> = {
  choose: "Photos chosen",
  print: "Printed",
  trim: "Trimmed",
  write: "Words written",
  letter: "Words on the card",
  base: "Base made",
  number: "Number on",
  insert: "Inserts made",
  build: "Bench pieces made",
  assemble: "Assembled",
  punch: "Punched",
  file: "In the book",
};

/** The same steps as something to do. */
export const STEP_TO_DO: Record<Step, string> = {
  choose: "Choose the photos",
  print: "Print",
  trim: "Trim the prints",
  write: "Write the words",
  letter: "Put the words on the card",
  base: "Make the base",
  number: "Put the number on",
  insert: "Make the inserts",
  build: "Make the bench pieces",
  assemble: "Assemble the page",
  punch: "Punch the holes",
  file: "Put it in the book",
};

/** Cautions stand at the step that can hurt. Common practice. */
export const STEP_CAUTION: Partial<Record<Step, string>> = {
  trim: "Blades: metal ruler, cut away from your hand, close the blade after. Follow the trimmer’s label.",
  base: "Blades, sprays and hot tools: keep fingers and children clear, open a window, follow the product’s label.",
  build: "Blades and staplers: fingers clear, cut away from your hand. Each step at the bench says its own caution.",
  assemble: "Glue and sprays: open a window. Use photo-safe adhesive on photos, and follow its label.",
  punch: "Punches and eyelet setters: fingers clear, not where children reach. Check that no hole meets a face.",
};

export const FOUNDATION_NAME: Record<LeafKind, string> = {
  full: "Full page",
  pocket: "Pocket page",
  paper: "Paper",
  clear: "Clear",
  vellum: "Vellum",
};

/** What a page is of, where two of one day are told apart. */
export const LEAF_OF: Record<LeafKind, string> = {
  full: "full page",
  pocket: "pockets",
  paper: "paper",
  clear: "clear leaf",
  vellum: "vellum",
};

export const FOUNDATION_HINT: Record<LeafKind, string> = {
  full: "One page in a full-page protector",
  pocket: "A protector divided into pockets",
  paper: "Paper or cardstock, punched itself",
  clear: "Transparency: the next page shows",
  vellum: "Translucent: shapes show through",
};

export const NUMERAL_NAME: Record<NumeralStyle, string> = {
  sticker: "Sticker",
  chipboard: "Chipboard",
  wood: "Wood",
  acrylic: "Acrylic",
  stamped: "Stamped",
  cut: "Cut from paper",
  printed: "Printed",
  none: "No number",
};

export const NUMERAL_COLOUR_NAME: Record<NumeralColour, string> = {
  brass: "Brass",
  black: "Black",
  white: "White",
  red: "Red",
  kraft: "Kraft",
};

export const INSERT_NAME: Record<InsertKind, string> = {
  leaf: "Small leaf",
  tag: "Tag",
  envelope: "Envelope",
  scrap: "Wrapping scrap",
  menu: "Menu",
  drawing: "Drawing",
  packaging: "Packaging",
  ticket: "Ticket",
};

export const WITHOUT: Record<Part, string> = {
  prompt: "Does without a prompt",
  photos: "Does without photos",
  words: "Does without words",
  paper: "No page of its own",
};

export const EDIT_PROBLEM: Record<EditProblem | "not-found" | "not-marked" | "not-yours", string> = {
  "piece-gone": "That piece was removed in another window.",
  "already-there": "This picture is on the day already. It was kept once.",
  "nothing-to-finish": "There is nothing on this day to finish yet. Give it a page, a photo or words first.",
  "not-found": "That day is not in this album any more.",
  "not-yours": "Only a keeper of the household changes that. It is as it was.",
  "day-full": "A day holds 500 of a kind, and this one does. Nothing was changed.",
  "not-marked": "That was not taken: the pictures are not here any more, or a day uses them. Here is how they stand.",
};
