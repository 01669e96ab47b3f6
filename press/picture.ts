import { createHash } from "node:crypto";
import exifr from "exifr";
import sharp, { type OutputInfo, type Sharp } from "sharp";
import { coloursOf } from "../core/photo/colours.ts";
import { MOST_BYTES } from "../core/photo/roll.ts";
import { type Traits, traitsOf } from "../core/photo/traits.ts";
import type { NewPhoto, PictureMime } from "../store/photo.ts";
import { kindOf, MOST_PIXELS, openPicture } from "./decode.ts";
import { ownWordsOf } from "./own-words.ts";

/** Long sides of the screen versions, in pixels; a picture smaller than one is never enlarged. */
export const VERSION_SIDES = [1600, 480, 96] as const;

export type PictureProblem = "not-a-picture" | "damaged" | "too-large" | "too-many-pixels";
export type ReadPicture = { ok: true; photo: NewPhoto } | { ok: false; reason: PictureProblem };

export const hashOf = (bytes: Buffer): string => createHash("sha256").update(bytes).digest("hex");

type CameraNotes = { capturedAt: string | null; offset: string | null; hasPlace: boolean };
const NO_NOTES: CameraNotes = { capturedAt: null, offset: null, hasPlace: false };

/** `YYYY:MM:DD HH:MM:SS` as the camera wrote it, to ISO 8601; null for the blanks and zeros of an unset clock. Exif 2.32 (CIPA DC-008). */
export function exifDate(written: unknown): string | null {
  const match = typeof written === "string" ? /^(\d{4}):(\d{2}):(\d{2}) (\d{2}):(\d{2}):(\d{2})/.exec(written) : null;
  if (!match) return null;
  const [, year, month, day, hour, minute, second] = match;
  const iso = `${year}-${month}-${day}T${hour}:${minute}:${second}`;
  const time = new Date(`${iso}Z`);
  return Number.isNaN(time.getTime()) || time.toISOString().slice(0, 19) !== iso ? null : iso;
}

/** The notes' TIFF block: some containers put a few bytes of their own before it. */
function tiffOf(exif: Buffer): Buffer {
  const at = [exif.indexOf("II*\0", 0, "latin1"), exif.indexOf("MM\0*", 0, "latin1")].filter((each) => each >= 0);
  return exif.subarray(Math.min(exif.length, ...at));
}

async function cameraNotes(exif: Buffer | undefined): Promise<CameraNotes> {
  if (!exif) return NO_NOTES;
  const tags = await exifr.parse(tiffOf(exif), { reviveValues: false, gps: true, xmp: false }).catch(() => null);
  if (!tags) return NO_NOTES;
  const offset = tags.OffsetTimeOriginal ?? tags.OffsetTimeDigitized ?? tags.OffsetTime;
  return {
    capturedAt: exifDate(tags.DateTimeOriginal) ?? exifDate(tags.CreateDate),
    offset: typeof offset === "string" && /^[+-]\d{2}:\d{2}$/.test(offset) ? offset : null,
    hasPlace: tags.GPSLatitude !== undefined || tags.latitude !== undefined,
  };
}

/**
 * Reads a picture as it was handed in: what kind it is by its bytes and not its name, its size the right way up, the
 * camera's date, versions for the screen without the camera's notes, and what is computed of it once.
 */
export async function readPicture(bytes: Buffer, name: string): Promise<ReadPicture> {
  if (bytes.length > MOST_BYTES) return { ok: false, reason: "too-large" };
  const header = await sharp(bytes, { limitInputPixels: false, pages: 1 })
    .metadata()
    .catch(() => null);
  const mime = header && kindOf(header);
  if (!header || !mime) return { ok: false, reason: looksLikePicture(bytes) ? "damaged" : "not-a-picture" };
  if (header.width * header.height > MOST_PIXELS) return { ok: false, reason: "too-many-pixels" };
  // A TIFF is its own notes; the others carry a block of them.
  const [read, notes, ownWords] = await Promise.all([
    versionsOf(bytes, mime).catch(() => null),
    cameraNotes(mime === "image/tiff" ? bytes : header.exif),
    ownWordsOf(bytes, header.exif && tiffOf(header.exif)),
  ]);
  if (!read) return { ok: false, reason: "damaged" };
  return {
    ok: true,
    photo: { sha256: hashOf(bytes), mime, bytes, name: name.slice(0, 200), ...read, ...notes, ownWords },
  };
}

/** The first bytes of the kinds of file that are taken in, to tell a damaged picture from something else. */
function looksLikePicture(bytes: Buffer): boolean {
  const start = bytes.subarray(0, 12).toString("latin1");
  return (
    start.startsWith("\xff\xd8\xff") ||
    start.startsWith("\x89PNG") ||
    start.startsWith("II*\0") ||
    start.startsWith("MM\0*") ||
    /^....ftyp(heic|heix|mif1|msf1|avif|avis)/s.test(start) ||
    (start.startsWith("RIFF") && start.endsWith("WEBP"))
  );
}

/** The size upright, the screen versions and the traits: the picture is decoded once, the rest comes from the largest version. */
async function versionsOf(
  bytes: Buffer,
  mime: PictureMime,
): Promise<Pick<NewPhoto, "width" | "height" | "versions" | "traits">> {
  const [largest, middle, least] = VERSION_SIDES;
  const opened = await openPicture(bytes, mime);
  const { autoOrient } = await opened.metadata();
  const shrunk = (input: Sharp, longSide: number) =>
    input.resize({ width: longSide, height: longSide, fit: "inside", withoutEnlargement: true });
  const webp = (input: Sharp, longSide: number) =>
    input.webp({ quality: longSide > 500 ? 82 : 76, effort: 2 }).toBuffer();
  const big = await shrunk(opened, largest)
    .flatten({ background: "#ffffff" })
    .toColourspace("srgb")
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { width, height, channels } = big.info;
  const raw = { raw: { width, height, channels } };
  const small = await shrunk(sharp(big.data, raw), middle).raw().toBuffer({ resolveWithObject: true });
  const smallRaw = { raw: { width: small.info.width, height: small.info.height, channels: small.info.channels } };
  const versions = await Promise.all([
    webp(sharp(big.data, raw), largest),
    webp(sharp(small.data, smallRaw), middle),
    webp(shrunk(sharp(small.data, smallRaw), least), least),
  ]);
  return {
    width: autoOrient.width ?? width,
    height: autoOrient.height ?? height,
    versions: versions.map((version, at) => ({ longSide: VERSION_SIDES[at] ?? least, bytes: version })),
    traits: traitsFrom(small.data, small.info),
  };
}

function traitsFrom(data: Buffer, { width, height, channels }: OutputInfo): Traits {
  const rgb = channels === 3 ? data : Buffer.from([...data].flatMap((value) => [value, value, value]));
  const raster = { width, height, rgb };
  return traitsOf(raster, coloursOf(raster));
}

/** What is computed of a picture, from one of its screen versions: for pictures that were kept before it was. */
export async function traitsOfVersion(webp: Buffer): Promise<Traits> {
  const { data, info } = await sharp(webp)
    .toColourspace("srgb")
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return traitsFrom(data, info);
}
