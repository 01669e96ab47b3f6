import { randomUUID } from "node:crypto";
import {
  type DayContent,
  EMPTY_DAY,
  type Foundation,
  type FoundationKind,
  type InsertKind,
  type NumeralStyle,
  newCard,
  STEPS,
  type Step,
} from "../core/album/model.ts";
import { poolContent, stepsFor } from "../core/album/steps.ts";
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
  page?: Foundation;
  pageSize?: Size;
  numeral?: { style: NumeralStyle; note: string };
  /** Steps ticked: all of them, or these. */
  done?: "all" | Step[];
  waived?: DayContent["waived"];
};

export const page = (kind: FoundationKind, layout: string | null, basePaper: string, note = ""): Foundation => ({
  kind,
  layout,
  basePaper,
  note,
});

/** Turns a story into a day's content; `photoIds` are the pictures it uses, in order, already in the roll. */
export function dayOf(story: Story, slipText: (id: string) => string, photoIds: readonly string[]): DayContent {
  const content: DayContent = {
    ...EMPTY_DAY,
    title: story.title ?? "",
    note: story.note ?? "",
    prompt: { text: story.prompt ?? (story.slip ? slipText(story.slip) : ""), slip: story.slip ?? null },
    waived: story.waived ?? [],
    foundation: story.page ?? null,
    pageSize: story.pageSize ?? null,
    numeral: story.numeral ?? EMPTY_DAY.numeral,
    photos: (story.photos ?? []).map(({ print, alt }, at) => ({
      id: randomUUID(),
      photoId: photoIds[at] ?? "",
      print,
      alt,
      crop: AS_IT_COMES,
      picture: UNKNOWN_PICTURE,
    })),
    cards: (story.cards ?? []).map(({ size, text }) => newCard(randomUUID(), size, text)),
    inserts: (story.inserts ?? []).map((insert) => ({ id: randomUUID(), ...insert })),
  };
  const all = stepsFor(poolContent(content, []), "ring").map(({ step }) => step);
  const done = story.done === "all" ? all : (story.done ?? []);
  return { ...content, done: STEPS.filter((step) => done.includes(step)) };
}
