import type { Readable } from "node:stream";
import Papa from "papaparse";
import type { PhotoUse } from "../core/album/model.ts";
import { toMillimetres } from "../core/measure/length.ts";
import { printFile } from "./develop.ts";
import type { PhotoBytes } from "./document.ts";
import { type PackedFile, writeZip } from "./zip.ts";

/** One print of an order: what it is of and which day it is for. */
export type OrderedPrint = {
  readonly use: Pick<PhotoUse, "photoId" | "print" | "crop" | "picture">;
  readonly day: string;
};

export const ORDER_LIST = "order.csv";
const HEAD = ["file", "copies", "width_mm", "height_mm", "day"];

/** A file name that sorts in order and says the size: `007-152.4x101.6.jpg`, in millimetres. */
const fileName = ({ use: { print } }: OrderedPrint, at: number): string =>
  `${String(at + 1).padStart(3, "0")}-${toMillimetres(print.w)}x${toMillimetres(print.h)}.jpg`;

/**
 * Streams an order for a photo lab: every print as a JPEG of its own size at 300 pixels an inch, made when it is its turn,
 * and a list of them as CSV (RFC 4180).
 */
export function packOrder(prints: readonly OrderedPrint[], bytesOf: PhotoBytes, writtenAt: Date): Readable {
  const rows = prints.map((each, at) => [
    fileName(each, at),
    1,
    toMillimetres(each.use.print.w),
    toMillimetres(each.use.print.h),
    each.day,
  ]);
  const list: PackedFile = {
    name: ORDER_LIST,
    packed: true,
    bytes: async () => Buffer.from(`${Papa.unparse([HEAD, ...rows], { escapeFormulae: true })}\r\n`),
  };
  const files = prints.map(
    (each, at): PackedFile => ({
      name: fileName(each, at),
      packed: false,
      bytes: async () => {
        const found = await bytesOf(each.use.photoId);
        if (!found) throw new Error("a photo in use has no bytes");
        const { print, crop, picture } = each.use;
        return printFile(found.bytes, found.mime, { print, crop, facts: picture });
      },
    }),
  );
  return writeZip([list, ...files], writtenAt);
}
