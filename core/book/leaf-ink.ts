import type { Ink } from "../material/ink.ts";
import type { LeafBuild } from "./read.ts";

/** What colour a leaf's base is as long as no picture of its paper is known; film and vellum said to be of something opaque are as paper. */
export function leafInk({ kind, insert }: Pick<LeafBuild, "kind" | "insert">): Ink {
  if (insert === "scrap" || insert === "packaging") return "kraft";
  return (kind === "pocket" || kind === "paper") && insert === null ? "base" : "paper";
}

/** How much of what lies behind vellum its own paper hides, 0 to 1. From memory. */
export const VELLUM_HIDES = 0.6;
