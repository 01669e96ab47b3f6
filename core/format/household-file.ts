import { z } from "zod";
import { thingSchema } from "../drawer/thing-schema.ts";
import { LIMITS } from "../limits.ts";
import { IN_MILLIMETRES, sizeSchema } from "../measure/length-schema.ts";
import { isTimeZone } from "../month/dates.ts";
import { HOURS, OWN_MINUTES } from "../pace/hours-schema.ts";
import { ROLES } from "../share/role.ts";
import { choicesSchema } from "../sheet/choices-schema.ts";
import { MOST_LAB_DAYS } from "../sheet/printer.ts";
import { JARS, type On } from "../words/slip.ts";
import { NAME, TEXT, textOf } from "../words/text-schema.ts";
import { PHOTO_IN_FILES } from "./archive.ts";
import { asFiled, asRead, holdsTogether, LIBRARY_THING, type LibraryThing } from "./library-file.ts";

/**
 * A household's file: a ZIP with `household.json`, described here; for each album `albums/N/album.json`, as its own archive has
 * it, and `albums/N/running.json`; and every picture of the roll under `photos/`, as it came. Nobody's mail address,
 * passphrase or session is in it, no address of a link, and nothing of the tray. Lengths are millimetres; dates are ISO
 * 8601. A reader refuses a `formatVersion` above its own.
 */
export const HOUSEHOLD_FORMAT = "hearth-clock-household";
export const HOUSEHOLD_VERSION = 1;
export const HOUSEHOLD_ENTRY = "household.json";

/** Where an album lies in the file, by its number from 1. */
export const albumEntry = (number: number) => `albums/${number}/album.json`;
export const runningEntry = (number: number) => `albums/${number}/running.json`;

const ID = z.uuid();
const SIZE = sizeSchema(IN_MILLIMETRES);
const { side: SIDE, length: LENGTH } = IN_MILLIMETRES;
const INSTANT = z.iso.datetime();

const MEMBER = z.object({
  id: ID,
  name: textOf(80, 1),
  role: z.enum(ROLES),
  /** When they have time, and what steps take them; null where they never said. */
  hours: z.object({ said: HOURS, minutes: OWN_MINUTES, forgottenAt: INSTANT.nullable() }).nullable(),
});

const ON: z.ZodType<On, unknown> = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("any") }),
  z.object({ kind: z.literal("date"), date: z.string().regex(/^\d\d-\d\d$/) }),
  z.object({ kind: z.literal("weekdays"), days: z.array(z.int().min(1).max(7)).max(7) }),
]);
const DECK = z.object({
  name: NAME,
  jar: z.enum(JARS),
  slips: z.array(z.object({ id: z.string().min(1).max(120), kind: textOf(200), text: TEXT, on: ON })).max(20_000),
});

const PRINTER = z.object({
  id: ID,
  name: textOf(60, 1),
  margin: LENGTH,
  across: SIDE,
  along: SIDE,
  bar: SIDE,
  borderless: z.object({ across: SIDE, along: SIDE }).nullable(),
  last: choicesSchema(IN_MILLIMETRES).nullable(),
  lab: z.object({ papers: z.array(SIZE).max(40), days: z.int().min(0).max(MOST_LAB_DAYS) }).nullable(),
});

const FILE = z.object({
  format: z.literal(HOUSEHOLD_FORMAT),
  formatVersion: z.literal(HOUSEHOLD_VERSION),
  lengths: z.literal("mm"),
  name: NAME,
  timeZone: z.string().refine(isTimeZone, "no time zone"),
  /** Those who are written about. */
  people: z.array(textOf(60, 1)).max(LIMITS.peopleNames.most),
  /** Where it lives, in degrees north and east. */
  place: z.object({ latitude: z.number().min(-90).max(90), longitude: z.number().min(-180).max(180) }).nullable(),
  /** Those who are here, and those who left something written here. */
  members: z.array(MEMBER).max(1000),
  albums: z.int().min(0).max(2000),
  photos: z.array(PHOTO_IN_FILES.extend({ id: ID })).max(200_000),
  decks: z.array(DECK).max(500),
  library: z.array(z.object({ id: ID, thing: LIBRARY_THING })).max(5000),
  drawer: z
    .array(
      thingSchema(IN_MILLIMETRES).safeExtend({
        id: ID,
        /** The picture that shows it, by what is in it. */
        picture: z
          .string()
          .regex(/^[0-9a-f]{64}$/)
          .nullable(),
      }),
    )
    .max(LIMITS.things.most),
  printers: z.array(PRINTER).max(500),
});
export type HouseholdFile = Omit<z.output<typeof FILE>, "library"> & {
  readonly library: readonly { readonly id: string; readonly thing: LibraryThing }[];
};

/** The JSON text of `household.json`, indented, for people to read too. */
export const writeHouseholdFile = ({ library, ...file }: HouseholdFile): string => {
  const filed = library.map(({ id, thing }) => ({ id, thing: asFiled(thing) }));
  return JSON.stringify(FILE.encode({ ...file, library: filed } as never), null, 2);
};

export type HouseholdFileProblem = "not-a-household" | "newer-format" | "damaged";
export type ReadHouseholdFile =
  | { readonly ok: true; readonly file: HouseholdFile }
  | { readonly ok: false; readonly reason: HouseholdFileProblem };

/** Reads the text of `household.json`; a mark of the byte order before it is passed over. */
export function readHouseholdFile(text: string): ReadHouseholdFile {
  let raw: unknown;
  try {
    raw = JSON.parse(text.replace(/^\uFEFF/, ""));
  } catch {
    return { ok: false, reason: "damaged" };
  }
  const head = z.object({ format: z.literal(HOUSEHOLD_FORMAT), formatVersion: z.int().positive() }).safeParse(raw);
  if (!head.success) return { ok: false, reason: "not-a-household" };
  if (head.data.formatVersion > HOUSEHOLD_VERSION) return { ok: false, reason: "newer-format" };
  const read = FILE.safeDecode(raw as never);
  if (!read.success) return { ok: false, reason: "damaged" };
  const { members, photos, drawer, printers } = read.data;
  const library = read.data.library.map(({ id, thing }) => ({ id, thing: asRead(thing) }));
  const once = (all: readonly string[]) => new Set(all).size === all.length;
  const isWhole =
    [members, library, drawer, printers].every((all) => once(all.map(({ id }) => id))) &&
    once(photos.map(({ sha256 }) => sha256)) &&
    once(photos.map(({ id }) => id)) &&
    library.every(({ thing }) => holdsTogether(thing));
  return isWhole ? { ok: true, file: { ...read.data, library } } : { ok: false, reason: "damaged" };
}
