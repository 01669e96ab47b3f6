import { inches, millimetres } from "../../measure/length.ts";
import { atMost, craft } from "../craft.ts";
import { EDGES, edgeLine, edgeOf, overEdge } from "../hinged.ts";
import { at } from "../lies.ts";
import { by, glue, measured, plain, strip } from "../part.ts";
import { putTogether } from "../table.ts";

/** A piece on a hinge strip that lifts: 6 × 8 over 4 × 6, 3 × 4 over 3 × 4. Common practice. */
export const FLIP_UP = craft({
  ...{ kind: "flip-up", name: "Flip-up", does: "lifts", paper: "cardstock-80" },
  says: "A piece on a strip along one edge, which lifts to what is under it.",
  settings: {
    width: { name: "Flip, width", usual: ({ item, room }) => item?.w ?? room?.w ?? inches(3), least: inches(1) },
    height: { name: "Flip, height", usual: ({ item, room }) => item?.h ?? room?.h ?? inches(4), least: inches(1) },
    edge: { name: "Lifts about its edge", ways: EDGES, usual: () => 0, least: 0, most: 3 },
    wing: { name: "Half the hinge strip", usual: () => inches(3 / 8), least: inches(1 / 8) },
    tab: { name: "Tab to lift it by", usual: () => inches(1 / 2), least: 0 },
  },
  make: ({ width, height, edge: which = 0, wing, tab }, { paper, caliper }) => {
    const edge = edgeOf(which);
    const isLevel = edge === "upper" || edge === "lower";
    const [long, deep] = isLevel ? [width, height] : [height, width];
    if (wing * 2 > deep) return atMost("wing", Math.floor(deep / 2));
    if (tab * 2 > long) return atMost("tab", Math.floor(long / 2));
    const named = { id: "hinge", name: "hinge strip", of: "printer-paper" as const };
    const zones = isLevel
      ? [glue("to the page", 0, 0, long, wing), glue("to the flip", 0, wing, long, wing)]
      : [glue("to the page", 0, 0, wing, long), glue("to the flip", wing, 0, wing, long)];
    const hingeStrip = strip(named, isLevel ? "down" : "across", [wing, wing], long, ["valley"], {
      zones,
      measures: [isLevel ? measured("Score", 0, 0, 0, wing) : measured("Score", 0, 0, wing, 0)],
    });
    const flip = plain({ id: "flip", name: "flip", of: paper }, width, height);
    const ends = { upper: at(0, -wing), lower: at(0, height - wing), left: at(-wing, 0), right: at(width - wing, 0) };
    const tabPart = plain({ id: "tab", name: "tab", of: paper }, tab || 1, tab || 1);
    // It stands out by half at the edge across from the hinge.
    const tabAt = {
      upper: at((width - tab) / 2, height - tab / 2),
      lower: at((width - tab) / 2, -tab / 2),
      left: at(width - tab / 2, (height - tab) / 2),
      right: at(-tab / 2, (height - tab) / 2),
    };
    const over = overEdge(edge, width, height);
    const tabOver = overEdge(edge, width, height);
    const hasTab = tab > 0;
    const turnedTab = { part: "tab", ...tabOver };
    const openTab =
      edge === "upper" || edge === "lower"
        ? { ...turnedTab, at: at(tabAt[edge].x, tabOver.at.y - tabAt[edge].y) }
        : { ...turnedTab, at: at(tabOver.at.x - tabAt[edge].x, tabAt[edge].y) };
    const isThick = caliper > 250;
    return putTogether({
      parts: [flip, hingeStrip, ...(hasTab ? [tabPart] : [])],
      closed: isLevel ? by(width, height + tab / 2) : by(width + tab / 2, height),
      states: [
        {
          ...{ id: "closed", name: "Closed" },
          lies: [
            // Folded shut its wings lie on each other within the flip.
            { part: "hinge", folded: ["ab"], ...foldedWing(edge, width, height, wing) },
            ...(hasTab ? [{ part: "tab", at: tabAt[edge] }] : []),
            { part: "flip", at: at(0, 0) },
          ],
        },
        {
          ...{ id: "open", name: "Open" },
          lies: [{ part: "hinge", at: ends[edge] }, ...(hasTab ? [openTab] : []), { part: "flip", ...over }],
        },
      ],
      steps: [
        { act: "fold", part: "hinge", minutes: 1, say: "Fold the hinge strip at {wing}.", lengths: { wing } },
        {
          act: "check",
          part: "flip",
          minutes: 0,
          say: `Lift it before it is glued: what is stuck on its back stands ${isLevel ? "with its head at the hinge" : "the same way up as its front"}.`,
        },
        {
          act: "glue",
          part: "hinge",
          minutes: 1,
          held: "strong-tape",
          say: "Tape one wing under the flip and the other on the page, the score flush with the edge.",
        },
        ...(hasTab
          ? [
              {
                act: "fasten" as const,
                part: "tab",
                minutes: 1,
                held: "staple" as const,
                caution: "stapler" as const,
                say: "Staple the tab: glue lets go there.",
              },
            ]
          : []),
      ],
      opens: [{ state: "open", hinge: edgeLine(edge, width, height) }],
      stays: "needs-closure",
      minds: [
        {
          say: isLevel
            ? "What is stuck on its back stands upside down when it is flat: with its head at the hinge it reads when it is open."
            : "What is stuck on its back reads when it is open, as it reads when it lies flat.",
        },
        { say: "A strip of cardstock is thick at the edge; printer paper is not." },
        ...(isThick
          ? [
              {
                say: "This paper is too thick for an edge punch: leave {plain} plain, or cut {more} for an edge that is punched.",
                lengths: { plain: deep, more: deep + millimetres(12.7) },
              },
            ]
          : []),
      ],
    });
  },
});

/** Where the folded hinge strip lies within its flip. */
function foldedWing(edge: (typeof EDGES)[number], width: number, height: number, wing: number) {
  switch (edge) {
    case "upper":
      return { turn: 2 as const, at: at(width, wing) };
    case "lower":
      return { at: at(0, height - wing) };
    case "left":
      return { turn: 2 as const, at: at(wing, height) };
    case "right":
      return { at: at(width - wing, 0) };
  }
}
