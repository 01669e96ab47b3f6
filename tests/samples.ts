import fc from "fast-check";
import { FORMAT_PRESETS } from "../core/album/formats.ts";
import { HOLE_PRESETS } from "../core/album/holes.ts";
import {
  INSERT_KINDS,
  LEAF_KINDS,
  LEAF_STEPS,
  type Leaf,
  type LeafMake,
  leafOfDay,
  MADE_KINDS,
  NUMERAL_COLOURS,
  type Owner,
  type Piece,
  type PieceWhat,
  PLAIN_PAPER,
  SIDE_STEPS,
  type Turn,
} from "../core/album/leaf.ts";
import { type MadeOf, MOST_LAYERS, SITS } from "../core/album/made-of.ts";
import {
  type AlbumPlan,
  type Day,
  type DayContent,
  EMPTY_DAY,
  NUMERAL_STYLES,
  newCard,
  PARTS,
  PREPARING,
  STEPS,
} from "../core/album/model.ts";
import { type LayoutNode, POCKET_LAYOUTS } from "../core/book/layout.ts";
import { LOTS, THING_KINDS, type Thing } from "../core/drawer/thing.ts";
import { MATERIAL_IDS, micrometres } from "../core/material/material.ts";
import { inches, LONGEST, ticks } from "../core/measure/length.ts";
import { rect } from "../core/measure/rect.ts";
import type { Size } from "../core/measure/size.ts";
import { addDays, type CalendarDate } from "../core/month/dates.ts";
import { NUMBERINGS } from "../core/month/numbering.ts";
import { LONGEST_SPAN } from "../core/month/span.ts";
import { AS_IT_COMES, type PrintCrop, UNKNOWN_PICTURE, WHOLE } from "../core/photo/crop.ts";
import { areCorners, type Corners } from "../core/photo/preprint.ts";
import { LEAST_REPEAT } from "../core/photo/repeat.ts";
import { MOST_TOGETHER, type Together } from "../core/photo/together.ts";
import {
  ALIGNS,
  type CardSetting,
  HEADING_STYLES,
  LEAST_SIZE,
  type Lettering,
  MOST_SIZE,
  PITCHES,
  SPACINGS,
  STAMP_SETS,
  STANDS,
  STOCKS,
  TYPED_IN,
} from "../core/words/lettering.ts";
import { ON_KINDS, type PrintedOn, TONES } from "../core/words/printed-on.ts";

/** What a leaf is: plain paper of the album's size, but for what is said. */
export const makeOf = (change: Partial<LeafMake> = {}): LeafMake => ({ ...PLAIN_PAPER, ...change });

/** Leaves whose both sides are one day's, named after it, first to last. */
export const leavesOn = (dayId: string, ...makes: readonly Partial<LeafMake>[]): Leaf[] =>
  makes.map((make, at) => leafOfDay(`${dayId}-leaf-${at + 1}`, makeOf(make), dayId));

/** A tag of two inches by four, as a leaf of its own. */
export const TAG: Partial<LeafMake> = { insert: "tag", size: { w: inches(2), h: inches(4) } };

/** A use of a picture as it comes. */
export const PLAIN_USE = {
  crop: AS_IT_COMES,
  picture: UNKNOWN_PICTURE,
  onIt: [],
  repeat: null,
  together: null,
  privateUntil: null,
};

/** Arbitrary days and albums for property tests. */
const anyId = fc.uuid();
const anyText = fc.string({ unit: "grapheme", maxLength: 60 });
export const anySize: fc.Arbitrary<Size> = fc.record({
  w: fc.integer({ min: 1, max: LONGEST }).map(ticks),
  h: fc.integer({ min: 1, max: LONGEST }).map(ticks),
});

const anySpot = fc.record({ x: fc.integer({ min: 0, max: 10_000 }), y: fc.integer({ min: 0, max: 10_000 }) });
const anyCrop: fc.Arbitrary<PrintCrop> = fc.record({
  keep: fc.option(anySpot),
  slide: fc.record({ x: fc.integer({ min: -10_000, max: 10_000 }), y: fc.integer({ min: -10_000, max: 10_000 }) }),
  closer: fc.integer({ min: 100, max: 400 }),
  border: fc.integer({ min: 0, max: 5000 }).map(ticks),
});

