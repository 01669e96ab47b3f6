import { inches } from "../../measure/length.ts";
import { atMost, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, glue, hinge, measured, panel, partOf, rectangle, there } from "../part.ts";
import { line } from "../polygon.ts";
import { putTogether } from "../table.ts";

/**
 * A pocket of one piece that folds up: inside width and punch margin between two tabs, its depth under its back. Common
 * practice: inside 3, margin ½, tabs ⅜, depth 3 and back 3¾ make a blank of 4¼ × 6¾.
 */
export const TABBED_POCKET = craft({
  ...{ kind: "tabbed-pocket", name: "Tabbed pocket", does: "holds", paper: "patterned-paper" },
  says: "One piece folded up, with a tab on each side that holds it.",
  settings: {
    width: {
      name: "Inside width",
      usual: ({ item }) => (item ? item.w + inches(1 / 16) : inches(3)),
      least: inches(1),
    },
    depth: {
      name: "Pocket depth",
      usual: ({ item }) => (item ? Math.round(item.h * 0.75) : inches(3)),
      least: inches(1 / 2),
    },
    rise: { name: "Back rises above it by", usual: () => inches(3 / 4), least: 0 },
    margin: { name: "Margin to punch", usual: () => inches(1 / 2), least: 0 },
    tab: { name: "Tabs", usual: () => inches(3 / 8), least: inches(1 / 8) },
    slant: { name: "Slant of the corners", usual: () => inches(1 / 4), least: 0 },
  },
  make: ({ width, depth, rise, margin, tab, slant }, { paper }, { item }) => {
    const [inner, back] = [width + margin, depth + rise];
    if (tab * 2 > inner) return atMost("tab", Math.floor(inner / 2));
    if (slant * 2 > depth) return atMost("slant", Math.floor(depth / 2));
    const [left, right, foot] = [tab, tab + inner, back + depth];
    const pocket = partOf(
      { id: "pocket", name: "pocket", of: paper },
      [
        rectangle("back", left, 0, inner, back),
        rectangle("front", left, back, inner, depth),
        panel("left tab", [left, back], [left, foot], [0, foot - slant], [0, back + slant]),
        panel("right tab", [right, back], [right + tab, back + slant], [right + tab, foot - slant], [right, foot]),
      ],
      [
        hinge("fold", "back", "front", "mountain", line(left, back, right, back)),
        hinge("left", "front", "left tab", "mountain", line(left, back, left, foot)),
        hinge("right", "front", "right tab", "mountain", line(right, back, right, foot)),
      ],
      {
        trim: {
          say: "Cut {tab} off both sides of its longer end, down to the score across at {depth}. Slant the corners of both tabs by {slant}.",
          lengths: { tab, depth, slant },
        },
        zones: [
          glue("left tab", 0, back + slant, tab, depth - 2 * slant, "front"),
          glue("right tab", right, back + slant, tab, depth - 2 * slant, "front"),
        ],
        measures: [
          measured("Tab", 0, foot, tab, foot),
          measured("Inside and margin", left, foot, right, foot),
          measured("Depth", right + tab, back, right + tab, foot),
          measured("Back", right + tab, 0, right + tab, back),
        ],
      },
    );
    // What is too wide for it is told, and not drawn in it.
    const inside = item && item.w <= width ? item : null;
    const goesIn = inside ? [there("item", "what goes in", inside.w, inside.h)] : [];
    const shut = ["left", "right", "fold"];
    const lies = (up: number) => [
      { part: "pocket", folded: shut, behind: true, at: at(right, 0) },
      ...(inside
        ? [
            {
              part: "item",
              at: at(margin + (width - inside.w) / 2, back - inside.h - up),
              over: { part: "pocket", panel: "back" },
            },
          ]
        : []),
    ];
    return putTogether({
      room: by(width, back),
      parts: [pocket, ...goesIn],
      closed: by(inner, Math.max(back, inside?.h ?? 0)),
      states: [
        { id: "closed", name: "Closed", lies: lies(0) },
        ...(inside ? [{ id: "out", name: "Pulled out", lies: lies(Math.round(depth / 2)) }] : []),
      ],
      steps: [
        {
          act: "fold",
          part: "pocket",
          minutes: 1,
          say: "Fold both tabs behind, then fold the pocket up at {depth}.",
          lengths: { depth },
        },
        {
          act: "glue",
          part: "pocket",
          minutes: 1,
          held: "strong-tape",
          say: "Tape on the printed side of both tabs; press them onto the back.",
        },
        ...(margin > 0
          ? [
              {
                act: "check" as const,
                minutes: 0,
                say: "Leave {margin} at the binding edge for the holes: nothing goes in there.",
                lengths: { margin },
              },
            ]
          : []),
      ],
      opens: inside ? [{ state: "out", hinge: null }] : [],
      stays: "by-itself",
      minds: [
        item
          ? item.w > width
            ? { say: "What goes in is {over} wider than the pocket.", lengths: { over: item.w - width } }
            : { say: "What goes in has {slack} of play from side to side.", lengths: { slack: width - item.w } }
          : { say: "Say what goes in, and its play is told." },
        ...(paper === "transparency" ? [{ say: "Film needs several passes along each score." }] : []),
      ],
    });
  },
});
