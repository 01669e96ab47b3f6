import { z } from "zod";
import { FOUNDATION_KINDS } from "../album/model.ts";
import { type Length, LONGEST, ticks } from "../measure/length.ts";
import type { CalendarDate } from "../month/dates.ts";
import { clean } from "../words/clean.ts";
import type { BookEdit } from "./edit.ts";
import { isSmallTree, type LayoutNode, MOST_POCKETS } from "./layout.ts";
import { FACES, MADE_KINDS, MATTERS, type Piece, type Turn } from "./leaf.ts";
import type { Pattern } from "./pattern.ts";

/** What a change to the book may look like when it comes from outside. */
const ID = z.uuid();
const LINE = z.string().max(500).transform(clean);
const LENGTH = z
  .int()
  .positive()
  .max(LONGEST)
  .transform((n) => n as Length);
const PLACE = z
  .int()
  .min(-LONGEST)
  .max(LONGEST)
  .transform((n) => n as Length);
const SIZE = z.object({ w: LENGTH, h: LENGTH });
const RECT = z.object({ x: PLACE, y: PLACE, w: LENGTH, h: LENGTH });
const FACE = z.enum(FACES);

const WHAT = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("photo"), use: ID, cut: RECT.nullable() }),
  z.object({ kind: z.literal("card"), card: ID }),
  z.object({ kind: z.literal("numeral"), size: SIZE }),
  z.object({ kind: z.literal("room"), keeps: z.enum(["photo", "card"]), size: SIZE }),
  ...MADE_KINDS.map((kind) => z.object({ kind: z.literal(kind), size: SIZE, name: LINE })),
]);

export const PIECE: z.ZodType<Piece> = z.object({
  // A piece that stands for a print, a card or the number goes by that thing's own name until it is cut.
  id: z.string().regex(/^[0-9a-z-]{1,40}$/),
  what: WHAT,
  at: z.object({ x: PLACE, y: PLACE }),
  turn: z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3)]).transform((n): Turn => n),
  outside: z.boolean(),
});
/** No two pieces of a side go by the same name. */
export const PIECES = z
  .array(PIECE)
  .max(400)
  .refine((pieces) => new Set(pieces.map(({ id }) => id)).size === pieces.length, "a piece twice");

export const OWNER = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("day"), dayId: ID }),
  z.object({ kind: z.literal("matter"), matter: z.enum(MATTERS) }),
  z.object({ kind: z.literal("nobody") }),
]);

export const STOCK = z.object({
  kind: z.enum(FOUNDATION_KINDS),
  layout: LINE.nullable(),
  basePaper: LINE,
  note: z.string().max(100_000).transform(clean),
  size: SIZE.nullable(),
});

const ARRANGEMENT = z.object({ leaf: ID, face: FACE, pieces: PIECES.nullable() });

export const BOOK_EDIT: z.ZodType<BookEdit> = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("arrange"), leaf: ID, face: FACE, pieces: PIECES.nullable() }),
  z.object({ kind: z.literal("arrange-many"), sides: z.array(ARRANGEMENT).min(1).max(400) }),
  z.object({ kind: z.literal("add-leaf"), id: ID, stock: STOCK, after: ID.nullable(), front: OWNER, back: OWNER }),
  z.object({ kind: z.literal("copy-leaf"), leaf: ID, id: ID, stock: STOCK, front: PIECES, back: PIECES }),
  z.object({ kind: z.literal("move-leaf"), leaf: ID, after: ID.nullable() }),
  z.object({ kind: z.literal("turn-leaf"), leaf: ID }),
  z.object({ kind: z.literal("remove-leaf"), leaf: ID }),
  z.object({ kind: z.literal("own-side"), leaf: ID, face: FACE, owner: OWNER }),
  z.object({ kind: z.literal("stock"), leaf: ID, stock: STOCK }),
  z.object({ kind: z.literal("lie"), leaf: ID, drop: PLACE.nullable(), liftsOff: z.boolean() }),
]);

/** A change to the book on its way: the edit, and the version of each leaf it writes that the keeper saw; null: whatever it is now. */
export const SENT_BOOK = z.object({
  what: z.literal("book"),
  seen: z.record(ID, z.int().min(0)).nullable(),
  edit: BOOK_EDIT,
});
export type SentBook = z.output<typeof SENT_BOOK>;

/** A change to the candidates of a side; `keep` with null keeps what lies there and puts the candidates away. */
export const SENT_TRY_OUT = z.discriminatedUnion("how", [
  z.object({ what: z.literal("try-out"), how: z.literal("add"), id: ID, leafId: ID, face: FACE, pieces: PIECES }),
  z.object({
    what: z.literal("try-out"),
    how: z.literal("arrange"),
    id: ID,
    base: z.int().min(0).nullable(),
    pieces: PIECES,
  }),
  z.object({ what: z.literal("try-out"), how: z.literal("drop"), id: ID }),
  z.object({ what: z.literal("try-out"), how: z.literal("keep"), id: ID.nullable(), leafId: ID, face: FACE }),
]);
export type SentTryOut = z.output<typeof SENT_TRY_OUT>;

/** A day with a page but no leaf in the book asks for its leaf. */
export const SENT_PLACE = z.object({ what: z.literal("give-place"), dayId: ID });

const TEMPLATE_ID = z.string().max(120);
const DATE = z.iso.date().transform((date) => date as CalendarDate);

/** A pattern as the foundation pages' form sends it. */
export const PATTERN: z.ZodType<Pattern, unknown> = z.object({
  cycle: z.array(TEMPLATE_ID).max(12),
  rules: z
    .array(
      z.discriminatedUnion("when", [
        z.object({ when: z.literal("weekday"), weekday: z.int().min(1).max(7), template: TEMPLATE_ID }),
        z.object({ when: z.literal("photos"), atLeast: z.int().min(1).max(50), template: TEMPLATE_ID }),
        z.object({ when: z.literal("dates"), dates: z.array(DATE).max(62), template: TEMPLATE_ID }),
      ]),
    )
    .max(20),
});

const DEEPEST = 6;
const seam = z
  .int()
  .min(0)
  .max(LONGEST)
  .transform((n) => ticks(n));

function nodeAt(depth: number): z.ZodType<LayoutNode> {
  const pocket = z.object({ kind: z.literal("pocket") });
  if (depth === 0) return pocket;
  return z.union([
    pocket,
    z.object({
      kind: z.enum(["rows", "columns"]),
      seam,
      parts: z
        .array(
          z.object({
            share: z.int().positive().max(LONGEST),
            node: z.lazy(() => nodeAt(depth - 1)),
          }),
        )
        .min(1)
        .max(MOST_POCKETS),
    }),
  ]);
}

/** A layout as drawn: its tree at most six splits deep. */
export const LAYOUT_DRAFT = z
  .unknown()
  .refine((draft) => isSmallTree((draft as { root?: unknown } | null)?.root))
  .pipe(z.object({ page: SIZE, margin: seam, root: nodeAt(DEEPEST) }));
