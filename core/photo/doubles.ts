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

/** A fingerprint's 64 bits as two whole numbers of 32. */
type Bits = readonly [number, number];
const bitsOf = (fingerprint: string): Bits => [
  Number.parseInt(fingerprint.slice(0, 8), 16) | 0,
  Number.parseInt(fingerprint.slice(8), 16) | 0,
];

/** How many bits of 32 are set, counted in pairs, fours and bytes at once. */
function ones(word: number): number {
  const pairs = word - ((word >>> 1) & 0x55555555);
  const fours = (pairs & 0x33333333) + ((pairs >>> 2) & 0x33333333);
  return Math.imul((fours + (fours >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
}
const apart = (one: Bits, other: Bits): number => ones(one[0] ^ other[0]) + ones(one[1] ^ other[1]);

/** In how many of 64 bits two fingerprints differ. */
export const bitsApart = (one: string, other: string): number => apart(bitsOf(one), bitsOf(other));

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
    .flatMap(({ id, capturedAt, fingerprint }) =>
      capturedAt ? [{ id, minute: minuteOf(capturedAt), bits: bitsOf(fingerprint) }] : [],
    )
    .sort((a, b) => a.minute - b.minute);
  for (const [at, one] of dated.entries()) {
    for (let next = at + 1; next < dated.length; next++) {
      const other = dated[next];
      if (!other || other.minute - one.minute > MINUTES_APART) break;
      if (apart(one.bits, other.bits) <= MOST_BITS_APART) join(one.id, other.id);
    }
  }
  const undated = pictures.flatMap(({ id, capturedAt, fingerprint }) =>
    capturedAt === null ? [{ id, bits: bitsOf(fingerprint) }] : [],
  );
  for (const [at, one] of undated.entries()) {
    for (let next = at + 1; next < undated.length; next++) {
      const other = undated[next];
      if (other && apart(one.bits, other.bits) <= MOST_BITS_APART / 2) join(one.id, other.id);
    }
  }
  const groups = new Map<string, Likeness[]>();
  for (const each of pictures) {
    const root = rootOf(each.id);
    groups.set(root, [...(groups.get(root) ?? []), each]);
  }
  return [...groups.values()]
    .filter((group) => group.length > 1)
    .map((group) => group.sort((a, b) => b.sharpness - a.sharpness).map(({ id }) => id));
}
