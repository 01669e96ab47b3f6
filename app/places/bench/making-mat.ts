import { drawingOf, MARGIN, type MatThing, mm, type StillMat, stillMat } from "#app/drawing/mat-text.ts";
import type { Part } from "#core/craft/blueprint.ts";
import type { Made, State } from "#core/craft/craft.ts";
import { areaLaid, fromBehind, type LaidPanel, laidIn } from "#core/craft/lies.ts";
import { boundsOf } from "#core/craft/polygon.ts";
import { laidMarks, measureMarks, partMarks, standingMarks } from "#core/draw/blueprint.ts";
import type { Mark } from "#core/draw/marks.ts";
import type { Unit } from "#core/measure/length.ts";
import { millimetres, ticks } from "#core/measure/length.ts";
import { saySize } from "#core/measure/size.ts";

/** Room between things on the mat, for their measures. In millimetres. */
const BETWEEN = 34;
const EDGE = 26;

/** Measures are written this large: as the mat's own numbers look on it. */
const LETTER = millimetres(4.6);
/** What measures stand under a part, before its caption. */
const UNDER = 13;

type Drawn = {
  readonly key: string;
  readonly w: number;
  readonly h: number;
  readonly caption: string;
  readonly drawing: string;
};

/** Things side by side, in rows that make the whole about as wide as the mat is. */
function laidOut(all: readonly Drawn[]): MatThing[] {
  const area = all.reduce((sum, { w, h }) => sum + (w + BETWEEN) * (h + BETWEEN), 0);
  const most = Math.max(Math.sqrt(area * 1.7), ...all.map(({ w }) => w));
  const things: MatThing[] = [];
  let [x, y, high] = [EDGE, EDGE * 0.6, 0];
  for (const each of all) {
    if (x > EDGE && x + each.w > most + EDGE) {
      [x, y, high] = [EDGE, y + high + BETWEEN, 0];
    }
    things.push({ ...each, x, y });
    [x, high] = [x + each.w + BETWEEN, Math.max(high, each.h)];
  }
  return things;
}

const partDrawn = (part: Part, unit: Unit, key: string): Drawn => {
  const { w, h } = part.onPoint ? boundsOf(part.panels.map(({ shape }) => shape)) : part.blank;
  const times = part.count > 1 ? `${part.count} × ` : "";
  const measures = measureMarks(part, unit, "paper", LETTER);
  // What is written to the right of a part reaches further than the room between things.
  const right = measures.map((each) =>
    each.kind === "text" && each.anchor === "start" ? mm(each.x) + each.text.length * mm(LETTER) * 0.55 : 0,
  );
  return {
    ...{ key, w: Math.max(mm(w), ...right.map((reaches) => reaches - MARGIN)), h: mm(h) + UNDER },
    caption: `${times}${part.name}, ${saySize(part.blank, unit)}`,
    drawing: drawingOf([...partMarks(part), ...measures]),
  };
};

const shifted = (marks: readonly Mark[], x: number, y: number): Mark[] => [
  { kind: "group", turn: 0, x: ticks(-x), y: ticks(-y), w: ticks(0), h: ticks(0), marks },
];

const laidDrawn = (
  made: Made,
  laid: readonly LaidPanel[],
  key: string,
  caption: string,
  carried: readonly Mark[] = [],
): Drawn => {
  const { x, y, w, h } = areaLaid(laid);
  return {
    key,
    w: mm(w),
    h: mm(h),
    caption,
    drawing: drawingOf(shifted([...laidMarks(made, laid), ...carried], x, y)),
  };
};

/** Every part that is cut, flat, with its measures; and where each lies on the mat, in millimetres. */
export function blueprintMat(
  made: Made,
  unit: Unit,
): { readonly mat: StillMat; readonly places: ReadonlyMap<string, { readonly x: number; readonly y: number }> } {
  const things = laidOut(made.parts.filter(({ count }) => count > 0).map((part) => partDrawn(part, unit, part.id)));
  return {
    mat: stillMat(things, unit, false, "blueprint"),
    places: new Map(things.map(({ key, x, y }) => [key, { x, y }])),
  };
}

/** One part by itself, as it is worked on in a step. */
export const partMat = (part: Part, unit: Unit): StillMat =>
  stillMat(laidOut([partDrawn(part, unit, part.id)]), unit, false, "step");

/** A state seen from above, with what it carries, and from behind; and from the side, where it stands. */
export function stateMat(made: Made, state: State, unit: Unit, carried: readonly Mark[]): StillMat {
  const laid = laidIn(made, state);
  const { w } = areaLaid(laid);
  const stands = state.stands ? boundsOf(state.stands) : null;
  const all = [
    laidDrawn(made, laid, "front", `${state.name}, from above`, carried),
    laidDrawn(made, fromBehind(laid), "back", `${state.name}, from behind`),
    ...(state.stands && stands
      ? [
          {
            key: "side",
            w: mm(stands.w),
            h: mm(stands.h),
            caption: "From the side",
            drawing: drawingOf(standingMarks(state.stands, stands.w || w)),
          },
        ]
      : []),
  ];
  return stillMat(laidOut(all), unit, false, "state");
}
