import { inches, ticks } from "../measure/length.ts";
import type { Size } from "../measure/size.ts";
import type { PrintCrop } from "./crop.ts";
import { roomsOf, type Together } from "./together.ts";

/** The least that one repetition may be, either way. */
export const LEAST_REPEAT = inches(1 / 4);

/** A print of a pattern, and how large one repetition of it is; null where its picture fills the print once. */
type Repeated = { readonly print: Size; readonly repeat: Size | null };
type Printed = Repeated & { readonly crop: PrintCrop; readonly together: Together | null };

/** How large a print's first picture is made: as the print, as one repetition of the pattern, or as its part of the print. */
export function pictureSizeOf({ print, repeat, crop, together }: Printed): Size {
  const [room] = together ? roomsOf(print, crop, together) : [];
  return room ? { w: room.w, h: room.h } : (repeat ?? print);
}

/** The crop it is made with: a pattern has no white border within it, and of a shared print the border is round them all. */
export const pictureCropOf = ({ crop, repeat, together }: Printed): PrintCrop =>
  repeat || together ? { ...crop, border: ticks(0) } : crop;

/** How many repetitions a print takes across and down, those that are cut off counted. */
export function repeatsOf({ print, repeat }: Repeated): { across: number; down: number } {
  const { w, h } = repeat ?? print;
  return { across: Math.ceil(print.w / w), down: Math.ceil(print.h / h) };
}
