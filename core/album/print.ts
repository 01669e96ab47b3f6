import { ticks } from "../measure/length.ts";
import type { Rect } from "../measure/rect.ts";
import { type Size, sameSize } from "../measure/size.ts";
import type { CalendarDate } from "../month/dates.ts";
import { type PictureFacts, type PrintCrop, type Spot, UNKNOWN_PICTURE } from "../photo/crop.ts";
import { lookKey, readLook } from "../photo/look.ts";
import type { InPrint } from "../photo/together.ts";
import { onKey, readOnKey } from "../words/printed-on.ts";
import type { PhotoUse } from "./model.ts";
import type { PageContent } from "./steps.ts";
import { sameGrid, sameTile, type Tile, tilesOf } from "./tiles.ts";

export const PRINT_STATES = ["made", "printed", "trimmed", "spoiled"] as const;
/** On a sheet that is not printed yet, or at the lab; printed; cut out; or spoiled, and so wanted anew. */
export type PrintState = (typeof PRINT_STATES)[number];

/** Where a print comes from: one of our own sheets, an order at the lab, or elsewhere, as the keeper says. */
export type PrintFrom =
  | { readonly kind: "hand" }
  | { readonly kind: "sheet"; readonly id: string; readonly number: number }
  | { readonly kind: "lab"; readonly id: string; readonly number: number; readonly due: CalendarDate };

export type Print = {
  readonly id: string;
  /** The id of what it is a print of: a picture as a day uses it, or a card. */
  readonly of: string;
  readonly from: PrintFrom;
  readonly place: number;
  /** Where it lies on its sheet, turned as it lies. */
  readonly at: Rect;
  readonly turned: boolean;
  readonly spare: boolean;
  readonly madeAs: string;
  readonly state: PrintState;
  /** The paper of a lab's that it has to be cut out of; null where it comes as large as it is, or on a sheet of ours. */
  readonly paper: Size | null;
  /** The part of its whole that it is, of a print made in several; null when it is the whole. */
  readonly tile: (Tile & { readonly whole: Size }) | null;
};

/** How large a print is that lies so. */
export const printedSize = ({ at, turned }: Pick<Print, "at" | "turned">): Size =>
  turned ? { w: at.h, h: at.w } : { w: at.w, h: at.h };

const writtenCrop = ({ keep, slide, closer, border }: PrintCrop, focus: Spot): string => {
  const kept = keep ?? focus;
  return `${kept.x},${kept.y} ${slide.x},${slide.y} ${closer} ${border}`;
};

const writtenPicture = ({ photoId, crop, picture }: InPrint): string =>
  `${photoId} ${picture.width}x${picture.height} ${writtenCrop(crop, picture.focus)} ${lookKey(picture.look)}`;

/** How a use would be printed now, as a word: two prints with the same word and size are the same print. */
export function madeAs(use: Pick<PhotoUse, "photoId" | "crop" | "picture" | "onIt" | "repeat" | "together">): string {
  const { onIt, repeat, together } = use;
  const on = onKey(onIt);
  const pattern = repeat ? ` every ${repeat.w}x${repeat.h}` : "";
  const shared = together
    ? ` in ${together.along} ${together.counts.join("+")} apart ${together.gap}${together.others.map((each) => ` with ${writtenPicture(each)}`).join("")}`
    : "";
  return `${writtenPicture(use)}${pattern}${shared}${on === "" ? "" : ` ${on}`}`;
}

const PICTURE = String.raw`(\S+) (\d+)x(\d+) (\d+),(\d+) (-?\d+),(-?\d+) (\d+) (\d+) (\S+)`;
const EACH = new RegExp(` with ${PICTURE}`, "g");
const MADE_AS = new RegExp(
  String.raw`^${PICTURE}(?: every (\d+)x(\d+))?(?: in (rows|columns) (\S+) apart (\d+)((?: with ${PICTURE.replaceAll("(", "(?:")})+))?(?: (\[.*\]))?$`,
  "s",
);

/** A picture and its crop from the words of a print, in the order of `PICTURE`; `was` is what is known of it. */
function readPicture(words: readonly (string | undefined)[], was: PictureFacts): InPrint | null {
  const [photoId, width, height, x, y, slideX, slideY, closer, border, key] = words;
  const look = readLook(key ?? "");
  if (!look || !photoId) return null;
  return {
    photoId,
    crop: {
      keep: { x: Number(x), y: Number(y) },
      slide: { x: Number(slideX), y: Number(slideY) },
      closer: Number(closer),
      border: ticks(Number(border)),
    },
    picture: { ...was, width: Number(width), height: Number(height), look },
  };
}

