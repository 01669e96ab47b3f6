import type { AheadKind } from "#core/pace/ahead.ts";
import type { Stage } from "#core/pace/forecast.ts";
import type { Evening, Why } from "#core/pace/tonight.ts";
import { many } from "./count.ts";
import { RING_NAME, STEP_TO_DO } from "./day.ts";

/** `45 min`, `90 min`, `2 h 10 min`: minutes as they are said. */
export function minutesLong(minutes: number): string {
  if (minutes < 100 && minutes !== 60) return `${Math.round(minutes)} min`;
  const [hours, rest] = [Math.floor(minutes / 60), Math.round(minutes % 60)];
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}

/** Why a line stands in an evening, as a few words behind it. */
export function whySaid(why: Why): string {
  switch (why.kind) {
    case "finishes":
      return "puts the page in the book";
    case "stage":
      return why.ring === "book" ? "the page is assembled" : `${RING_NAME[why.ring].toLowerCase()} done with it`;
    case "begins":
      return "a step on";
    case "ahead":
      return "ahead of its day";
  }
}

export const STAGE_NAME: Readonly<Record<Stage, string>> = {
  photos: "Photos",
  words: "Words",
  book: "All of it, in the book",
};

export const AHEAD_NAME: Readonly<Record<AheadKind, string>> = {
  prompts: "Prompts",
  "front-matter": "Front matter",
  base: "Bases",
  number: "Numbers",
  insert: "Inserts, cards and tags",
  build: "What is made at the bench",
};
export const AHEAD_COUNT: Readonly<Record<AheadKind, (count: number) => string>> = {
  prompts: (count) => `${many(count, "day")} without one`,
  "front-matter": (count) => many(count, "page"),
  base: (count) => many(count, "page"),
  number: (count) => many(count, "page"),
  insert: (count) => many(count, "page"),
  build: (count) => many(count, "page"),
};

/** What helps later, where tonight has nothing that waits. */
export const HELPS = ["measure", "prompts", "pages", "pictures"] as const;
export type Help = (typeof HELPS)[number];
export const HELP_SAID: Readonly<Record<Help, string>> = {
  measure: "Measure the book",
  prompts: "Deal prompts to the days without one",
  pages: "Lay foundation pages for the days to come",
  pictures: "Fill the roll, and look which pictures go where",
};

/** What an evening is for, a line a page, as a calendar says it. */
export function eveningSaid({ items }: Evening): string {
  const byPage = new Map<string, string[]>();
  for (const { page, step } of items) {
    const name = page.label ?? "";
    byPage.set(name, [...(byPage.get(name) ?? []), STEP_TO_DO[step.step].toLowerCase()]);
  }
  return [...byPage].map(([page, steps]) => `${page}: ${steps.join(", ")}`).join("\n");
}