const anyDate = fc.nat(20_000).map((days) => addDays("2000-01-01" as CalendarDate, days));
const anyMinute = fc
  .record({ date: anyDate, hour: fc.nat(23), minute: fc.nat(59) })
  .map(({ date, hour, minute }) => `${date}T${String(hour).padStart(2, "0")}:${String(minute).padStart(2, "0")}`);
const anyLength = (most: number) => fc.integer({ min: 0, max: most }).map(ticks);
const anyPart = fc.integer({ min: 1, max: 9000 }).map(ticks);
const anyEdges = (most: number) =>
  fc.record({ left: anyLength(most), top: anyLength(most), right: anyLength(most), bottom: anyLength(most) });
const anyKeepOut = fc.array(fc.record({ x: anyLength(30_000), y: anyLength(30_000), w: anyPart, h: anyPart }), {
  maxLength: 3,
});
const sided = fc.constantFrom("left" as const, "centre" as const);
export const anyLettering: fc.Arbitrary<Lettering> = fc.oneof(
  fc.record(
    {
      kind: fc.constant("typed" as const),
      typeface: fc.constantFrom(...TYPED_IN),
      size: fc.integer({ min: 20, max: 160 }),
      leading: fc.integer({ min: 90, max: 200 }),
      align: fc.constantFrom(...ALIGNS),
      headings: fc.constantFrom(...HEADING_STYLES),
    },
    { requiredKeys: ["kind", "typeface", "size", "leading", "align"], noNullPrototype: true },
  ),
  fc.record({
    kind: fc.constant("typewriter" as const),
    pitch: fc.constantFrom(...PITCHES),
    spacing: fc.constantFrom(...SPACINGS),
    align: sided,
  }),
  fc.record({
    kind: fc.constant("handwriting" as const),
    hand: fc.record({ name: fc.constant("Maren"), em: anyPart, line: anyPart }),
  }),
  fc.record({ kind: fc.constant("stamped" as const), set: fc.constantFrom(...STAMP_SETS), align: sided }),
);
/** Any way a card may be written, margins wider than the card included. */
export const anySetting: fc.Arbitrary<CardSetting> = fc.record(
  {
    lettering: anyLettering,
    stands: fc.option(fc.constantFrom(...STANDS), { nil: undefined }),
    margins: anyEdges(6000),
    cutOff: anyEdges(5000),
    keepOut: fc.record({ front: anyKeepOut, back: anyKeepOut }),
    longWords: fc.constantFrom("break" as const, "tell" as const),
    stock: fc.constantFrom(...STOCKS),
    boxes: fc.option(
      fc.array(
        fc.record({
          id: anyId,
          at: fc.record({ x: anyPart, y: anyPart, w: anyPart, h: anyPart }),
          text: anyText,
          typeface: fc.constantFrom(...TYPED_IN),
          size: fc.integer({ min: 20, max: 160 }),
        }),
        { maxLength: 2 },
      ),
      { nil: undefined },
    ),
  },
  { noNullPrototype: true },
);

/** Anything that may be printed on a picture. */
const anyOnIt: fc.Arbitrary<PrintedOn> = fc.record(
  {
    id: anyId,
    kind: fc.constantFrom(...ON_KINDS),
    text: anyText,
    typeface: fc.constantFrom(...TYPED_IN),
    size: fc.integer({ min: LEAST_SIZE, max: MOST_SIZE }),
    tone: fc.constantFrom(...TONES),
    at: fc.record(
      {
        x: anyPart,
        y: anyPart,
        w: fc.integer({ min: 1, max: 40_000 }).map(ticks),
        h: fc.integer({ min: 1, max: 40_000 }).map(ticks),
      },
      { noNullPrototype: true },
    ),
  },
  { noNullPrototype: true },
);

