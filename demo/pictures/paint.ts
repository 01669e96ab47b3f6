import sharp from "sharp";
import { type Canvas, chance, type Light, PALETTES } from "./brush.ts";
import * as indoors from "./indoors.ts";
import * as island from "./island.ts";
import * as orchard from "./orchard.ts";
import { printedCard } from "./printed-card.ts";

const SCENES = { ...island, ...indoors, ...orchard, printedCard };

export type { Light };
export type Subject = keyof typeof SCENES;

/** One picture of the demo: what it shows, in which light, and what its camera noted. */
export type Sitting = {
  readonly subject: Subject;
  readonly seed: number;
  readonly light: Light;
  /** `YYYY-MM-DDTHH:MM:SS` */
  readonly at: string;
  readonly shape?: "wide" | "upright" | "square" | "camera" | "small";
  readonly grey?: boolean;
  readonly place?: boolean;
  /** Stored lying on its side with an Exif orientation, as phones do. */
  readonly sideways?: boolean;
};

const SHAPES = {
  wide: [1400, 1050],
  upright: [1050, 1400],
  square: [1160, 1160],
  camera: [1440, 960],
  small: [600, 450],
} as const;

const TOOTH = 1440;
let grain: Promise<Buffer> | undefined;
/** The tooth of the paper, the same under every picture and on every machine: raw RGB, `TOOTH` pixels square. */
function paperGrain(): Promise<Buffer> {
  const side = TOOTH / 2;
  const rnd = chance(12);
  // Four even chances together are all but normally spread, by the root of a third.
  const uneven = () => (rnd() + rnd() + rnd() + rnd() - 2) * Math.sqrt(3);
  const tones = () => Buffer.from(Array.from({ length: side * side }, () => Math.round(128 + 13 * uneven())));
  grain ??= sharp(tones(), { raw: { width: side, height: side, channels: 1 } })
    .resize(TOOTH, TOOTH)
    .toColourspace("srgb")
    .raw()
    .toBuffer();
  return grain;
}

/** Paints a picture and writes it as a camera would: JPEG with date, orientation and, if asked, a place. */
export async function paint({
  subject,
  seed,
  light,
  at,
  shape = "wide",
  grey = false,
  place = false,
  sideways = false,
}: Sitting): Promise<Buffer> {
  const [w, h] = SHAPES[shape];
  const canvas: Canvas = { w, h, rnd: chance(seed), light, p: PALETTES[light] };
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}" viewBox="0 0 ${w} ${h}">${SCENES[subject](canvas)}</svg>`;
  const tooth = await sharp(await paperGrain(), { raw: { width: TOOTH, height: TOOTH, channels: 3 } })
    .extract({ left: 0, top: 0, width: w, height: h })
    .raw()
    .toBuffer();
  const { data, info } = await sharp(Buffer.from(svg))
    .composite([{ input: tooth, raw: { width: w, height: h, channels: 3 }, blend: "soft-light" }])
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  let picture = sharp(data, { raw: { width: info.width, height: info.height, channels: info.channels } });
  if (grey) picture = picture.greyscale();
  if (sideways) picture = picture.rotate(-90);
  const [date, time] = at.split("T");
  const taken = `${date?.replaceAll("-", ":")} ${time}`;
  return (
    picture
      .jpeg({ quality: 78 })
      .withExif({
        IFD0: { Make: "Lamp and Box", Model: "Pocket One" },
        IFD2: { DateTimeOriginal: taken, DateTimeDigitized: taken, OffsetTimeOriginal: "+00:00" },
        ...(place
          ? {
              IFD3: {
                GPSLatitudeRef: "N",
                GPSLatitude: "54/1 36/1 0/1",
                GPSLongitudeRef: "W",
                GPSLongitude: "3/1 12/1 0/1",
              },
            }
          : {}),
      })
      // The library writes the orientation itself and overwrites one that is named among the notes.
      .withMetadata({ orientation: sideways ? 6 : 1 })
      .toBuffer()
  );
}

/** Two pictures are painted at once: more would only wait for each other. */
const AT_ONCE = 2;

/** Paints pictures ahead of whoever takes them, in their order: while one is read and kept, the next are on the easel. */
export async function* paintAhead(sittings: readonly Sitting[]): AsyncGenerator<Buffer> {
  const easel: Promise<Buffer>[] = [];
  for (const [at, sitting] of sittings.entries()) {
    easel.push(paint(sitting));
    if (at >= AT_ONCE - 1) yield (await easel.shift()) as Buffer;
  }
  for (const painted of easel) yield await painted;
}
