import { inches } from "../../measure/length.ts";
import { atMost, craft, type Placed } from "../craft.ts";
import { EDGES, edgeLine, edgeOf, overEdge } from "../hinged.ts";
import { at } from "../lies.ts";
import { by, glue, plain, strip } from "../part.ts";
import { putTogether } from "../table.ts";

/** Several flips on one side, one below the other, and the order in which they can be opened. Common practice. */
export const PAGE_OF_FLIPS = craft({
  ...{ kind: "page-of-flips", name: "Page of flips", does: "lifts", paper: "cardstock-65" },
  says: "Two or more flips on one page, which do not open into each other.",
  settings: {
    width: { name: "Flip, width", usual: ({ item, room }) => item?.w ?? room?.w ?? inches(4), least: inches(1) },
    height: {
      name: "Flip, height",
      usual: ({ item, room }) => item?.h ?? (room ? Math.floor(room.h / 2) : inches(3)),
      least: inches(1),
    },
    count: { name: "Flips", counts: true, usual: () => 2, least: 2, most: 5 },
    gap: { name: "Between them", usual: () => inches(1 / 8), least: 0 },
    edge: { name: "Lift about their edge", ways: EDGES, usual: () => 3, least: 0, most: 3 },
    wing: { name: "Half a hinge strip", usual: () => inches(3 / 8), least: inches(1 / 8) },
  },
  make: ({ width, height, count = 2, gap, edge: which = 0, wing }, { paper }) => {
    const edge = edgeOf(which);
    const isLevel = edge === "upper" || edge === "lower";
    const [long, deep] = isLevel ? [width, height] : [height, width];
    if (wing * 2 > deep) return atMost("wing", Math.floor(deep / 2));
    const named = { id: "hinge", name: "hinge strip", of: "printer-paper" as const };
    const zones = isLevel
      ? [glue("to the page", 0, 0, long, wing), glue("to the flip", 0, wing, long, wing)]
      : [glue("to the page", 0, 0, wing, long), glue("to the flip", wing, 0, wing, long)];
    const hingeStrip = strip(named, isLevel ? "down" : "across", [wing, wing], long, ["valley"], { zones, count });
    const flip = plain({ id: "flip", name: "flip", of: paper }, width, height, { count });
    const topOf = (nth: number) => nth * (height + gap);
    const shut = (nth: number): Placed => ({ part: "flip", copy: nth, at: at(0, topOf(nth)) });
    const all = Array.from({ length: count }, (_, nth) => nth);
    const open = (nth: number): Placed => ({
      part: "flip",
      copy: nth,
      ...overEdge(edge, width, height, 0, topOf(nth)),
    });
    // What goes up over its neighbour is opened after it: the uppermost first.
    const order = edge === "lower" ? [...all].reverse() : all;
    return putTogether({
      parts: [flip, hingeStrip],
      closed: by(width, topOf(count - 1) + height),
      states: [
        { id: "closed", name: "Closed", lies: all.map(shut) },
        ...order.map((nth) => ({
          ...{ id: `open ${nth + 1}`, name: `Flip ${nth + 1} open` },
          lies: [...all.filter((each) => each !== nth).map(shut), open(nth)],
        })),
      ],
      steps: [
        { act: "fold", part: "hinge", minutes: count, say: "Fold the hinge strips at {wing}.", lengths: { wing } },
        {
          act: "check",
          part: "flip",
          minutes: 1,
          say: "Lay all of them on the page and lift each in turn before any is glued.",
        },
        {
          act: "glue",
          part: "hinge",
          minutes: count,
          held: "strong-tape",
          say: "Tape one wing under each flip and the other on the page.",
        },
      ],
      opens: order.map((nth) => ({ state: `open ${nth + 1}`, hinge: edgeLine(edge, width, height, 0, topOf(nth)) })),
      stays: "needs-closure",
      minds: isLevel
        ? [
            {
              say: "Each opens over its neighbour: they are opened one after the other, and only one lies open at a time.",
            },
          ]
        : [{ say: "They open side by side: all can lie open at once." }],
    });
  },
});
