import type { Card } from "../album/model.ts";
import { ticks } from "../measure/length.ts";
import type { Rect } from "../measure/rect.ts";
import { remembering } from "../remember.ts";
import { type Laid, layWords } from "../words/lay.ts";
import { type CardFace, type CardSetting, settingOf } from "../words/lettering.ts";
import { measureOf } from "../words/measure.ts";
import type { Mark } from "./marks.ts";
import { printedOnMarks } from "./printed-on.ts";

/** The plain typeface's capitals are seven tenths of its size high: a stamped letter is drawn as high as its stamp. */
const CAPITAL = 0.7;

export const wordsOn = (card: Pick<Card, "text" | "back">, face: CardFace): string =>
  face === "front" ? card.text : card.back;

/** Words that were laid, as marks in the card's own ticks. */
export function laidMarks({ words }: Pick<Laid, "words">, { lettering }: CardSetting): Mark[] {
  const { typeface, unit, tall } = measureOf(lettering);
  const stamped = lettering.kind === "stamped";
  const size = ticks(Math.round(stamped ? tall / CAPITAL : unit));
  return words.map(({ text, x, y, w, as }): Mark => {
    const place = stamped
      ? { x: ticks(Math.round(x + w / 2)), anchor: "middle" as const }
      : { x, anchor: "start" as const };
    return { kind: "text", y, text, typeface: as?.typeface ?? typeface, size: as?.em ?? size, ...place };
  });
}

/** What is printed on a card already, where a picture of it is known. */
export const preprintMarks = (card: Pick<Card, "preprint"> | undefined, at: Rect): Mark[] =>
  card?.preprint ? [{ kind: "preprint", preprint: card.preprint, at }] : [];

/** Words in boxes of their own, each in the middle of its box. */
export const boxMarks = ({ boxes }: Pick<CardSetting, "boxes">): Mark[] =>
  printedOnMarks((boxes ?? []).map((box) => ({ ...box, kind: "words", tone: "dark" })));

const drawn = remembering<Mark[]>(4000);

/**
 * The words of a card's face where they are printed. The same words in the same lettering are laid once, also when the
 * album has been read anew since.
 */
export function cardMarks(card: Card, face: CardFace): Mark[] {
  const setting = settingOf(card);
  const words = wordsOn(card, face);
  const key = `${face} ${card.size.w} ${card.size.h} ${JSON.stringify(setting)} ${words}`;
  return drawn(key, () => [
    ...laidMarks(layWords(words, card.size, setting, face), setting),
    ...(face === "front" ? boxMarks(setting) : []),
  ]);
}
