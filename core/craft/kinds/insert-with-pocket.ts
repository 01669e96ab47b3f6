import { inches } from "../../measure/length.ts";
import { atLeast, atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, glue, hinge, measured, panel, partOf, rectangle } from "../part.ts";
import { line } from "../polygon.ts";
import { putTogether } from "../table.ts";

/** A narrow insert whose foot is folded up into a pocket. Common practice: 3½ × 8. */
export const INSERT_WITH_POCKET = craft({
  ...{ kind: "insert-with-pocket", name: "Insert with a pocket", does: "holds", paper: "cardstock-65" },
  says: "A narrow leaf, its foot folded up into a pocket.",
  settings: {
    width: { name: "Insert, width", usual: () => inches(3.5), least: inches(1) },
    height: { name: "Insert, height", usual: ({ room }) => room?.h ?? inches(8), least: inches(2) },
    depth: {
      name: "Pocket, depth",
      usual: ({ item }) => (item ? Math.round(item.h * 0.75) : inches(3)),
      least: inches(1 / 2),
    },
    tab: { name: "Tabs", usual: () => inches(1 / 4), least: inches(1 / 8) },
    margin: { name: "Margin to punch", usual: () => inches(3 / 4), least: 0 },
  },
  make: ({ width, height, depth, tab, margin }, { paper }, { item }) => {
    if (depth > height) return atMost("depth", height);
    if (margin + inches(1) > width) return atMost("margin", width - inches(1));
    const foot = height + depth;
    const part = partOf(
      { id: "insert", name: "insert", of: paper },
      [
        rectangle("back", tab, 0, width, height),
        rectangle("front", tab, height, width, depth),
        panel("left tab", [tab, height], [tab, foot], [0, foot - tab], [0, height + tab]),
        panel(
          "right tab",
          [tab + width, height],
          [2 * tab + width, height + tab],
          [2 * tab + width, foot - tab],
          [tab + width, foot],
        ),
      ],
      [
        hinge("fold", "back", "front", "mountain", line(tab, height, tab + width, height)),
        hinge("left", "front", "left tab", "mountain", line(tab, height, tab, foot)),
        hinge("right", "front", "right tab", "mountain", line(tab + width, height, tab + width, foot)),
      ],
      {
        trim: { say: "Cut {tab} off both sides of its longer end, down to the score across.", lengths: { tab } },
        zones: [
          glue("left tab", 0, height + tab, tab, depth - 2 * tab, "front"),
          glue("right tab", tab + width, height + tab, tab, depth - 2 * tab, "front"),
        ],
        measures: [measured("Depth", 2 * tab + width, height, 2 * tab + width, foot)],
      },
    );
    if (depth <= 2 * tab) return atLeast("depth", 2 * tab + 1);
    const room = width - margin;
    return putTogether({
      room: by(room, height),
      parts: [part],
      closed: by(width, height),
      states: [
        {
          id: "closed",
          name: "Closed",
          lies: [{ part: "insert", folded: ["left", "right", "fold"], behind: true, at: at(tab + width, 0) }],
        },
      ],
      steps: [
        {
          act: "fold",
          part: "insert",
          minutes: 1,
          say: "Fold both tabs behind and the pocket up at {height}.",
          lengths: { height },
        },
        {
          act: "glue",
          part: "insert",
          minutes: 1,
          held: "strong-tape",
          say: "Tape on the printed side of the tabs; press them onto the back.",
        },
      ],
      opens: [],
      stays: "by-itself",
      minds: [
        item
          ? item.w > room
            ? {
                say: "What goes in is {over} wider than the {room} beside the punched margin.",
                lengths: { over: item.w - room, room },
              }
            : { say: "What goes in has {slack} of play beside the punched margin.", lengths: { slack: room - item.w } }
          : { say: "{room} are free beside the punched margin.", lengths: { room } },
      ],
    });
  },
});
