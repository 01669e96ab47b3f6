import { crc32 } from "node:zlib";
import type { PictureMime } from "../store/photo.ts";

/**
 * Takes the place out of a picture file without touching a pixel: the position block of its Exif notes is blanked where
 * it stands, and blocks of free-form notes (XMP, IPTC), which may name the place again, are dropped. Date, orientation
 * and everything else stay. Segment layouts: JPEG (ITU-T T.81), PNG (ISO/IEC 15948), RIFF/WebP; tags: Exif 2.32.
 */
export function withoutPlace(bytes: Buffer, mime: PictureMime): Buffer {
  switch (mime) {
    case "image/jpeg":
      return cleanJpeg(bytes);
    case "image/png":
      return cleanPng(bytes);
    case "image/webp":
      return cleanWebp(bytes);
    case "image/tiff":
      return cleanTiff(bytes);
    case "image/avif":
    case "image/heic":
      return cleanBoxes(bytes);
  }
}

const GPS_POINTER = 0x8825;
/** Tags of a TIFF that hold free-form notes: XMP and IPTC. */
const NOTE_TAGS = new Set([0x02bc, 0x83bb]);
const VALUE_BYTES: Record<number, number> = { 1: 1, 2: 1, 3: 2, 4: 4, 5: 8, 7: 1, 9: 4, 10: 8 };

/** A copy of a TIFF block whose position directory is empty, its values overwritten with zeros. */
function blankPosition(block: Buffer): Buffer {
  const tiff = Buffer.from(block);
  const little = tiff.subarray(0, 2).toString("latin1") === "II";
  const u16 = (at: number) => (little ? tiff.readUInt16LE(at) : tiff.readUInt16BE(at));
  const u32 = (at: number) => (little ? tiff.readUInt32LE(at) : tiff.readUInt32BE(at));
  const entries = (directory: number) =>
    Array.from({ length: u16(directory) }, (_, index) => directory + 2 + index * 12);
  try {
    for (const entry of entries(u32(4))) {
      if (NOTE_TAGS.has(u16(entry))) {
        const size = (VALUE_BYTES[u16(entry + 2)] ?? 1) * u32(entry + 4);
        if (size > 4) tiff.fill(0, u32(entry + 8), Math.min(tiff.length, u32(entry + 8) + size));
      }
      if (u16(entry) !== GPS_POINTER) continue;
      const position = u32(entry + 8);
      const positionEntries = entries(position);
      for (const at of positionEntries) {
        const size = (VALUE_BYTES[u16(at + 2)] ?? 1) * u32(at + 4);
        if (size > 4) tiff.fill(0, u32(at + 8), Math.min(tiff.length, u32(at + 8) + size));
      }
      tiff.fill(0, position, position + 2 + positionEntries.length * 12);
    }
    return tiff;
  } catch (error) {
    // Notes that point outside their own block cannot be trusted to hold no place: none of them is handed on.
    if (error instanceof RangeError) return Buffer.alloc(0);
    throw error;
  }
}

const EXIF_HEAD = Buffer.from("Exif\0\0", "latin1");
const NO_OFFSET = Buffer.alloc(4);

function cleanJpeg(bytes: Buffer): Buffer {
  const parts = [bytes.subarray(0, 2)];
  let at = 2;
  while (at + 4 <= bytes.length && bytes[at] === 0xff) {
    const marker = bytes[at + 1] ?? 0;
    if (marker === 0xda) break;
    const end = at + 2 + bytes.readUInt16BE(at + 2);
    const segment = bytes.subarray(at, end);
    const body = segment.subarray(4);
    if (marker === 0xe1 && body.subarray(0, 6).equals(EXIF_HEAD)) {
      const tiff = blankPosition(body.subarray(6));
      if (tiff.length > 0) parts.push(segment.subarray(0, 4), EXIF_HEAD, tiff);
    } else if (marker !== 0xe1 && marker !== 0xed) {
      parts.push(segment);
    }
    at = end;
  }
  return Buffer.concat([...parts, bytes.subarray(at)]);
}

function cleanPng(bytes: Buffer): Buffer {
  const parts = [bytes.subarray(0, 8)];
  for (let at = 8; at + 12 <= bytes.length; ) {
    const length = bytes.readUInt32BE(at);
    const chunk = bytes.subarray(at, at + 12 + length);
    const type = chunk.subarray(4, 8).toString("latin1");
    if (type === "eXIf") {
      const body = Buffer.concat([chunk.subarray(4, 8), blankPosition(chunk.subarray(8, 8 + length))]);
      const [head, check] = [Buffer.alloc(4), Buffer.alloc(4)];
      head.writeUInt32BE(body.length - 4);
      check.writeUInt32BE(crc32(body));
      if (body.length > 4) parts.push(head, body, check);
    } else if (type !== "iTXt" && type !== "tEXt" && type !== "zTXt") {
      parts.push(chunk);
    }
    at += 12 + length;
  }
  return Buffer.concat(parts);
}

function cleanWebp(bytes: Buffer): Buffer {
  const parts: Buffer[] = [];
  for (let at = 12; at + 8 <= bytes.length; ) {
    const length = bytes.readUInt32LE(at + 4);
    const chunk = bytes.subarray(at, at + 8 + length + (length % 2));
    const type = chunk.subarray(0, 4).toString("latin1");
    if (type === "EXIF") {
      const body = chunk.subarray(8, 8 + length);
      const skip = body.subarray(0, 6).equals(EXIF_HEAD) ? 6 : 0;
      const tiff = blankPosition(body.subarray(skip));
      parts.push(
        chunk.subarray(0, 8 + skip),
        tiff.length > 0 ? tiff : Buffer.alloc(length - skip),
        chunk.subarray(8 + length),
      );
    } else if (type === "XMP ") {
      parts.push(chunk.subarray(0, 8), Buffer.alloc(chunk.length - 8, " "));
    } else {
      parts.push(chunk);
    }
    at += chunk.length || bytes.length;
  }
  return Buffer.concat([bytes.subarray(0, 12), ...parts]);
}

/** A TIFF is a block of notes with the picture in it: the same places are blanked, the rest stays where it is. */
function cleanTiff(bytes: Buffer): Buffer {
  const clean = blankPosition(bytes);
  return clean.length > 0 ? clean : bytes;
}

/**
 * HEIC and AVIF keep their notes somewhere in the file, found by how they begin. They are blanked in place, so that every
 * offset in the file stays true (ISO/IEC 14496-12).
 */
function cleanBoxes(bytes: Buffer): Buffer {
  const out = Buffer.from(bytes);
  for (const order of ["II*\0", "MM\0*"]) {
    for (let at = out.indexOf(order, 0, "latin1"); at >= 0; at = out.indexOf(order, at + 1, "latin1")) {
      // Before the notes stands how far off they begin: nothing, or over the six bytes of their old head.
      const isNotes =
        out.subarray(Math.max(0, at - 6), at).equals(EXIF_HEAD) ||
        out.subarray(Math.max(0, at - 4), at).equals(NO_OFFSET);
      if (!isNotes) continue;
      // Offsets inside the notes count from their own start; what follows them in the file is copied over unchanged.
      const clean = blankPosition(out.subarray(at));
      if (clean.length > 0) clean.copy(out, at);
      else out.fill(0, at, at + 8);
    }
  }
  for (let at = out.indexOf("<x:xmpmeta"); at >= 0; at = out.indexOf("<x:xmpmeta", at + 1)) {
    const end = out.indexOf("</x:xmpmeta>", at);
    out.fill(" ", at, end < 0 ? out.length : end + "</x:xmpmeta>".length);
  }
  return out;
}
