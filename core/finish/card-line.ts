import { frontWords } from "../album/card-words.ts";
import type { Card } from "../album/model.ts";

/** The words of a card's front as one line. */
export const inOneLine = (card: Pick<Card, "text" | "setting">): string => frontWords(card).replace(/\s+/g, " ").trim();
