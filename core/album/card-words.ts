import type { Card } from "./model.ts";

type Written = Pick<Card, "text" | "back" | "setting">;

/** All the words of a card's front: those that run, and those in boxes of their own. */
export const frontWords = ({ text, setting }: Pick<Written, "text" | "setting">): string =>
  [text, ...(setting?.boxes ?? []).map((box) => box.text)].join("\n");

/** Whether anything is written on a card at all. */
export const hasWords = (card: Written): boolean => `${frontWords(card)}${card.back}`.trim() !== "";
