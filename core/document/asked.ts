import { z } from "zod";
import { FACES } from "../album/leaf.ts";
import { ownSchema, PIECE_ID } from "../book/piece-schema.ts";
import { ownFromText } from "../craft/own-text.ts";
import { MATERIAL_IDS } from "../material/material.ts";
import { LONGEST } from "../measure/length.ts";
import { IN_TICKS } from "../measure/length-schema.ts";
import { PRINT_PAPERS } from "../sheet/paper.ts";
import { BOOK_AS, BOOK_FITS } from "./book-sheets.ts";

const PAPER_IDS = PRINT_PAPERS.map(({ id }) => id) as [string, ...string[]];
const WHICH = z.union([z.literal("to-print"), z.coerce.number().int().positive().max(100_000)]);

/** For oneself with what is private, for others without. */
const FOR_WHOM = z.enum(["self", "others"]);
export type ForWhom = z.output<typeof FOR_WHOM>;

/** Documents of any number of pages, which may take longer than a page can wait: they are written in the background too. */
const PAGES = z.discriminatedUnion("kind", [
  /** A sheet by its number, or all that are not printed yet. */
  z.object({ kind: z.literal("print-sheets"), which: WHICH }),
  z.object({ kind: z.literal("card-sheets"), which: WHICH }),
  z.object({ kind: z.literal("book"), as: z.enum(BOOK_AS), fit: z.enum(BOOK_FITS), forWhom: FOR_WHOM }),
]);

/** Everything that is written in the background: what has pages, and the whole book as a file that is no document of pages. */
export const LONG_DOCUMENT = z.discriminatedUnion("kind", [
  ...PAGES.options,
  /** One page of HTML to leaf in. */
  z.object({ kind: z.literal("leafing"), forWhom: FOR_WHOM }),
  /** A picture of every opening. */
  z.object({ kind: z.literal("pictures"), forWhom: FOR_WHOM }),
]);

export type LongDocument = z.output<typeof LONG_DOCUMENT>;

/** How large the cards are that say what opens where. */
export const OPENER_CARDS = ["page", "card"] as const;

/** Every document of an album that is printed: what there is of each kind to ask for. */
export const DOCUMENT = z.discriminatedUnion("kind", [
  ...PAGES.options,
  z.object({ kind: z.literal("leaf"), leaf: z.uuid(), face: z.enum(FACES) }),
  /** One side's page, to be printed itself. */
  z.object({ kind: z.literal("page"), leaf: z.uuid(), face: z.enum(FACES) }),
  /** The opening in which a side is up, as the eye sees it. */
  z.object({ kind: z.literal("opening"), leaf: z.uuid(), face: z.enum(FACES) }),
  /** The templates of a construction with these sizes, one for each part; mirrored for the back of a paper. */
  z.object({
    kind: z.literal("making"),
    craft: z.string().regex(/^[a-z-]{1,40}$/),
    sizes: z.record(z.string().regex(/^[a-zA-Z0-9]{1,24}$/), z.int().min(0).max(LONGEST)),
    paper: z.enum(MATERIAL_IDS),
    own: ownSchema(IN_TICKS),
    mirrored: z.boolean(),
  }),
  /** The templates of constructions on the pages, ganged on sheets of one of the usual sizes. */
  z.object({
    kind: z.literal("makings"),
    pieces: z.array(PIECE_ID).min(1).max(200),
    sheet: z.coerce.number().int().min(0).max(2),
    turn: z.boolean(),
  }),
  /** What opens where, on cards of the album's page, or of 4 × 6. */
  z.object({ kind: z.literal("openers"), card: z.enum(OPENER_CARDS) }),
  z.object({ kind: z.literal("punch-guide") }),
  z.object({ kind: z.literal("scale-test") }),
  /** The outlines of cards on their carriers, or the words that are printed onto them there. */
  z.object({
    kind: z.literal("carriers"),
    what: z.enum(["carrier", "words-front", "words-back"]),
    paper: z.enum(PAPER_IDS),
    cards: z.array(z.uuid()).min(1).max(200),
  }),
]);
export type DocumentAsked = z.output<typeof DOCUMENT>;

/** What a document can be written as. More than one page goes into a PDF only. */
export const DOCUMENT_ENDINGS = ["pdf", "svg"] as const;
export type DocumentEnding = (typeof DOCUMENT_ENDINGS)[number];

/** The fields of each kind that stand in the name of its file. */
function named(kind: string, name: string): object | null {
  switch (kind) {
    case "page":
    case "opening":
    case "leaf": {
      const [leaf, face] = name.split(".");
      return { leaf, face };
    }
    case "print-sheets":
    case "card-sheets":
      return { which: name };
    case "carriers":
      return { what: name };
    case "openers":
      return { card: name };
    case "book": {
      const [as, fit, forWhom] = name.split(".");
      return { as, fit, forWhom };
    }
    case "making":
      return { craft: name };
    case "makings":
      return name === "chosen" ? {} : null;
    case "punch-guide":
      return name === "guide" ? {} : null;
    case "scale-test":
      return name === "page" ? {} : null;
    default:
      return null;
  }
}

/** The sizes of a construction as an address has them: `width:24384,tab:3048`. */
function sizesIn(text: string | null): Record<string, number> | undefined {
  if (text === null || text.length > 1000) return undefined;
  return Object.fromEntries(
    text.split(",").flatMap((each) => {
      const [name = "", value = ""] = each.split(":");
      return name === "" ? [] : [[name, Number(value)]];
    }),
  );
}

/** No address is longer than this: all corners that there may be, and room. */
const MOST_LETTERS = 12_000;
const ownIn = (text: string | null) =>
  text === null ? [] : text.length > MOST_LETTERS ? undefined : ownFromText(text);

/** What an address asks for: the kind, the name of the file, and what its query adds. Null where it names none that there is. */
export function readAsked(
  kind: string,
  file: string,
  query: { readonly get: (name: string) => string | null },
): { readonly asked: DocumentAsked; readonly ending: DocumentEnding } | null {
  const dot = file.lastIndexOf(".");
  const ending = DOCUMENT_ENDINGS.find((each) => each === file.slice(dot + 1));
  const fields = dot > 0 && ending ? named(kind, file.slice(0, dot)) : null;
  const cards = query.get("cards")?.split(",");
  const given = {
    paper: query.get("paper"),
    cards,
    sizes: sizesIn(query.get("sizes")),
    own: ownIn(query.get("own")),
    ...{ pieces: query.get("pieces")?.split(","), sheet: query.get("sheet") ?? 0, turn: query.get("turn") === "yes" },
    mirrored: query.get("mirrored") === "yes",
  };
  // A book is pages drawn to fit, which a single drawing is not.
  if (kind === "book" && ending === "svg") return null;
  const read = fields && DOCUMENT.safeParse({ kind, ...fields, ...given });
  return read?.success && ending ? { asked: read.data, ending } : null;
}
