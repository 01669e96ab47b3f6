import type { PartPath } from "#app/places.ts";

/** A word of the craft as this program uses it, and where it is met. */
export type CraftWord = {
  readonly id: string;
  readonly word: string;
  readonly says: string;
  readonly at?: readonly [path: PartPath, name: string];
};

const MEASURES = ["measure", "Measures"] as const;
const SPREADS = ["book", "Spreads"] as const;
const POCKETS = ["pockets", "Pockets"] as const;
const FOUNDATIONS = ["foundations", "Foundation pages"] as const;
const SHEETS = ["sheets", "Print sheets"] as const;
const ROLL = ["photos", "Roll"] as const;

/** The words of the craft, by what they are about. Common practice, in our own words. */
export const CRAFT: readonly { readonly about: string; readonly words: readonly CraftWord[] }[] = [
  {
    about: "The book",
    words: [
      {
        id: "page-size",
        word: "Page size",
        says: "Width by height of what a page really measures. Makers name books by it, and their books differ, so it is measured.",
        at: MEASURES,
      },
      {
        id: "leaf",
        word: "Leaf",
        says: "One sheet in the book, with a front and a back. A large one and small ones may lie in the rings together.",
        at: SPREADS,
      },
      {
        id: "spread",
        word: "Spread",
        says: "What lies open: the back of one leaf on the left, the front of the next on the right.",
        at: SPREADS,
      },
      {
        id: "protector",
        word: "Protector",
        says: "A clear sleeve with a punched margin. A page slides into its opening; a pocket protector is welded into pockets.",
        at: MEASURES,
      },
      {
        id: "opening",
        word: "Opening",
        says: "The inside of a protector, from weld to weld: what can really go in. A little more than the page.",
        at: MEASURES,
      },
      {
        id: "margin",
        word: "Binding margin",
        says: "The strip at the bound edge that holds the holes, or vanishes into the sewing. Nothing goes there.",
        at: MEASURES,
      },
      {
        id: "matter",
        word: "Front and back matter",
        says: "Pages that are no day’s: the title page, a word before the month, the calendar, a closing page.",
        at: SPREADS,
      },
    ],
  },
  {
    about: "The page",
    words: [
      {
        id: "foundation-page",
        word: "Foundation page",
        says: "A page made ready before its day: paper, number, room for a print and for words. The evening then needs only those.",
        at: FOUNDATIONS,
      },
      { id: "template", word: "Template", says: "An arrangement kept, to be set on other pages.", at: FOUNDATIONS },
      { id: "pocket", word: "Pocket", says: "A part of a pocket page that holds one card or print.", at: POCKETS },
      {
        id: "insert",
        word: "Insert",
        says: "A leaf smaller than the page, or no page at all: a tag, an envelope, a menu, punched into the rings.",
      },
      {
        id: "number",
        word: "Number",
        says: "The day’s numeral on its page: a sticker, wood, chipboard, stamped or cut.",
      },
      { id: "base", word: "Base", says: "The paper that everything else on a page is stuck to." },
      {
        id: "room",
        word: "Room kept",
        says: "A place on a page left open for a print or for words that are still to come.",
        at: FOUNDATIONS,
      },
      { id: "tab", word: "Tab", says: "A small piece at an edge that stands out of the page, to turn it by." },
      { id: "flip-up", word: "Flip-up", says: "A piece hinged at one edge, with something under it." },
      { id: "photo-mat", word: "Photo mat", says: "Paper under a print that shows round it." },
      { id: "overlay", word: "Clear overlay", says: "A clear sheet over a page or a picture, often with lettering." },
    ],
  },
  {
    about: "Whether it fits",
    words: [
      {
        id: "play",
        word: "Play",
        says: "What a piece has left to slide by in its pocket. A sixteenth of an inch is asked for; less is snug.",
      },
      { id: "snug", word: "Snug", says: "It goes in, and wants a push." },
      {
        id: "wanders",
        word: "Wanders",
        says: "So small for its pocket that it slides about. It is mounted on a backing that fills the pocket.",
      },
      { id: "backing", word: "Backing", says: "Cardstock behind a small piece, of the size its pocket takes." },
      { id: "hangs-over", word: "Hangs over", says: "Past the edge of the page: it is cut off there, or moved." },
    ],
  },
  {
    about: "Photos",
    words: [
      { id: "roll", word: "Roll", says: "Every picture the household brought in, by the day it was taken.", at: ROLL },
      {
        id: "banked",
        word: "Banked",
        says: "A picture taken ahead, for a day that will have no light or no time.",
        at: ROLL,
      },
      {
        id: "near-doubles",
        word: "Near-doubles",
        says: "Pictures of one moment, almost the same: one is chosen.",
        at: ROLL,
      },
      { id: "print", word: "Print", says: "A picture on photo paper at a certain size. One picture may have several." },
      { id: "crop", word: "Crop", says: "The part of a picture that its print shows, and what is lost at the edges." },
      {
        id: "pixels-an-inch",
        word: "Pixels an inch",
        says: "How finely a print is drawn. 300 is sharp, 200 good, under 150 looks soft.",
      },
    ],
  },
  {
    about: "Words",
    words: [
      {
        id: "journaling-card",
        word: "Journaling card",
        says: "A small card that carries the words of a day.",
        at: ["words", "Words"],
      },
      {
        id: "jotting",
        word: "Jotting",
        says: "A line written on the day, before there is a card for it.",
        at: ["words", "Words"],
      },
      {
        id: "prompt",
        word: "Prompt",
        says: "A cue for a day’s page: what to look at, whom to ask.",
        at: ["prompts", "Prompts"],
      },
      {
        id: "slip",
        word: "Slip",
        says: "One prompt of a deck, as if on a strip of paper in a jar.",
        at: ["prompts", "Prompts"],
      },
      {
        id: "carrier-sheet",
        word: "Carrier sheet",
        says: "A sheet that takes printed cards through the printer: outlines are printed, cards stuck into them, and the sheet printed again with the words.",
        at: ["card-sheets", "Print cards"],
      },
    ],
  },
  {
    about: "Paper and printer",
    words: [
      {
        id: "print-sheet",
        word: "Print sheet",
        says: "Several prints on one sheet of paper, to be cut apart.",
        at: SHEETS,
      },
      { id: "white-edge", word: "White edge", says: "What a printer leaves unprinted round a sheet.", at: SHEETS },
      {
        id: "edge-to-edge",
        word: "Edge-to-edge cut",
        says: "A straight cut through the whole of what lies in the trimmer, as a trimmer makes them.",
        at: SHEETS,
      },
      { id: "waste", word: "Waste", says: "What is left of a sheet when its prints are cut out.", at: SHEETS },
      {
        id: "true-size",
        word: "True size",
        says: "Printed without being fitted to the page: an inch is an inch.",
        at: SHEETS,
      },
    ],
  },
];
