import type { Deck } from "../slip.ts";
import { deckOf } from "./deck-of.ts";

export const PEOPLE: Deck = deckOf("people", "People", "prompt", {
  saying: [
    "Something said today that will be quoted for years.",
    "A word only this house uses, and where it came from.",
    "The question that was asked most often.",
    "What was said at the door, coming or going.",
    "An argument about nothing, as fairly as you can tell it.",
  ],
  habit: [
    "How somebody always sits, and where.",
    "What each of you does in the first five minutes after waking.",
    "The thing one person does that another would never.",
    "A small rule everyone keeps and nobody made.",
    "Who turns the lights off, and in what order.",
  ],
  child: [
    "What the youngest believed today.",
    "A drawing, a list or a plan somebody small made, kept as it is.",
    "How tall, how loud, how many teeth: the figures as of tonight.",
    "What was collected, and what it was going to be.",
    "A game with its rules, before they change again.",
  ],
  elder: [
    "A story you have heard before, told one detail longer.",
    "Something the oldest does better than anyone.",
    "An old photograph that looks like somebody here.",
    "What used to stand where something else stands now.",
    "A recipe, a knot or a tune that should not be lost.",
  ],
  away: [
    "Somebody who was not there, and what would have been different.",
    "A message from far off, with the spelling left alone.",
    "Who you would have rung, had there been time.",
    "What is waiting for somebody to come back to.",
  ],
  keeper: [
    "You, as somebody else in the house would describe you tonight.",
    "What you carried in your pockets today.",
    "One thing you did for nobody but yourself.",
    "Hand the camera over: one picture with you in it.",
  ],
  neighbour: [
    "Who waved, and from where.",
    "Something borrowed, and whether it came home.",
    "The person you see every day and have never asked.",
  ],
});