const anyRepeat: fc.Arbitrary<Size> = fc.record(
  {
    w: fc.integer({ min: LEAST_REPEAT, max: 100_000 }).map(ticks),
    h: fc.integer({ min: LEAST_REPEAT, max: 100_000 }).map(ticks),
  },
  { noNullPrototype: true },
);

/** A card held at some angle before the camera: its corners anywhere in the four quarters of the picture. */
export const anyCorners: fc.Arbitrary<Corners> = fc
  .tuple(...[0, 1, 2, 3].map(() => fc.tuple(fc.integer({ min: 0, max: 4400 }), fc.integer({ min: 0, max: 4400 }))))
  .map(
    ([a = [0, 0], b = [0, 0], c = [0, 0], d = [0, 0]]): Corners => [
      { x: a[0], y: a[1] },
      { x: WHOLE - b[0], y: b[1] },
      { x: WHOLE - c[0], y: WHOLE - c[1] },
      { x: d[0], y: WHOLE - d[1] },
    ],
  )
  .filter(areCorners);

/** Two to six pictures in one print, in any rows or columns there are of so many. */
const anyTogether: fc.Arbitrary<Together> = fc
  .array(fc.integer({ min: 1, max: 3 }), { minLength: 1, maxLength: 3 })
  .map((counts) => {
    const fits = counts.reduce((sum, each) => sum + each, 0);
    return fits < 2 ? [2] : fits > MOST_TOGETHER ? [3, 3] : counts;
  })
  .chain((counts) =>
    fc.record({
      along: fc.constantFrom("rows", "columns"),
      counts: fc.constant(counts),
      gap: fc.integer({ min: 0, max: 5000 }).map(ticks),
      others: fc.array(fc.record({ photoId: anyId, crop: anyCrop, picture: fc.constant(UNKNOWN_PICTURE) }), {
        minLength: counts.reduce((sum, each) => sum + each, 0) - 1,
        maxLength: counts.reduce((sum, each) => sum + each, 0) - 1,
      }),
    }),
  );

export const anyContent: fc.Arbitrary<DayContent> = fc
  .record({
    title: anyText,
    note: anyText,
    prompt: fc.record({ text: anyText, slip: fc.option(fc.constant("noticing/count-1")) }),
    technique: fc.record({ text: anyText, slip: fc.constant(null) }),
    waived: fc.uniqueArray(fc.constantFrom(...PARTS)),
    numeral: fc.record({ style: fc.constantFrom(...NUMERAL_STYLES), note: anyText }),
    photos: fc.array(
      fc.record({
        id: anyId,
        photoId: anyId,
        print: anySize,
        alt: anyText,
        crop: anyCrop,
        picture: fc.constant(UNKNOWN_PICTURE),
        onIt: fc.array(anyOnIt, { maxLength: 2 }),
        repeat: fc.option(anyRepeat),
        together: fc.option(anyTogether),
        privateUntil: fc.option(anyDate),
      }),
      { maxLength: 4 },
    ),
    cards: fc.array(
      fc.record({
        id: anyId,
        size: anySize,
        text: anyText,
        back: anyText,
        hidden: anyText,
        setting: fc.option(anySetting),
        preprint: fc.option(fc.record({ photoId: anyId, corners: anyCorners })),
        privateUntil: fc.option(anyDate),
      }),
      { maxLength: 4 },
    ),
    jottings: fc
      .array(fc.record({ id: anyId, text: anyText, at: anyMinute, privateUntil: fc.option(anyDate) }), { maxLength: 3 })
      .map((all) => [...all].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0))),
    done: fc.uniqueArray(fc.constantFrom(...STEPS)),
    undone: fc.uniqueArray(fc.constantFrom(...STEPS)),
    leftAlone: fc.uniqueArray(fc.string({ minLength: 1, maxLength: 20 }), { maxLength: 3 }),
    privateUntil: fc.option(anyDate),
    driesUntil: fc.option(anyDate),
    everyYear: fc.boolean(),
    nextYear: anyText,
  })
  .map((content) => ({ ...content, undone: content.undone.filter((step) => !content.done.includes(step)) }));

