import { z } from "zod";
import { FACES, LEAF_STEPS, SIDE_STEPS } from "../album/leaf.ts";
import { MATTERS } from "../album/model.ts";
import { IN_TICKS } from "../measure/length-schema.ts";
import type { CalendarDate } from "../month/dates.ts";
import { MONTH_PAGE } from "../month/known-schema.ts";
import { LINE } from "../words/text-schema.ts";
import type { BookEdit } from "./edit.ts";
import { isSmallTree } from "./layout.ts";
import type { Pattern } from "./pattern.ts";
import { layoutSchema, MOST_MAKING_STEPS, PIECE_ID, SEEN_SLIP, sideSchemas } from "./piece-schema.ts";

/** What a change to the book may look like when it comes from outside. */
const ID = z.uuid();
const FACE = z.enum(FACES);

const { pieces: PIECES, owner: OWNER, make: MAKE } = sideSchemas(IN_TICKS);
const ARRANGEMENT = z.object({ leaf: ID, face: FACE, pieces: PIECES.nullable() });

export const BOOK_EDIT: z.ZodType<BookEdit> = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("arrange"), leaf: ID, face: FACE, pieces: PIECES.nullable() }),
  z.object({ kind: z.literal("arrange-many"), sides: z.array(ARRANGEMENT).min(1).max(400) }),
  z.object({ kind: z.literal("add-leaf"), id: ID, make: MAKE, after: ID.nullable(), front: OWNER, back: OWNER }),
  z.object({ kind: z.literal("give-leaf"), id: ID, make: MAKE, dayId: ID }),
  z.object({ kind: z.literal("copy-leaf"), leaf: ID, id: ID, front: PIECES, back: PIECES }),
  z.object({ kind: z.literal("move-leaf"), leaf: ID, after: ID.nullable() }),
  z.object({ kind: z.literal("turn-leaf"), leaf: ID }),
  z.object({ kind: z.literal("remove-leaf"), leaf: ID }),
  z.object({ kind: z.literal("own-side"), leaf: ID, face: FACE, owner: OWNER }),
  z.object({ kind: z.literal("share-side"), leaf: ID, face: FACE, dayId: ID, shares: z.boolean() }),
  z.object({ kind: z.literal("free-leaf"), leaf: ID }),
  z.object({ kind: z.literal("glue-leaf"), leaf: ID, next: ID, glued: z.boolean() }),
  z.object({ kind: z.literal("make"), leaf: ID, make: MAKE }),
  z.object({
    kind: z.literal("tick"),
    leaf: ID,
    face: FACE.nullable(),
    // A tick that was on its way when sides were not yet shared leaves it out.
    guest: ID.nullable().default(null),
    step: z.enum([...LEAF_STEPS, ...SIDE_STEPS]),
    done: z.boolean(),
  }),
  z.object({
    ...{ kind: z.literal("tick-making"), leaf: ID, face: FACE, piece: PIECE_ID },
    ...{ nth: z.int().min(0).max(MOST_MAKING_STEPS).nullable(), done: z.boolean() },
  }),
  z.object({ kind: z.literal("lie"), leaf: ID, drop: IN_TICKS.place.nullable(), liftsOff: z.boolean() }),
  z.object({ kind: z.literal("part"), leaf: ID, opens: z.boolean() }),
  z.object({ kind: z.literal("leave-seen"), leaf: ID, slip: SEEN_SLIP, on: z.boolean() }),
  z.object({ kind: z.literal("say-line"), leaf: ID, face: FACE, line: LINE }),
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

/** A page of the front or back matter is added, given a date, or taken away. */
export const SENT_MATTER = z.discriminatedUnion("how", [
  z.object({ what: z.literal("matter"), how: z.literal("add"), id: ID, matter: z.enum(MATTERS) }),
  z.object({ what: z.literal("matter"), how: z.literal("date"), id: ID, date: z.iso.date().nullable() }),
  z.object({ what: z.literal("matter"), how: z.literal("month"), id: ID, month: MONTH_PAGE }),
  z.object({ what: z.literal("matter"), how: z.literal("remove"), id: ID }),
]);
export type SentMatter = z.output<typeof SENT_MATTER>;

const TEMPLATE_ID = z.string().max(120);
const DATE = z.iso.date().transform((date) => date as CalendarDate);

/** A pattern over the month, its dates read and written by `date`. */
export const patternSchema = (date: z.ZodType<CalendarDate, string>): z.ZodType<Pattern, unknown> =>
  z.object({
    cycle: z.array(TEMPLATE_ID).max(12),
    without: z.array(date).max(62),
    rules: z
      .array(
        z.discriminatedUnion("when", [
          z.object({ when: z.literal("weekday"), weekday: z.int().min(1).max(7), template: TEMPLATE_ID }),
          z.object({ when: z.literal("photos"), atLeast: z.int().min(1).max(50), template: TEMPLATE_ID }),
          z.object({ when: z.literal("dates"), dates: z.array(date).max(62), template: TEMPLATE_ID }),
        ]),
      )
      .max(20),
  });
/** As the foundation pages' form sends it. */
export const PATTERN = patternSchema(DATE);

/** A layout as drawn: its tree at most six splits deep. */
export const LAYOUT_DRAFT = z
  .unknown()
  .refine((draft) => isSmallTree((draft as { root?: unknown } | null)?.root))
  .pipe(layoutSchema(IN_TICKS));
