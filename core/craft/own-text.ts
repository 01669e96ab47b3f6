import type { OwnCut } from "../album/leaf.ts";

/**
 * Cuts of one's own as an address has them: `slit.sheet.0.100.400.0_shape.sheet.0.0.100.0.50.80`, lengths in ticks.
 */
export const ownAsText = (own: readonly OwnCut[]): string =>
  own
    .map((cut) => {
      const numbers = "at" in cut ? [cut.at.x, cut.at.y, cut.at.w, cut.at.h] : cut.points.flatMap(({ x, y }) => [x, y]);
      return [cut.kind, "part" in cut ? cut.part : "", ...numbers].join(".");
    })
    .join("_");

/** The same read again, as it must still be checked: nothing of it is known to be as it should. */
export const ownFromText = (text: string): unknown[] =>
  text === ""
    ? []
    : text.split("_").map((each) => {
        const [kind, part, ...said] = each.split(".");
        const numbers = said.map(Number);
        if (kind !== "shape" && kind !== "outline") {
          const [x, y, w, h] = numbers;
          return { kind, part, at: { x, y, w, h } };
        }
        const points = numbers.flatMap((x, nth) => (nth % 2 === 0 ? [{ x, y: numbers[nth + 1] }] : []));
        return { kind, part, points };
      });
