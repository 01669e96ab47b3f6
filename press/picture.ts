import { createHash } from "node:crypto";
import exifr from "exifr";
import sharp from "sharp";
import type { NewPhoto, PictureMime } from "../store/photo.ts";

/** Limits on what is taken in. A picture over the pixel limit is refused from its header, before anything is decoded. */
export const MOST_BYTES = 40 * 1024 * 1024;
export const MOST_PIXELS = 120_000_000;
/** Long sides of the screen versions, in pixels; a picture smaller than one is never enlarged. */
export const VERSION_SIDES = [1600, 480, 96] as const;

export type PictureProblem = "not-a-picture" | "broken" | "too-large" | "too-many-pixels";
export type ReadPicture = { ok: true; photo: NewPhoto } | { ok: false; reason: PictureProblem };

const MIME: Record<string, PictureMime> = { jpeg: "image/jpeg", png: "image/png", webp: "image/webp" };

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

async function cameraNotes(exif: Buffer | undefined): Promise<CameraNotes> {
  if (!exif) return NO_NOTES;
  const tiff = exif.subarray(0, 4).toString("latin1") === "Exif" ? exif.subarray(6) : exif;
  const tags = await exifr.parse(tiff, { reviveValues: false, gps: true, xmp: false }).catch(() => null);
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
 * camera's date, and versions for the screen, upright and without the camera's notes.
 */
export async function readPicture(bytes: Buffer, name: string): Promise<ReadPicture> {
  if (bytes.length > MOST_BYTES) return { ok: false, reason: "too-large" };
  const header = await sharp(bytes, { limitInputPixels: false })
    .metadata()
    .catch(() => null);
  const mime = MIME[header?.format ?? ""];
  if (!header || !mime) return { ok: false, reason: looksLikePicture(bytes) ? "broken" : "not-a-picture" };
  if (header.width * header.height > MOST_PIXELS) return { ok: false, reason: "too-many-pixels" };
  const [width, height] = [header.autoOrient.width, header.autoOrient.height];
  try {
    const versions = await makeVersions(bytes);
    return {
      ok: true,
      photo: {
        sha256: hashOf(bytes),
        mime,
        bytes,
        name: name.slice(0, 200),
        width,
        height,
        versions,
        ...(await cameraNotes(header.exif)),
      },
    };
  } catch {
    return { ok: false, reason: "broken" };
  }
}

/** The first bytes of JPEG, PNG and RIFF files, to tell a damaged picture from something else. */
function looksLikePicture(bytes: Buffer): boolean {
  const start = bytes.subarray(0, 12).toString("latin1");
  return (
    start.startsWith("\xff\xd8\xff") ||
    start.startsWith("\x89PNG") ||
    (start.startsWith("RIFF") && start.endsWith("WEBP"))
  );
}

async function makeVersions(bytes: Buffer): Promise<NewPhoto["versions"]> {
  const [largest, ...smaller] = VERSION_SIDES;
  const shrink = (input: Buffer, longSide: number) =>
    sharp(input, { limitInputPixels: MOST_PIXELS, failOn: "error" })
      .autoOrient()
      .resize({ width: longSide, height: longSide, fit: "inside", withoutEnlargement: true })
      .toColourspace("srgb")
      .webp({ quality: longSide > 500 ? 82 : 76, effort: 2 })
      .toBuffer();
  const big = await shrink(bytes, largest);
  const rest = await Promise.all(smaller.map(async (longSide) => ({ longSide, bytes: await shrink(big, longSide) })));
  return [{ longSide: largest, bytes: big }, ...rest];
}
