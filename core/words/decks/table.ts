import type { Deck } from "../slip.ts";
import { deckOf } from "./deck-of.ts";

export const TABLE: Deck = deckOf("table", "Table and kitchen", "prompt", {
  meal: [
    "The whole menu, as if it were a grand one.",
    "Who sat where, drawn or listed.",
    "What was eaten standing up.",
    "The meal that was planned, and the meal that was had.",
    "The last bite, and who got it.",
  ],
  baking: [
    "The bowl before, the bowl after.",
    "What stuck, sank, split or shone.",
    "A spoonful of this, a handful of that: write it down as it was done.",
    "The smell that brought people in.",
    "How many there were, and how many there are.",
  ],
  cup: [
    "Every hot drink of the day and who made it.",
    "The mug nobody else may use.",
    "What was poured, and what was toasted.",
    "A kettle, a pan, a pot: the one that never cools.",
  ],
  shop: [
    "The shopping list in its own handwriting.",
    "What ran out, and what was used instead.",
    "Something bought once a year.",
    "What things cost, on this date.",
  ],
  larder: [
    "The back of the shelf: what is there, and since when.",
    "Something kept for later, with the day it will be opened.",
    "What came from a garden, a hedge or the sea.",
    "A jar, labelled truthfully.",
  ],
  guest: [
    "Who was fed that does not live here.",
    "The chair brought in from another room.",
    "What was brought to the table, and by whom.",
    "A plate put by, and for whom.",
    "What an animal was given, officially and otherwise.",
  ],
  custom: [
    "The dish without which it would not be this month.",
    "A rule of the table, and its exceptions.",
    "Something your grandmother would not recognise, and something she would.",
    "The washing-up: who washed, who dried, who vanished.",
  ],
});
