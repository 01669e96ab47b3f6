import { inches } from "../../measure/length.ts";
import { atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, cornered, glue, hinge, measured, partOf, rectangle } from "../part.ts";
import { line } from "../polygon.ts";
import { putTogether } from "../table.ts";

/** A lid alone, as of an envelope whose sides are cut off: it closes a pocket, a booklet or a stack. Common practice. */
export const LID = craft({
  ...{ kind: "lid", name: "Lid", does: "lifts", paper: "patterned-paper" },
  says: "The flap of an envelope by itself, which closes something else.",
  settings: {
    width: { name: "Width", usual: ({ item, room }) => item?.w ?? room?.w ?? inches(4), least: inches(1) },
    depth: {
      name: "Comes down",
      usual: ({ item }) => (item ? Math.round(item.h / 3) : inches(1.5)),
      least: inches(1 / 2),
    },
    tab: { name: "Glued by", usual: () => inches(1 / 2), least: inches(1 / 4) },
    slant: { name: "Its corners cut", usual: () => inches(1 / 2), least: 0 },
  },
  make: ({ width, depth, tab, slant }, { paper }) => {
    if (slant > depth || slant * 2 > width) return atMost("slant", Math.min(depth, Math.floor(width / 2)));
    const lid = partOf(
      { id: "lid", name: "lid", of: paper },
      [
        rectangle("tab", 0, 0, width, tab),
        { id: "lid", shape: cornered(0, tab, width, depth, { lowerLeft: slant, lowerRight: slant }) },
      ],
      [hinge("fold", "tab", "lid", "mountain", line(0, tab, width, tab))],
      {
        zones: [glue("behind what it closes", 0, 0, width, tab)],
        ...(slant > 0
          ? { trim: { say: "Cut both lower corners at 45°, {slant} along each side.", lengths: { slant } } }
          : {}),
        measures: [measured("Tab", 0, 0, 0, tab), measured("Comes down", 0, tab, 0, tab + depth)],
      },
    );
    return putTogether({
      parts: [lid],
      closed: by(width, Math.max(tab, depth)),
      states: [
        {
          id: "closed",
          name: "Closed",
          lies: [{ part: "lid", folded: ["fold"], behind: true, turn: 2, at: at(0, tab) }],
        },
        { id: "open", name: "Open", lies: [{ part: "lid", behind: true, turn: 2, at: at(0, tab) }] },
      ],
      steps: [
        { act: "fold", part: "lid", minutes: 1, say: "Fold it at {tab}.", lengths: { tab } },
        {
          act: "glue",
          part: "lid",
          minutes: 1,
          held: "strong-tape",
          say: "Glue the tab behind what it closes, the score flush with its upper edge.",
        },
      ],
      opens: [{ state: "open", hinge: line(0, 0, width, 0) }],
      stays: "needs-closure",
      minds: [
        {
          say: "Cut from an envelope: cut the flap’s sides off, and keep a strip of {tab} of the back to glue it by.",
          lengths: { tab },
        },
      ],
    });
  },
});
