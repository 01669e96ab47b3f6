import { MATERIALS, type MaterialId } from "./material.ts";

/** What is to come of two things that are stuck together. */
export const PURPOSES = ["flat", "lifts", "slides", "seen-through", "exact"] as const;
export type Purpose = (typeof PURPOSES)[number];

/** Pieces of advice, the first the one to follow; each is said in `app/wording`. Common practice. */
export type Advice =
  | "strong-tape"
  | "little-wet-glue"
  | "tape-runner"
  | "under-what-hides-it"
  | "whole-sheet-or-hidden"
  | "edges-only"
  | "no-wet-medium"
  | "no-heat"
  | "something-under-washi"
  | "repositionable-first";

/** Too heavy or too springy for a thin line of glue. */
const HEAVY: readonly MaterialId[] = [
  ...(["felt", "chipboard", "wood-veneer", "acrylic", "metal", "shaker", "puffy-sticker"] as const),
];

/**
 * With what one thing is stuck to another, and where not: one line for the two materials and the purpose, then what else
 * there is to mind. Common practice of these albums.
 */
export function adhesiveFor(one: MaterialId, other: MaterialId, purpose: Purpose): readonly Advice[] {
  const both = [one, other];
  const is = (...some: readonly MaterialId[]) => both.some((each) => some.includes(each));
  const seen = both.map((each) => MATERIALS[each].seen);
  const minds = both.flatMap((each): readonly string[] => MATERIALS[each].minds);
  const first: Advice =
    purpose === "slides"
      ? "edges-only"
      : is("vellum")
        ? "whole-sheet-or-hidden"
        : seen.includes("clear") || purpose === "seen-through"
          ? "under-what-hides-it"
          : purpose === "lifts" || is(...HEAVY)
            ? "strong-tape"
            : purpose === "exact" && !minds.includes("wet")
              ? "little-wet-glue"
              : "tape-runner";
  const rest: Advice[] = [
    ...(purpose === "exact" && first !== "little-wet-glue" ? (["repositionable-first"] as const) : []),
    ...(minds.includes("wet") ? (["no-wet-medium"] as const) : []),
    ...(minds.includes("heat") ? (["no-heat"] as const) : []),
    ...(is("washi", "felt") && first !== "strong-tape" ? (["something-under-washi"] as const) : []),
  ];
  return [first, ...rest];
}
