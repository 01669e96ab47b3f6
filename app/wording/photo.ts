import type { Print, Standing } from "#core/album/print.ts";
import type { Tile } from "#core/album/tiles.ts";
import { printShort } from "#core/month/dates.ts";
import type { Sharpness } from "#core/photo/crop.ts";
import type { PhotoRule } from "#core/photo/propose.ts";

/** The words for pictures and prints. */

export const PHOTO_PROBLEM = {
  "not-a-picture": "is not a picture we can read. JPEG, PNG, WebP, AVIF, TIFF and HEIC are.",
  damaged: "is damaged: the picture breaks off or cannot be decoded. Nothing was changed.",
  "too-large": "is over 40 MB. Export a smaller copy and add that.",
  "too-many-pixels": "has over 120 megapixels. Export a smaller copy and add that.",
  gone: "cannot be read any more where it was. Was the card pulled out? Hand it in again.",
  "not-taken": "was not taken: the server would not have it. Hand it in again, or a copy exported anew.",
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
  unnamed: "Unnamed",
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

/** The same in a word or two, beside the number. */
export const SHARPNESS_BRIEFLY: Record<Sharpness, string> = {
  ample: "sharp",
  good: "good",
  just: "just acceptable",
  soft: "will look soft",
};

/** What is said alike of a photo's print and of a card's words on their way to paper. */
export function onItsWaySaid(
  standing:
    | { readonly kind: "wanted"; readonly spoiled: boolean }
    | { readonly kind: "on-sheet"; readonly print: Print },
): string {
  if (standing.kind === "wanted") return standing.spoiled ? "Spoiled; to be printed again." : "To be printed.";
  return standing.print.from.kind === "sheet"
    ? `On sheet ${standing.print.from.number}, not printed yet.`
    : "On a sheet.";
}

/** How far a print is, in the words of the day's tray. */
export function printSaid(standing: Standing): string {
  switch (standing.kind) {
    case "wanted":
      return standing.missing.length > 0 ? "Parts of it are still to be printed." : onItsWaySaid(standing);
    case "on-sheet":
      return onItsWaySaid(standing);
    case "at-lab":
      return `At the lab, due ${printShort(standing.due)}.`;
    case "printed":
    case "by-hand":
      return "Printed.";
    case "trimmed":
      return standing.print.from.kind === "hand" ? "Printed elsewhere." : "Printed and cut.";
  }
}

/** A part of a print that is made in several: by where it lies where there are two in a row, else by its number. */
export function partName({ across, down, column, row }: Tile): string {
  if (across > 2 || down > 2) return `part ${row * across + column + 1} of ${across * down}`;
  const high = down === 2 ? (row === 0 ? "upper" : "lower") : "";
  const side = across === 2 ? (column === 0 ? "left" : "right") : "";
  return [high, side].filter(Boolean).join(" ") + (high && side ? "" : " half");
}

/** A print as it is called on its sheet and at the trimmer: its day's number, and which part it is. */
export const labelOf = (label: string, tile: Tile | null): string => (tile ? `${label} ${partName(tile)}` : label);
