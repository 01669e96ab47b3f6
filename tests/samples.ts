import fc from "fast-check";
import { FORMAT_PRESETS } from "../core/album/formats.ts";
import {
  type AlbumPlan,
  type Day,
  type DayContent,
  EMPTY_DAY,
  FOUNDATION_KINDS,
  INSERT_KINDS,
  NUMERAL_STYLES,
  PARTS,
  STEPS,
} from "../core/album/model.ts";
import { type LayoutNode, POCKET_LAYOUTS } from "../core/book/layout.ts";
import {
  type Leaf,
  MADE_KINDS,
  MATTERS,
  type Owner,
  type Piece,
  type PieceWhat,
  type Turn,
} from "../core/book/leaf.ts";
import { inches, LONGEST, ticks } from "../core/measure/length.ts";
import type { Size } from "../core/measure/size.ts";
import { addDays, type CalendarDate } from "../core/month/dates.ts";
import { NUMBERINGS } from "../core/month/numbering.ts";
import { LONGEST_SPAN } from "../core/month/span.ts";

/** Arbitrary days and albums for property tests. */
const anyId = fc.uuid();
const anyText = fc.string({ unit: "grapheme", maxLength: 60 });
export const anySize: fc.Arbitrary<Size> = fc.record({
  w: fc.integer({ min: 1, max: LONGEST }).map(ticks),
  h: fc.integer({ min: 1, max: LONGEST }).map(ticks),
});

export const anyContent: fc.Arbitrary<DayContent> = fc.record({
  title: anyText,
  note: anyText,
  prompt: fc.record({ text: anyText, slip: fc.option(fc.constant("noticing/count-1")) }),
  waived: fc.uniqueArray(fc.constantFrom(...PARTS)),
  foundation: fc.option(
    fc.record(
      {
        kind: fc.constantFrom(...FOUNDATION_KINDS),
        layout: fc.option(fc.constantFrom(...POCKET_LAYOUTS.map(({ id }) => id))),
        basePaper: anyText,
        note: anyText,
      },
      { noNullPrototype: true },
    ),
  ),
  pageSize: fc.option(anySize),
  numeral: fc.record({ style: fc.constantFrom(...NUMERAL_STYLES), note: anyText }),
  photos: fc.array(fc.record({ id: anyId, photoId: anyId, print: anySize, alt: anyText }), { maxLength: 4 }),
  cards: fc.array(fc.record({ id: anyId, size: anySize, text: anyText }), { maxLength: 4 }),
  inserts: fc.array(fc.record({ id: anyId, kind: fc.constantFrom(...INSERT_KINDS), size: anySize, note: anyText }), {
    maxLength: 3,
  }),
  done: fc.uniqueArray(fc.constantFrom(...STEPS)),
});

export const anyPlan: fc.Arbitrary<AlbumPlan> = fc
  .record({
    title: anyText.map((text) => text.trim() || "An album"),
    unit: fc.constantFrom("inch" as const, "cm" as const),
    numbering: fc.constantFrom(...NUMBERINGS),
    offset: fc.nat(9000),
    length: fc.integer({ min: 1, max: LONGEST_SPAN }),
    format: fc.constantFrom(...FORMAT_PRESETS),
  })
  .map(({ offset, length, format: { id: _, unit: __, ...format }, ...plan }) => {
    const start = addDays("2015-01-01" as CalendarDate, offset);
    return { ...plan, format, span: { start, end: addDays(start, length - 1) } };
  });

/** A whole album: every day of its span with some content, some skipped, some sharing a page. */
export const anyAlbum: fc.Arbitrary<{ plan: AlbumPlan; days: Day[] }> = anyPlan.chain((plan) => {
  const count = Math.round((Date.parse(plan.span.end) - Date.parse(plan.span.start)) / 86_400_000) + 1;
  return fc
    .array(
      fc.record({ id: anyId, skipped: fc.boolean(), joins: fc.boolean(), content: anyContent, version: fc.nat(50) }),
      {
        minLength: count,
        maxLength: count,
      },
    )
    .map((drawn) => {
      const days: Day[] = [];
      for (const [at, { joins, ...day }] of drawn.entries()) {
        const before = days.at(-1);
        days.push({
          ...day,
          date: addDays(plan.span.start, at),
          mergedInto: joins && before ? (before.mergedInto ?? before.id) : null,
        });
      }
      return { plan, days };
    });
});

