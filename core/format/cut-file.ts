import { outlineOf, type Part } from "../craft/blueprint.ts";
import type { Made } from "../craft/craft.ts";
import { boundsOf, type Line, type Polygon } from "../craft/polygon.ts";
import { escaped } from "../draw/svg.ts";
import { inches, type Length, millimetres, toMillimetres } from "../measure/length.ts";
import type { Point } from "../measure/rect.ts";
import { size } from "../measure/size.ts";

/** Between two parts, and round all of them. */
const APART = millimetres(10);

/** The mats of most machines, as wide as the largest papers. Common practice. */
export const CUTTER_MATS = [size(inches(12), inches(12)), size(inches(12), inches(24))] as const;
const [{ w: MAT_WIDE }] = CUTTER_MATS;

const mm = (length: number): string => String(Math.round(toMillimetres(length as Length) * 1e4) / 1e4);
const at = ({ x, y }: Point): string => `${mm(x)} ${mm(y)}`;
const closedPath = (shape: Polygon): string => `<path d="M${shape.map(at).join("L")}Z"/>`;
/** A cut within a part is closed too, out and back on one line: cutters refuse open shapes. */
const slitPath = ({ from, to }: Line): string => `<path d="M${at(from)}L${at(to)}Z"/>`;
const scorePath = ({ from, to }: Line): string => `<path d="M${at(from)}L${at(to)}"/>`;
const holePath = (x: number, y: number, r: number): string =>
  `<path d="M${mm(x - r)} ${mm(y)}A${mm(r)} ${mm(r)} 0 1 0 ${mm(x + r)} ${mm(y)}A${mm(r)} ${mm(r)} 0 1 0 ${mm(x - r)} ${mm(y)}Z"/>`;

const corner = ({ x, y }: { x: number; y: number }): Point => ({ x, y }) as Point;

/** What of a part a machine cuts, scores and draws, from the part's own zero. */
function layersOf(part: Part): Record<"cut" | "score" | "draw", string[]> {
  const [hinges, zones] = [part.hinges, part.zones];
  return {
    cut: [
      ...part.windows.map(closedPath),
      ...part.holes.map(({ x, y, diameter }) => holePath(x, y, diameter / 2)),
      ...part.slits.map(slitPath),
      // What holds the part in its sheet is cut last.
      ...outlineOf(part).map(closedPath),
    ],
    score: hinges.map(scorePath),
    draw: zones.map(({ at: { x, y, w, h } }) =>
      closedPath([corner({ x, y }), corner({ x: x + w, y }), corner({ x: x + w, y: y + h }), corner({ x, y: y + h })]),
    ),
  };
}

/** No line has a width that a machine goes round twice. */
const STYLE = {
  cut: 'stroke="#b03f17"',
  score: 'stroke="#2b444c"',
  draw: 'stroke="#9a6f1e"',
} as const;

/**
 * A construction for a cutting machine: SVG at true size, one user unit a millimetre, its parts as often as each is
 * wanted, in rows, in three layers named cut, score and draw. Shapes that are cut are closed.
 */
export function cutFile({ parts }: Pick<Made, "parts">, title: string): string {
  const layers = { cut: "", score: "", draw: "" };
  // In rows that a mat takes; what is wider by itself has a row of its own.
  let [x, y, high, right] = [APART as number, APART as number, 0, 0];
  for (const part of parts) {
    const area = boundsOf(outlineOf(part));
    const of = layersOf(part);
    for (let nth = 0; nth < part.count; nth++) {
      if (x > APART && x + area.w + APART > MAT_WIDE) [x, y, high] = [APART, y + high + APART, 0];
      const move = `translate(${mm(x - area.x)} ${mm(y - area.y)})`;
      for (const name of ["cut", "score", "draw"] as const)
        if (of[name].length > 0) layers[name] += `<g transform="${move}">${of[name].join("")}</g>`;
      x += area.w + APART;
      [right, high] = [Math.max(right, x), Math.max(high, area.h)];
    }
  }
  const [w, h] = [mm(right), mm(y + high + APART)];
  const drawn = (["draw", "score", "cut"] as const).map(
    (name) => `<g id="${name}" fill="none" stroke-width="0.1" ${STYLE[name]}>${layers[name]}</g>`,
  );
  return `<?xml version="1.0" encoding="UTF-8"?>\n<svg xmlns="http://www.w3.org/2000/svg" width="${w}mm" height="${h}mm" viewBox="0 0 ${w} ${h}"><title>${escaped(title)}</title>${drawn.join("")}</svg>\n`;
}
