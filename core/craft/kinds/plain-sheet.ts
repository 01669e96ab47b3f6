import { inches } from "../../measure/length.ts";
import { sizeOf } from "../../measure/rect.ts";
import type { Fold } from "../blueprint.ts";
import { atMost, craft } from "../craft.ts";
import { areaLaid, at, laidIn } from "../lies.ts";
import { hinge, measured, partOf, rectangle } from "../part.ts";
import { line } from "../polygon.ts";
import { putTogether } from "../table.ts";

/** A sheet with scores of one's own, up to three across and three along, folded one after the other. */
export const PLAIN_SHEET = craft({
  ...{ kind: "plain-sheet", name: "Plain sheet", does: "folds-out", paper: "patterned-paper" },
  says: "A sheet with scores and cuts of your own, for everything else.",
  settings: {
    width: { name: "Sheet, width", usual: ({ room }) => room?.w ?? inches(6), least: inches(1) },
    height: { name: "Sheet, height", usual: ({ room }) => room?.h ?? inches(8), least: inches(1) },
    x1: { name: "First score, from the left", usual: () => inches(3), least: 0 },
    x2: { name: "Second score, from the left", usual: () => 0, least: 0 },
    x3: { name: "Third score, from the left", usual: () => 0, least: 0 },
    y1: { name: "First score, from the top", usual: () => 0, least: 0 },
    y2: { name: "Second score, from the top", usual: () => 0, least: 0 },
    y3: { name: "Third score, from the top", usual: () => 0, least: 0 },
    folds: { name: "Folds go", ways: ["forward", "behind", "to and fro"], usual: () => 0, least: 0, most: 2 },
  },
  make: ({ width, height, x1, x2, x3, y1, y2, y3, folds }, { paper }) => {
    for (const [name, value, most] of [
      ["x1", x1, width],
      ["x2", x2, width],
      ["x3", x3, width],
      ["y1", y1, height],
      ["y2", y2, height],
      ["y3", y3, height],
    ] as const)
      if (value >= most) return atMost(name, most - inches(1 / 8));
    const xs = [0, ...[...new Set([x1, x2, x3])].filter((x) => x > 0).sort((a, b) => a - b), width];
    const ys = [0, ...[...new Set([y1, y2, y3])].filter((y) => y > 0).sort((a, b) => a - b), height];
    const idOf = (column: number, row: number) => `${row + 1}.${column + 1}`;
    const cells = ys
      .slice(1)
      .flatMap((bottom, row) =>
        xs.slice(1).map((right, column) => ({ row, column, x: xs[column] ?? 0, y: ys[row] ?? 0, right, bottom })),
      );
    // To and fro: the first of each direction forward, the next behind.
    const foldOf = (nth: number): Fold => (folds === 1 || (folds === 2 && nth % 2 === 1) ? "mountain" : "valley");
    const hinges = cells.flatMap(({ row, column, x, y, right, bottom }) => [
      ...(right < width
        ? [
            hinge(
              `x${column + 1}`,
              idOf(column, row),
              idOf(column + 1, row),
              foldOf(column),
              line(right, y, right, bottom),
            ),
          ]
        : []),
      ...(bottom < height
        ? [hinge(`y${row + 1}`, idOf(column, row), idOf(column, row + 1), foldOf(row), line(x, bottom, right, bottom))]
        : []),
    ]);
    const sheet = partOf(
      { id: "sheet", name: "sheet", of: paper },
      cells.map(({ row, column, x, y, right, bottom }) => rectangle(idOf(column, row), x, y, right - x, bottom - y)),
      hinges,
      {
        measures: [measured("Width", 0, height, width, height), measured("Height", width, 0, width, height)],
      },
    );
    const order = [...new Set(hinges.map(({ score }) => score))].sort().reverse();
    const parts = [sheet];
    const closed = [{ part: "sheet", folded: order, at: at(0, 0) }];
    const area = areaLaid(laidIn({ parts }, { lies: closed }));
    return putTogether({
      parts,
      closed: sizeOf(area),
      states: [
        { id: "closed", name: "Folded", lies: closed },
        { id: "open", name: "Unfolded", lies: [{ part: "sheet", at: at(0, 0) }] },
      ],
      steps:
        order.length > 0
          ? [
              {
                act: "fold",
                part: "sheet",
                minutes: order.length,
                say: `Fold it ${["forward", "behind", "to and fro"][folds]} at each score, the last first.`,
              },
            ]
          : [],
      opens: order.length > 0 ? [{ state: "open", hinge: null }] : [],
      stays: order.length > 0 ? "needs-closure" : "does-not-open",
      minds: [],
    });
  },
});
