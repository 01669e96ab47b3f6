import { PLACES } from "./traits.ts";

/** What tells near-doubles: what a picture looks like, and when it was taken. */
export type Likeness = {
  readonly id: string;
  readonly fingerprint: string;
  readonly sharpness: number;
  readonly capturedAt: string | null;
};

/** Bits in which two fingerprints may differ and still be of one scene. Of 64; unlike pictures differ in about half. */
export const MOST_BITS_APART = 16;
/** The same of pictures of which only the bits are known, as they were before what lies where was looked at. */
const BY_BITS_ALONE = { dated: 10, undated: 5 } as const;
/** How much of what lies where has to be the same, as a correlation: undated ones must be all but the same. */
const SAME_PLACES = { dated: 0.6, undated: 0.8 } as const;
/** Pictures further apart in time are no doubles, however alike: the same window every evening is a story. */
const MINUTES_APART = 20;

/** A fingerprint's 64 bits as two whole numbers of 32. */
type Bits = readonly [number, number];
const bitsOf = (fingerprint: string): Bits => [
  Number.parseInt(fingerprint.slice(0, 8), 16) | 0,
  Number.parseInt(fingerprint.slice(8, 16), 16) | 0,
];

/** What lies where, of one length; null where it is not known, or nothing differs from anything. */
function placesOf(fingerprint: string): Float32Array | null {
  const digits = fingerprint.slice(16);
  if (digits.length !== PLACES * PLACES) return null;
  const places = Float32Array.from(digits, (digit) => Number.parseInt(digit, 16) - 7);
  const long = Math.sqrt(places.reduce((sum, each) => sum + each * each, 0));
  return long > 0 ? places.map((each) => each / long) : null;
}

type Looks = { readonly bits: Bits; readonly places: Float32Array | null };
const looksOf = ({ fingerprint }: Pick<Likeness, "fingerprint">): Looks => ({
  bits: bitsOf(fingerprint),
  places: placesOf(fingerprint),
});

/** Whether two pictures are of one scene: few bits differ, and what lies in one lies where it does in the other. */
function areAlike(one: Looks, other: Looks, when: "dated" | "undated"): boolean {
  const differ = apart(one.bits, other.bits);
  if (differ > MOST_BITS_APART) return false;
  if (!one.places || !other.places) return differ <= BY_BITS_ALONE[when];
  let same = 0;
  for (let at = 0; at < one.places.length; at++) same += (one.places[at] as number) * (other.places[at] as number);
  return same >= SAME_PLACES[when];
}

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
      capturedAt ? [{ id, minute: minuteOf(capturedAt), ...looksOf({ fingerprint }) }] : [],
    )
    .sort((a, b) => a.minute - b.minute);
  for (const [at, one] of dated.entries()) {
    for (let next = at + 1; next < dated.length; next++) {
      const other = dated[next];
      if (!other || other.minute - one.minute > MINUTES_APART) break;
      if (areAlike(one, other, "dated")) join(one.id, other.id);
    }
  }
  const undated = pictures.flatMap(({ id, capturedAt, fingerprint }) =>
    capturedAt === null ? [{ id, ...looksOf({ fingerprint }) }] : [],
  );
  for (const [at, one] of undated.entries()) {
    for (let next = at + 1; next < undated.length; next++) {
      const other = undated[next];
      if (other && areAlike(one, other, "undated")) join(one.id, other.id);
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
