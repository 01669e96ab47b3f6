import type { Deck } from "../slip.ts";
import { deckOf } from "./deck-of.ts";

export const THANKS: Deck = deckOf("thanks", "Thanks", "prompt", {
  person: [
    "Somebody who made today easier and may not know it.",
    "A person you thanked, in the words you used.",
    "One you should have thanked, said here instead.",
    "Somebody no longer here, for one exact thing.",
    "A stranger, with the little you know.",
  ],
  body: [
    "What your feet, hands or back did for you today.",
    "A breath of air you noticed.",
    "Something that did not hurt.",
    "Sleep: how much, how good, in whose bed.",
  ],
  place: [
    "A door you are always glad to close behind you.",
    "The view you stop seeing because it is yours.",
    "One square yard of the house that is exactly right.",
    "Somewhere you were let in.",
    "The way home, in five landmarks.",
  ],
  thing: [
    "An object that has never let you down.",
    "Something given long ago and used today.",
    "The best thing under your hand right now.",
    "What you would miss first if the lights went out.",
  ],
  luck: [
    "What did not happen.",
    "Five minutes you were given.",
    "A mistake that turned out well.",
    "The nearest thing to a wonder today.",
    "Something found.",
  ],
  small: [
    "Three good things, none larger than a hand.",
    "A sound you were glad of.",
    "Something warm.",
    "What made somebody laugh, and who laughed first.",
  ],
  ahead: [
    "One thing from today to do again next year.",
    "What you are looking forward to, near and far.",
    "Something you need not worry about tonight.",
    "A wish for whoever opens this page.",
  ],
});
