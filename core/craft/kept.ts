import type { Built } from "../album/leaf.ts";
import type { MaterialId } from "../material/material.ts";

/** What is set of a construction, kept under a name to begin others from. */
export type KeptMaking = Pick<Built, "kind" | "lengths" | "counts" | "own"> & {
  readonly name: string;
  readonly paper: MaterialId;
};
