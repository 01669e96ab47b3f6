import { inches, ticks } from "../measure/length.ts";
import type { Size } from "../measure/size.ts";
import type { PrintCrop } from "./crop.ts";

/** The least that one repetition may be, either way. */
export const LEAST_REPEAT = inches(1 / 4);

/** A print of a pattern, and how large one repetition of it is; null where its picture fills the print once. */
type Repeated = { readonly print: Size; readonly repeat: Size | null };

/** How large a print's picture is made: as the print, or as one repetition of the pattern. */
export const pictureSizeOf = ({ print, repeat }: Repeated): Size => repeat ?? print;

/** The crop a print's picture is made with: a pattern has no white border within it. */
export const pictureCropOf = ({ crop, repeat }: { crop: PrintCrop; repeat: Size | null }): PrintCrop =>
  repeat ? { ...crop, border: ticks(0) } : crop;

/** How many repetitions a print takes across and down, those that are cut off counted. */
export function repeatsOf(use: Repeated): { across: number; down: number } {
  const { w, h } = pictureSizeOf(use);
  return { across: Math.ceil(use.print.w / w), down: Math.ceil(use.print.h / h) };
}