/** A page as albums have them: a hand's breadth to a large sheet. */
export const anyPageSize: fc.Arbitrary<Size> = fc.record({
  w: fc.integer({ min: 8_000, max: 120_000 }).map(ticks),
  h: fc.integer({ min: 8_000, max: 120_000 }).map(ticks),
});

/** What something may be made of, taken from no drawer. */
export const anyMadeOf: fc.Arbitrary<MadeOf> = fc.record({
  thing: fc.constant(null),
  material: fc.option(fc.constantFrom(...MATERIAL_IDS)),
  layers: fc.integer({ min: 1, max: MOST_LAYERS }),
  sits: fc.option(fc.constantFrom(...SITS)),
  cut: fc.boolean(),
});

/** What a leaf may be: a page, or an insert of any material. */
export const anyMake: fc.Arbitrary<LeafMake> = fc.record(
  {
    kind: fc.constantFrom(...LEAF_KINDS),
    layout: fc.option(fc.constantFrom(...POCKET_LAYOUTS.map(({ id }) => id))),
    size: fc.option(anyPageSize),
    basePaper: anyText,
    oldHoles: fc.constantFrom(null, null, ...HOLE_PRESETS),
    insert: fc.option(fc.constantFrom(...INSERT_KINDS)),
    note: anyText,
    of: fc.option(anyMadeOf),
  },
  { noNullPrototype: true },
);

export const anyPlan: fc.Arbitrary<AlbumPlan> = fc
  .record({
    title: anyText.map((text) => text.trim() || "An album"),
    unit: fc.constantFrom("inch" as const, "cm" as const),
    numbering: fc.constantFrom(...NUMBERINGS),
    preparing: fc.constantFrom(...PREPARING),
    offset: fc.nat(9000),
    length: fc.integer({ min: 1, max: LONGEST_SPAN }),
    format: fc.constantFrom(...FORMAT_PRESETS),
  })
  .map(({ offset, length, format: { id: _, unit: __, ...format }, ...plan }) => {
    const start = addDays("2015-01-01" as CalendarDate, offset);
    return { ...plan, format, span: { start, end: addDays(start, length - 1) } };
  });

/** A whole album: every day of its span with some content and leaves, some skipped, some sharing a page or a leaf. */
export const anyAlbum: fc.Arbitrary<{ plan: AlbumPlan; days: Day[]; leaves: Leaf[] }> = anyPlan.chain((plan) => {
  const count = Math.round((Date.parse(plan.span.end) - Date.parse(plan.span.start)) / 86_400_000) + 1;
  return fc
    .uniqueArray(
      fc.record({
        id: anyId,
        skipped: fc.boolean(),
        joins: fc.boolean(),
        content: anyContent,
        version: fc.nat(50),
        own: fc.array(anyMake, { maxLength: 3 }),
        done: fc.uniqueArray(fc.constantFrom(...LEAF_STEPS)),
        sideDone: fc.uniqueArray(fc.constantFrom(...SIDE_STEPS)),
        /** The back of its last leaf is the next day's. */
        lends: fc.boolean(),
        /** The next day shares the front of its last leaf. */
        shares: fc.boolean(),
      }),
      {
        minLength: count,
        maxLength: count,
        // A day's leaves go by its name but for the last digit.
        selector: ({ id }) => id.slice(0, -1),
      },
    )
    .map((drawn) => {
      const days: Day[] = [];
      const leaves: Leaf[] = [];
      for (const [at, { joins, own, done, sideDone, lends, shares, ...day }] of drawn.entries()) {
        const before = days.at(-1);
        for (const [nth, make] of own.entries()) {
          const leaf = leafOfDay(`${day.id.slice(0, -1)}${nth}`, make, day.id);
          const next = drawn[at + 1]?.id;
          const owner: Owner = lends && next && nth === own.length - 1 ? { kind: "day", dayId: next } : leaf.back.owner;
          const guests = shares && next && nth === own.length - 1 ? [{ dayId: next, done: sideDone }] : [];
          const front = { ...leaf.front, guests, done: sideDone };
          leaves.push({ ...leaf, done, front, back: { ...leaf.back, owner } });
        }
        days.push({
          ...day,
          date: addDays(plan.span.start, at),
          mergedInto: joins && before ? (before.mergedInto ?? before.id) : null,
        });
      }
      return { plan, days, leaves };
    });
});

