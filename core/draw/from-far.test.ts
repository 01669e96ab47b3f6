import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { inches, ticks } from "../measure/length.ts";
import { fromFar } from "./from-far.ts";
import type { Mark } from "./marks.ts";

const word = (text: string, size: number, anchor?: "start" | "middle" | "end"): Mark => ({
  ...{ kind: "text", text, typeface: "book", size: inches(size), x: inches(2), y: inches(1), fill: "pencil" },
  ...(anchor ? { anchor } : {}),
});
const box: Mark = { kind: "rect", at: { x: ticks(0), y: ticks(0), w: inches(1), h: inches(1) } };

describe("a drawing seen from far", () => {
  it("has a stroke where small words stand, of their ink, on the side of their place that they run to", () => {
    const [start, middle, end] = fromFar([word("four", 0.25), word("four", 0.25, "middle"), word("four", 0.25, "end")]);
    // Four letters of a quarter of an inch, half as wide each: half an inch.
    expect(start).toMatchObject({ kind: "line", x1: inches(2), x2: inches(2.5), stroke: "pencil" });
    expect(middle).toMatchObject({ x1: inches(1.75), x2: inches(2.25) });
    expect(end).toMatchObject({ x1: inches(1.5), x2: inches(2) });
    if (start?.kind !== "line") throw new Error("a line");
    expect(start.y1).toBe(start.y2);
    expect([start.y1 < inches(1), start.y1 > inches(0.75)]).toEqual([true, true]);
  });

  it("keeps what can be read from there, and everything that is no word", () => {
    expect(fromFar([word("24", 1.2), box])).toEqual([word("24", 1.2), box]);
  });

  it("changes nothing else, in groups within groups", () => {
    const nested = (marks: readonly Mark[], deep: number): Mark[] =>
      deep === 0
        ? [...marks]
        : [
            box,
            {
              ...{ kind: "group", x: ticks(0), y: ticks(0), turn: 1, w: inches(3), h: inches(2) },
              marks: nested(marks, deep - 1),
            },
          ];
    const kinds = (marks: readonly Mark[]): string[] =>
      marks.flatMap((mark) => (mark.kind === "group" ? [mark.kind, ...kinds(mark.marks)] : [mark.kind]));
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 4 }), fc.double({ min: 0.05, max: 2, noNaN: true }), (deep, size) => {
        const was = kinds(nested([word("snow", size), box], deep));
        const is = kinds(fromFar(nested([word("snow", size), box], deep)));
        expect(is).toEqual(was.map((kind) => (kind === "text" && size < 0.5 ? "line" : kind)));
      }),
    );
  });
});
