import { inches } from "../../measure/length.ts";
import { atMost, craft } from "../craft.ts";
import { EDGES, edgeLine, edgeOf, overEdge } from "../hinged.ts";
import { at } from "../lies.ts";
import { by, glue, strip, there } from "../part.ts";
import { putTogether } from "../table.ts";

/** A smaller page fixed by a strip along one edge to a page. Common practice. */
export const TIP_IN = craft({
  ...{ kind: "tip-in", name: "Tipped-in page", does: "lifts", paper: "cardstock-65" },
  says: "A smaller page held by a strip along one edge: a letter, a programme, a bound book’s extra leaf.",
  settings: {
    width: { name: "Page, width", usual: ({ item }) => item?.w ?? inches(4), least: inches(1) },
    height: { name: "Page, height", usual: ({ item }) => item?.h ?? inches(6), least: inches(1) },
    wing: { name: "Half the strip", usual: () => inches(1 / 4), least: inches(1 / 8) },
    edge: { name: "Held along its edge", ways: EDGES, usual: () => 3, least: 0, most: 3 },
  },
  make: ({ width, height, wing, edge: which = 3 }) => {
    const edge = edgeOf(which);
    const isLevel = edge === "upper" || edge === "lower";
    const [long, deep] = isLevel ? [width, height] : [height, width];
    if (wing > deep) return atMost("wing", deep);
    const named = { id: "strip", name: "strip", of: "printer-paper" as const };
    const zones = isLevel
      ? [glue("to the page", 0, 0, long, wing), glue("to what is tipped in", 0, wing, long, wing)]
      : [glue("to the page", 0, 0, wing, long), glue("to what is tipped in", wing, 0, wing, long)];
    const stripPart = strip(named, isLevel ? "down" : "across", [wing, wing], long, ["valley"], { zones });
    return putTogether({
      parts: [there("page", "smaller page", width, height), stripPart],
      closed: by(width, height),
      states: [
        { id: "closed", name: "Closed", lies: [{ part: "page", at: at(0, 0) }] },
        { id: "open", name: "Turned", lies: [{ part: "page", ...overEdge(edge, width, height) }] },
      ],
      steps: [
        { act: "fold", part: "strip", minutes: 1, say: "Fold the strip at {wing}.", lengths: { wing } },
        {
          act: "glue",
          part: "strip",
          minutes: 1,
          held: "wet-glue",
          say: "A thin line of glue on both wings: too much comes through. In a bound book hold it close to the fold of the page.",
        },
      ],
      opens: [{ state: "open", hinge: edgeLine(edge, width, height) }],
      stays: "by-itself",
      minds: [],
    });
  },
});
