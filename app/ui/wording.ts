import type { EditProblem } from "#core/album/edit.ts";
import type { FormatProblem } from "#core/album/formats.ts";
import type { HolePresetId } from "#core/album/holes.ts";
import type { Binding, FoundationKind, InsertKind, NumeralStyle, Part, Step } from "#core/album/model.ts";
import type { Ring, RingState } from "#core/album/steps.ts";
import type { BookProblem } from "#core/book/edit.ts";
import type { LayoutProblem } from "#core/book/layout.ts";
import type { Face, Matter } from "#core/book/leaf.ts";
import type { LengthProblem } from "#core/measure/length.ts";
import type { Numbering } from "#core/month/numbering.ts";
import type { SlotProblem } from "#core/month/slots.ts";
import type { SpanProblem } from "#core/month/span.ts";
import type { Sharpness } from "#core/photo/crop.ts";
import type { PhotoRule } from "#core/photo/propose.ts";
import type { Tile } from "#core/sheet/tiles.ts";

/** Every word for a reason, a state or a kind stands here, once. */
export const RING_NAME: Record<Ring, string> = {
  prompt: "Prompt",
  photos: "Photos",
  words: "Words",
  paper: "Paper",
  book: "In the book",
};
export const RING_STATE: Record<RingState, string> = {
  done: "done",
  begun: "begun",
  open: "to come",
  "not-needed": "not needed",
};

export const STEP_NAME: Record<Step, string> = {
  choose: "Photos chosen",
  print: "Printed",
  trim: "Trimmed",
  write: "Words written",
  letter: "Words on the card",
  base: "Base made",
  number: "Number on",
  insert: "Inserts made",
  assemble: "Assembled",
  punch: "Punched",
  file: "In the book",
};
/** The same steps as something to do. */
export const STEP_TO_DO: Record<Step, string> = {
  choose: "Choose the photos",
  print: "Print",
  trim: "Trim the prints",
  write: "Write the words",
  letter: "Put the words on the card",
  base: "Make the base",
  number: "Put the number on",
  insert: "Make the inserts",
  assemble: "Lay out, then adhere",
  punch: "Punch the holes",
  file: "Put it in the book",
};
/** Cautions stand at the step that can hurt. Common practice. */
export const STEP_CAUTION: Partial<Record<Step, string>> = {
  trim: "Blades: metal ruler, cut away from your hand, close the blade after. Follow the trimmer’s label.",
  base: "Blades, sprays and hot tools: keep fingers and children clear, open a window, follow the product’s label.",
  assemble: "Glue and sprays: open a window. Use photo-safe adhesive on photos, and follow its label.",
  punch: "Punches and eyelet setters: fingers clear, not where children reach. Check that no hole meets a face.",
};

export const FOUNDATION_NAME: Record<FoundationKind, string> = {
  full: "Full page",
  pocket: "Pocket page",
  paper: "Paper",
  clear: "Clear",
  vellum: "Vellum",
};
export const FOUNDATION_HINT: Record<FoundationKind, string> = {
  full: "One page in a full-page protector",
  pocket: "A protector divided into pockets",
  paper: "Paper or cardstock, punched itself",
  clear: "Transparency: the next page shows",
  vellum: "Translucent: shapes show through",
};
export const NUMERAL_NAME: Record<NumeralStyle, string> = {
  sticker: "Sticker",
  chipboard: "Chipboard",
  wood: "Wood",
  acrylic: "Acrylic",
  stamped: "Stamped",
  cut: "Cut from paper",
  printed: "Printed",
  none: "No number",
};
export const INSERT_NAME: Record<InsertKind, string> = {
  leaf: "Small leaf",
  tag: "Tag",
  envelope: "Envelope",
  scrap: "Wrapping scrap",
  menu: "Menu",
  drawing: "Drawing",
  packaging: "Packaging",
  ticket: "Ticket",
};
export const BINDING_NAME: Record<Binding, string> = { ring: "Rings", "two-hole": "Two holes", sewn: "Sewn" };
export const NUMBERING_NAME: Record<Numbering, string> = {
  date: "The date",
  countdown: "Days left",
  story: "The story",
};
export const NUMBERING_HINT: Record<Numbering, string> = {
  date: "9 is the ninth of the month.",
  countdown: "Counts down; the last day is 1.",
  story: "1, 2, 3 in the order told. Skipped days have none.",
};
export const WITHOUT: Record<Part, string> = {
  prompt: "No prompt for this day",
  photos: "No photos for this day",
  words: "No words for this day",
  paper: "No page of its own",
};

