import type { OwnCut } from "../album/leaf.ts";
import { inches } from "../measure/length.ts";
import type { Measured } from "./blueprint.ts";
import { type Craft, type Goes, type Made, made, type Sizes, type Stock } from "./craft.ts";

/**
 * An end of a measure on the blueprint by which a length is set: which part's measure it is, which setting, and by how much
 * that grows for so much that the measure does.
 */
export type Pull = {
  readonly part: string;
  readonly measure: Measured;
  readonly setting: string;
  readonly per: number;
};

/** A setting is changed by so much to see which measures follow. */
const NUDGE = inches(1 / 16);

const longOf = ({ from, to }: Measured): number => Math.hypot(to.x - from.x, to.y - from.y);

/**
 * Which measure of the blueprint sets which length, found by setting each a little otherwise: the measure that is as long as
 * the setting says, else the first that follows it. A setting that no measure follows has none.
 */
export function pullsOf(
  of: Craft,
  sizes: Sizes,
  stock: Stock,
  goes: Goes,
  own: readonly OwnCut[],
  now: Made,
): readonly Pull[] {
  const measures = now.parts
    .filter(({ count }) => count > 0)
    .flatMap(({ id, measures }) => measures.map((measure, nth) => ({ part: id, measure, nth })));
  const taken = new Set<Measured>();
  return Object.entries(of.settings).flatMap(([setting, { counts, ways }]): Pull[] => {
    if (counts || ways) return [];
    const value = sizes[setting] ?? 0;
    const tried = [NUDGE, -NUDGE].map(
      (by) => [by, made(of, { ...sizes, [setting]: value + by }, stock, goes, own)] as const,
    );
    const [by, other] = tried.find(([, done]) => done.ok) ?? [];
    if (!other?.ok || by === undefined) return [];
    const follows = measures.flatMap(({ part, measure, nth }) => {
      const then = other.parts.find(({ id }) => id === part)?.measures[nth];
      const grows = then?.name === measure.name ? (longOf(then) - longOf(measure)) / by : 0;
      return grows > 0.2 && !taken.has(measure) ? [{ part, measure, setting, per: 1 / grows }] : [];
    });
    const best = follows.find(({ measure }) => Math.round(longOf(measure)) === value) ?? follows[0];
    if (!best) return [];
    taken.add(best.measure);
    return [best];
  });
}
