import type { Part } from "../craft/blueprint.ts";
import type { Made } from "../craft/craft.ts";
import { boundsOf } from "../craft/polygon.ts";
import { measureMarks, partMarks } from "../draw/blueprint.ts";
import type { Mark } from "../draw/marks.ts";
import { millimetres, ticks, type Unit } from "../measure/length.ts";
import { rect } from "../measure/rect.ts";
import { aSeries, LETTER } from "../measure/sheets.ts";
import { type Size, saySize, size } from "../measure/size.ts";
import { drawnOn, FINE, FOOT, fitsUsualPaper, onPaper, type TrueSheet, UNPRINTED } from "./true-size.ts";

/** Room round a part for its measures. */
const ROUND = millimetres(18);
/** So much of a tile comes again on the next one, to lay them on each other by. */
const SHARED = millimetres(10);

/** A part with its measures, from the left upper corner of the room round it; from behind it is mirrored, as on a paper's back. */
function drawing(
  part: Part,
  unit: Unit,
  isMirrored: boolean,
): { readonly area: Size; readonly marks: readonly Mark[] } {
  const { w, h } = part.onPoint ? boundsOf(part.panels.map(({ shape }) => shape)) : part.blank;
  const area = size(ticks(w + 2 * ROUND), ticks(h + 2 * ROUND));
  const whole = { kind: "group", x: ROUND, y: ROUND, turn: 0, w, h } as const;
  // Words would read from behind too: only what is cut and scored is mirrored.
  return {
    area,
    marks: [
      { ...whole, mirrored: isMirrored, marks: partMarks(part) },
      ...(isMirrored ? [] : [{ ...whole, marks: measureMarks(part, unit, "pencil") }]),
    ],
  };
}

/** A cross at a corner of a tile's own part of the drawing. */
const cross = (x: number, y: number): Mark[] => {
  const arm = millimetres(4);
  return [
    { kind: "line", x1: ticks(x - arm), y1: ticks(y), x2: ticks(x + arm), y2: ticks(y), stroke: "ink", line: FINE },
    { kind: "line", x1: ticks(x), y1: ticks(y - arm), x2: ticks(x), y2: ticks(y + arm), stroke: "ink", line: FINE },
  ];
};

/** A drawing that no usual paper takes, in tiles: each is laid on the one before so that their crosses meet. */
export function tiled(title: string, area: Size, marks: readonly Mark[], unit: Unit): TrueSheet[] {
  const paper = unit === "inch" ? LETTER : aSeries(4);
  const room = size(ticks(paper.w - 2 * UNPRINTED), ticks(paper.h - 2 * UNPRINTED - FOOT));
  const step = size(ticks(room.w - SHARED), ticks(room.h - SHARED));
  const count = (whole: number, each: number) => Math.max(1, Math.ceil((whole - SHARED) / each));
  const [across, down] = [count(area.w, step.w), count(area.h, step.h)];
  return Array.from({ length: across * down }, (_, nth) => {
    const [column, row] = [nth % across, Math.floor(nth / across)];
    const [left, top] = [column * step.w, row * step.h];
    const ends = [
      [0, 0],
      [1, 0],
      [0, 1],
      [1, 1],
    ].map(([u = 0, v = 0]) => [UNPRINTED + SHARED / 2 + u * step.w, UNPRINTED + SHARED / 2 + v * step.h] as const);
    return drawnOn(
      `${title}, part ${nth + 1} of ${across * down}: row ${row + 1}, column ${column + 1}`,
      paper,
      [
        {
          ...({ kind: "group", turn: 0, w: area.w, h: area.h } as const),
          ...{ x: ticks(UNPRINTED - left), y: ticks(UNPRINTED - top), clip: rect(left, top, room.w, room.h) },
          marks,
        },
        ...ends.flatMap(([x, y]) => cross(x, y)),
      ],
      unit,
    );
  });
}

/**
 * The templates of a construction at true size, a page for each part, or as many tiles as a part needs that is larger than the
 * usual papers. Mirrored, they go on the back of patterned paper.
 */
export function templatePages(made: Pick<Made, "parts">, name: string, unit: Unit, isMirrored: boolean): TrueSheet[] {
  return made.parts
    .filter(({ count }) => count > 0)
    .flatMap((part) => {
      const { area, marks } = drawing(part, unit, isMirrored);
      const times = part.count > 1 ? `, ${part.count} of it` : "";
      const title = `${name}: ${part.name}, ${saySize(part.blank, unit)}${times}${isMirrored ? ", on the back" : ""}`;
      if (!fitsUsualPaper(area, unit)) return tiled(title, area, marks, unit);
      return [onPaper(title, area, (x, y) => [{ kind: "group", x, y, turn: 0, w: area.w, h: area.h, marks }], unit)];
    });
}
