/** Whether what is in both lists stands in the same order in both. */
function agree(one: readonly string[], other: readonly string[]): boolean {
  const [inOne, inOther] = [new Set(one), new Set(other)];
  const common = one.filter((id) => inOther.has(id));
  return other.filter((id) => inOne.has(id)).every((id, at) => id === common[at]);
}

/** A list without what left between `from` and `to`, and with what came there, each behind the one it came behind. */
function changedLike(list: readonly string[], from: readonly string[], to: readonly string[]): string[] {
  const [was, is] = [new Set(from), new Set(to)];
  const changed = list.filter((id) => !was.has(id) || is.has(id));
  for (const [at, id] of to.entries()) {
    if (was.has(id) || changed.includes(id)) continue;
    const before = to.slice(0, at).findLast((each) => changed.includes(each));
    changed.splice(before === undefined ? 0 : changed.indexOf(before) + 1, 0, id);
  }
  return changed;
}

/**
 * The order that two changes of a list make together, both made from `base`. Where both only brought something or took it
 * away, or one of them did, there is one; null where both put what was there into another order.
 */
export function joinOrders(
  base: readonly string[],
  one: readonly string[],
  other: readonly string[],
): readonly string[] | null {
  if (agree(base, other)) return changedLike(one, base, other);
  if (agree(base, one)) return changedLike(other, base, one);
  return null;
}
