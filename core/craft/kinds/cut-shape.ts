import { inches } from "../../measure/length.ts";
import { atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { ownOutline } from "../own.ts";
import { by, hole, measured, partOf, plain } from "../part.ts";
import { putTogether } from "../table.ts";

/** A shape out of a drawing of one's own: a tag, a frame, a leaf for a page. Without a drawing it is a rectangle. */
export const CUT_SHAPE = craft({
  ...{ kind: "cut-shape", name: "Shape of your own", does: "is-a-shape", paper: "cardstock-80", takesOutline: true },
  says: "A tag, a frame or any shape, out of a drawing of your own.",
  settings: {
    width: { name: "Width", usual: ({ item, room }) => item?.w ?? room?.w ?? inches(3), least: inches(1 / 2) },
    height: { name: "Height", usual: ({ item, room }) => item?.h ?? room?.h ?? inches(4), least: inches(1 / 2) },
    hole: { name: "Hole at the head, across", usual: () => 0, least: 0 },
    inset: { name: "Its middle, from the head", usual: () => inches(3 / 8), least: inches(1 / 8) },
  },
  make: ({ width, height, hole: across, inset }, { paper }, _, own) => {
    if (across * 2 > width) return atMost("hole", Math.floor(width / 2));
    if (across > 2 * inset) return atMost("hole", 2 * inset);
    if (inset + across / 2 > height) return atMost("inset", Math.floor(height - across / 2));
    const outline = ownOutline(own, width, height);
    const given = {
      holes: across > 0 ? [hole(width / 2, inset, across as never)] : [],
      measures: [measured("Width", 0, height, width, height), measured("Height", width, 0, width, height)],
    };
    const named = { id: "shape", name: "shape", of: paper };
    const shape = outline
      ? partOf(
          named,
          outline.shapes.map((each, nth) => ({ id: `${nth + 1}`, shape: each })),
          [],
          {
            ...given,
            windows: outline.windows,
            isLoose: outline.shapes.length > 1,
            trim: { say: "Lay the template on it, trace the shape, and cut along the line." },
          },
        )
      : plain(named, width, height, given);
    return putTogether({
      parts: [shape],
      closed: by(width, height),
      states: [{ id: "closed", name: "Cut", lies: [{ part: "shape", at: at(0, 0) }] }],
      steps: [],
      opens: [],
      stays: "does-not-open",
      minds: outline
        ? []
        : [{ say: "It is a rectangle until a drawing of your own is taken: under Own cuts, as an SVG file." }],
    });
  },
});
