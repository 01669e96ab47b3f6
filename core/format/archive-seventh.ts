import { z } from "zod";
import { brought, step } from "./archive-step.ts";

const ENTRY = z.looseObject({ photos: z.array(z.looseObject({})), cards: z.array(z.looseObject({})) });
const SEVENTH_FORMAT = z.object({ days: z.array(ENTRY), matters: z.array(ENTRY), privateTextsLeftOut: z.number() });

/** Nothing was said not to be done: what was not ticked was open. No day and no picture was private. */
const asNow = ({ photos, cards, ...entry }: z.output<typeof ENTRY>) => ({
  ...entry,
  cards: cards.map((card) => ({ ...card, preprint: null })),
  photos: photos.map((use) => ({ ...use, onIt: [], repeat: null, together: null, privateUntil: null })),
  undone: [],
  leftAlone: [],
  privateUntil: null,
});

export const fromSeventh = step(7, SEVENTH_FORMAT, ({ days, matters, privateTextsLeftOut }, raw) => {
  const { privateTextsLeftOut: _, ...rest } = raw as Record<string, unknown>;
  const all = { days: days.map(asNow), matters: matters.map(asNow) };
  return brought({ ...rest, ...all, formatVersion: 8, privateLeftOut: privateTextsLeftOut });
});
