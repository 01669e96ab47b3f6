import { converter, differenceCiede2000, formatHex, type Lab, wcagContrast } from "culori";
import { type Look, toneOf } from "./look.ts";
import type { Raster } from "./traits.ts";

const toLab = converter("lab65");
const toRgb = converter("rgb");
const difference = differenceCiede2000();

type Colour = { readonly l: number; readonly a: number; readonly b: number };

/** How different two colours look, ΔE00 of CIE Lab values (Sharma, Wu & Dalal 2005). About 2 is just seen, above 10 is another colour. */
export const colourDifference = (one: Colour, other: Colour): number =>
  difference({ mode: "lab65", ...one }, { mode: "lab65", ...other });

/** The same of two colours as `#rrggbb`. */
export function differenceOf(one: string, other: string): number {
  const [a, b] = [toLab(one), toLab(other)];
  if (!a || !b) throw new RangeError("no colour");
  return difference(a, b);
}

/** Contrast of two colours by their relative luminance, 1 to 21 (WCAG 2.2). */
export const contrastOf = (one: string, other: string): number => wcagContrast(one, other);

const MOST_COLOURS = 6;
/** Colours nearer than this are one to whoever picks a card to go with them. */
const ONE_COLOUR = 12;

/**
 * The few colours a picture is made of, the most of it first: pixels gathered in a coarse grid of Lab space, then the
 * fullest places that differ enough from those before. Black and white pictures give greys.
 */
export function coloursOf({ width, height, rgb }: Raster): string[] {
  const bins = new Map<string, { l: number; a: number; b: number; count: number }>();
  const step = Math.max(1, Math.floor(Math.sqrt((width * height) / 2500)));
  for (let y = 0; y < height; y += step) {
    for (let x = 0; x < width; x += step) {
      const at = (y * width + x) * 3;
      const [r, g, b] = [rgb[at] ?? 0, rgb[at + 1] ?? 0, rgb[at + 2] ?? 0];
      const lab = toLab({ mode: "rgb", r: r / 255, g: g / 255, b: b / 255 });
      const key = `${Math.round(lab.l / 12)} ${Math.round(lab.a / 14)} ${Math.round(lab.b / 14)}`;
      const bin = bins.get(key) ?? { l: 0, a: 0, b: 0, count: 0 };
      bins.set(key, { l: bin.l + lab.l, a: bin.a + lab.a, b: bin.b + lab.b, count: bin.count + 1 });
    }
  }
  const places = [...bins.values()]
    .map(({ l, a, b, count }): Lab & { count: number } & Colour => ({
      mode: "lab",
      l: l / count,
      a: a / count,
      b: b / count,
      count,
    }))
    .sort((one, other) => other.count - one.count);
  return apart(places);
}

/** The first of some colours that differ enough from those before them, as `#rrggbb`. */
function apart(colours: readonly Colour[]): string[] {
  const chosen: Colour[] = [];
  for (const colour of colours) {
    if (chosen.length >= MOST_COLOURS) break;
    if (chosen.every((each) => colourDifference(each, colour) >= ONE_COLOUR)) chosen.push(colour);
  }
  return chosen.map(({ l, a, b }) => formatHex({ mode: "lab65", l, a, b }) ?? "#000000");
}

/** A picture's colours as they come out with its look: turned to greys of the same lightness first, then lit and contrasted. */
export function coloursAsLooked(colours: readonly string[], look: Look): string[] {
  if (look.light === 0 && look.contrast === 0 && !look.blackAndWhite) return [...colours];
  const { scale, shift } = toneOf(look);
  const lit = (share: number) => Math.min(1, Math.max(0, share * scale + shift / 255));
  return apart(
    colours.map((colour) => {
      const shown = look.blackAndWhite ? { mode: "lab65" as const, l: toLab(colour)?.l ?? 0, a: 0, b: 0 } : colour;
      const { r, g, b } = toRgb(shown) ?? { r: 0, g: 0, b: 0 };
      return toLab({ mode: "rgb", r: lit(r), g: lit(g), b: lit(b) });
    }),
  );
}

/** Where each hue ends, in degrees round the Lab plane, and what it is called from there on down. From memory. */
const HUES: readonly (readonly [to: number, name: string])[] = [
  [18, "pink"],
  [52, "red"],
  [82, "orange"],
  [112, "yellow"],
  [168, "green"],
  [225, "teal"],
  [310, "blue"],
  [340, "purple"],
  [360, "pink"],
];
/** Less colour than this is grey to the eye. */
const GREY = 9;

/** What somebody would call a colour who has it before them: `dark blue`, `brown`, `light grey`. */
export function colourName(colour: string): string {
  const { l, a, b } = toLab(colour) ?? { l: 0, a: 0, b: 0 };
  const shade = l < 38 ? "dark " : l > 78 ? "light " : "";
  if (Math.hypot(a, b) < GREY) return l < 14 ? "black" : l > 93 ? "white" : `${shade}grey`;
  const turn = (Math.atan2(b, a) * 180) / Math.PI;
  const hue = HUES.find(([to]) => (turn + 360) % 360 < to)?.[1] ?? "pink";
  if (hue === "orange" && l < 55) return `${shade}brown`;
  if (hue === "yellow") return l < 60 ? `${shade}olive` : l > 90 && Math.hypot(a, b) < 35 ? "cream" : "yellow";
  if (hue === "pink" && l < 45) return `${shade}red`;
  if (hue === "red" && l > 68) return "pink";
  return `${shade}${hue}`;
}
