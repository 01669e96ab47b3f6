import { z } from "zod";
import { checkFormat } from "../album/formats.ts";
import { BINDING_EDGES, BINDINGS, MATTERS, NUMERAL_STYLES, PARTS, PREPARING, STEPS } from "../album/model.ts";
import { TALLIES } from "../album/tally-schema.ts";
import { patternSchema } from "../book/edit-schema.ts";
import { RULER } from "../bulk/ruler-schema.ts";
import { thingSchema } from "../drawer/thing-schema.ts";
import { END_MARKS } from "../finish/end-schema.ts";
import { LIMITS } from "../limits.ts";
import { IN_MILLIMETRES, sizeSchema } from "../measure/length-schema.ts";
import { isWallTime, parseDate } from "../month/dates.ts";
import { KNOWN, MONTH_PAGE } from "../month/known-schema.ts";
import { NUMBERINGS } from "../month/numbering.ts";
import { LONGEST_SPAN, spanLength } from "../month/span.ts";
import { MOST_CLOSER, WHOLE } from "../photo/crop.ts";
import { MOST_CHANGE, MOST_STRAIGHTEN } from "../photo/look.ts";
import { cornersSchema } from "../photo/preprint-schema.ts";
import { PHOTO_RULES } from "../photo/propose.ts";
import { LEAST_REPEAT } from "../photo/repeat.ts";
import { ON_IT, PICTURE_FACES } from "../photo/roll-schema.ts";
import { togetherSchema } from "../photo/together-schema.ts";
import { printedOnSchema, settingSchema } from "../words/setting-schema.ts";
import { LINE, NAME, TEXT, textOf } from "../words/text-schema.ts";
import { ARCHIVE_BOOK, bookProblems } from "./archive-book.ts";
import { isWithinBounds } from "./archive-bounds.ts";
import { asOfToday } from "./archive-older.ts";

/**
 * The album archive: a ZIP with `album.json`, described here, and the original photos under `photos/`.
 * Lengths are millimetres (a tick is 0.003125 mm, so six decimals hold every length exactly); dates are ISO 8601.
 * A reader refuses a `formatVersion` above its own.
 */
export const ARCHIVE_FORMAT = "hearth-clock-album";
export const ARCHIVE_VERSION = 15;
export const ARCHIVE_ENTRY = "album.json";

const ID = z.uuid();
const { length: LENGTH } = IN_MILLIMETRES;
const SIZE = sizeSchema(IN_MILLIMETRES);
const HASH = z.string().regex(/^[0-9a-f]{64}$/);
const DATE = z.codec(
  z.string(),
  z.custom<NonNullable<ReturnType<typeof parseDate>>>((v) => typeof v === "string" && parseDate(v) !== null),
  {
    decode: (text, issue) => {
      const date = parseDate(text);
      if (date) return date;
      issue.issues.push({ code: "custom", message: "not a date", input: text });
      return z.NEVER;
    },
    encode: (date) => date,
  },
);

const SHARE = z.int().min(0).max(WHOLE);
const SLIDE = z.int().min(-WHOLE).max(WHOLE);
const SPOT = z.object({ x: SHARE, y: SHARE });
/** Points and slides are ten-thousandths of the picture's width and height; `closer` is in per cent. */
const CROP = z.object({
  keep: SPOT.nullable(),
  slide: z.object({ x: SLIDE, y: SLIDE }),
  closer: z.int().min(100).max(MOST_CLOSER),
  border: LENGTH,
});
const LOOK = z.object({
  blackAndWhite: z.boolean(),
  straighten: z.int().min(-MOST_STRAIGHTEN).max(MOST_STRAIGHTEN),
  light: z.int().min(-MOST_CHANGE).max(MOST_CHANGE),
  contrast: z.int().min(-MOST_CHANGE).max(MOST_CHANGE),
});