export const LENGTH_PROBLEM: Record<LengthProblem, string> = {
  empty: "Give a length, for example 4½ or 11.4 cm.",
  "not-a-length": "That is not a length. Write 4½, 4 1/2, 4.5, 11.4 cm or 114 mm.",
  "not-positive": "A length is more than nothing.",
  "too-long": "That is over 2 metres. Check the unit.",
};
export const SPAN_PROBLEM: Record<SpanProblem, string> = {
  "not-a-date": "Give both dates, as in 1 December 2026.",
  reversed: "The last day is before the first. Swap them, or move one.",
  "too-long": "An album takes up to 62 days. Split a longer time into two albums.",
};
export const FORMAT_PROBLEM: Record<FormatProblem, string> = {
  "opening-over-outer": "The opening is larger than the whole leaf. Measure both again.",
  "margin-over-outer": "The binding margin is as wide as the whole leaf. Measure both again.",
  "hole-outside": "A hole lies off the leaf. Measure from the upper end of the whole leaf, and from its binding edge.",
  "holes-overlap": "Two holes run into each other. Check their places.",
  "hole-of-nothing": "A hole is more than nothing across.",
};
export const LAYOUT_PROBLEM: Record<LayoutProblem, string> = {
  "parts-over-whole": "The seams and margins leave no room for the pockets. Make them narrower, or the pockets fewer.",
  "no-pockets": "A layout has at least one pocket.",
  "too-many-pockets": "That is more than 72 pockets. Split less.",
  "bad-share": "A part’s share is a whole number from 1.",
};
export const CUT_PROBLEM = {
  "not-smaller": "That cuts nothing off. Give a size smaller than the protector.",
  ...LAYOUT_PROBLEM,
} as const;
export const BOOK_PROBLEM: Record<BookProblem | "too-many-try-outs" | "try-out-changed", string> = {
  "try-out-changed": "Somebody laid this try-out out anew in another window. Theirs is shown; yours lies in the tray.",
  "leaf-gone": "That leaf is not in the book any more. It may lie in the tray.",
  "into-itself": "A leaf cannot be put behind itself. Nothing was changed.",
  "material-elsewhere": "This leaf’s material is said on its day: change it there.",
  "already-there": "That is in the book already.",
  "book-full": "A book holds 400 leaves here, and this one does. Nothing was changed.",
  "too-many-try-outs": "Three arrangements side by side are the most. Keep one, or drop one first.",
};
export const MATTER_NAME: Record<Matter, string> = {
  title: "Title page",
  "opening-note": "Opening note",
  "month-calendar": "Month calendar",
  closing: "Closing page",
};
export const FACE_NAME: Record<Face, string> = { front: "Front", back: "Back" };
export const HOLE_PRESET_NAME: Record<HolePresetId, string> = {
  "iso-838": "Two holes, 80 mm apart",
  "us-three": "Three holes, 4¼″ apart",
  "two-ring": "Two rings",
  "three-ring": "Three rings",
  "four-ring": "Four rings",
  none: "No holes",
};
export const SLOT_PROBLEM: Record<SlotProblem, string> = {
  "no-such-day": "That day is not in this album.",
  "set-aside": "That day is set aside. Move the album’s last day to bring it back.",
  "no-neighbour": "There is no day on that side to share a page with.",
  "neighbour-skipped": "The neighbouring day is skipped. Take it up again first.",
  "day-skipped": "This day is skipped. Take it up again first.",
  "not-merged": "This day has its page to itself already.",
  "merged-day": "A shared page cannot be moved. Split it first.",
  "same-day": "It is on that day already.",
};
export const EDIT_PROBLEM: Record<EditProblem | "not-found" | "not-marked", string> = {
  "piece-gone": "That piece was removed in another window.",
  "already-there": "This picture is on the day already. It was kept once.",
  "nothing-to-finish": "There is nothing on this day to finish yet. Give it a page, a photo or words first.",
  "not-found": "That day is not in this album any more.",
  "day-full": "A day holds 500 of a kind, and this one does. Nothing was changed.",
  "not-marked": "That was not taken: the pictures are not here any more, or a day uses them. Here is how they stand.",
};
export const UNDO_PROBLEM = {
  "nothing-to-undo": "Nothing left to take back.",
  "changed-since": "Somebody has changed the same thing since, so it was not taken back.",
  "not-found": "That album is not here.",
} as const;

