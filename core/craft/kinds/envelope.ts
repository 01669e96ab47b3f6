import { inches } from "../../measure/length.ts";
import { atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, glue, hinge, measured, panel, partOf, rectangle, there } from "../part.ts";
import { line } from "../polygon.ts";
import { putTogether } from "../table.ts";

/**
 * An envelope from a square folded on its diagonals. Plane geometry: a square of side (w + h) / √2 and an allowance encloses
 * a card w × h; its corners are folded in where the card's edges lie.
 */
export const ENVELOPE = craft({
  ...{ kind: "envelope", name: "Envelope", does: "holds", paper: "patterned-paper" },
  says: "A square folded over a card from its four corners.",
  settings: {
    width: { name: "Card, width", usual: ({ item }) => item?.w ?? inches(4), least: inches(1) },
    height: { name: "Card, height", usual: ({ item }) => item?.h ?? inches(3), least: inches(1) },
    allowance: { name: "Added to the square’s side", usual: () => inches(1 / 4), least: inches(1 / 16) },
  },
  make: ({ width, height, allowance }, { paper }) => {
    // Across its diagonals everything is √2 longer; half of what is added goes to each length of the card.
    const play = Math.round(allowance / Math.SQRT2);
    const [w, h] = [width + play + ((width + play) % 2), height + play + ((height + play) % 2)];
    // A flap that is longer than the envelope is deep would stand out beyond it.
    if (w > 2 * h) return atMost("width", 2 * h - play - 1);
    if (h > 2 * w) return atMost("height", 2 * w - play - 1);
    const half = (w + h) / 2;
    const side = Math.round(half * Math.SQRT2);
    const [left, top, right, foot] = [h / 2, w / 2, h / 2 + w, w / 2 + h];
    const part = {
      ...partOf(
        { id: "envelope", name: "square", of: paper },
        [
          rectangle("back", left, top, w, h),
          panel("left flap", [left, top], [left, foot], [0, half]),
          panel("right flap", [right, top], [2 * half, half], [right, foot]),
          panel("lower flap", [left, foot], [right, foot], [half, 2 * half]),
          panel("upper flap", [left, top], [half, 0], [right, top]),
        ],
        [
          hinge("left", "back", "left flap", "mountain", line(left, top, left, foot)),
          hinge("right", "back", "right flap", "mountain", line(right, top, right, foot)),
          hinge("lower", "back", "lower flap", "mountain", line(left, foot, right, foot)),
          hinge("upper", "back", "upper flap", "mountain", line(left, top, right, top)),
        ],
        {
          onPoint: true,
          trim: {
            say: "From the left and the right corner mark {sides} along both edges, from the upper and the lower one {ends}; score between the two marks of each corner.",
            lengths: { sides: Math.round(h / Math.SQRT2), ends: Math.round(w / Math.SQRT2) },
          },
          zones: [glue("lower flap", half - w / 4, foot + inches(1 / 8), w / 2, Math.max(1, w / 8), "back")],
          measures: [
            measured("Inside, width", left, foot, right, foot),
            measured("Inside, height", left, top, left, foot),
          ],
        },
      ),
      blank: by(side, side),
    };
    const shut = ["left", "right", "lower"];
    const inside = at(left + (w - width) / 2, top + (h - height) / 2);
    return putTogether({
      parts: [part, there("card", "card", width, height)],
      closed: by(w, h),
      states: [
        {
          ...{ id: "closed", name: "Closed" },
          lies: [
            { part: "envelope", folded: [...shut, "upper"], behind: true, at: at(right, -top) },
            { part: "card", at: at(inside.x - left, inside.y - top), over: { part: "envelope", panel: "back" } },
          ],
        },
        {
          ...{ id: "open", name: "Open" },
          lies: [
            { part: "envelope", folded: shut, behind: true, at: at(right, -top) },
            { part: "card", at: at(inside.x - left, inside.y - top), over: { part: "envelope", panel: "back" } },
          ],
        },
      ],
      steps: [
        {
          act: "score",
          part: "envelope",
          minutes: 2,
          say: "The square is {side}: the card’s {width} and {height} together, over √2, and {allowance} added.",
          lengths: { side, width, height, allowance },
        },
        {
          act: "fold",
          part: "envelope",
          minutes: 1,
          say: "Lay the card on the square, its edges along the diagonals; fold the left and the right corner in, then the lower one.",
        },
        {
          act: "glue",
          part: "envelope",
          minutes: 1,
          held: "wet-glue",
          say: "A little glue on the lower flap only, and none where the card lies. The upper flap closes it.",
        },
      ],
      opens: [{ state: "open", hinge: line(0, 0, w, 0) }],
      stays: "needs-closure",
      minds: [
        ...(w > h
          ? [{ say: "The upper and the lower flap lie {over} over each other.", lengths: { over: w - h } }]
          : []),
        { say: "A score that is missed by an eighth shows at every corner: fold it round the card first." },
      ],
    });
  },
});
