import type { Readable } from "node:stream";
import Papa from "papaparse";
import type { PhotoUse } from "../core/album/model.ts";
import type { ShownUse } from "../core/draw/print.ts";
import { toMillimetres } from "../core/measure/length.ts";
import { type OnLabPaper, stretchAtLab } from "../core/sheet/lab.ts";
import type { Stretch } from "../core/sheet/paper.ts";
import type { LabRecord } from "../core/sheet/printer.ts";
import { labPrint } from "./lab-print.ts";
import type { PhotoBytes } from "./prints.ts";
import { type PackedFile, writeZip } from "./zip.ts";

/** One print of an order: what it is of, the paper it comes on, what the lab makes of a file, and which day it is for. */
export type OrderedPrint = {
  readonly use: ShownUse;
  readonly on: OnLabPaper;
  readonly stretch: Stretch;
  readonly day: string;
};

/** A print as it is ordered from a lab. */
export const orderedPrint = (use: PhotoUse, day: string, on: OnLabPaper, lab: LabRecord): OrderedPrint => ({
  ...{ use, day, on },
  stretch: stretchAtLab(lab, on, use.crop),
});

export const ORDER_LIST = "order.csv";
const HEAD = ["file", "copies", "width_mm", "height_mm", "day"];

/** A file name that sorts in order and says the paper: `007-152.4x101.6.jpg`, in millimetres. */
const fileName = ({ on: { paper } }: OrderedPrint, at: number): string =>
  `${String(at + 1).padStart(3, "0")}-${toMillimetres(paper.w)}x${toMillimetres(paper.h)}.jpg`;

/**
 * Streams an order for a photo lab: every print as a JPEG of its paper's size at 300 pixels an inch, made when it is its turn,
 * and a list of them as CSV (RFC 4180).
 */
export function packOrder(prints: readonly OrderedPrint[], bytesOf: PhotoBytes, writtenAt: Date): Readable {
  const rows = prints.map((each, at) => [
    fileName(each, at),
    1,
    toMillimetres(each.on.paper.w),
    toMillimetres(each.on.paper.h),
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
      bytes: () => labPrint(each.use, each.on, each.stretch, bytesOf),
    }),
  );
  return writeZip([list, ...files], writtenAt);
}