export const PHOTO_PROBLEM = {
  "not-a-picture": "is not a picture we can read. JPEG, PNG, WebP, AVIF, TIFF and HEIC are.",
  broken: "is damaged: the picture breaks off or cannot be decoded. Nothing was changed.",
  "too-large": "is over 40 MB. Export a smaller copy and add that.",
  "too-many-pixels": "has over 120 megapixels. Export a smaller copy and add that.",
  gone: "cannot be read any more where it was. Was the card pulled out? Hand it in again.",
  "already-there": "is on this day already. It was kept once.",
  "not-found": "could not be added: the day is not in this album any more.",
  "no-room":
    "was not taken: your household keeps as much as it may here. Empty the tray, or ask whoever runs this Hearth Clock for more room.",
  "day-full": "was not added: this day has as many pictures as a day may have.",
} as const;

export const ROLL_SHOWN = {
  all: "All",
  unplaced: "Not placed",
  banked: "Banked",
  alike: "Alike",
  starred: "Starred",
  "set-aside": "Set aside",
  undated: "No date",
};

export const PHOTO_RULE: Record<PhotoRule, { readonly name: string; readonly hint: string }> = {
  "that-day": { name: "Taken that day only", hint: "A day’s prints are of that day, or there are none." },
  banked: { name: "That day, or banked", hint: "Pictures taken ahead may stand in for a dark or busy day." },
  any: { name: "Any day of the year", hint: "Nearer days are preferred." },
};

/** What pixels per inch mean for a print. Common practice: 300 aimed at, 200 acceptable, below 150 soft. */
export const SHARPNESS: Record<Sharpness, string> = {
  ample: "Ample",
  good: "Good",
  just: "Just enough; looks soft close up",
  soft: "Looks soft; print it smaller or choose another",
};

export const ARCHIVE_PROBLEM = {
  "no-file": "Choose an archive: a file ending in .zip that Hearth Clock wrote.",
  "no-room":
    "Your household has no room for that file here. Empty the tray, or ask whoever runs this Hearth Clock for more.",
  "too-many": "Enough is being read and written for your household already. Wait until some of it is done.",
  "not-found": "It is not there any more. Begin again.",
  "not-a-zip": "That file is not a whole ZIP archive. It may have been cut off on its way; copy it again.",
  "not-an-archive": "That ZIP is not an album archive.",
  "newer-format": "That archive was written by a newer Hearth Clock. Update this one, then read it again.",
  damaged: "The archive is damaged, so nothing was read from it. Use another copy.",
  "path-climbs": "The archive holds a file whose path leads outside it. It was refused.",
  "too-much-inside": "The archive unpacks to far more than an album can hold. It was refused.",
  "photo-missing": "A photo that the archive lists is not in it. Use another copy.",
  "photo-unreadable": "A photo in the archive cannot be read. Use another copy.",
} as const;

/** `where` as `album.json` itself would be read: days[3].jottings[0].at */
export const damagedAt = (where: string): string =>
  `Nothing was read from the archive: in its file album.json, what stands at ${where} is no such thing, or contradicts the rest. Put it right there, or use another copy.`;

export const UNREACHABLE = {
  unreachable: "The server does not answer. What you wrote is kept on this device and sent when it is back.",
  "store-gone": "The database does not answer. What you wrote is kept on this device and sent when it is back.",
  busy: "The server has much to do. What you wrote is kept on this device and sent again in a moment.",
  "signed-out": "You are signed out on this device. What you wrote is kept here and saved once you sign in again.",
  broken: "The server made a mistake. What you wrote is kept on this device and sent again.",
  "not-taken": "The server would not take this. Nothing was changed, and what you wrote is still here.",
} as const;
/** Why nothing could be saved, whatever it was. */
export type Away = keyof typeof UNREACHABLE;
export const isAway = (reason: string): reason is Away => reason in UNREACHABLE;

/** How long somebody is asked to wait who tried too often. */
export function tooManyTries(seconds: number): string {
  const minutes = Math.ceil(seconds / 60);
  const said = seconds < 90 ? "a minute" : minutes < 90 ? `${minutes} minutes` : `${Math.ceil(minutes / 60)} hours`;
  return `Too many tries from here. Wait ${said}, then try again. A device that you signed in from before is not kept waiting for the tries of others.`;
}

export const UNKEPT =
  "This device would not write down what you did: it is full, or keeps nothing for pages. It goes to the server all the same; leave the page open until it says Saved.";

/** A part of a print that is made in several: by where it lies where there are two in a row, else by its number. */
export function partName({ across, down, column, row }: Tile): string {
  if (across > 2 || down > 2) return `part ${row * across + column + 1} of ${across * down}`;
  const high = down === 2 ? (row === 0 ? "upper" : "lower") : "";
  const side = across === 2 ? (column === 0 ? "left" : "right") : "";
  return [high, side].filter(Boolean).join(" ") + (high && side ? "" : " half");
}
