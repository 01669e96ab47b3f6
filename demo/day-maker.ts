import { randomUUID } from "node:crypto";
import {
  type InsertKind,
  type Leaf,
  type LeafKind,
  type LeafMake,
  leafOfDay,
  PLAIN_PAPER,
} from "../core/album/leaf.ts";
import { type DayContent, EMPTY_DAY, type NumeralStyle, newCard, type Step } from "../core/album/model.ts";
import { leavesOfDays } from "../core/album/page-leaves.ts";
import { poolContent, stepsFor } from "../core/album/steps.ts";
import { tickSteps } from "../core/album/ticks.ts";
import { inches } from "../core/measure/length.ts";
import { type Size, size } from "../core/measure/size.ts";
import { AS_IT_COMES, UNKNOWN_PICTURE } from "../core/photo/crop.ts";
import type { Sitting } from "./pictures/paint.ts";

export const by = (w: number, h: number): Size => size(inches(w), inches(h));

/** A demo day as its story is told here; everything left out is empty. */
export type Story = {
  title?: string;
  note?: string;
  slip?: string;
  prompt?: string;
  photos?: { sitting: Sitting; print: Size; alt: string }[];
  cards?: { size: Size; text: string }[];
  inserts?: { kind: InsertKind; size: Size; note: string }[];
  page?: LeafMake;
  pageSize?: Size;
  numeral?: { style: NumeralStyle; note: string };
  /** Steps ticked: all of them, or these. */
  done?: "all" | Step[];
  waived?: DayContent["waived"];
};

export const page = (kind: LeafKind, layout: string | null, basePaper: string, note = ""): LeafMake => ({
  ...PLAIN_PAPER,
  ...{ kind, layout, basePaper, note },
});

/**
 * Turns a story into a day's content and the leaves it lies on, inserts over the page; `photoIds` are the pictures it
 * uses, in order, already in the roll.
 */
export function dayOf(
  dayId: string,
  story: Story,
  slipText: (id: string) => string,
  photoIds: readonly string[],
): { content: DayContent; leaves: readonly Leaf[] } {
  const content: DayContent = {
    ...EMPTY_DAY,
    title: story.title ?? "",
    note: story.note ?? "",
    prompt: { text: story.prompt ?? (story.slip ? slipText(story.slip) : ""), slip: story.slip ?? null },
    waived: story.waived ?? [],
    numeral: story.numeral ?? EMPTY_DAY.numeral,
    photos: (story.photos ?? []).map(({ print, alt }, at) => ({
      id: randomUUID(),
      photoId: photoIds[at] ?? "",
      print,
      alt,
      crop: AS_IT_COMES,
      picture: UNKNOWN_PICTURE,
      onIt: [],
      repeat: null,
      together: null,
      privateUntil: null,
    })),
    cards: (story.cards ?? []).map(({ size, text }) => newCard(randomUUID(), size, text)),
  };
  const leaves = [
    ...(story.inserts ?? []).map(({ kind, size, note }) => ({ ...PLAIN_PAPER, insert: kind, size, note })),
    ...(story.page ? [{ ...story.page, size: story.pageSize ?? null }] : []),
  ].map((make) => leafOfDay(randomUUID(), make, dayId));
  const planned = stepsFor(poolContent(content, []), leavesOfDays(leaves, [dayId]), "ring");
  const done = story.done === "all" ? planned.map(({ step }) => step) : (story.done ?? []);
  const own = planned.filter(({ step, on }) => on.length === 0 && done.includes(step));
  return {
    content: { ...content, done: own.map(({ step }) => step) },
    leaves: tickSteps(leaves, planned, done, true),
  };
}
