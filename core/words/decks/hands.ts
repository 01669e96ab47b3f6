import type { Deck } from "../slip.ts";
import { deckOf } from "./deck-of.ts";

export const HANDS: Deck = deckOf("hands", "Hands and work", "prompt", {
  making: [
    "Something that did not exist this morning.",
    "The stage at which it looked hopeless.",
    "What it was meant to be, and what it became.",
    "The part nobody will see.",
    "How it was measured, if it was.",
  ],
  mending: [
    "What broke, and the honest account of how.",
    "A repair older than you.",
    "The drawer everything goes into, on this date.",
    "Something you decided to keep as it is, crack and all.",
    "Who was asked for help, and what they brought.",
  ],
  tool: [
    "The tool you reached for most.",
    "Something used for what it was never made for.",
    "The oldest thing in the house that is still at work.",
    "What you looked for longest, and where it was.",
  ],
  duty: [
    "A job that is only noticed when it is not done.",
    "What was carried, from where to where, and how far.",
    "The list for today: done, not done, pretended.",
    "Ten minutes of somebody’s working day, minute by minute.",
    "What you were paid in: thanks, soup, silence.",
  ],
  learning: [
    "Something you could not do last year.",
    "Who taught whom, and with how many sighs.",
    "A first try, kept beside a later one.",
    "What your hands know without you.",
  ],
  rest: [
    "The moment the work was put down.",
    "What hands do when they have nothing to do.",
    "An unfinished thing, in the place where it waits.",
    "The best seat at the end of it.",
  ],
  wrapping: [
    "What was wrapped, tied, labelled or hidden.",
    "A parcel’s whole journey, as far as you know it.",
    "String, paper, tape: what was used up.",
    "What you made instead of bought, and whether it was quicker.",
  ],
});
