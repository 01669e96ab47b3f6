/**
 * Drawings that hold still between two changes of the plan are written as text once and kept with the data they show.
 * A page then sends a whole dial at the price of one element. See docs/decisions/still-drawings.md.
 */

/** Keeps what `draw` wrote for as long as the data lives, one drawing for each variant of it. */
export function keptDrawing<T extends object>(
  draw: (data: T, variant: string) => string,
): (data: T, variant: string) => { __html: string } {
  const drawn = new WeakMap<T, Map<string, { __html: string }>>();
  return (data, variant) => {
    const variants = drawn.get(data) ?? new Map<string, { __html: string }>();
    drawn.set(data, variants);
    const kept = variants.get(variant) ?? { __html: draw(data, variant) };
    variants.set(variant, kept);
    return kept;
  };
}
