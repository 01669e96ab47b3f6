import { inches } from "../../measure/length.ts";
import { atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, glue, measured, plain, strip } from "../part.ts";
import { putTogether } from "../table.ts";

/** A cup or box opened, flattened and joined into a leaf: its sides in a row. Common practice. */
export const FLATTENED_CUP = craft({
  ...{ kind: "flattened-cup", name: "Cup or box, flattened", does: "folds-out", paper: "cardstock-110" },
  says: "Packaging cut open at a seam, pressed flat and joined.",
  settings: {
    side: { name: "One side, width", usual: () => inches(2.5), least: inches(1 / 2) },
    other: { name: "The other side, width", usual: () => inches(1.5), least: inches(1 / 2) },
    height: { name: "Height", usual: ({ room }) => room?.h ?? inches(4), least: inches(1) },
    join: { name: "Strip that joins it", usual: () => inches(3 / 4), least: inches(1 / 4) },
  },
  make: ({ side, other, height, join }, { paper }) => {
    if (join > other) return atMost("join", other);
    const walls = strip(
      { id: "walls", name: "four sides", of: paper },
      "across",
      [side, other, side, other],
      height,
      ["valley", "valley", "valley"],
      {
        zones: [glue("under the strip", 0, 0, join / 2, height, "front")],
        measures: [measured("Side", 0, 0, side, 0), measured("Other side", side, 0, side + other, 0)],
      },
    );
    const stripPart = plain({ id: "join", name: "strip", of: "patterned-paper" }, join, height);
    return putTogether({
      parts: [walls, stripPart],
      // Pressed flat along two of its edges: two sides beside each other, the other two behind them.
      closed: by(side + other, height),
      states: [
        { id: "closed", name: "Pressed flat", lies: [{ part: "walls", folded: ["bc"], at: at(0, 0) }] },
        { id: "open", name: "Opened out", lies: [{ part: "walls", at: at(0, 0) }] },
      ],
      steps: [
        {
          act: "cut",
          part: "walls",
          minutes: 2,
          caution: "blade",
          say: "Rinse and dry it, cut the bottom out and one seam open.",
        },
        { act: "fold", part: "walls", minutes: 1, say: "Press it flat along two of its edges." },
        {
          act: "glue",
          part: "join",
          minutes: 1,
          held: "strong-tape",
          say: "Join the cut seam with the strip, half of {join} on each side.",
          lengths: { join },
        },
      ],
      opens: [{ state: "open", hinge: null }],
      stays: "by-itself",
      minds: [{ say: "Waxed and printed packaging holds no wet glue: double-sided tape." }],
    });
  },
});
