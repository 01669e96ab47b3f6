import type { HeldBy, Said } from "./blueprint.ts";

/** Cautions by the step at which they are shown; each is said in `app/wording`. */
export const CAUTIONS = ["blade", "stapler", "eyelet", "small-parts", "sewing", "heat", "photo-safe"] as const;
export type Caution = (typeof CAUTIONS)[number];

/** One thing to do at the table. Names in braces are lengths, said as a ruler has them. */
export type MakingStep = Said & {
  readonly act: "cut" | "score" | "fold" | "glue" | "fasten" | "punch" | "fill" | "check";
  /** The part that is worked on, drawn beside it. */
  readonly part?: string;
  readonly held?: HeldBy;
  readonly caution?: Caution;
  readonly minutes: number;
  /** Minutes under a weight before it goes on. */
  readonly dries?: number;
};
