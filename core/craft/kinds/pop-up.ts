import { inches } from "../../measure/length.ts";
import { atLeast, craft } from "../craft.ts";
import { at } from "../lies.ts";
import { by, glue, measured, strip } from "../part.ts";
import { polygon } from "../polygon.ts";
import { putTogether } from "../table.ts";

/** What is left for a base tab at the least: less does not hold. From memory. */
const LEAST_BASE = inches(3 / 8);

/**
 * A strip folded into a box that stands up as the page opens. Common practice: of a strip 5 × ¾ with a glue tab of 1, steps
 * of ¾ lie at 1, 1¾, 2½, 3¼ and 4; three steps leave a base tab of 1¾, four leave 1.
 */
export const POP_UP = craft({
  ...{ kind: "pop-up", name: "Pop-up prop", does: "stands-up", paper: "cardstock-65" },
  says: "A strip folded into a box, which lifts a piece off the page.",
  settings: {
    strip: { name: "Strip, length", usual: () => inches(5), least: inches(1) },
    wide: { name: "Strip, width", usual: () => inches(3 / 4), least: inches(1 / 4) },
    tab: { name: "Glue tab", usual: () => inches(1), least: inches(1 / 4) },
    step: { name: "Step", usual: () => inches(3 / 4), least: inches(1 / 4) },
    steps: { name: "Steps", counts: true, usual: () => 4, least: 3, most: 4 },
    props: {
      name: "Props",
      counts: true,
      usual: ({ item }) => (item && item.w > inches(3) ? 2 : 1),
      least: 1,
      most: 3,
    },
  },
  make: ({ strip: long, wide, tab, step, steps = 4, props = 1 }, { paper }) => {
    const base = long - tab - steps * step;
    const need = steps === 3 ? step + LEAST_BASE : LEAST_BASE;
    if (base < need) return atLeast("strip", tab + steps * step + need);
    const lengths = [tab, ...Array.from({ length: steps }, () => step), base];
    const prop = strip(
      { id: "prop", name: "prop", of: paper },
      "across",
      lengths,
      wide,
      lengths.slice(1).map(() => "valley"),
      {
        count: props,
        zones: [
          glue("onto the base tab", 0, 0, tab, wide, "front"),
          glue("onto the page", long - base, 0, base, wide, "back"),
        ],
        measures: [
          measured("Glue tab", 0, 0, tab, 0),
          ...Array.from({ length: steps }, (_, nth) =>
            measured(`Step ${nth + 1}`, tab + nth * step, 0, tab + (nth + 1) * step, 0),
          ),
          measured("Base tab", long - base, 0, long, 0),
        ],
      },
    );
    // Flat it folds at the middle of its sides, one half of the box onto the other.
    const middle = "cd";
    const places = lengths.slice(1).map((_, nth) => lengths.slice(0, nth + 1).reduce((sum, each) => sum + each, 0));
    // Its longer half lies at the left edge of what it covers.
    const home = at(Math.max(0, long - 2 * (tab + 2 * step)), 0);
    return putTogether({
      parts: [prop],
      closed: by(Math.max(tab + 2 * step, long - tab - 2 * step), wide),
      states: [
        { id: "closed", name: "Folded down", lies: [{ part: "prop", folded: [middle], at: home }] },
        {
          ...{ id: "standing", name: "Standing" },
          lies: [{ part: "prop", folded: [middle], at: home }],
          stands: [polygon([0, 0], [step, 0], [step, step], [0, step])],
        },
      ],
      steps: [
        {
          act: "fold",
          part: "prop",
          minutes: props,
          say: `Fold every score the same way into a box: sides of {step}${props > 1 ? `, ${props} of them` : ""}.`,
          lengths: { step },
        },
        {
          act: "glue",
          part: "prop",
          minutes: props,
          held: "strong-tape",
          say: "Glue the tab flat onto the base tab, edge on edge: glued askew it will not fold down.",
        },
        {
          act: "glue",
          part: "prop",
          minutes: 1,
          held: "strong-tape",
          say: "Glue the base tab to the page, its fold along the fold of the page; then the piece onto the side in front, its foot flush.",
        },
        {
          act: "check",
          part: "prop",
          minutes: 1,
          say: "Close it flat before the glue has set. Feet that are not flush are trimmed.",
        },
      ],
      opens: [{ state: "standing", hinge: null }],
      stays: "by-itself",
      minds: [
        {
          say: `Scores at ${places.map((_, nth) => `{s${nth}}`).join(", ")}: the base tab left over is {base}.`,
          lengths: { ...Object.fromEntries(places.map((each, nth) => [`s${nth}`, each])), base },
        },
        ...(props > 1 ? [{ say: "Pieces that stand together are joined, so that they fold down as one." }] : []),
      ],
    });
  },
});
