import { ticks } from "../measure/length.ts";
import type { Rect } from "../measure/rect.ts";
import type { Part } from "./blueprint.ts";
import type { Made, Placed, State } from "./craft.ts";
import { andThen, cellsOf, folded, type Isometry, type Laid, moved, STILL } from "./fold.ts";
import { boundsOf } from "./polygon.ts";

/** A panel of a part as it lies in a state. */
export type LaidPanel = Laid & {
  readonly part: string;
  /** Which of the part it is, where there are several: in the order they are laid, from 0. */
  readonly copy: number;
};

const TURNS: readonly Isometry[] = [
  STILL,
  { a: 0, b: -1, c: 0, d: 1, e: 0, f: 0 },
  { a: -1, b: 0, c: 0, d: 0, e: -1, f: 0 },
  { a: 0, b: 1, c: 0, d: -1, e: 0, f: 0 },
];
const MIRROR: Isometry = { ...STILL, a: -1 };

/** One part folded and laid where its state has it, the lowest panel first. Throws where its folds cannot be: a fault here. */
function laidPart(part: Part, { folded: scores = [], at, turn = 0, behind }: Placed, copy: number): LaidPanel[] {
  const done = folded(part, scores);
  if (!done.ok) throw new Error(`${part.id} does not fold at ${done.at}: ${done.why}`);
  const turning = andThen(behind ? MIRROR : STILL, TURNS[turn] ?? STILL);
  const way = andThen(turning, { ...STILL, c: at.x, f: at.y });
  const pile = done.pile.map((each) => ({
    ...{ part: part.id, copy, panel: each.panel },
    shape: each.shape.map((corner) => moved(way, corner)),
    faceUp: behind ? !each.faceUp : each.faceUp,
    way: andThen(each.way, way),
  }));
  return behind ? pile.reverse() : pile;
}

/** All panels of a state, the lowest first, as they are looked down on. */
export function laidIn({ parts }: Pick<Made, "parts">, { lies }: Pick<State, "lies">): LaidPanel[] {
  const all: LaidPanel[] = [];
  for (const [nth, placed] of lies.entries()) {
    const part = parts.find(({ id }) => id === placed.part);
    if (!part) throw new Error(`no part ${placed.part}`);
    const pile = laidPart(
      part,
      placed,
      placed.copy ?? lies.slice(0, nth).filter((each) => each.part === placed.part).length,
    );
    const { over } = placed;
    const under = over ? all.findIndex((each) => each.part === over.part && each.panel === over.panel) : all.length - 1;
    all.splice(under + 1, 0, ...pile);
  }
  return all;
}

/**
 * The part that is folded most, from flat to how it lies closed, one score after the other; nothing where no part folds.
 */
export function foldingOf({ parts, states }: Pick<Made, "parts" | "states">): readonly State[] {
  const folds = (placed: Placed) => placed.folded?.length ?? 0;
  const [most] = [...(states[0]?.lies ?? [])].sort((a, b) => folds(b) - folds(a));
  const part = parts.find(({ id }) => id === most?.part);
  if (!most || !part || folds(most) === 0) return [];
  const { over: _, folded: scores = [], ...alone } = most;
  return Array.from({ length: scores.length + 1 }, (_, nth) => ({
    id: `folding ${nth}`,
    name: nth === 0 ? `The ${part.name}, flat` : `Fold ${nth} of ${scores.length}`,
    lies: [{ ...alone, folded: scores.slice(0, nth) }],
  }));
}

/** The same from behind: left and right exchanged within its own outline, and the uppermost lowest. */
export function fromBehind(laid: readonly LaidPanel[]): LaidPanel[] {
  const { x, w } = boundsOf(laid.map(({ shape }) => shape));
  const way: Isometry = { ...MIRROR, c: 2 * x + w };
  return laid
    .map((each) => ({
      ...each,
      shape: each.shape.map((corner) => moved(way, corner)),
      faceUp: !each.faceUp,
      way: andThen(each.way, way),
    }))
    .reverse();
}

/** What all of it covers. */
export const areaLaid = (laid: readonly LaidPanel[]): Rect => boundsOf(laid.map(({ shape }) => shape));

/** What of each panel is seen from above, as a share of it, 0 to 1; in the order of the pile. */
export function seenShares(laid: readonly LaidPanel[]): number[] {
  const seen = laid.map(() => 0);
  const whole = laid.map(() => 0);
  for (const { area, by } of cellsOf(laid.map(({ shape }) => shape))) {
    for (const at of by) whole[at] = (whole[at] ?? 0) + area;
    const top = by.at(-1);
    if (top !== undefined) seen[top] = (seen[top] ?? 0) + area;
  }
  return seen.map((area, at) => ((whole[at] ?? 0) > 0 ? area / (whole[at] ?? 1) : 0));
}

/** The thickest pile of a state: how many layers of each material lie there, by the part they are of. */
export function thickestPile({ parts }: Pick<Made, "parts">, laid: readonly LaidPanel[]): readonly Part[] {
  const of = laid.map(({ part }) => parts.find(({ id }) => id === part));
  const cells = cellsOf(laid.map(({ shape }) => shape));
  const most = cells.reduce<readonly number[]>((best, { by }) => (by.length > best.length ? by : best), []);
  return most.flatMap((at) => of[at] ?? []);
}

/** A place moved by so much. */
export const at = (x: number, y: number) => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) });
