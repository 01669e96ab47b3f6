import { outlineOf, type Part } from "../craft/blueprint.ts";
import type { Made } from "../craft/craft.ts";
import { boundsOf } from "../craft/polygon.ts";
import { partMarks } from "../draw/blueprint.ts";
import type { Mark } from "../draw/marks.ts";
import { MATERIALS, type MaterialId } from "../material/material.ts";
import { inches, millimetres, ticks, type Unit } from "../measure/length.ts";
import { type Rect, rectOf, sizeOf } from "../measure/rect.ts";
import { printSize, type Size, sameSize, size } from "../measure/size.ts";
import { PRINT_PAPERS } from "../sheet/paper.ts";
import { templatePages, tiled } from "../sheet/template.ts";
import { drawnOn, FINE, FOOT, type TrueSheet, UNPRINTED } from "../sheet/true-size.ts";
import { planCutting } from "./cutting-plan.ts";

/** A construction whose templates are wanted; `name` is written into each. */
export type Wanted = { readonly name: string; readonly made: Made };

type Ganged = { readonly name: string; readonly part: Part; readonly area: Rect };

const STEP = inches(1 / 16);
const LETTER = millimetres(2.6);

/** Every part as often as it is cut, by what it is cut from. */
function byMaterial(all: readonly Wanted[]): Map<MaterialId, Ganged[]> {
  const found = new Map<MaterialId, Ganged[]>();
  for (const { name, made } of all)
    for (const part of made.parts)
      for (let nth = 0; nth < part.count; nth++) {
        const area = boundsOf(outlineOf(part));
        found.set(part.of, [...(found.get(part.of) ?? []), { name: `${name}: ${part.name}`, part, area }]);
      }
  return found;
}

/** A part as it is cut, its name in it, where it lies on its sheet. */
function gangedMarks({ name, part, area }: Ganged, lies: Rect, isTurned: boolean): Mark {
  return {
    ...({ kind: "group", turn: isTurned ? 1 : 0 } as const),
    ...{ x: lies.x, y: lies.y, w: area.w, h: area.h },
    marks: [
      {
        ...({ kind: "group", turn: 0 } as const),
        ...{ x: ticks(-area.x), y: ticks(-area.y), w: area.w, h: area.h },
        marks: partMarks(part),
      },
      {
        ...({ kind: "text", typeface: "plain", size: LETTER, fill: "pencil", anchor: "middle" } as const),
        ...{ x: ticks(Math.round(area.w / 2)), y: ticks(Math.round(area.h / 2)), text: name },
      },
    ],
  };
}

/**
 * The templates of several constructions, ganged on sheets of one size, each material on sheets of its own. A sheet that a
 * printer takes is printed itself, within the edge that most leave white; a larger one comes in tiles. What is larger than a
 * sheet comes after them, by itself.
 */
export function gangedPages(all: readonly Wanted[], sheet: Size, unit: Unit, canTurn: boolean): TrueSheet[] {
  const isPrinted = PRINT_PAPERS.some((paper) => sameSize(paper.size, sheet));
  const room = isPrinted ? size(ticks(sheet.w - 2 * UNPRINTED), ticks(sheet.h - 2 * UNPRINTED - FOOT)) : sheet;
  return [...byMaterial(all)].flatMap(([material, parts]) => {
    const { sheets, joined } = planCutting({
      sheets: [{ thing: "sheet", size: room, count: parts.length }],
      cuts: parts.map(({ area }, nth) => ({ id: String(nth), size: sizeOf(area) })),
      ...{ canTurn, step: STEP },
    });
    const drawn = sheets.flatMap(({ pieces }, nth) => {
      const title = `${MATERIALS[material].name}, sheet ${nth + 1} of ${sheets.length}, ${printSize(sheet, unit)}`;
      const marks = pieces.flatMap(({ id, at, turned }) => {
        const part = parts[Number(id)];
        return part ? [gangedMarks(part, at, turned)] : [];
      });
      const edge: Mark = { kind: "rect", at: rectOf(room), stroke: "hair", line: FINE };
      const whole: Mark[] = [edge, ...marks];
      if (!isPrinted) return tiled(title, room, whole, unit);
      const group = { kind: "group", turn: 0, x: UNPRINTED, y: UNPRINTED, w: room.w, h: room.h, marks: whole } as const;
      return [drawnOn(title, sheet, [group], unit)];
    });
    const alone = joined.flatMap(({ cut }) => parts[Number(cut.id)] ?? []);
    return [
      ...drawn,
      ...alone.flatMap(({ name, part }) => templatePages({ parts: [{ ...part, count: 1 }] }, name, unit, false)),
    ];
  });
}
