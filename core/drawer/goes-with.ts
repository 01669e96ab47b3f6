import { colourName, contrastOf, differenceOf } from "../photo/colours.ts";

/** Two colours this near are one to whoever carries a colour over: below it a thing repeats a colour. ΔE00, common practice. */
export const REPEATS_BELOW = 12;
/** Lettering reads from here on (WCAG 2.2, 1.4.3). */
export const READS_FROM = 4.5;
const INKS = { dark: "#14181a", light: "#ffffff" } as const;

export type Swatch = { readonly colour: string; readonly name: string };
const swatch = (colour: string): Swatch => ({ colour, name: colourName(colour) });

/** A colour of a thing that is near one of a picture's, and how far apart they look. */
export type Near = { readonly of: Swatch; readonly on: Swatch; readonly difference: number };

export type GoesWith<T> = {
  readonly thing: T;
  readonly colours: readonly Swatch[];
  /** It repeats a colour of the page's own pictures; null where none is near enough. */
  readonly repeats: Near | null;
  /** It carries a colour over from the facing page that the page's own pictures do not have. */
  readonly carries: Near | null;
  /** The ink that reads better on most of it, and its contrast. */
  readonly ink: keyof typeof INKS;
  readonly contrast: number;
};

function nearest(of: readonly string[], on: readonly string[]): Near | null {
  const all = of.flatMap((one) => on.map((other) => ({ one, other, difference: differenceOf(one, other) })));
  const best = all.reduce<(typeof all)[number] | null>((a, b) => (a && a.difference <= b.difference ? a : b), null);
  if (!best || best.difference >= REPEATS_BELOW) return null;
  return { of: swatch(best.one), on: swatch(best.other), difference: best.difference };
}

/** The ink that reads better on a colour, and its contrast. */
function inkOn(colour: string): Pick<GoesWith<unknown>, "ink" | "contrast"> {
  const [dark, light] = [contrastOf(INKS.dark, colour), contrastOf(INKS.light, colour)];
  return dark >= light ? { ink: "dark", contrast: dark } : { ink: "light", contrast: light };
}

/**
 * What of the drawer goes with a page by colour: what repeats a colour of its pictures, and what carries one across from the
 * facing page. The nearest come first. Whether two colours please is left to the keeper. Colours are `#rrggbb`.
 */
export function goesWith<T extends { readonly colours: readonly string[] }>(
  own: readonly string[],
  facing: readonly string[],
  things: readonly T[],
): GoesWith<T>[] {
  const strange = facing.filter((colour) => nearest([colour], own) === null);
  const all = things.flatMap((thing): GoesWith<T>[] => {
    const [main] = thing.colours;
    if (main === undefined) return [];
    const [repeats, carries] = [nearest(thing.colours, own), nearest(thing.colours, strange)];
    return [{ thing, colours: thing.colours.map(swatch), repeats, carries, ...inkOn(main) }];
  });
  const far = ({ repeats, carries }: GoesWith<T>) =>
    Math.min(repeats?.difference ?? REPEATS_BELOW, carries?.difference ?? REPEATS_BELOW);
  return all.sort((a, b) => far(a) - far(b));
}
