import { inches } from "../../measure/length.ts";
import type { Fold } from "../blueprint.ts";
import { atMost, craft, creepOf } from "../craft.ts";
import { at } from "../lies.ts";
import { by, measured, strip } from "../part.ts";
import { putTogether } from "../table.ts";

/** So much an inner panel is narrower than its paper's thickness asks for: a hair. Common practice. */
const HAIR = inches(1 / 64);

/**
 * A strip of panels that folds in and slides into its pocket. Plain arithmetic: of a strip of 12 × 4½ panels of 3½ give three
 * and 1½ to cut off, panels of 4 give three and nothing left.
 */
export const FOLD_OUT = craft({
  ...{ kind: "fold-out", name: "Fold-out", does: "folds-out", paper: "cardstock-65" },
  says: "A strip of panels folded in, which slides into its pocket.",
  settings: {
    strip: { name: "Strip, length", usual: () => inches(12), least: inches(2) },
    height: { name: "Strip, height", usual: ({ room }) => room?.h ?? inches(4.5), least: inches(1) },
    panel: { name: "Panel, width", usual: ({ item, room }) => item?.w ?? room?.w ?? inches(3.5), least: inches(1) },
    panels: { name: "Panels", counts: true, usual: () => 3, least: 2, most: 8 },
    fold: { name: "Folded", ways: ["in on each other", "in zigzag"], usual: () => 0, least: 0, most: 1 },
  },
  make: ({ strip: long, height, panel, panels = 3, fold }, stock) => {
    const isZigzag = fold === 1;
    // What is folded in lies within what was folded before it, by a layer and a hair each.
    const narrower = isZigzag ? 0 : creepOf(stock, 2) + HAIR;
    const widths = Array.from({ length: panels }, (_, nth) => panel - nth * narrower);
    const used = widths.reduce((sum, each) => sum + each, 0);
    if (used > long) {
      const room = Math.floor((long + (narrower * panels * (panels - 1)) / 2) / panels);
      return panels > Math.floor(long / panel) && Math.floor(long / panel) >= 2
        ? atMost("panels", Math.floor(long / panel))
        : atMost("panel", room);
    }
    const folds = widths.slice(1).map((_, at): Fold => (isZigzag && at % 2 === 1 ? "mountain" : "valley"));
    const part = {
      ...strip({ id: "strip", name: "strip", of: stock.paper }, "across", widths, height, folds, {
        trim:
          long > used
            ? { say: "Cut {off} off its end: {used} are folded.", lengths: { off: long - used, used } }
            : undefined,
        measures: widths.map((each, nth) => {
          const from = widths.slice(0, nth).reduce((sum, one) => sum + one, 0);
          return measured(`Panel ${nth + 1}`, from, 0, from + each, 0);
        }),
      }),
      blank: by(long, height),
    };
    const folded = part.hinges.map(({ score }) => score).reverse();
    return putTogether({
      parts: [part],
      closed: by(panel, height),
      states: [
        { id: "closed", name: "Closed", lies: [{ part: "strip", folded, at: at(0, 0) }] },
        ...folded.slice(1).map((_, nth) => ({
          ...{ id: `open ${nth + 1}`, name: nth === folded.length - 2 ? "Half open" : `Opened ${nth + 1}` },
          lies: [{ part: "strip", folded: folded.slice(0, folded.length - 1 - nth), at: at(0, 0) }],
        })),
        { id: "open", name: "Unfolded", lies: [{ part: "strip", at: at(0, 0) }] },
      ],
      steps: [
        {
          act: "fold",
          part: "strip",
          minutes: 1,
          say: isZigzag
            ? "Fold it in zigzag, forward and back in turn."
            : "Fold the last panel in first, then each over it.",
        },
        {
          act: "check",
          part: "strip",
          minutes: 1,
          say: "Slide it into its pocket now, and again with everything on it: what is stuck on it makes it jam.",
        },
      ],
      opens: [{ state: "open", hinge: null }],
      stays: "in-its-pocket",
      minds: [
        { say: "A deep groove of the scorer tears the paper: put tape under it before it is folded." },
        ...(narrower > 0
          ? [{ say: "Each panel that goes in is {narrower} narrower than the one before.", lengths: { narrower } }]
          : []),
      ],
    });
  },
});