/** A use as a print shows it: the pictures, sizes, crops and looks that the print was made with, whatever they are now. */
export function asMade(use: PhotoUse, print: Pick<Print, "at" | "turned" | "madeAs" | "tile">): PhotoUse {
  const words = MADE_AS.exec(print.madeAs) ?? [];
  const first = readPicture(words.slice(1, 11), use.picture);
  if (!first) return use;
  const [repeatW, repeatH, along, counts, gap, others, on] = words.slice(11);
  return {
    ...use,
    ...first,
    onIt: on ? readOnKey(on) : [],
    repeat: repeatW && repeatH ? { w: ticks(Number(repeatW)), h: ticks(Number(repeatH)) } : null,
    together:
      along && counts
        ? {
            along: along === "rows" ? "rows" : "columns",
            counts: counts.split("+").map(Number),
            gap: ticks(Number(gap)),
            others: [...(others ?? "").matchAll(EACH)].flatMap(
              (each) => readPicture(each.slice(1), UNKNOWN_PICTURE) ?? [],
            ),
          }
        : null,
    print: print.tile?.whole ?? printedSize(print),
  };
}

/** How far a use's print is. `by-hand`: its day says it is printed, and no print of ours was ever made of it. */
export type Standing =
  | {
      readonly kind: "wanted";
      readonly spoiled: boolean;
      /** The parts still wanted of one whose other parts are made; none where the whole is wanted. */
      readonly missing: readonly Tile[];
    }
  | { readonly kind: "on-sheet"; readonly print: Print }
  | { readonly kind: "at-lab"; readonly print: Print; readonly due: CalendarDate }
  | { readonly kind: "printed"; readonly print: Print }
  | { readonly kind: "trimmed"; readonly print: Print }
  | { readonly kind: "by-hand" };

const RANK: Record<PrintState, number> = { trimmed: 3, printed: 2, made: 1, spoiled: 0 };

const further = (a: Print, b: Print): number => RANK[b.state] - RANK[a.state];

/** The furthest of the prints that show the whole of a thing as it is wanted now, spoiled ones left out. */
export const furthest = (prints: readonly Print[], size: Size, now: string): Print | undefined =>
  prints
    .filter(
      (print) => !print.tile && print.madeAs === now && sameSize(printedSize(print), size) && print.state !== "spoiled",
    )
    .sort(further)[0];

/**
 * The grids of parts in which a thing is made as it is wanted now: of each the furthest print of every part that there is,
 * and the parts that are missing. A grid is as far as its part that is least far.
 */
function gridsOf(prints: readonly Print[], size: Size, now: string): { have: Print[]; missing: Tile[] }[] {
  const parts = prints.flatMap((print) =>
    print.tile && print.madeAs === now && sameSize(print.tile.whole, size) && print.state !== "spoiled"
      ? [{ print, tile: print.tile }]
      : [],
  );
  const grids: Tile[] = [];
  for (const { tile } of parts) if (!grids.some((grid) => sameGrid(grid, tile))) grids.push(tile);
  return grids.map((grid) => {
    const cells = tilesOf(grid).map((cell) => ({
      cell,
      best: parts
        .filter(({ tile }) => sameTile(tile, cell))
        .map(({ print }) => print)
        .sort(further)[0],
    }));
    return {
      have: cells.flatMap(({ best }) => best ?? []),
      missing: cells.flatMap(({ cell, best }) => (best ? [] : [cell])),
    };
  });
}

/** Where a use stands, by the furthest of its prints that still shows it as it is wanted. `done` is its page's ticks. */
export function standingOf(use: PhotoUse, prints: readonly Print[], done: readonly string[]): Standing {
  const own = prints.filter((print) => print.of === use.id);
  const grids = gridsOf(own, use.print, madeAs(use));
  const [best] = [
    furthest(own, use.print, madeAs(use)) ?? [],
    ...grids.map(({ have, missing }) => (missing.length > 0 ? [] : ([...have].sort(further).at(-1) ?? []))),
  ]
    .flat()
    .sort(further);
  if (best?.state === "trimmed") return { kind: "trimmed", print: best };
  if (best?.state === "printed") return { kind: "printed", print: best };
  if (best)
    return best.from.kind === "lab"
      ? { kind: "at-lab", print: best, due: best.from.due }
      : { kind: "on-sheet", print: best };
  if (own.length === 0 && done.includes("print")) return { kind: "by-hand" };
  const [begun] = [...grids].sort((a, b) => a.missing.length - b.missing.length);
  return { kind: "wanted", spoiled: own.some(({ state }) => state === "spoiled"), missing: begun?.missing ?? [] };
}

/** What of a page is asked about its prints: a page's worth of days, or one of the front or back matter. */
export type Printable = { readonly content: PageContent; readonly skipped: boolean };

/** The prints by the id of what they are prints of. */
export function printsByThing(prints: readonly Print[]): ReadonlyMap<string, readonly Print[]> {
  const by = new Map<string, Print[]>();
  for (const each of prints) {
    const known = by.get(each.of);
    if (known) known.push(each);
    else by.set(each.of, [each]);
  }
  return by;
}

/** Every use of the pages that are not set aside, with where it stands. */
export function standings<P extends Printable>(
  pages: readonly P[],
  prints: readonly Print[],
): { page: P; use: PhotoUse; standing: Standing }[] {
  const byUse = printsByThing(prints);
  return pages
    .filter(({ skipped }) => !skipped)
    .flatMap((page) =>
      page.content.photos.map((use) => ({
        page,
        use,
        standing: standingOf(use, byUse.get(use.id) ?? [], page.content.done),
      })),
    );
}
