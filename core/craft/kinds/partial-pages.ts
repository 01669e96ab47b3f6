import { inches } from "../../measure/length.ts";
import { atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, free, glue, measured, plain, strip } from "../part.ts";
import { line } from "../polygon.ts";
import { putTogether } from "../table.ts";

/** Two partial pages joined by a hinge into one leaf, spare holes covered. Common practice. */
export const PARTIAL_PAGES = craft({
  ...{ kind: "partial-pages", name: "Two partial pages hinged", does: "folds-out", paper: "cardstock-80" },
  says: "Two remainders joined into one page that folds.",
  settings: {
    width: {
      name: "Page in the rings, width",
      usual: ({ room }) => (room ? Math.floor(room.w / 2) : inches(4)),
      least: inches(1),
    },
    other: {
      name: "Page that folds in, width",
      usual: ({ room }) => (room ? Math.floor(room.w / 2) - inches(1 / 2) : inches(3.5)),
      least: inches(1),
    },
    height: { name: "Height", usual: ({ room }) => room?.h ?? inches(8), least: inches(1) },
    wing: { name: "Half the hinge strip", usual: () => inches(1 / 2), least: inches(1 / 8) },
    margin: { name: "Margin to keep free", usual: () => inches(1 / 2), least: 0 },
  },
  make: ({ width, other, height, wing, margin }, { paper }) => {
    if (other > width - margin) return atMost("other", width - margin);
    if (wing * 2 > Math.min(width, other)) return atMost("wing", Math.floor(Math.min(width, other) / 2));
    const page = plain({ id: "page", name: "page in the rings", of: paper }, width, height, {
      zones: [free("the holes", 0, 0, margin || 1, height, "front")],
    });
    const flap = plain({ id: "flap", name: "page that folds in", of: paper }, other, height);
    const hingeStrip = strip(
      { id: "hinge", name: "hinge strip", of: "patterned-paper" },
      "across",
      [wing, wing],
      height,
      ["valley"],
      {
        zones: [glue("to the page", 0, 0, wing, height), glue("to the other", wing, 0, wing, height)],
        measures: [measured("Score", 0, 0, wing, 0)],
      },
    );
    return putTogether({
      parts: [page, flap, hingeStrip],
      closed: by(width, height),
      states: [
        {
          id: "closed",
          name: "Folded in",
          lies: [
            { part: "page", at: at(0, 0) },
            { part: "hinge", folded: ["ab"], at: at(width - wing, 0) },
            { part: "flap", behind: true, at: at(width, 0) },
          ],
        },
        {
          id: "open",
          name: "Unfolded",
          lies: [
            { part: "page", at: at(0, 0) },
            { part: "flap", at: at(width, 0) },
            { part: "hinge", at: at(width - wing, 0) },
          ],
        },
      ],
      steps: [
        {
          act: "glue",
          part: "hinge",
          minutes: 2,
          held: "strong-tape",
          say: "Lay both edge to edge with a hair between, and tape the strip over the seam, {wing} on each side.",
          lengths: { wing },
        },
        {
          act: "glue",
          minutes: 1,
          say: "Cover holes that are left over in the second page with a strip or discs.",
          held: "washi",
        },
      ],
      opens: [{ state: "open", hinge: line(width, 0, width, height) }],
      stays: "by-itself",
      minds: [{ say: "Folded in it leaves {margin} at the rings free.", lengths: { margin: width - other } }],
    });
  },
});
