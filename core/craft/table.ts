import type { Hinge, Part } from "./blueprint.ts";
import type { Made } from "./craft.ts";
import type { MakingStep } from "./step.ts";

/** The work at the table that follows from the parts alone: each is cut, trimmed, scored, cut into and punched, in that order. */

/** Minutes a cut, a score or a hole takes somebody who does it now and then. From memory. */
const MINUTES = { cut: 1, trim: 1, score: 1, punch: 1 } as const;

/** Minutes that a little white glue under a weight takes until paper can be handled; the label counts. Common practice. */
const WET_GLUE_DRIES = 30;

/** Scores that are one line on the blank, each once. */
function lines(hinges: readonly Hinge[]): Hinge[] {
  const seen = new Set<string>();
  return hinges.filter(({ from, to }) => {
    const name =
      from.x === to.x ? `x${from.x}` : from.y === to.y ? `y${from.y}` : `${from.x},${from.y} ${to.x},${to.y}`;
    if (seen.has(name)) return false;
    seen.add(name);
    return true;
  });
}

function scoreSaid(part: Part): MakingStep[] {
  const all = lines(part.hinges);
  if (all.length === 0 || part.onPoint) return [];
  const upright = all.filter(({ from, to }) => from.x === to.x).map(({ from }) => from.x);
  const level = all.filter(({ from, to }) => from.y === to.y).map(({ from }) => from.y);
  const named = (axis: string, places: number[]) =>
    Object.fromEntries([...new Set(places)].sort((a, b) => a - b).map((place, at) => [`${axis}${at}`, place]));
  const [xs, ys] = [named("x", upright), named("y", level)];
  const list = (of: object) =>
    Object.keys(of)
      .map((name) => `{${name}}`)
      .join(", ");
  const from = [
    ...(upright.length > 0 ? [`${list(xs)} from its left edge`] : []),
    ...(level.length > 0 ? [`${list(ys)} from its upper edge`] : []),
  ];
  return [
    {
      ...({ act: "score", part: part.id, minutes: MINUTES.score * all.length } as const),
      say: `Score the ${part.name} at ${from.join(", and at ")}.`,
      lengths: { ...xs, ...ys },
    },
  ];
}

function ofPart(part: Part): MakingStep[] {
  const { id, name, blank, count, trim, holes, windows, slits } = part;
  if (count === 0) return [];
  const cut: MakingStep = {
    ...({ act: "cut", part: id, caution: "blade", minutes: MINUTES.cut * count } as const),
    say: count === 1 ? `Cut the ${name}: {w} × {h}.` : `Cut ${count} of the ${name}, each {w} × {h}.`,
    lengths: { w: blank.w, h: blank.h },
  };
  const [hole] = holes;
  return [
    cut,
    ...scoreSaid(part),
    ...(trim ? [{ ...({ act: "cut", part: id, caution: "blade", minutes: MINUTES.trim } as const), ...trim }] : []),
    ...(windows.length + slits.length > 0 && !trim
      ? [
          {
            ...({ act: "cut", part: id, caution: "blade", minutes: MINUTES.trim } as const),
            say: `Cut ${windows.length > 0 ? "out the window" : "the slits"} of the ${name} as drawn.`,
          },
        ]
      : []),
    ...(hole
      ? [
          {
            ...({ act: "punch", part: id, minutes: MINUTES.punch * holes.length * count } as const),
            say:
              holes.length === 1
                ? `Punch the ${name}: {d} across, its middle {x} from the left edge and {y} from the upper one.`
                : `Punch ${holes.length} holes of {d} into the ${name}, the first {x} from the left edge and {y} from the upper one.`,
            lengths: { d: hole.diameter, x: hole.x, y: hole.y },
          },
        ]
      : []),
  ];
}

/** Everything that is done to the parts before they are put together. */
const stepsOfParts = (parts: readonly Part[]): MakingStep[] => parts.flatMap(ofPart);

/** A construction put together: what is done to its parts comes first, then what is done with them. */
export const putTogether = (of: Omit<Made, "ok">): Made => ({
  ...of,
  ok: true,
  steps: [...stepsOfParts(of.parts), ...of.steps].map((step) =>
    step.held === "wet-glue" ? { dries: WET_GLUE_DRIES, ...step } : step,
  ),
});