/** What an entry holds, a day's or one of the front or back matter. */
const CONTENT = z.object({
  id: ID,
  title: LINE,
  note: TEXT,
  prompt: z.object({ text: TEXT, slip: LINE.nullable() }),
  technique: z.object({ text: TEXT, slip: LINE.nullable() }),
  waived: z.array(z.enum(PARTS)),
  numeral: z.object({ style: z.enum(NUMERAL_STYLES), note: LINE }),
  photos: z.array(
    z.object({
      id: ID,
      sha256: HASH,
      print: SIZE,
      alt: LINE,
      crop: CROP,
      onIt: printedOnSchema(IN_MILLIMETRES),
      repeat: SIZE.refine(({ w, h }) => Math.min(w, h) >= LEAST_REPEAT).nullable(),
      together: togetherSchema(IN_MILLIMETRES, z.object({ sha256: HASH, crop: CROP })).nullable(),
      privateUntil: DATE.nullable(),
    }),
  ),
  cards: z.array(
    z.object({
      id: ID,
      size: SIZE,
      text: TEXT,
      back: TEXT,
      setting: settingSchema(LENGTH).setting.nullable(),
      preprint: z.object({ sha256: HASH, corners: cornersSchema(SPOT) }).nullable(),
      hidden: LINE,
      privateUntil: DATE.nullable(),
    }),
  ),
  /** Words caught on the day; `at` by the household's own clock. */
  jottings: z.array(
    z.object({
      id: ID,
      text: TEXT,
      privateUntil: DATE.nullable(),
      at: z.string().length(16).refine(isWallTime, "not a date and time"),
    }),
  ),
  /** What of the day itself is done, known or said; what is done of a leaf or a side is said there. */
  done: z.array(z.enum(STEPS)),
  /** Steps said not to be done, whatever is known of their prints and words. */
  undone: z.array(z.enum(STEPS)),
  /** Slips in the words that were left as they are. */
  leftAlone: z.array(textOf(LIMITS.slipKey.most, 1)).max(LIMITS.leftAlone.most),
  privateUntil: DATE.nullable(),
  /** The day before which nothing goes on its page, which was made wet. */
  driesUntil: DATE.nullable(),
  /** A day that stands every year. */
  everyYear: z.boolean(),
  /** What to do otherwise next year. One that is handed on has none. */
  nextYear: TEXT,
});

const DAY = CONTENT.extend({ date: DATE, skipped: z.boolean(), mergedInto: ID.nullable() });
/** A page of the front or back matter; a date only where one is given. */
const MATTER = CONTENT.extend({
  matter: z.enum(MATTERS),
  date: DATE.nullable(),
  /** What a month calendar page has in its squares; null: as usual, or it is another page. */
  month: MONTH_PAGE.nullable(),
});

export const PHOTO_IN_FILES = z.object({
  /** Of the picture as it was added; says whether two are the same. */
  sha256: HASH,
  file: z.string().regex(/^photos\/[0-9a-f]{64}\.(jpg|png|webp|avif|tif|heic)$/),
  name: LINE,
  capturedAt: z.string().length(19).refine(isWallTime, "not a date and time").nullable(),
  offset: z
    .string()
    .regex(/^[+-](0\d|1[0-4]):[0-5]\d$/)
    .nullable(),
  /** The day a keeper gave it, where the camera wrote none or a wrong one. */
  givenDate: DATE.nullable(),
  look: LOOK,
  /** The faces that were marked on it. */
  faces: PICTURE_FACES,
  /** The names of who is on it; none where nobody is, null where nobody has said. */
  people: ON_IT,
  /** What the keeper marked it as on the roll. */
  star: z.boolean(),
  banked: z.boolean(),
  setAside: z.boolean(),
});

/** The measures of a book as files say them. */
export const FORMAT_IN_FILES = z.object({
  name: LINE,
  binding: z.enum(BINDINGS),
  nominal: SIZE,
  opening: SIZE,
  outer: SIZE,
  bare: SIZE,
  margin: LENGTH,
  bindingEdge: z.enum(BINDING_EDGES),
  holes: z.object({ positions: z.array(LENGTH).max(40), inset: LENGTH, diameter: LENGTH }),
  cover: SIZE,
  capacityMicrometres: z.int().min(0).max(1_000_000),
  /** How many leaves a bound book was sewn with; null: not counted, or none. */
  leaves: z.int().min(1).max(200).nullable(),
});

