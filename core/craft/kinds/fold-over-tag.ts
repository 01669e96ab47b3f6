import { inches } from "../../measure/length.ts";
import { atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, glue, hole, measured, partOf, round, strip } from "../part.ts";
import { putTogether } from "../table.ts";

/**
 * A strip folded over the edge of a bound page, with a reinforced hole that is seen through a window in the page before. Common
 * practice: 12 inch paper folded at 4 is 4 wide and finished on both sides; a disc of ⅝, a window of 2.
 */
export const FOLD_OVER_TAG = craft({
  ...{ kind: "fold-over-tag", name: "Fold-over tag", does: "lets-through", paper: "patterned-paper" },
  says: "Folded over the edge of a bound page, seen through a window in the page before.",
  settings: {
    paper: { name: "Paper, length", usual: () => inches(12), least: inches(2) },
    width: { name: "Folded at", usual: () => inches(4), least: inches(1) },
    height: { name: "Height", usual: ({ item }) => item?.h ?? inches(2.5), least: inches(1) },
    disc: { name: "Reinforcing disc", usual: () => inches(5 / 8), least: inches(3 / 8) },
    hole: { name: "Hole in it", usual: () => inches(1 / 4), least: inches(1 / 8) },
    window: { name: "Window in the page before", usual: () => inches(2), least: inches(1 / 2) },
  },
  make: ({ paper: long, width, height, disc, hole: across, window }, { paper }) => {
    if (width * 2 > long) return atMost("width", Math.floor(long / 2));
    if (disc > height) return atMost("disc", height);
    if (across >= disc) return atMost("hole", disc - inches(1 / 8));
    const tag = {
      ...strip({ id: "tag", name: "tag", of: paper }, "across", [width, width], height, ["mountain"], {
        trim: long > 2 * width ? { say: "Cut {off} off its end.", lengths: { off: long - 2 * width } } : undefined,
        zones: [
          glue("to the page", 0, 0, width, height, "back"),
          glue("to the page behind", width, 0, width, height, "back"),
        ],
        measures: [measured("Folded at", 0, 0, width, 0)],
      }),
      blank: by(long, height),
    };
    const discPart = partOf(
      { id: "disc", name: "disc", of: "cardstock-80" },
      [{ id: "whole", shape: round(disc / 2, disc / 2, disc) }],
      [],
      {
        count: 2,
        holes: [hole(disc / 2, disc / 2, across as never)],
      },
    );
    const middle = { x: width - disc, y: (height - disc) / 2 };
    return putTogether({
      parts: [tag, discPart],
      closed: by(width, height),
      states: [
        {
          ...{ id: "closed", name: "On its page" },
          lies: [
            { part: "tag", folded: ["ab"], at: at(0, 0) },
            { part: "disc", at: at(middle.x, middle.y) },
          ],
        },
      ],
      steps: [
        {
          act: "glue",
          part: "tag",
          minutes: 1,
          held: "tape-runner",
          say: "Fold it over the edge of the page, {width} on each side, and glue both halves down.",
          lengths: { width },
        },
        {
          act: "glue",
          part: "disc",
          minutes: 1,
          held: "wet-glue",
          say: "A disc of {disc} on each side of the hole.",
          lengths: { disc },
        },
        {
          act: "cut",
          minutes: 2,
          caution: "blade",
          say: "Cut a round window of {window} into the page before, its middle where the disc lies.",
          lengths: { window },
        },
      ],
      opens: [],
      stays: "does-not-open",
      minds: [{ say: "Tags on following pages stagger by {step}, so that each is seen.", lengths: { step: height } }],
    });
  },
});
