import { WHOLE } from "../../core/photo/crop.ts";
import type { Corners } from "../../core/photo/preprint.ts";
import { type Canvas, disc, line, oval, rect, shape } from "./brush.ts";

/** The card's own measures, in the units it is drawn in: three by four. */
const [W, H] = [300, 400];
/** How it lies before the camera: as wide and high as this share of the picture's height, and turned so far. */
const SCALE = 0.0019;
const TURN = 0.12;
const FROM = { x: 0.24, y: 0.1 };

/** A card with its own print on the kitchen table, photographed from not quite above: three signs, a line beside each. */
export function printedCard({ w, h, rnd }: Canvas): string {
  const boards = Array.from({ length: 7 }, (_, at) =>
    line(0, h * (at / 7), w, h * (at / 7) + rnd() * 6, "#00000026", 4),
  );
  const k = SCALE * h;
  const row = (y: number, sign: string) => `${sign}${line(110, y + 24, 268, y + 24, "#1d5c66", 2)}`;
  const eye = oval(60, 130, 30, 17, "#1d5c66") + disc(60, 130, 9, "#fdfdfb");
  const bell =
    shape(
      [
        [60, 200],
        [84, 244],
        [36, 244],
      ],
      "#1d5c66",
    ) + disc(60, 250, 8, "#1d5c66");
  const loaf =
    oval(60, 330, 32, 20, "#c9822b") + line(44, 322, 52, 336, "#7a4a17", 3) + line(62, 320, 70, 336, "#7a4a17", 3);
  const card = [
    rect(0, 0, W, H, "#fbf7ea"),
    `<rect x="10" y="10" width="${W - 20}" height="${H - 20}" fill="none" stroke="#1d5c66" stroke-width="5"/>`,
    rect(70, 34, 160, 10, "#b8451b") + disc(54, 39, 8, "#b8451b") + disc(246, 39, 8, "#b8451b"),
    row(130, eye),
    row(230, bell),
    row(330, loaf),
  ].join("");
  const lies = `matrix(${k} ${k * TURN} ${-k * TURN * 0.8} ${k} ${FROM.x * w} ${FROM.y * h})`;
  return `${rect(0, 0, w, h, "#8a6242")}${boards.join("")}<g transform="${lies}">${rect(6, 8, W, H, "#00000040")}${card}</g>`;
}

/** Where its corners are in a picture of this shape. */
export function cornersOfPrintedCard(w: number, h: number): Corners {
  const k = SCALE * h;
  const corner = (x: number, y: number) => ({
    x: Math.round(((k * x - k * TURN * 0.8 * y + FROM.x * w) / w) * WHOLE),
    y: Math.round(((k * TURN * x + k * y + FROM.y * h) / h) * WHOLE),
  });
  return [corner(0, 0), corner(W, 0), corner(W, H), corner(0, H)];
}
