import type { Deck } from "../slip.ts";
import { deckOf } from "./deck-of.ts";

export const TECHNIQUES: Deck = deckOf("techniques", "Techniques", "technique", {
  paper: [
    "Tear one edge against a ruler and let it show.",
    "Use only what is in the scrap box.",
    "Layer three papers, each a quarter inch smaller than the one below.",
    "Fold a pocket from a single sheet.",
    "Cut one strip from every paper used so far.",
  ],
  letters: [
    "Stamp a single word, and count its letters first.",
    "Write the words round the photo instead of beside it.",
    "Set the first letter three times as tall as the rest.",
    "Give the whole page over to words.",
    "Cut the number out and back it with another paper.",
  ],
  photo: [
    "Make the photo as large as the page.",
    "Four tiny prints in a row, of the same thing.",
    "Black and white, with one coloured thing laid beside it.",
    "Split one photo over two pockets.",
    "Trim a photo to a circle.",
  ],
  moving: [
    "Put the words behind a flap that lifts.",
    "Hinge a second photo over the first.",
    "A tag that pulls out of the page.",
    "A gate: two halves that open from the middle.",
  ],
  clear: [
    "Lay something clear over the photo.",
    "A vellum strip where the photo is too busy for words.",
    "Let tomorrow’s page show through a window in today’s.",
    "Slip something flat between two layers of film.",
  ],
  texture: [
    "One thing sewn, by hand or machine.",
    "A bit of the day itself: a ticket, a leaf, a label.",
    "Ink a stamp with two colours at once.",
    "Paint or wash a background and let it dry overnight.",
  ],
  restraint: [
    "A single card and nothing else.",
    "One colour only.",
    "Leave a third of the page bare.",
    "Ten minutes by the clock, then stop.",
  ],
});
