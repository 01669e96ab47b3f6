import { z } from "zod";
import { FACES, LEAF_STEPS, SIDE_STEPS } from "../album/leaf.ts";
import { readLayout } from "../book/layout.ts";
import { layoutSchema, SEEN_SLIP, sideSchemas } from "../book/piece-schema.ts";
import { LIMITS } from "../limits.ts";
import { inches, ticks } from "../measure/length.ts";
import { IN_MILLIMETRES } from "../measure/length-schema.ts";
import { size } from "../measure/size.ts";
import { LINE, NAME } from "../words/text-schema.ts";

/** The book's part of an archive: leaves in order with what lies on their sides, try-outs, and own pocket layouts. */
const ID = z.uuid();
const { pieces: PIECES, owner: OWNER, guests: GUESTS, make: MAKE } = sideSchemas(IN_MILLIMETRES);
const SIDE = z.object({
  owner: OWNER,
  guests: GUESTS,
  pieces: PIECES.nullable(),
  done: z.array(z.enum(SIDE_STEPS)),
  /** What the keeper says under the opening in which it is up. */
  line: LINE.optional(),
});
const LEAF = z.object({
  id: ID,
  make: MAKE,
  done: z.array(z.enum(LEAF_STEPS)),
  drop: IN_MILLIMETRES.place.nullable(),
  sewn: z.boolean(),
  glued: z.boolean(),
  liftsOff: z.boolean(),
  opensVolume: z.boolean(),
  leftSeen: z.array(SEEN_SLIP).max(LIMITS.leftAlone.most),
  front: SIDE,
  back: SIDE,
});

/** How much wider an opening may be than its page. */
const EASE = inches(2);

/** How many leaves, try-outs and layouts there may be is counted before: `isWithinBounds`. */
export const ARCHIVE_BOOK = z.object({
  leaves: z.array(LEAF),
  tryOuts: z.array(z.object({ id: ID, leafId: ID, face: z.enum(FACES), name: LINE, pieces: PIECES })),
  layouts: z.array(layoutSchema(IN_MILLIMETRES).extend({ id: ID, name: NAME })),
});
export type ArchiveBook = z.output<typeof ARCHIVE_BOOK>;

/** References of the book that lead nowhere: to a day that is not in the archive, or a leaf that is not. */
export function* bookProblems(
  book: ArchiveBook,
  dayIds: ReadonlySet<string>,
): Generator<{ readonly path: (string | number)[]; readonly message: string }> {
  const leafIds = new Set<string>();
  for (const [at, { id, front, back }] of book.leaves.entries()) {
    const path = (...rest: string[]) => ["leaves", at, ...rest];
    if (leafIds.has(id)) yield { path: path("id"), message: "a leaf twice" };
    leafIds.add(id);
    for (const [face, { owner, guests }] of Object.entries({ front, back })) {
      if (owner.kind === "day" && !dayIds.has(owner.dayId))
        yield { path: path(face, "owner", "dayId"), message: "a side of a day that is not there" };
      if (guests.some(({ dayId }) => !dayIds.has(dayId)))
        yield { path: path(face, "guests"), message: "a side shared by a day that is not there" };
    }
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
