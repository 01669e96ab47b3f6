import { describe, expect, it } from "vitest";
import { inches } from "../measure/length.ts";
import { stockOf } from "./built.ts";
import { CRAFTS, craftOf } from "./catalog.ts";
import { type Craft, made, NOWHERE, usualSizes } from "./craft.ts";
import { pullsOf } from "./pulls.ts";

const eighth = inches(1 / 8);
function pullsAsUsual(of: Craft) {
  const [sizes, stock] = [usualSizes(of, NOWHERE), stockOf(of.paper)];
  const done = made(of, sizes, stock);
  if (!done.ok) throw new Error(of.kind);
  return { sizes, stock, done, pulls: pullsOf(of, sizes, stock, NOWHERE, [], done) };
}

describe("lengths set by an end of a measure", () => {
  it("grow by as much as is said for what the measure does, each length and each measure once", () => {
    let found = 0;
    for (const of of CRAFTS) {
      const { sizes, stock, pulls } = pullsAsUsual(of);
      expect(new Set(pulls.map(({ setting }) => setting)).size).toBe(pulls.length);
      expect(new Set(pulls.map(({ measure }) => measure)).size).toBe(pulls.length);
      for (const { part, measure, setting, per } of pulls) {
        const pulled = made(of, { ...sizes, [setting]: (sizes[setting] ?? 0) + Math.round(per * eighth) }, stock);
        if (!pulled.ok) continue;
        const then = pulled.parts.find(({ id }) => id === part)?.measures.find(({ name }) => name === measure.name);
        const long = (at: typeof measure) => Math.hypot(at.to.x - at.from.x, at.to.y - at.from.y);
        // Slanted and rounded parts are off by some ticks of three micrometres.
        expect(Math.abs((then ? long(then) : 0) - long(measure) - eighth), `${of.kind} ${setting}`).toBeLessThan(40);
        found++;
      }
    }
    expect(found).toBeGreaterThan(40);
  });

  it("are those that are named on a tabbed pocket: its inside, its tabs and its depth", () => {
    const of = craftOf("tabbed-pocket");
    if (!of) throw new Error("there");
    const { pulls, sizes } = pullsAsUsual(of);
    const named = Object.fromEntries(pulls.map(({ setting, measure }) => [setting, measure.name]));
    expect(Object.keys(named)).toEqual(expect.arrayContaining(["width", "depth"]));
    for (const { setting, measure } of pulls.filter(({ per }) => per === 1)) {
      const long = Math.hypot(measure.to.x - measure.from.x, measure.to.y - measure.from.y);
      expect([setting, long >= (sizes[setting] ?? 0)]).toEqual([setting, true]);
    }
  });
});
