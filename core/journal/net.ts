/** A row of a table by its columns, as JSON. */
export type Image = Readonly<Record<string, unknown>>;

/** What a line changed of one row, as it was recorded: both images of a changed row hold only what differs. */
export type Recorded = {
  readonly of: string;
  readonly key: Image;
  /** Null: it was not there. */
  readonly before: Image | null;
  /** Null: it is not there any more. */
  readonly after: Image | null;
};

/** A text that two equal values share, whatever order their keys came in. */
export function textOf(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(textOf).join(",")}]`;
  if (typeof value === "object" && value !== null)
    return `{${Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([name, inner]) => `${JSON.stringify(name)}:${textOf(inner)}`)
      .join(",")}}`;
  return JSON.stringify(value) ?? "null";
}
export const equal = (one: unknown, other: unknown): boolean => textOf(one) === textOf(other);

/** Of two images of one row, the columns that differ; null where none does. */
function differing(before: Image, after: Image): { before: Image; after: Image } | null {
  const names = Object.keys(after).filter((name) => !equal(before[name], after[name]));
  if (names.length === 0) return null;
  const of = (image: Image) => Object.fromEntries(names.map((name) => [name, image[name]]));
  return { before: of(before), after: of(after) };
}

/** What a change of a row and another one after it make together; null where they make nothing. */
function together(first: Recorded, second: Recorded): Recorded | null {
  const { of, key } = first;
  if (first.before === null) {
    // It came with this line: what is left of it is how it is now.
    return second.after === null ? null : { of, key, before: null, after: { ...first.after, ...second.after } };
  }
  if (first.after === null) {
    // It went, and came again under its old name.
    const change = second.after && differing(first.before, second.after);
    return second.after === null ? first : change && { of, key, ...change };
  }
  if (second.after === null) return { of, key, before: { ...second.before, ...first.before }, after: null };
  const change = differing({ ...second.before, ...first.before }, { ...first.after, ...second.after });
  return change && { of, key, ...change };
}

/** What a line changed in all, one change a row, from what was recorded in order. */
export function netOf(recorded: readonly Recorded[]): Recorded[] {
  const net = new Map<string, Recorded | null>();
  for (const each of recorded) {
    const name = `${each.of} ${textOf(each.key)}`;
    const known = net.get(name);
    net.set(name, known ? together(known, each) : each);
  }
  return [...net.values()].filter((each) => each !== null);
}

/** The same change the other way round: what it made becomes what it found. */
export const reversed = ({ of, key, before, after }: Recorded): Recorded => ({ of, key, before: after, after: before });

const asSet = (value: unknown): ReadonlySet<string> | null =>
  Array.isArray(value) ? new Set(value.map((each) => textOf(each))) : null;

/**
 * What a column is to be when the change from `from` to `to` is made on `now`. A column that holds a set, such as steps
 * that are done, gets what came and loses what went, whatever else is in it; any other must be as the change found it.
 * Undefined where somebody has changed it since.
 */
export function columnAfter(
  from: unknown,
  to: unknown,
  now: unknown,
  isSet: boolean,
): { readonly value: unknown } | null {
  const [was, is, has] = [asSet(from), asSet(to), asSet(now)];
  if (!isSet || !was || !is || !has) return equal(from, now) ? { value: to } : null;
  const goes = [...was].filter((each) => !is.has(each));
  const comes = [...is].filter((each) => !was.has(each));
  if (goes.some((each) => !has.has(each)) || comes.some((each) => has.has(each))) return null;
  const stays = (now as unknown[]).filter((each) => !goes.includes(textOf(each)));
  return { value: [...stays, ...(to as unknown[]).filter((each) => comes.includes(textOf(each)))] };
}
