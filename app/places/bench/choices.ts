import { thumbOf } from "#app/drawing/mat-text.ts";
import { DOES_NAME } from "#app/wording/making.ts";
import { stockOf } from "#core/craft/built.ts";
import { CRAFTS } from "#core/craft/catalog.ts";
import { DOES, made, NOWHERE, usualSizes } from "#core/craft/craft.ts";
import { areaLaid, laidIn } from "#core/craft/lies.ts";
import { laidMarks } from "#core/draw/blueprint.ts";
import { toMillimetres } from "#core/measure/length.ts";
import type { Choice, Group } from "./choose.tsx";

const MARGIN = 4;

/** Each construction as it is in use: open where it opens, as it lies where it does not. */
function drawn(of: (typeof CRAFTS)[number]): Choice {
  const { kind, name, says } = of;
  const done = made(of, usualSizes(of, NOWHERE), stockOf(of.paper));
  if (!done.ok) throw new Error(`${kind} cannot be made as it is usual`);
  const state = done.states.find(({ id }) => id === done.opens[0]?.state) ?? done.states[0];
  const laid = state ? laidIn(done, state) : [];
  const { x, y, w, h } = areaLaid(laid);
  const box = [x, y, w, h].map(toMillimetres);
  const [left = 0, top = 0, wide = 0, high = 0] = box;
  return {
    ...{ kind, name, says },
    viewBox: `${left - MARGIN} ${top - MARGIN} ${wide + 2 * MARGIN} ${high + 2 * MARGIN}`,
    drawing: thumbOf(laidMarks(done, laid, false)),
  };
}

let known: readonly Group[] | null = null;

/** All of them by what they do; reckoned once, as they are the same for everybody. */
export function groupsOfChoices(): readonly Group[] {
  known ??= DOES.map((does) => ({
    name: DOES_NAME[does],
    choices: CRAFTS.filter((each) => each.does === does).map(drawn),
  })).filter(({ choices }) => choices.length > 0);
  return known;
}
