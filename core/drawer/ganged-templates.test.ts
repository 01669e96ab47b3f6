import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { outlineOf } from "../craft/blueprint.ts";
import { stockOf } from "../craft/built.ts";
import { CRAFTS, craftOf } from "../craft/catalog.ts";
import { type Made, made, NOWHERE, usualSizes } from "../craft/craft.ts";
import { boundsOf } from "../craft/polygon.ts";
import type { Mark } from "../draw/marks.ts";
import { inches } from "../measure/length.ts";
import { overlap, type Rect, rect } from "../measure/rect.ts";
import { size } from "../measure/size.ts";
import { gangedPages } from "./ganged-templates.ts";
import { USUAL_SHEETS } from "./of-sheets.ts";

const [SQUARE, , LETTER] = USUAL_SHEETS.inch;
const making = (kind: string): Made => {
  const of = craftOf(kind);
  const done = of && made(of, usualSizes(of, NOWHERE), stockOf(of.paper));
  if (!done?.ok) throw new Error(kind);
  return done;
};
const wanted = (...kinds: readonly string[]) => kinds.map((kind) => ({ name: kind, made: making(kind) }));

type Group = Extract<Mark, { kind: "group" }>;
const groupsIn = (marks: readonly Mark[]) => marks.filter((mark): mark is Group => mark.kind === "group");
/** Where each part lies on a sheet that is printed itself. */
function partsOn(marks: readonly Mark[]): Rect[] {
  const [sheet] = groupsIn(marks);
  return groupsIn(sheet?.marks ?? []).map(({ x, y, w, h, turn }) => (turn === 1 ? rect(x, y, h, w) : rect(x, y, w, h)));
}
const countOf = (all: ReturnType<typeof wanted>) =>
  all.reduce((sum, { made: done }) => sum + done.parts.reduce((each, { count }) => each + count, 0), 0);

describe("templates of several constructions on sheets", () => {
  it("lie beside each other within what a printer prints, each as often as it is cut and each material by itself", () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...CRAFTS.map(({ kind }) => kind)), { minLength: 1, maxLength: 4 }),
        fc.boolean(),
        (kinds, canTurn) => {
          const all = wanted(...kinds);
          const pages = gangedPages(all, LETTER, "inch", canTurn);
          const sheets = pages.filter(({ title }) => / sheet \d+ of \d+/.test(title));
          const laid = sheets.map(({ marks }) => partsOn(marks));
          for (const parts of laid)
            for (const [nth, one] of parts.entries()) {
              expect(one.x + one.w).toBeLessThanOrEqual(LETTER.w);
              expect(one.y + one.h).toBeLessThanOrEqual(LETTER.h);
              for (const other of parts.slice(nth + 1)) expect(overlap(one, other)).toBeNull();
            }
          // What is larger than a sheet has pages of its own.
          const areas = all.flatMap(({ made: done }) =>
            done.parts.flatMap((part) => Array.from({ length: part.count }, () => boundsOf(outlineOf(part)))),
          );
          const room = size(inches(8), inches(9.8));
          const isSmall = ({ w, h }: Rect) => (w <= room.w && h <= room.h) || (canTurn && h <= room.w && w <= room.h);
          expect(laid.flat()).toHaveLength(areas.filter(isSmall).length);
          for (const page of pages) expect(page.paper.w).toBeGreaterThan(0);
        },
      ),
      { numRuns: 30 },
    );
  });

  it("take fewer sheets than one by one, and come in tiles where no printer takes the sheet", () => {
    const all = wanted("traced-tab", "traced-tab", "tabbed-pocket", "fold-over-tag");
    const pages = gangedPages(all, LETTER, "inch", true);
    expect(pages.length).toBeLessThan(countOf(all));
    const [first] = gangedPages(wanted("grid-booklet"), SQUARE, "inch", true);
    expect(first?.title).toContain("part 1 of");
  });
});
