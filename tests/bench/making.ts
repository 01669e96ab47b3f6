import { stockOf } from "../../core/craft/built.ts";
import { craftOf } from "../../core/craft/catalog.ts";
import { type Craft, type Made, made, NOWHERE, type Sizes, usualSizes } from "../../core/craft/craft.ts";
import { fromBehind, laidIn } from "../../core/craft/lies.ts";
import { layersOf } from "../../core/craft/place.ts";
import { pullsOf } from "../../core/craft/pulls.ts";
import { laidMarks, measureMarks, partMarks } from "../../core/draw/blueprint.ts";
import { svgMarks } from "../../core/draw/svg.ts";
import { inches } from "../../core/measure/length.ts";
import { median } from "./recompute.ts";

/** The largest kind: twelve panels, three across and four down, with a lid. */
function booklet(width: number): { readonly of: Craft; readonly sizes: Sizes; readonly done: Made } {
  const of = craftOf("grid-booklet");
  if (!of) throw new Error("no booklet");
  const sizes = { ...usualSizes(of, NOWHERE), across: 3, down: 4, width };
  const done = made(of, sizes, stockOf(of.paper));
  if (!done.ok) throw new Error("cannot be made");
  return { of, sizes, done };
}

function time(work: (nth: number) => void): number {
  const times = Array.from({ length: 60 }, (_, nth) => {
    const began = performance.now();
    work(nth);
    return performance.now() - began;
  });
  return median(times.slice(15));
}

/** Median milliseconds to fold the largest construction in all its states, and to make and draw it anew as a length is changed. */
export function measureMaking(): { "bench.fold_ms": number; "bench.drag_ms": number } {
  const { done } = booklet(inches(3));
  const fold = time(() => {
    for (const state of done.states) fromBehind(laidIn(done, state));
    if (layersOf(done) < 12) throw new Error("not folded");
  });
  const drag = time((nth) => {
    const { of, sizes, done: now } = booklet(inches(3) + nth * 127);
    if (pullsOf(of, sizes, stockOf(of.paper), NOWHERE, [], now).length === 0) throw new Error("nothing to pull");
    const marks = now.parts.flatMap((part) => [...partMarks(part), ...measureMarks(part, "inch")]);
    const [closed] = now.states;
    const folded = closed ? laidMarks(now, laidIn(now, closed)) : [];
    if (svgMarks([...marks, ...folded], () => "").length < 1000) throw new Error("not drawn");
  });
  return { "bench.fold_ms": fold, "bench.drag_ms": drag };
}
