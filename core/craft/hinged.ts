import type { Placed } from "./craft.ts";
import { at } from "./lies.ts";
import { line } from "./polygon.ts";

/** The edges about which something lifts, in the order in which they are offered. */
export const EDGES = ["upper", "right", "lower", "left"] as const;
export type Edge = (typeof EDGES)[number];
export const edgeOf = (which: number): Edge => EDGES[which] ?? "upper";

/** How something w × h that lay at a place lies once it went over one of its edges: turned on its face, beyond that edge. */
export function overEdge(edge: Edge, w: number, h: number, x = 0, y = 0): Pick<Placed, "behind" | "turn" | "at"> {
  switch (edge) {
    case "upper":
      return { behind: true, turn: 2, at: at(x, y) };
    case "lower":
      return { behind: true, turn: 2, at: at(x, y + 2 * h) };
    case "left":
      return { behind: true, at: at(x, y) };
    case "right":
      return { behind: true, at: at(x + 2 * w, y) };
  }
}

/** The edge itself, as a line. */
export function edgeLine(edge: Edge, w: number, h: number, x = 0, y = 0) {
  switch (edge) {
    case "upper":
      return line(x, y, x + w, y);
    case "lower":
      return line(x, y + h, x + w, y + h);
    case "left":
      return line(x, y, x, y + h);
    case "right":
      return line(x + w, y, x + w, y + h);
  }
}
