import { z } from "zod";
import { HOLE_PRESETS } from "../album/holes.ts";
import {
  FACES,
  INSERT_KINDS,
  LEAF_KINDS,
  MADE_KINDS,
  MOST_OWN_CORNERS,
  MOST_OWN_CUTS,
  NUMERAL_COLOURS,
  SIDE_STEPS,
} from "../album/leaf.ts";
import { MOST_LAYERS, SITS } from "../album/made-of.ts";
import { NUMERAL_STYLES } from "../album/model.ts";
import { LIMITS } from "../limits.ts";
import { MATERIAL_IDS } from "../material/material.ts";
import { type LengthKinds, rectSchema, sizeSchema } from "../measure/length-schema.ts";
import { LINE, TEXT } from "../words/text-schema.ts";
import { type LayoutNode, MOST_POCKETS } from "./layout.ts";

const ID = z.uuid();

/** So much of a construction is drawn at the most: panels that are seen, and corners of one. */
const MOST_PANELS = 60;
const MOST_CORNERS = 1500;
/** Thicker, in micrometres, nothing is that lies in a book. */
const MOST_THICK = 100_000;
/** No construction has more lengths, or more counts, that can be set. */
const MOST_SETTINGS = 24;

/** Things done to make a construction, and minutes one of them takes or dries. */
export const MOST_MAKING_STEPS = 100;
const MINUTES = z
  .int()
  .min(0)
  .max(24 * 60);

/** A piece that stands for a print, a card or the number goes by that thing's own name until it is cut. */
export const PIECE_ID = z.string().regex(/^[0-9a-z-]{1,40}$/);

/** What a construction carries inside. */
const HELD = z.object({
  slot: z.string().regex(/^[a-zA-Z0-9:. -]{1,80}$/),
  what: z.discriminatedUnion("kind", [
    z.object({ kind: z.literal("photo"), use: ID }),
    z.object({ kind: z.literal("card"), card: ID }),
    z.object({ kind: z.literal("words"), says: TEXT }),
  ]),
});

/** What something is made of, as it comes from outside. */
const MADE_OF = z.object({
  thing: ID.nullable(),
  material: z.enum(MATERIAL_IDS).nullable(),
  layers: z.int().min(1).max(MOST_LAYERS),
  sits: z.enum(SITS).nullable(),
  cut: z.boolean(),
});

/** Cuts of one's own in a construction, with so many corners together as are still drawn at once. */
export function ownSchema(kinds: LengthKinds) {
  const place = z.object({ x: kinds.place, y: kinds.place });
  const points = z.array(place).min(3).max(MOST_OWN_CORNERS).readonly();
  // A slit is of no width one way.
  const cutAt = z.object({ x: kinds.place, y: kinds.place, w: kinds.length, h: kinds.length });
  const part = z.string().regex(/^[a-z0-9 -]{1,40}$/);
  return z
    .array(
      z.discriminatedUnion("kind", [
        z.object({ kind: z.enum(["slit", "opening", "circle"]), part, at: cutAt }),
        z.object({ kind: z.literal("shape"), part, points }),
        z.object({ kind: z.literal("outline"), points }),
      ]),
    )
    .max(MOST_OWN_CUTS)
    .refine(
      (all) => all.reduce((sum, cut) => sum + ("points" in cut ? cut.points.length : 0), 0) <= MOST_OWN_CORNERS,
      "too many corners",
    )
    .readonly();
}

/** What is set of a construction. */
export function madeAsSchema(kinds: LengthKinds) {
  const setting = z.string().regex(/^[a-z][a-zA-Z0-9]{0,23}$/);
  const isFew = (all: object) => Object.keys(all).length <= MOST_SETTINGS;
  return z.object({
    kind: z.string().regex(/^[a-z-]{1,40}$/),
    lengths: z.record(setting, kinds.place).refine(isFew, "too many"),
    counts: z.record(setting, z.int().min(0).max(99)).refine(isFew, "too many"),
    // What was sent, or written to a file, before this was known leaves it out.
    own: ownSchema(kinds).optional(),
  });
}