/** A content with one of everything, for tests that name what they look at. */
export const fullDay = (suffix = ""): DayContent => ({
  ...EMPTY_DAY,
  foundation: { kind: "paper", layout: null, basePaper: "", note: "" },
  photos: [{ id: `photo${suffix}`, photoId: `roll${suffix}`, print: { w: inches(6), h: inches(4) }, alt: "" }],
  cards: [{ id: `card${suffix}`, size: { w: inches(3), h: inches(4) }, text: "" }],
  inserts: [{ id: `insert${suffix}`, kind: "tag", size: { w: inches(2), h: inches(4) }, note: "" }],
});

/** A layout of up to three splits deep, whose seams and margin its opening may or may not have room for. */
const anyNode: fc.Arbitrary<LayoutNode> = fc.letrec<{ node: LayoutNode }>((tie) => ({
  node: fc.oneof(
    { maxDepth: 3, withCrossShrink: true },
    fc.constant<LayoutNode>({ kind: "pocket" }),
    fc.record({
      kind: fc.constantFrom("rows" as const, "columns" as const),
      seam: fc.integer({ min: 0, max: 4000 }).map(ticks),
      parts: fc.array(fc.record({ share: fc.integer({ min: 1, max: 9 }), node: tie("node") }), {
        minLength: 1,
        maxLength: 4,
      }),
    }),
  ),
})).node;
export const anyLayout = fc.record({ margin: fc.integer({ min: 0, max: 2000 }).map(ticks), root: anyNode });

/** A page as albums have them: a hand's breadth to a large sheet. */
export const anyPageSize: fc.Arbitrary<Size> = fc.record({
  w: fc.integer({ min: 8_000, max: 120_000 }).map(ticks),
  h: fc.integer({ min: 8_000, max: 120_000 }).map(ticks),
});

const anyWhat: fc.Arbitrary<PieceWhat> = fc.oneof(
  fc.record({
    kind: fc.constant("room" as const),
    keeps: fc.constantFrom("photo" as const, "card" as const),
    size: anyPageSize,
  }),
  fc.record({ kind: fc.constant("numeral" as const), size: anyPageSize }),
  fc.record({ kind: fc.constantFrom(...MADE_KINDS), size: anyPageSize, name: anyText }),
);
export const anyPiece: fc.Arbitrary<Piece> = fc.record({
  id: anyId,
  what: anyWhat,
  at: fc.record({
    x: fc.integer({ min: -9000, max: 90_000 }).map(ticks),
    y: fc.integer({ min: -9000, max: 90_000 }).map(ticks),
  }),
  turn: fc.constantFrom<Turn[]>(0, 1, 2, 3),
  outside: fc.boolean(),
});

const anySide = fc.record({
  owner: fc.oneof(
    fc.constant<Owner>({ kind: "nobody" }),
    fc.constantFrom(...MATTERS).map((matter): Owner => ({ kind: "matter", matter })),
    anyId.map((dayId): Owner => ({ kind: "day", dayId })),
  ),
  pieces: fc.option(fc.array(anyPiece, { maxLength: 4 })),
});
const anyLeaf: fc.Arbitrary<Leaf> = fc.record({
  id: anyId,
  version: fc.nat(9),
  of: fc.record({
    kind: fc.constant("own" as const),
    stock: fc.record({
      kind: fc.constantFrom(...FOUNDATION_KINDS),
      layout: fc.option(fc.constantFrom(...POCKET_LAYOUTS.map(({ id }) => id))),
      basePaper: anyText,
      note: anyText,
      size: fc.option(anyPageSize),
    }),
  }),
  drop: fc.option(fc.integer({ min: -2000, max: 9000 }).map(ticks)),
  liftsOff: fc.boolean(),
  front: anySide,
  back: anySide,
});
/** A book of a few leaves of every kind, in any order. */
export const anyLeaves = fc.uniqueArray(anyLeaf, { selector: ({ id }) => id, minLength: 1, maxLength: 8 });
