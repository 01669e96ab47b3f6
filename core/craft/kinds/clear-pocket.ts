import { inches } from "../../measure/length.ts";
import { atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, free, glue, measured, strip } from "../part.ts";
import { line } from "../polygon.ts";
import { putTogether } from "../table.ts";

/** Film folded and taped at both sides, for loose things: a bag or a pocket. Common practice. */
export const CLEAR_POCKET = craft({
  ...{ kind: "clear-pocket", name: "Clear pocket of loose things", does: "holds", paper: "transparency" },
  says: "Film folded up and taped at its sides: letters, shells, tickets, seen and safe.",
  settings: {
    width: { name: "Inside width", usual: ({ item }) => (item ? item.w + inches(1 / 4) : inches(3)), least: inches(1) },
    height: {
      name: "Inside height",
      usual: ({ item }) => (item ? item.h + inches(1 / 4) : inches(4)),
      least: inches(1),
    },
    seam: { name: "Tape at the sides", usual: () => inches(3 / 8), least: inches(1 / 8) },
    lid: { name: "Film left to close it", usual: () => inches(1), least: 0 },
  },
  make: ({ width, height, seam, lid }, { paper }) => {
    if (lid > height) return atMost("lid", height);
    const w = width + 2 * seam;
    const film = strip(
      { id: "film", name: "film", of: paper },
      "down",
      lid > 0 ? [lid, height, height] : [height, height],
      w,
      lid > 0 ? ["mountain", "mountain"] : ["mountain"],
      {
        zones: [
          glue("left seam", 0, lid, seam, height),
          glue("right seam", w - seam, lid, seam, height),
          free("what is in it", seam, lid, width, height),
        ],
        measures: [measured("Inside", seam, lid + height, seam + width, lid + height)],
      },
    );
    // With a lid the lid is the first panel, and the pocket hangs on it.
    const scores = lid > 0 ? { up: "bc", over: "ab" } : { up: "ab", over: null };
    return putTogether({
      room: by(width, height),
      parts: [film],
      closed: by(w, height),
      states: [
        {
          id: "closed",
          name: "Closed",
          lies: [
            {
              part: "film",
              folded: scores.over ? [scores.up, scores.over] : [scores.up],
              at: at(0, scores.over ? -lid : 0),
            },
          ].map((each) => (scores.over ? { ...each, turn: 2 as const, at: at(w, lid) } : each)),
        },
        ...(scores.over
          ? [
              {
                id: "open",
                name: "Open",
                lies: [{ part: "film", folded: [scores.up], turn: 2 as const, at: at(w, lid) }],
              },
            ]
          : []),
      ],
      steps: [
        { act: "score", part: "film", minutes: 1, say: "Film needs several passes along a score." },
        {
          act: "glue",
          part: "film",
          minutes: 2,
          held: "strong-tape",
          say: "Fold it up and tape {seam} at both sides; nothing in between.",
          lengths: { seam },
        },
        { act: "fill", minutes: 1, caution: "small-parts", say: "Put the loose things in, and close it." },
      ],
      opens: scores.over ? [{ state: "open", hinge: line(0, 0, w, 0) }] : [],
      stays: lid > 0 ? "by-itself" : "needs-closure",
      minds: [{ say: "Tape is seen through film: hide it under a label or a strip of washi tape." }],
    });
  },
});
