import { type Spot, WHOLE } from "./crop.ts";

/** A small version's pixels, three bytes each, row by row. */
export type Raster = { readonly width: number; readonly height: number; readonly rgb: Uint8Array };

/** How many cells a picture's map of tones has each way. */
export const CELLS = 24;

/**
 * What is computed once of every picture: a fingerprint for near-doubles, how sharp it is, the point to keep, and a map
 * of how light and how busy each part is.
 */
export type Traits = {
  /** 64 bits as sixteen hexadecimal digits, and after them a digit for each of `PLACES` × `PLACES` places, 7 for nothing. */
  readonly fingerprint: string;
  /** Mean square of the second derivative of light, larger when sharper; only to be compared between like pictures. */
  readonly sharpness: number;
  readonly focus: Spot;
  /** `CELLS` × `CELLS` cells: light 0 to 255, as a grey picture would have it. */
  readonly light: readonly number[];
  /** The grey of each cell, 0 to 255, that has its colours' relative luminance: lettering on it has the same contrast. */
  readonly tone: readonly number[];
  /** And the standard deviation of light inside each cell, 0 to 127. */
  readonly busy: readonly number[];
  /** The picture's few colours, the most of it first, as `#rrggbb`. */
  readonly colours: readonly string[];
};

/** Luma of a pixel: the weights of ITU-R BT.601, as grey pictures are made. */
const grey = (rgb: Uint8Array, at: number): number =>
  0.299 * (rgb[at] as number) + 0.587 * (rgb[at + 1] as number) + 0.114 * (rgb[at + 2] as number);

export function greyOf({ width, height, rgb }: Raster): Float32Array {
  const out = new Float32Array(width * height);
  for (let pixel = 0; pixel < out.length; pixel++) out[pixel] = grey(rgb, pixel * 3);
  return out;
}

/** Mean and standard deviation of light in each cell of a grid laid over the picture; a cell has one pixel at least. */
function cellsOf(
  { width, height }: Raster,
  light: Float32Array,
  across: number,
  down: number,
): { mean: number[]; spread: number[] } {
  const mean: number[] = [];
  const spread: number[] = [];
  for (let row = 0; row < down; row++) {
    const top = Math.min(height - 1, Math.floor((row * height) / down));
    const foot = Math.max(top + 1, Math.floor(((row + 1) * height) / down));
    for (let column = 0; column < across; column++) {
      const left = Math.min(width - 1, Math.floor((column * width) / across));
      const right = Math.max(left + 1, Math.floor(((column + 1) * width) / across));
      let [sum, squares] = [0, 0];
      for (let y = top; y < foot; y++) {
        for (let x = left; x < right; x++) {
          const value = light[y * width + x] as number;
          sum += value;
          squares += value * value;
        }
      }
      const count = (foot - top) * (right - left);
      mean.push(sum / count);
      spread.push(Math.sqrt(Math.max(0, squares / count - (sum / count) ** 2)));
    }
  }
  return { mean, spread };
}

/** Lighter by less than this, in standard deviations of the picture's places, is as light: there only grain would decide. */
const AS_LIGHT = 0.1;

/**
 * Whether each of 8 × 8 places is lighter than its right neighbour, as 64 bits: pictures alike to the eye differ in few
 * of them, whatever their size or exposure (difference hash). What is even, as most of a picture taken at night, counts
 * as not lighter, so that the grain of two pictures of it does not part them.
 */
function fingerprintOf(raster: Raster, light: Float32Array): string {
  const { mean } = cellsOf(raster, light, 9, 8);
  const middle = mean.reduce((sum, each) => sum + each, 0) / mean.length;
  const spread = Math.sqrt(mean.reduce((sum, each) => sum + (each - middle) ** 2, 0) / mean.length);
  const bits = Array.from({ length: 64 }, (_, at) => {
    const from = Math.floor(at / 8) * 9 + (at % 8);
    return (mean[from] ?? 0) - (mean[from + 1] ?? 0) > AS_LIGHT * spread ? 1 : 0;
  });
  return Array.from({ length: 16 }, (_, digit) =>
    bits
      .slice(digit * 4, digit * 4 + 4)
      .reduce<number>((sum, bit) => sum * 2 + bit, 0)
      .toString(16),
  ).join("");
}

/** How many places each way of what tells plain pictures apart. */
export const PLACES = 12;
/** A place that differs by so many standard deviations is told no further: what lies where counts, not how strong it is. */
const FARTHEST = 2.6;
/** What is never more than grain, in greys: nothing is made of it. */
const GRAIN = 0.5;

/**
 * What lies where in a picture: how much lighter or darker each place is than its row and its column would make it. The sky
 * over a sea, a page's lines and the dark round a few lights are so much alike in all such pictures that their bits say
 * nothing; a ship, a word and a lamp are where they are. A digit a place, 0 to 14.
 */
