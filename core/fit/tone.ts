import type { Fit } from "./fit.ts";

/** Whether a crafter has to do something about it: nothing, look, or act before cutting. */
export type Tone = "good" | "look" | "act";

export const TONE_OF: Record<Fit["kind"], Tone> = {
  fits: "good",
  lies: "good",
  carried: "good",
  stands: "good",
  snug: "look",
  overhangs: "look",
  wanders: "look",
  turn: "act",
  trim: "act",
  split: "act",
  beside: "look",
};
