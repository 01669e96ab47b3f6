import type { Preparing } from "#core/album/model.ts";
import type { Numbering } from "#core/month/numbering.ts";
import type { SlotProblem } from "#core/month/slots.ts";
import type { SpanProblem } from "#core/month/span.ts";

/** The words for where days stand in the month and how they are numbered. */

export const NUMBERING_NAME: Record<Numbering, string> = {
  date: "The date",
  countdown: "Days left",
  story: "The story",
};

export const NUMBERING_HINT: Record<Numbering, string> = {
  date: "9 is the ninth of the month.",
  countdown: "Counts down; the last day is 1.",
  story: "1, 2, 3 in the order told. Skipped days have none.",
};

export const PREPARING_NAME: Record<Preparing, string> = {
  all: "Whole pages: bases, numbers and inserts",
  parts: "Parts: tags, pockets, small leaves",
  nothing: "Nothing: each page in its own evening",
};

export const SPAN_PROBLEM: Record<SpanProblem, string> = {
  "not-a-date": "Give both dates, as in 1 December 2026.",
  reversed: "The last day is before the first. Swap them, or move one.",
  "too-long": "An album takes up to 62 days. Split a longer time into two albums.",
};

export const SLOT_PROBLEM: Record<SlotProblem, string> = {
  "no-such-day": "That day is not in this album.",
  "set-aside": "That day is set aside. Move the album’s last day to bring it back.",
  "no-neighbour": "There is no day on that side to share a page with.",
  "neighbour-skipped": "The neighbouring day is skipped. Take it up again first.",
  "day-skipped": "This day is skipped. Take it up again first.",
  "not-merged": "This day has its page to itself already.",
  "merged-day": "A shared page cannot be moved. Split it first.",
  "same-day": "It is on that day already.",
  "all-skipped": "At least one day of the album is told.",
};