function detailOf(raster: Raster, light: Float32Array): string {
  const { mean } = cellsOf(raster, light, PLACES, PLACES);
  const sumOf = (all: readonly number[]) => all.reduce((sum, each) => sum + each, 0);
  const line = Array.from({ length: PLACES }, (_, at) => at);
  const rows = line.map((row) => sumOf(mean.slice(row * PLACES, (row + 1) * PLACES)) / PLACES);
  const columns = line.map((column) => sumOf(line.map((row) => mean[row * PLACES + column] ?? 0)) / PLACES);
  const all = sumOf(rows) / PLACES;
  const own = mean.map((each, at) => each - (rows[Math.floor(at / PLACES)] ?? 0) - (columns[at % PLACES] ?? 0) + all);
  const spread = Math.sqrt(sumOf(own.map((each) => each * each)) / own.length + GRAIN * GRAIN);
  return own
    .map((each) => Math.round((Math.min(FARTHEST, Math.max(-FARTHEST, each / spread)) / FARTHEST) * 7 + 7).toString(16))
    .join("");
}

/** Mean square of the Laplacian of light (a usual measure of focus: Pech-Pacheco et al. 2000). */
function sharpnessOf({ width, height }: Raster, light: Float32Array): number {
  if (width < 3 || height < 3) return 0;
  let sum = 0;
  for (let y = 1; y < height - 1; y++) {
    for (let x = 1; x < width - 1; x++) {
      const at = y * width + x;
      const second =
        (light[at - 1] as number) +
        (light[at + 1] as number) +
        (light[at - width] as number) +
        (light[at + width] as number) -
        4 * (light[at] as number);
      sum += second * second;
    }
  }
  return sum / ((width - 2) * (height - 2));
}

/**
 * A first guess at what a picture is of: the middle of those cells that are lit unlike the whole and have detail, those
 * near the middle counting more.
 */
function focusOf(mean: readonly number[], spread: readonly number[]): Spot {
  const all = mean.reduce((a, b) => a + b, 0) / mean.length;
  const weight = mean.map((light, at) => {
    const [x, y] = [((at % CELLS) + 0.5) / CELLS - 0.5, (Math.floor(at / CELLS) + 0.5) / CELLS - 0.5];
    const central = Math.exp(-(x * x + y * y) * 4);
    return (Math.abs(light - all) * 0.6 + (spread[at] ?? 0)) * central;
  });
  const bar = [...weight].sort((a, b) => b - a)[Math.floor(weight.length / 8)] ?? 0;
  let [sum, sx, sy] = [0, 0, 0];
  for (const [at, each] of weight.entries()) {
    if (each < bar || each === 0) continue;
    sum += each;
    sx += each * ((at % CELLS) + 0.5);
    sy += each * (Math.floor(at / CELLS) + 0.5);
  }
  const share = (total: number) => (sum === 0 ? WHOLE / 2 : Math.round((total / sum / CELLS) * WHOLE));
  return { x: share(sx), y: share(sy) };
}

/** The linear share of each value of a channel (IEC 61966-2-1). */
const LINEAR = Float64Array.from({ length: 256 }, (_, value) => {
  const share = value / 255;
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
});

/** Relative luminance of each pixel, 0 to 1: the channels' linear shares, weighed (WCAG 2.2, after ITU-R BT.709). */
function luminanceOf({ width, height, rgb }: Raster): Float32Array {
  const out = new Float32Array(width * height);
  const linear = (at: number) => LINEAR[rgb[at] as number] as number;
  for (let pixel = 0; pixel < out.length; pixel++) {
    const at = pixel * 3;
    out[pixel] = 0.2126 * linear(at) + 0.7152 * linear(at + 1) + 0.0722 * linear(at + 2);
  }
  return out;
}

/** The grey, 0 to 255 and not rounded, of a relative luminance: the way back from `luminance` in quiet.ts. */
export const greyOfLuminance = (luminance: number): number =>
  255 * (luminance <= 0.0031308 ? luminance * 12.92 : 1.055 * luminance ** (1 / 2.4) - 0.055);

/** Everything that is computed of a picture, from a version some hundred pixels long. `colours` come from `coloursOf`. */
export function traitsOf(raster: Raster, colours: readonly string[]): Traits {
  const light = greyOf(raster);
  const { mean, spread } = cellsOf(raster, light, CELLS, CELLS);
  return {
    fingerprint: fingerprintOf(raster, light) + detailOf(raster, light),
    sharpness: Math.round(sharpnessOf(raster, light) * 100) / 100,
    focus: focusOf(mean, spread),
    light: mean.map(Math.round),
    tone: cellsOf(raster, luminanceOf(raster), CELLS, CELLS).mean.map(
      (each) => Math.round(greyOfLuminance(each) * 10) / 10,
    ),
    busy: spread.map((each) => Math.min(127, Math.round(each))),
    colours,
  };
}