const ALBUM_FILE = z.object({
  format: z.literal(ARCHIVE_FORMAT),
  formatVersion: z.literal(ARCHIVE_VERSION),
  lengths: z.literal("mm"),
  /** Whether the photo files are byte for byte as added; false when places were taken out of them. */
  photosAsAdded: z.boolean(),
  /** How many private things were left out: days, pictures, cards and jottings. None in an archive for oneself. */
  privateLeftOut: z.int().min(0),
  album: z.object({
    id: ID,
    title: NAME,
    unit: z.enum(["inch", "cm"]),
    numbering: z.enum(NUMBERINGS),
    /** Which pictures its prints may be of. */
    photoRule: z.enum(PHOTO_RULES),
    /** The closed book measured with a ruler, and what was reckoned of it then. */
    ruler: RULER,
    /** Loose ends that were left, or kept for an evening. One that is handed on has none. */
    looseEnds: END_MARKS,
    /** What to do otherwise with the next album. One that is handed on has nothing. */
    nextYear: TEXT,
    /** How much of the pages is made before their days. */
    preparing: z.enum(PREPARING),
    /** The pattern of foundation pages last set over the month; its own templates stay with their household. */
    pattern: patternSchema(DATE).nullable(),
    start: DATE,
    end: DATE,
    format: FORMAT_IN_FILES,
  }),
  days: z.array(DAY),
  matters: z.array(MATTER),
  /** What is known ahead of the days. One that is handed on has only what stands on the month calendar pages. */
  known: z.array(KNOWN).max(LIMITS.known.most),
  /** What was counted over the month. One that is handed on has none. */
  tallies: TALLIES,
  photos: z.array(PHOTO_IN_FILES),
  /** What of the drawer its pages are made of. */
  things: z.array(thingSchema(IN_MILLIMETRES).extend({ id: ID })),
  book: ARCHIVE_BOOK,
});

export const ARCHIVE = ALBUM_FILE.superRefine((archive, context) => {
  for (const { path, message } of contradictions(archive)) context.addIssue({ code: "custom", message, path });
});

/** An archive read: lengths in ticks, dates checked. */
export type Archive = z.output<typeof ALBUM_FILE>;

export type ArchiveProblem = "not-an-archive" | "newer-format" | "damaged" | "too-much-inside";
/** `where` says where in `album.json` the first thing is that cannot be read. */
export type ReadArchive =
  | { ok: true; archive: Archive }
  | { ok: false; reason: "damaged"; where: string }
  | { ok: false; reason: Exclude<ArchiveProblem, "damaged"> };

type Contradiction = { readonly path: (string | number)[]; readonly message: string };