/** What lies on a side, whose the side is, and what a leaf is made as, as they come from outside. */
export function sideSchemas(kinds: LengthKinds) {
  const size = sizeSchema(kinds);
  const place = z.object({ x: kinds.place, y: kinds.place });
  const built = madeAsSchema(kinds).extend({
    closed: z
      .array(
        z.object({
          shape: z.array(place).min(3).max(MOST_CORNERS).readonly(),
          face: z.enum(FACES),
          of: z.enum(MATERIAL_IDS),
        }),
      )
      .max(MOST_PANELS)
      .readonly(),
    micrometres: z.int().min(0).max(MOST_THICK),
    blanks: z.array(size).max(MOST_PANELS).readonly(),
    steps: z
      .array(z.object({ minutes: MINUTES, dries: MINUTES }))
      .max(MOST_MAKING_STEPS)
      .readonly(),
    holds: z.array(HELD).max(MOST_PANELS).readonly(),
    // What was sent, or written to a file, before this was known leaves it out.
    through: z.literal(true).optional(),
    ticked: z.array(z.int().min(0).max(MOST_MAKING_STEPS)).max(MOST_MAKING_STEPS).readonly(),
  });
  /** What a piece may be of itself, without a day that has it: what a template keeps. */
  const ofItself = [
    z.object({
      kind: z.literal("numeral"),
      size,
      // What an archive or a page from before these were known leaves out.
      look: z
        .object({ style: z.enum(NUMERAL_STYLES).exclude(["none"]), colour: z.enum(NUMERAL_COLOURS) })
        .nullable()
        .default(null),
      zero: z.boolean().default(false),
    }),
    z.object({ kind: z.literal("room"), keeps: z.enum(["photo", "card"]), size }),
    z.object({
      ...{ kind: z.enum(MADE_KINDS), size, name: LINE },
      ...{ says: LINE.optional(), ink: z.enum(NUMERAL_COLOURS).optional(), built: built.optional() },
    }),
  ] as const;
  const what = z.discriminatedUnion("kind", [
    z.object({ kind: z.literal("photo"), use: ID, cut: rectSchema(kinds).nullable() }),
    z.object({ kind: z.literal("card"), card: ID }),
    ...ofItself,
  ]);
  const lies = {
    at: z.object({ x: kinds.place, y: kinds.place }),
    turn: z.literal([0, 1, 2, 3]),
    outside: z.boolean(),
    of: MADE_OF.optional(),
  };
  const piece = z.object({
    id: PIECE_ID,
    what,
    ...lies,
    // A change that was on its way when this was not yet known leaves it out.
    dayId: ID.nullable().default(null),
  });
  return {
    templatePieces: z.array(z.object({ what: z.discriminatedUnion("kind", ofItself), ...lies })).max(400),
    pieces: z
      .array(piece)
      .max(400)
      .refine((all) => new Set(all.map(({ id }) => id)).size === all.length, "a piece twice"),
    /** Who shares a side, each once. */
    guests: z
      .array(z.object({ dayId: ID, done: z.array(z.enum(SIDE_STEPS)) }))
      .max(LIMITS.guests.most)
      .refine((all) => new Set(all.map(({ dayId }) => dayId)).size === all.length, "a day twice"),
    owner: z.discriminatedUnion("kind", [
      z.object({ kind: z.literal("day"), dayId: ID }),
      z.object({ kind: z.literal("nobody") }),
    ]),
    make: z.object({
      kind: z.enum(LEAF_KINDS),
      layout: LINE.nullable(),
      size: size.nullable(),
      basePaper: LINE,
      insert: z.enum(INSERT_KINDS).nullable(),
      note: TEXT,
      oldHoles: z.enum(HOLE_PRESETS).nullable(),
      // What was sent, or written to a file, before this was known leaves it out.
      of: MADE_OF.nullable().default(null),
    }),
  };
}

/** What is seen through a leaf, as it is named: its kind, and the leaf or piece it is of. */
export const SEEN_SLIP = z.string().regex(/^[a-z-]{1,20} [0-9a-z-]{1,40}$/);

/** Splits may be this deep. */
const DEEPEST = 6;

/** A pocket layout's page, margin and tree. How many nodes there are is counted before: `isSmallTree`. */
export function layoutSchema(kinds: LengthKinds) {
  const pocket = z.object({ kind: z.literal("pocket") });
  const nodeAt = (depth: number): z.ZodType<LayoutNode, unknown> => {
    if (depth === 0) return pocket;
    const part = z.object({ share: z.int().positive(), node: z.lazy(() => nodeAt(depth - 1)) });
    const parts = z.array(part).min(1).max(MOST_POCKETS);
    return z.union([pocket, z.object({ kind: z.enum(["rows", "columns"]), seam: kinds.length, parts })]);
  };
  return z.object({ page: sizeSchema(kinds), margin: kinds.length, root: nodeAt(DEEPEST) });
}
