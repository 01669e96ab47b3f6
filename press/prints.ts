import sharp from "sharp";
import { type Mark, type PictureMark, picturesOf, preprintsOf } from "../core/draw/marks.ts";
import { sizeOf } from "../core/measure/rect.ts";
import type { PictureMime } from "../store/photo.ts";
import { openPicture } from "./decode.ts";
import { developed, type Fineness, TO_PRINT } from "./develop.ts";
import { laidStraight } from "./straight.ts";

/** Gives a photo's bytes as they were added, or null when there are none. */
export type PhotoBytes = (photoId: string) => Promise<{ bytes: Buffer; mime: PictureMime } | null>;

/** Developed prints by what each is of and how it is cut out. */
export type Prints = ReadonlyMap<string, Buffer>;
export const printKey = ({ photoId, at, crop, picture }: PictureMark) =>
  `${photoId} ${at.w} ${at.h} ${JSON.stringify(crop)} ${JSON.stringify(picture)}`;

/** Every print on a sheet at its own size, one after the other so that memory stays small. */
export async function printsOf(
  marks: readonly Mark[],
  bytesOf: PhotoBytes,
  fineness: Fineness = TO_PRINT,
): Promise<Prints> {
  const prints = new Map<string, Buffer>();
  for (const mark of picturesOf(marks)) {
    if (prints.has(printKey(mark))) continue;
    const found = await bytesOf(mark.photoId);
    const given = { print: sizeOf(mark.at), crop: mark.crop, facts: mark.picture };
    if (found) prints.set(printKey(mark), await developed(found.bytes, found.mime, given, fineness));
  }
  return prints;
}

/** What is printed on cards already, laid straight: by its mark, for a document that is looked at. */
export async function straightOf(marks: readonly Mark[], bytesOf: PhotoBytes): Promise<ReadonlyMap<Mark, Buffer>> {
  const found = new Map<Mark, Buffer>();
  for (const mark of preprintsOf(marks)) {
    const { photoId, corners } = mark.preprint;
    const card = await bytesOf(photoId);
    if (!card) continue;
    const picture = await (await openPicture(card.bytes, card.mime)).png({ compressionLevel: 1 }).toBuffer();
    const straight = await laidStraight(picture, corners, mark.at.h / mark.at.w);
    found.set(mark, await sharp(straight).jpeg({ quality: 88 }).toBuffer());
  }
  return found;
}
