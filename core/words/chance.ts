/** Chance that comes from a seed: the same seed gives the same, everywhere. */
export type Chance = {
  /** From 0 up to, not including, 1. */
  readonly next: () => number;
  readonly shuffled: <T>(items: readonly T[]) => T[];
};

const LARGEST = 2 ** 32;

/** A chance that can be begun anew from another seed, without being made anew. */
export type Reseeded = Chance & { readonly from: (seed: number) => void };

/** A chance from a seed: a 32-bit counter, stirred (the finishing steps of MurmurHash3, from memory). */
export function chanceFrom(seed: number): Reseeded {
  // In an array of its own it is counted without making a number anew each time.
  const count = Int32Array.of(seed);
  const next = () => {
    let stirred = ((count[0] as number) + 0x9e3779b9) | 0;
    count[0] = stirred;
    stirred = Math.imul(stirred ^ (stirred >>> 16), 0x85ebca6b);
    stirred = Math.imul(stirred ^ (stirred >>> 13), 0xc2b2ae35);
    return ((stirred ^ (stirred >>> 16)) >>> 0) / LARGEST;
  };
  return {
    next,
    from: (other) => {
      count[0] = other;
    },
    shuffled: <T>(items: readonly T[]) => {
      const all = [...items];
      for (let last = all.length - 1; last > 0; last--) {
        const at = Math.floor(next() * (last + 1));
        [all[last], all[at]] = [all[at] as T, all[last] as T];
      }
      return all;
    },
  };
}
