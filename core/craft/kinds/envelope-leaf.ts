import { inches } from "../../measure/length.ts";
import { atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, glue, hole, measured, plain, there } from "../part.ts";
import { putTogether } from "../table.ts";

/** An envelope in the rings as a leaf of its own, by a strip that is punched. Common practice. */
export const ENVELOPE_LEAF = craft({
  ...{ kind: "envelope-leaf", name: "Envelope as a leaf", does: "holds", paper: "cardstock-65" },
  says: "A bought or folded envelope in the rings, by a strip at its edge.",
  settings: {
    width: { name: "Envelope, width", usual: ({ item }) => item?.w ?? inches(5.25), least: inches(1) },
    height: { name: "Envelope, height", usual: ({ item }) => item?.h ?? inches(7.25), least: inches(1) },
    strip: { name: "Strip beyond it", usual: () => inches(3 / 4), least: inches(1 / 2) },
    under: { name: "Strip under it", usual: () => inches(1 / 2), least: inches(1 / 4) },
    hole: { name: "Holes", usual: () => inches(1 / 4), least: inches(1 / 8) },
  },
  make: ({ width, height, strip: beyond, under, hole: across }, { paper }) => {
    if (under > width) return atMost("under", width);
    if (across * 2 > height) return atMost("hole", Math.floor(height / 2));
    if (across > beyond) return atMost("hole", beyond);
    const stripPart = plain({ id: "strip", name: "strip", of: paper }, beyond + under, height, {
      zones: [glue("under the envelope", beyond, 0, under, height, "front")],
      holes: [height / 4, (height * 3) / 4].map((y) => hole(beyond / 2, y, across as never)),
      measures: [
        measured("Beyond it", 0, height, beyond, height),
        measured("Under it", beyond, height, beyond + under, height),
      ],
    });
    return putTogether({
      parts: [stripPart, there("envelope", "envelope", width, height)],
      closed: by(width + beyond, height),
      states: [
        {
          id: "closed",
          name: "In the rings",
          lies: [
            { part: "strip", at: at(0, 0) },
            { part: "envelope", at: at(beyond, 0) },
          ],
        },
      ],
      steps: [
        {
          act: "glue",
          part: "strip",
          minutes: 1,
          held: "strong-tape",
          say: "Tape {under} of the strip under the envelope’s edge; its flap opens away from the rings.",
          lengths: { under },
        },
        {
          act: "check",
          minutes: 0,
          say: "Lay it on a page’s holes before it is punched: only the strip is punched, never what lies in the envelope.",
        },
      ],
      opens: [],
      stays: "by-itself",
      minds: [
        {
          say: "As a leaf it is {wide} wide with its strip: it must not pass the cover.",
          lengths: { wide: width + beyond },
        },
      ],
    });
  },
});
