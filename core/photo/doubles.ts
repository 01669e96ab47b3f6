/** What tells near-doubles: what a picture looks like, and when it was taken. */
export type Likeness = {
  readonly id: string;
  readonly fingerprint: string;
  readonly sharpness: number;
  readonly capturedAt: string | null;
};

/** Bits in which two fingerprints may differ and still be of one scene. Of 64; unlike pictures differ in about half. */
export const MOST_BITS_APART = 10;
/** Pictures further apart in time are no doubles, however alike: the same window every evening is a story. */
const MINUTES_APART = 20;

const BITS = Array.from({ length: 16 }, (_, digit) => [1, 2, 4, 8].filter((bit) => digit & bit).length);

/** In how many of 64 bits two fingerprints differ. */
export function bitsApart(one: string, other: string): number {
  let apart = 0;
  for (let at = 0; at < 16; at++)
    apart += BITS[Number.parseInt(one[at] ?? "0", 16) ^ Number.parseInt(other[at] ?? "0", 16)] ?? 0;
  return apart;
}

const minuteOf = (capturedAt: string): number => Date.parse(`${capturedAt}Z`) / 60_000;

/**
 * Groups of near-doubles, the sharpest of each first; pictures without a double are in none. Dated ones must lie close in
 * time; undated ones must be all but the same.
 */
export function nearDoubles(pictures: readonly Likeness[]): string[][] {
  const parent = new Map<string, string>(pictures.map(({ id }) => [id, id]));
  const rootOf = (id: string): string => {
    const up = parent.get(id) ?? id;
    if (up === id) return id;
    const root = rootOf(up);
    parent.set(id, root);
    return root;
  };
  const join = (a: string, b: string) => parent.set(rootOf(a), rootOf(b));
  const dated = pictures
    .flatMap((each) => (each.capturedAt ? [{ ...each, minute: minuteOf(each.capturedAt) }] : []))
    .sort((a, b) => a.minute - b.minute);
  for (const [at, one] of dated.entries()) {
    for (let next = at + 1; next < dated.length; next++) {
      const other = dated[next];
      if (!other || other.minute - one.minute > MINUTES_APART) break;
      if (bitsApart(one.fingerprint, other.fingerprint) <= MOST_BITS_APART) join(one.id, other.id);
    }
  }
  const undated = pictures.filter(({ capturedAt }) => capturedAt === null);
  for (const [at, one] of undated.entries())
    for (const other of undated.slice(at + 1))
      if (bitsApart(one.fingerprint, other.fingerprint) <= MOST_BITS_APART / 2) join(one.id, other.id);
  const groups = new Map<string, Likeness[]>();
  for (const each of pictures) {
    const root = rootOf(each.id);
    groups.set(root, [...(groups.get(root) ?? []), each]);
  }
  return [...groups.values()]
    .filter((group) => group.length > 1)
    .map((group) => group.sort((a, b) => b.sharpness - a.sharpness).map(({ id }) => id));
}
