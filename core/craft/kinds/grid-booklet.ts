import { inches } from "../../measure/length.ts";
import type { Hinge, Panel } from "../blueprint.ts";
import { atMost, craft, creepOf } from "../craft.ts";
import { at } from "../lies.ts";
import { by, hinge, measured, partOf, rectangle, strip } from "../part.ts";
import { line } from "../polygon.ts";
import { putTogether } from "../table.ts";

/**
 * A sheet of panels that folds up in zigzag: scored between all of them, slit between the rows but at one end of each. Common
 * practice: 6 × 12 scored at 3 across and at 4 and 8 along makes six panels of 3 × 4.
 */
export const GRID_BOOKLET = craft({
  ...{ kind: "grid-booklet", name: "Grid booklet", does: "folds-out", paper: "patterned-paper" },
  says: "One sheet slit from both sides that folds into a booklet of panels.",
  settings: {
    width: { name: "Panel, width", usual: ({ room }) => room?.w ?? inches(3), least: inches(1) },
    height: { name: "Panel, height", usual: ({ room }) => room?.h ?? inches(4), least: inches(1) },
    across: { name: "Panels across", counts: true, usual: () => 2, least: 2, most: 3 },
    down: { name: "Panels down", counts: true, usual: () => 3, least: 2, most: 4 },
    allowance: { name: "Shortened along the slits by", usual: () => inches(1 / 16), least: 0 },
    lid: { name: "Lid comes down", usual: () => inches(1.5), least: 0 },
  },
  make: ({ width, height, across = 2, down = 3, allowance, lid }, stock) => {
    if (allowance * 4 > height) return atMost("allowance", Math.floor(height / 4));
    if (lid > height) return atMost("lid", height);
    const chain: Panel[] = [];
    const hinges: Hinge[] = [];
    for (let row = 0; row < down; row++)
      for (let step = 0; step < across; step++) {
        const column = row % 2 === 0 ? step : across - 1 - step;
        const id = `${row + 1}.${column + 1}`;
        // What lies below a slit is shortened along it; what hangs on the row above is not.
        const top = row > 0 && step > 0 ? allowance : 0;
        const before = chain.at(-1);
        chain.push(rectangle(id, column * width, row * height + top, width, height - top));
        if (!before) continue;
        const isDown = step === 0;
        const x = row % 2 === 0 ? column * width : (column + 1) * width;
        const lies = isDown
          ? line(column * width, row * height, (column + 1) * width, row * height)
          : line(x, row * height + (row > 0 ? allowance : 0), x, (row + 1) * height);
        hinges.push(
          hinge(`fold ${chain.length - 1}`, before.id, id, chain.length % 2 === 0 ? "valley" : "mountain", lies),
        );
      }
    // The last panel stays where it is, and is the back of the booklet.
    const booklet = partOf({ id: "booklet", name: "booklet", of: stock.paper }, [...chain].reverse(), hinges, {
      slits: Array.from({ length: down - 1 }, (_, at) => {
        const y = (at + 1) * height;
        return at % 2 === 0 ? line(0, y, (across - 1) * width, y) : line(width, y, across * width, y);
      }),
      trim: {
        say: `Slit it from alternate sides at each score down its length, up to the last panel${allowance > 0 ? "; cut {allowance} off below each slit, so that those panels fold in between the others" : ""}.`,
        lengths: { allowance },
      },
      measures: [measured("Panel, width", 0, 0, width, 0), measured("Panel, height", 0, 0, 0, height)],
    });
    const tab = Math.min(inches(1 / 2), width / 4);
    const lidPart = strip({ id: "lid", name: "lid", of: stock.paper }, "down", [tab, lid], width, ["mountain"]);
    const layers = across * down;
    // Everything folds onto the last panel's own place.
    const home = at(down % 2 === 0 ? 0 : -(across - 1) * width, -(down - 1) * height);
    const folded = hinges.map(({ score }) => score);
    const closed = [{ part: "booklet", folded, at: home }];
    return putTogether({
      parts: [booklet, ...(lid > 0 ? [lidPart] : [])],
      closed: by(width, height),
      states: [
        {
          ...{ id: "closed", name: "Closed" },
          lies:
            lid > 0
              ? [
                  { part: "lid", folded: ["ab"], behind: true, turn: 2, at: at(0, tab) },
                  ...closed.map((each) => ({ ...each, over: { part: "lid", panel: "a" } })),
                ]
              : closed,
        },
        {
          ...{ id: "open", name: "Unfolded" },
          lies: [
            ...(lid > 0 ? [{ part: "lid", behind: true, turn: 2 as const, at: at(0, tab) }] : []),
            { part: "booklet", at: home },
          ],
        },
      ],
      steps: [
        {
          act: "fold",
          part: "booklet",
          minutes: 2,
          say: `Fold it up from the first panel, forward and back in turn: ${layers} panels on each other.`,
        },
        {
          act: "check",
          part: "booklet",
          minutes: 1,
          say: "Close it with the cards laid in before anything is fastened: cards as large as a panel do not fold. Trim them by {trim} first.",
          lengths: { trim: inches(1 / 8) },
        },
        ...(lid > 0
          ? [
              {
                act: "glue" as const,
                part: "lid",
                minutes: 1,
                held: "strong-tape" as const,
                say: "Glue the lid by its tab of {tab} behind the last panel.",
                lengths: { tab },
              },
            ]
          : []),
      ],
      opens: [{ state: "open", hinge: null }],
      stays: lid > 0 ? "by-itself" : "needs-closure",
      minds: [
        {
          say: `Closed it is ${layers} layers of its paper${lid > 0 ? " and two of its lid" : ""}, and twice as many with a card on each.`,
        },
        { say: "The outer folds reach {creep} more than the inner ones.", lengths: { creep: creepOf(stock, layers) } },
        { say: "Panels of the second row lie upside down once it is folded: look at each below." },
      ],
    });
  },
});
