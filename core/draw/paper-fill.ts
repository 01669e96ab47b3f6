import type { Face } from "../album/leaf.ts";
import type { Ink } from "../material/ink.ts";
import { MATERIALS, type MaterialId } from "../material/material.ts";

/** What a piece of paper is filled with, by its material and the face that is up; what lies under film is seen. */
export function paperFill(of: MaterialId, face: Face): { readonly fill: Ink; readonly solid?: number } {
  const { seen } = MATERIALS[of];
  if (seen === "clear") return { fill: "film", solid: 0.45 };
  if (seen === "translucent") return { fill: "paper", solid: 0.6 };
  return { fill: face === "front" ? "base" : "paper" };
}