/** A content with one of everything, for tests that name what they look at; its leaves are made with `leavesOn`. */
export const fullDay = (suffix = ""): DayContent => ({
  ...EMPTY_DAY,
  photos: [
    { id: `photo${suffix}`, photoId: `roll${suffix}`, print: { w: inches(6), h: inches(4) }, alt: "", ...PLAIN_USE },
  ],
  cards: [newCard(`card${suffix}`, { w: inches(3), h: inches(4) })],
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

const anyWhat: fc.Arbitrary<PieceWhat> = fc.oneof(
  fc.record({
    kind: fc.constant("room" as const),
    keeps: fc.constantFrom("photo" as const, "card" as const),
    size: anyPageSize,
  }),
  fc.record({
    kind: fc.constant("numeral" as const),
    size: anyPageSize,
    look: fc.option(
      fc.record({
        style: fc.constantFrom("wood" as const, "stamped" as const, "cut" as const),
        colour: fc.constantFrom(...NUMERAL_COLOURS),
      }),
    ),
    zero: fc.boolean(),
  }),
  fc.record({ kind: fc.constantFrom(...MADE_KINDS), size: anyPageSize, name: anyText }),
  fc.record({
    ...{ kind: fc.constant("construction" as const), size: anyPageSize, name: anyText },
    built: fc.constant({
      ...{ kind: "flip-up", lengths: { width: inches(3), height: inches(4) }, counts: { edge: 1 }, micrometres: 390 },
      blanks: [{ w: inches(3), h: inches(4) }],
      steps: [
        { minutes: 2, dries: 0 },
        { minutes: 1, dries: 30 },
      ],
      ticked: [0],
      holds: [{ slot: "flip:whole:back", what: { kind: "words" as const, says: "Under it" } }],
      own: [
        { kind: "slit" as const, part: "flip", at: rect(inches(1), inches(1), inches(1), 0) },
        { kind: "shape" as const, part: "flip", points: [0, 1, 2].map((n) => ({ x: inches(n), y: inches(n % 2) })) },
      ],
      closed: [
        {
          ...({ face: "front", of: "cardstock-80" } as const),
          shape: [0, 1, 2].map((nth) => ({ x: inches(nth), y: inches(nth % 2) })),
        },
      ],
    }),
  }),
);
const anyBarePiece: fc.Arbitrary<Piece> = fc.record({
  id: anyId,
  what: anyWhat,
  at: fc.record({
    x: fc.integer({ min: -9000, max: 90_000 }).map(ticks),
    y: fc.integer({ min: -9000, max: 90_000 }).map(ticks),
  }),
  turn: fc.constantFrom<Turn[]>(0, 1, 2, 3),
  outside: fc.boolean(),
  dayId: fc.option(anyId),
});
/** A piece as it lies; of some it was said what they are made of. */
export const anyPiece: fc.Arbitrary<Piece> = fc.oneof(
  anyBarePiece,
  fc.tuple(anyBarePiece, anyMadeOf).map(([piece, of]) => ({ ...piece, of })),
);

const anySide = fc.record({
  owner: fc.oneof(
    fc.constant<Owner>({ kind: "nobody" }),
    anyId.map((dayId): Owner => ({ kind: "day", dayId })),
  ),
  guests: fc.uniqueArray(fc.record({ dayId: anyId, done: fc.uniqueArray(fc.constantFrom(...SIDE_STEPS)) }), {
    selector: ({ dayId }) => dayId,
    maxLength: 2,
  }),
  pieces: fc.option(fc.array(anyPiece, { maxLength: 4 })),
  done: fc.uniqueArray(fc.constantFrom(...SIDE_STEPS)),
  line: fc.constantFrom(undefined, "Snow at last"),
});
const anyLeaf: fc.Arbitrary<Leaf> = fc.record({
  id: anyId,
  version: fc.nat(9),
  make: anyMake,
  done: fc.uniqueArray(fc.constantFrom(...LEAF_STEPS)),
  drop: fc.option(fc.integer({ min: -2000, max: 9000 }).map(ticks)),
  sewn: fc.constant(false),
  glued: fc.constant(false),
  liftsOff: fc.boolean(),
  opensVolume: fc.boolean(),
  leftSeen: fc.constantFrom<string[]>([], ["glimpse a1b2", "back numeral"]),
  front: anySide,
  back: anySide,
});
/** A book of a few leaves of every kind, in any order. */
export const anyLeaves = fc.uniqueArray(anyLeaf, { selector: ({ id }) => id, minLength: 1, maxLength: 8 });

/** A December of ten days with what some of them hold. */
export function decemberDays(contents: Readonly<Record<string, DayContent>>): { plan: AlbumPlan; days: Day[] } {
  const [preset] = FORMAT_PRESETS;
  if (!preset) throw new Error("shipped");
  const { id: _, unit, ...format } = preset;
  const start = "2026-12-01" as CalendarDate;
  const days = Array.from({ length: 10 }, (_each, at): Day => {
    const date = addDays(start, at);
    return { id: date, date, skipped: false, mergedInto: null, version: 1, content: contents[date] ?? EMPTY_DAY };
  });
  return {
    plan: {
      title: "A December",
      unit,
      numbering: "date",
      preparing: "parts",
      span: { start, end: addDays(start, 9) },
      format,
    },
    days,
  };
}

const anyThingName = fc.stringMatching(/^[A-Za-z][A-Za-z ]{0,20}[A-Za-z]$/);
const anyThingSide = fc.integer({ min: 320, max: 320 * 600 }).map(ticks);
/** Something of a drawer. */
const anyPlainThing: fc.Arbitrary<Thing> = fc.record({
  name: anyThingName,
  kind: fc.constantFrom(...THING_KINDS),
  material: fc.option(fc.constantFrom(...MATERIAL_IDS)),
  size: fc.option(fc.record({ w: anyThingSide, h: anyThingSide })),
  count: fc.nat(100_000),
  lies: fc.constantFrom("", "top drawer", "tin, left"),
  lot: fc.constantFrom(...LOTS),
  useUp: fc.boolean(),
  hasTop: fc.boolean(),
  oneSided: fc.boolean(),
  motif: fc.constant(null),
  caliper: fc.option(fc.integer({ min: 1, max: 99_000 }).map(micrometres)),
  numbers: fc.option(
    fc.oneof(
      fc.constant({ kind: "unlimited" as const }),
      fc.record({
        kind: fc.constant("whole" as const),
        from: fc.nat(5),
        to: fc.integer({ min: 5, max: 99 }),
        each: fc.integer({ min: 1, max: 9 }),
      }),
      fc.record({
        kind: fc.constant("digits" as const),
        counts: fc.array(fc.nat(20), { minLength: 10, maxLength: 10 }),
        turns: fc.boolean(),
      }),
    ),
  ),
  letters: fc.option(
    fc.record({
      counts: fc.dictionary(fc.constantFrom("A", "B", "Z", "&"), fc.integer({ min: 1, max: 30 }), { minKeys: 1 }),
      onlyCapitals: fc.boolean(),
    }),
  ),
  note: fc.constantFrom("", "bought in spring", "a, b; c"),
});
/** Something of a drawer, some of it with a motif that is kept. */
export const anyThing: fc.Arbitrary<Thing> = fc.tuple(anyPlainThing, fc.nat(3), fc.nat(3)).map(([thing, x, y]) => {
  const { size } = thing;
  if (!size || x + y === 0) return thing;
  return { ...thing, motif: rect(x, y, Math.ceil((size.w - x) / 2), Math.ceil((size.h - y) / 2)) };
});
