import type { CalendarDate } from "../month/dates.ts";
import type { Card, DayContent, Jotting } from "./model.ts";

/** Whether words are left out of everything shared, as of a day. */
export const isPrivate = ({ privateUntil }: Pick<Card | Jotting, "privateUntil">, today: CalendarDate): boolean =>
  privateUntil !== null && today < privateUntil;

/** A day as it may be shared: private cards keep their place and lose their words, private jottings are left out. */
export function shared<T extends Pick<DayContent, "cards" | "jottings">>(content: T, today: CalendarDate): T {
  return {
    ...content,
    cards: content.cards.map((card) => (isPrivate(card, today) ? { ...card, text: "", back: "" } : card)),
    jottings: content.jottings.filter((each) => !isPrivate(each, today)),
  };
}

/** How many texts of a day are left out of what is shared. */
export const countPrivate = (
  { cards, jottings }: Pick<DayContent, "cards" | "jottings">,
  today: CalendarDate,
): number => [...cards, ...jottings].filter((each) => isPrivate(each, today)).length;
