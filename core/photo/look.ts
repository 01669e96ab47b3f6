/** How a picture is shown and printed: always reversible, the picture itself stays as it was added. */
export type Look = {
  readonly blackAndWhite: boolean;
  /** Turned clockwise by so many tenths of a degree, the corners cut off. */
  readonly straighten: number;
  /** Lighter or darker, −50 to 50 hundredths of the whole range. */
  readonly light: number;
  /** Harder or softer about middle grey, −50 to 50 per cent. */
  readonly contrast: number;
};
export const NO_LOOK: Look = { blackAndWhite: false, straighten: 0, light: 0, contrast: 0 };
export const MOST_STRAIGHTEN = 150;
export const MOST_CHANGE = 50;

export const isPlain = (look: Look): boolean =>
  !look.blackAndWhite && look.straighten === 0 && look.light === 0 && look.contrast === 0;

/** A look as the tail of an address: `plain`, or what differs from it, `b1s-12l10c0`. The same look, the same word. */
export const lookKey = (look: Look): string =>
  isPlain(look) ? "plain" : `b${look.blackAndWhite ? 1 : 0}s${look.straighten}l${look.light}c${look.contrast}`;

const KEY = /^b([01])s(-?\d{1,3})l(-?\d{1,2})c(-?\d{1,2})$/;

/** The look that a word says, or null when it is none. */
export function readLook(key: string): Look | null {
  if (key === "plain") return NO_LOOK;
  const [, bw, straighten, light, contrast] = KEY.exec(key) ?? [];
  const look = {
    blackAndWhite: bw === "1",
    straighten: Number(straighten),
    light: Number(light),
    contrast: Number(contrast),
  };
  const inRange =
    Math.abs(look.straighten) <= MOST_STRAIGHTEN &&
    Math.abs(look.light) <= MOST_CHANGE &&
    Math.abs(look.contrast) <= MOST_CHANGE;
  return bw !== undefined && inRange ? look : null;
}

/**
 * What light and contrast do to a value of 0 to 255: `scale · value + shift`. Contrast turns about middle grey, so that
 * light alone makes a picture lighter.
 */
export function toneOf({ light, contrast }: Look): { scale: number; shift: number } {
  const scale = 1 + contrast / 100;
  return { scale, shift: 127.5 * (1 - scale) + light * 2.55 };
}

/** A picture's pixels, the right way up. */
export type Pixels = { readonly width: number; readonly height: number };

/**
 * What is left of a picture when it is straightened: the largest rectangle of its own proportion that lies inside it
 * turned. For a turn by θ its sides are 1 / (cos θ + p · sin θ) of the picture's, p being its longer side over the shorter.
 */
export function straightened({ width, height }: Pixels, tenths: number): Pixels {
  if (tenths === 0) return { width, height };
  const angle = (Math.abs(tenths) / 10) * (Math.PI / 180);
  const proportion = Math.max(width / height, height / width);
  const share = 1 / (Math.cos(angle) + proportion * Math.sin(angle));
  return { width: Math.max(1, Math.floor(width * share)), height: Math.max(1, Math.floor(height * share)) };
}
