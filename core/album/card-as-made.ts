import { z } from "zod";
import { CARD_SETTING } from "../words/setting-schema.ts";
import type { Card } from "./model.ts";
import { type Print, printedSize } from "./print.ts";

const MADE_AS = z.object({ text: z.string(), back: z.string(), setting: CARD_SETTING });

/** A card as a print shows it: the words and the lettering that print was made with, whatever they are now. */
export function cardAsMade(card: Card, print: Pick<Print, "at" | "turned" | "madeAs">): Card {
  const made = MADE_AS.safeParse(JSON.parse(print.madeAs));
  return made.success ? { ...card, ...made.data, size: printedSize(print) } : card;
}