/** What no single value of an archive shows: things twice, references that lead nowhere, measures that cannot all be true. */
function* contradictions({
  album,
  days,
  matters,
  known,
  tallies,
  photos,
  things,
  book,
}: Archive): Generator<Contradiction> {
  for (const [nth, { matter, month }] of matters.entries())
    if (month && matter !== "month-calendar")
      yield { path: ["matters", nth, "month"], message: "squares on a page that is no month calendar" };
  const names = known.map(({ key }) => key);
  for (const [nth, name] of names.entries())
    if (names.indexOf(name) < nth) yield { path: ["known", nth, "key"], message: "known twice" };
  const counted = tallies.flatMap(({ id, marks }) => [id, ...marks.map((mark) => mark.id)]);
  if (new Set(counted).size < counted.length) yield { path: ["tallies"], message: "an id twice" };
  const { start, end } = album;
  if (end < start || spanLength({ start, end }) > LONGEST_SPAN)
    yield { path: ["album", "end"], message: "the span is not 1 to 62 days" };
  const { capacityMicrometres, ...format } = album.format;
  if (checkFormat({ ...format, capacity: capacityMicrometres }))
    yield { path: ["album", "format"], message: "a book whose measures contradict each other" };
  const seen = new Set<string>();
  const hashes = new Set<string>();
  for (const [at, { sha256 }] of photos.entries()) {
    if (hashes.has(sha256)) yield { path: ["photos", at, "sha256"], message: "a photo twice" };
    hashes.add(sha256);
  }
  const ids = new Set(days.map(({ id }) => id));
  for (const [at, day] of days.entries()) {
    const path = (...rest: string[]) => ["days", at, ...rest];
    if (seen.has(day.date)) yield { path: path("date"), message: "a date twice" };
    seen.add(day.date);
    if (day.mergedInto === day.id) yield { path: path("mergedInto"), message: "a day merged into itself" };
    if (day.mergedInto !== null && !ids.has(day.mergedInto))
      yield { path: path("mergedInto"), message: "a day shares a page with a day that is not there" };
  }
  for (const [at, day, list] of [
    ...days.map((each, nth) => [nth, each, "days"] as const),
    ...matters.map((each, nth) => [nth, each, "matters"] as const),
  ]) {
    const path = (...rest: (string | number)[]) => [list, at, ...rest];
    for (const kind of ["photos", "cards", "jottings"] as const)
      for (const [place, { id }] of day[kind].entries()) {
        if (seen.has(id)) yield { path: path(kind, place, "id"), message: "an id twice" };
        seen.add(id);
      }
    if (seen.has(day.id)) yield { path: path("id"), message: "an id twice" };
    seen.add(day.id);
    for (const [place, { sha256, together }] of day.photos.entries())
      if (![sha256, ...(together?.others ?? []).map((each) => each.sha256)].every((each) => hashes.has(each)))
        yield { path: path("photos", place, "sha256"), message: "a day uses a photo that is not there" };
    for (const [place, { preprint }] of day.cards.entries())
      if (preprint && !hashes.has(preprint.sha256))
        yield { path: path("cards", place, "preprint", "sha256"), message: "a day uses a photo that is not there" };
  }
  const thingIds = new Set<string>();
  for (const [at, { id }] of things.entries()) {
    if (thingIds.has(id)) yield { path: ["things", at, "id"], message: "a thing twice" };
    thingIds.add(id);
  }
  for (const { path, message } of bookProblems(book, new Set([...ids, ...matters.map(({ id }) => id)])))
    yield { path: ["book", ...path], message };
}

/** The JSON text of `album.json`, indented, for people to read too. */
export const writeArchive = (archive: Archive): string => JSON.stringify(z.encode(ARCHIVE, archive), null, 2);

/** `days[3].jottings[0].at`, as it is written where one reads the file. */
const placeOf = (path: readonly PropertyKey[]): string =>
  path.map((step, at) => (typeof step === "number" ? `[${step}]` : `${at > 0 ? "." : ""}${String(step)}`)).join("");

/** The line on which JSON breaks off, as far as the engine's complaint tells; the last one where it does not. */
function brokenLine(text: string, error: unknown): string {
  const at = /position (\d+)/.exec(String(error))?.[1];
  return `line ${text.slice(0, at === undefined ? text.length : Number(at)).split("\n").length}`;
}

/**
 * Reads the text of `album.json`; how long it may be is seen to before, by `JsonGauge`. A mark of the byte order before it,
 * as editors write one, is passed over.
 */
export function readArchive(text: string): ReadArchive {
  const json = text.replace(/^\uFEFF/, "");
  let raw: unknown;
  try {
    raw = JSON.parse(json);
  } catch (error) {
    return { ok: false, reason: "damaged", where: brokenLine(json, error) };
  }
  const head = z.object({ format: z.literal(ARCHIVE_FORMAT), formatVersion: z.int().positive() }).safeParse(raw);
  if (!head.success) return { ok: false, reason: "not-an-archive" };
  if (head.data.formatVersion > ARCHIVE_VERSION) return { ok: false, reason: "newer-format" };
  if (!isWithinBounds(raw)) return { ok: false, reason: "too-much-inside" };
  const now = asOfToday(raw);
  if (!now.ok) return { ok: false, reason: "damaged", where: placeOf(now.path) };
  const archive = ARCHIVE.safeDecode(now.raw as z.input<typeof ARCHIVE>);
  return archive.success
    ? { ok: true, archive: archive.data }
    : { ok: false, reason: "damaged", where: placeOf(archive.error.issues[0]?.path ?? []) };
}
