import { to } from "#app/addresses.ts";
import type { FirstStep } from "#core/pace/first-evening.ts";

type Said = {
  readonly toDo: string;
  /** What it is good for. */
  readonly why: string;
  readonly at: (albumId: string) => string;
};

export const FIRST_STEP: Record<FirstStep, Said> = {
  measure: {
    toDo: "Measure the book",
    why: "Ten minutes with a ruler. Makers’ sizes differ, and everything drawn here follows yours.",
    at: (albumId) => to.part(albumId, "measure"),
  },
  prompts: {
    toDo: "Deal the prompts",
    why: "A cue for every day, from the decks you choose or your own. Any of them can be changed later.",
    at: (albumId) => to.part(albumId, "prompts"),
  },
  pages: {
    toDo: "Lay the foundation pages",
    why: "With a page ready before its day, an evening needs only a print and words.",
    at: (albumId) => to.part(albumId, "foundations"),
  },
  pictures: {
    toDo: "Bring in pictures",
    why: "From the phone or from a folder. Each finds its day by when it was taken.",
    at: (albumId) => to.roll(albumId),
  },
};
