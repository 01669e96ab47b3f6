import type { Deck } from "../slip.ts";
import { deckOf } from "./deck-of.ts";

export const NOTICING: Deck = deckOf("noticing", "Noticing", "prompt", {
  count: [
    "Count one kind of thing tonight, and say who else might be counting.",
    "Three things on the table, and how each one got there.",
    "How many doors did you go through today, and which was the best to open?",
    "The smallest thing anyone carried home.",
    "What there is one fewer of than yesterday.",
  ],
  person: [
    "Somebody’s hands, doing what they know by heart.",
    "A sentence you heard twice.",
    "Who was last in, and what they brought with them.",
    "The person who was not in any picture: what were they doing?",
    "A face from the side, when it did not know it was seen.",
  ],
  place: [
    "The same corner as every day, looked at as if you were moving out.",
    "What the window holds, left to right.",
    "A path somebody made without meaning to.",
    "The warmest spot in the house and who has it.",
    "Where things are put down and forgotten.",
  ],
  light: [
    "The first light that was lit, and who lit it.",
    "One thing that only shows when it is dark.",
    "A shadow worth keeping.",
    "The colour of the hour before supper.",
    "What was shining that is not meant to shine.",
  ],
  sound: [
    "What the house says when nobody speaks.",
    "A song, a hum or a whistle, and where it came from.",
    "The loudest minute of the day.",
    "What the weather sounded like from inside.",
  ],
  table: [
    "What was eaten with fingers.",
    "A recipe as it was really done, wrong turns included.",
    "The plate that was not finished, and why.",
    "Something that smelled of this month.",
  ],
  minute: [
    "This very minute: what you see, hear and ought to be doing.",
    "The thing that nearly did not happen.",
    "One good thing about today that cost nothing.",
  ],
});
