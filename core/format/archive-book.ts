import { z } from "zod";
import { FOUNDATION_KINDS } from "../album/model.ts";
import { type LayoutNode, MOST_POCKETS, readLayout } from "../book/layout.ts";
import { FACES, MADE_KINDS, MATTERS, type Turn } from "../book/leaf.ts";
import { inches, ticks } from "../measure/length.ts";
import { size } from "../measure/size.ts";
import { ID, LENGTH, LINE, NAME, PLACE, SIDE_LENGTH, SIZE, TEXT } from "./archive-parts.ts";

/** The book's part of an archive: leaves in order with what lies on their sides, try-outs, and own pocket layouts. */
const WHAT = z.discriminatedUnion("kind", [
  z.object({
    kind: z.literal("photo"),
    use: ID,
    cut: z.object({ x: PLACE, y: PLACE, w: SIDE_LENGTH, h: SIDE_LENGTH }).nullable(),
  }),
  z.object({ kind: z.literal("card"), card: ID }),
  z.object({ kind: z.literal("numeral"), size: SIZE }),
  z.object({ kind: z.literal("room"), keeps: z.enum(["photo", "card"]), size: SIZE }),
  z.object({ kind: z.enum(MADE_KINDS), size: SIZE, name: LINE }),
]);
const PIECES = z
  .array(
    z.object({
      id: z.string().regex(/^[0-9a-z-]{1,40}$/),
      what: WHAT,
      at: z.object({ x: PLACE, y: PLACE }),
      turn: z.custom<Turn>((v) => [0, 1, 2, 3].includes(v as number)),
      outside: z.boolean(),
    }),
  )
  .max(400);

const OWNER = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("day"), dayId: ID }),
  z.object({ kind: z.literal("matter"), matter: z.enum(MATTERS) }),
  z.object({ kind: z.literal("nobody") }),
]);
const SIDE = z.object({ owner: OWNER, pieces: PIECES.nullable() });
const STOCK = z.object({
  kind: z.enum(FOUNDATION_KINDS),
  layout: LINE.nullable(),
  basePaper: LINE,
  note: TEXT,
  size: SIZE.nullable(),
});
const LEAF = z.object({
  id: ID,
  of: z.discriminatedUnion("kind", [
    z.object({ kind: z.literal("page"), dayId: ID }),
    z.object({ kind: z.literal("insert"), dayId: ID, insertId: ID }),
    z.object({ kind: z.literal("own"), stock: STOCK }),
  ]),
  drop: PLACE.nullable(),
  liftsOff: z.boolean(),
  front: SIDE,
  back: SIDE,
});

/** Splits may be this deep. */
const DEEPEST = 6;
function nodeAt(depth: number): z.ZodType<LayoutNode, unknown> {
  const pocket = z.object({ kind: z.literal("pocket") });
  if (depth === 0) return pocket;
  const node = z.lazy(() => nodeAt(depth - 1));
  const parts = z
    .array(z.object({ share: z.int().positive(), node }))
    .min(1)
    .max(MOST_POCKETS);
  return z.union([pocket, z.object({ kind: z.enum(["rows", "columns"]), seam: LENGTH, parts })]);
}

/** How much wider an opening may be than its page. */
const EASE = inches(2);

/** How many leaves, try-outs and layouts there may be is counted before: `isWithinBounds`. */
export const ARCHIVE_BOOK = z.object({
  leaves: z.array(LEAF),
  tryOuts: z.array(z.object({ id: ID, leafId: ID, face: z.enum(FACES), name: LINE, pieces: PIECES })),
  layouts: z.array(z.object({ id: ID, name: NAME, page: SIZE, margin: LENGTH, root: nodeAt(DEEPEST) })),
});
export type ArchiveBook = z.output<typeof ARCHIVE_BOOK>;

/** References of the book that lead nowhere: to a day or insert that is not in the archive, or a leaf that is not. */
export function* bookProblems(
  book: ArchiveBook,
  dayIds: ReadonlySet<string>,
  insertIds: ReadonlySet<string>,
): Generator<{ readonly path: (string | number)[]; readonly message: string }> {
  const leafIds = new Set<string>();
  const inserts = new Set<string>();
  for (const [at, { id, of, front, back }] of book.leaves.entries()) {
    const path = (...rest: string[]) => ["leaves", at, ...rest];
    if (leafIds.has(id)) yield { path: path("id"), message: "a leaf twice" };
    leafIds.add(id);
    if (of.kind !== "own" && !dayIds.has(of.dayId))
      yield { path: path("of", "dayId"), message: "a leaf of a day that is not there" };
    if (of.kind === "insert" && (!insertIds.has(of.insertId) || inserts.has(of.insertId)))
      yield { path: path("of", "insertId"), message: "a leaf of an insert that is not there" };
    if (of.kind === "insert") inserts.add(of.insertId);
    for (const [face, { owner }] of Object.entries({ front, back }))
      if (owner.kind === "day" && !dayIds.has(owner.dayId))
        yield { path: path(face, "owner", "dayId"), message: "a side of a day that is not there" };
  }
  for (const [at, layout] of book.layouts.entries()) {
    // On its page, or on an opening that is a little wider: one of the two is what it was drawn on.
    const { page } = layout;
    const wider = size(ticks(page.w + EASE), ticks(page.h + EASE));
    if (!readLayout(layout, page).ok && !readLayout(layout, wider).ok)
      yield { path: ["layouts", at], message: "a pocket layout that fills no page" };
  }
  for (const [at, { leafId }] of book.tryOuts.entries())
    if (!leafIds.has(leafId))
      yield { path: ["tryOuts", at, "leafId"], message: "a try-out of a leaf that is not there" };
}
