import type { Chance } from "../words/chance.ts";

/** A draw from the standard normal distribution, by the polar method (Marsaglia & Bray 1964). */
export function normal({ next }: Chance): number {
  for (;;) {
    const [u, v] = [2 * next() - 1, 2 * next() - 1];
    const s = u * u + v * v;
    if (s > 0 && s < 1) return u * Math.sqrt((-2 * Math.log(s)) / s);
  }
}

/** A draw from the gamma distribution with this shape and a scale of one (Marsaglia & Tsang 2000). `shape` above nought. */
export function gamma(chance: Chance, shape: number): number {
  // Below one it is drawn one higher and brought down by a power of a uniform draw, as they say.
  if (shape < 1) return gamma(chance, shape + 1) * (1 - chance.next()) ** (1 / shape);
  const d = shape - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    const x = normal(chance);
    const t = 1 + c * x;
    const v = t * t * t;
    if (v <= 0) continue;
    const u = 1 - chance.next();
    // Their quick test first: nearly every draw passes it, and no logarithm is taken.
    if (u < 1 - 0.0331 * x * x * x * x || Math.log(u) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v;
  }
}

/** A draw from the beta distribution, of two gammas. */
export function beta(chance: Chance, a: number, b: number): number {
  const x = gamma(chance, a);
  return x / (x + gamma(chance, b));
}
