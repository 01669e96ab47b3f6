import type { Readable } from "node:stream";
import sharp from "sharp";
import type { Document } from "../core/document/document.ts";
import { toMillimetres } from "../core/measure/length.ts";
import type { TrueSheet } from "../core/sheet/true-size.ts";
import { pixelsOf, TO_LOOK_AT } from "./develop.ts";
import type { Writing } from "./document.ts";
import { outlined } from "./outlines.ts";
import { type PhotoBytes, printKey, printsOf, straightOf } from "./prints.ts";
import { inside } from "./softened.ts";
import { writeZip } from "./zip.ts";

/** A page at true size as a JPEG, at 150 pixels to the inch. */
export async function pagePicture({ marks, paper }: TrueSheet, bytesOf: PhotoBytes): Promise<Buffer> {
  const prints = await printsOf(marks, bytesOf, TO_LOOK_AT);
  const href = inside((mark) => prints.get(printKey(mark)), await straightOf(marks, bytesOf));
  const box = `0 0 ${toMillimetres(paper.w)} ${toMillimetres(paper.h)}`;
  const [wide, high] = [paper.w, paper.h].map((length) => pixelsOf(length, TO_LOOK_AT.perInch));
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${wide}" height="${high}" viewBox="${box}">${outlined(marks, href)}</svg>`;
  const drawn = sharp(Buffer.from(svg), { unlimited: true });
  return drawn.flatten({ background: "#ffffff" }).jpeg({ quality: 88 }).toBuffer();
}

/** A document as a ZIP of pictures, one a page in its order: each is drawn when its turn comes. */
export function zipOfPictures(
  { pages }: Document,
  bytesOf: PhotoBytes,
  writtenAt: Date,
  { progress, signal }: Writing = {},
): Readable {
  const digits = String(pages.length).length;
  const files = pages.map((page, at) => ({
    name: `opening-${String(at + 1).padStart(digits, "0")}.jpg`,
    packed: false,
    bytes: async () => {
      signal?.throwIfAborted();
      const picture = await pagePicture(page, bytesOf);
      progress?.(at + 1, pages.length);
      return picture;
    },
  }));
  return writeZip(files, writtenAt);
}
