import exifr from "exifr";
import { LIMITS } from "../core/limits.ts";
import { clean } from "../core/words/clean.ts";

/** What a camera writes by itself where a person could have written something. */
const OF_THE_CAMERA = /^[\w .-]*(digital camera|\bdsc|screenshot|camera)\s*$/i;

/** Text that a note of a picture holds: as it is, in one of several tongues, or as the bytes of a comment with its alphabet before it. */
function textOf(note: unknown): string {
  if (typeof note === "string") return note;
  if (note instanceof Uint8Array) {
    // Exif 2.32 (CIPA DC-008): eight bytes name the alphabet of a user comment.
    const alphabet = Buffer.from(note.subarray(0, 8)).toString("latin1");
    const rest = Buffer.from(note.subarray(8));
    return alphabet.startsWith("UNICODE") ? rest.toString("utf16le") : rest.toString("utf8");
  }
  if (Array.isArray(note)) return textOf(note[0]);
  return typeof note === "object" && note !== null && "value" in note ? textOf(note.value) : "";
}

/**
 * The words that somebody wrote into a picture's own description, on a phone for instance: its Exif description or comment,
 * its IPTC caption (IIM 2:120) or its XMP description (Dublin Core). Empty where nobody did, or only the camera.
 */
export async function ownWordsOf(bytes: Buffer, exif: Buffer | undefined): Promise<string> {
  const asked = { tiff: true, xmp: true, iptc: true, gps: false, userComment: true, reviveValues: false };
  const tags =
    (await exifr.parse(bytes, asked).catch(() => null)) ??
    (exif ? await exifr.parse(exif, asked).catch(() => null) : null);
  if (!tags) return "";
  const notes = [tags.description, tags.Caption, tags.ImageDescription, tags.userComment];
  const words = notes
    .map((note) => clean(textOf(note)).trim())
    .find((text) => text !== "" && !OF_THE_CAMERA.test(text));
  return (words ?? "").slice(0, LIMITS.ownWords.most);
}
