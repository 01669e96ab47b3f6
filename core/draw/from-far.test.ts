import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { inches, millimetres, ticks } from "../measure/length.ts";
import { fromFar } from "./from-far.ts";
import type { Mark } from "./marks.ts";
import { svgFewer } from "./svg.ts";

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

describe("a drawing in fewer elements", () => {
  const line = (at: number, stroke: "pencil" | "ink" = "ink"): Mark => ({
    ...{ kind: "line", x1: inches(at), y1: ticks(0), x2: inches(at + 1), y2: ticks(0), stroke },
  });
  const hole = (at: number): Mark => ({ kind: "circle", x: inches(at), y: inches(1), r: millimetres(3), fill: "ink" });
  const fewer = (marks: readonly Mark[]) => svgFewer(marks, () => "");

  it("has one path of what follows each other and is drawn alike, and no more", () => {
    expect(fewer([line(0), line(1), line(2)]).match(/<path/g)).toHaveLength(1);
    expect(fewer([line(0), line(1, "pencil"), line(2)]).match(/<path/g)).toHaveLength(3);
    expect(fewer([hole(0), hole(1), line(0), line(1)]).match(/<path/g)).toHaveLength(2);
    // What lies between stays between.
    expect(fewer([line(0), box, line(1)]).replace(/ [^>]*/g, "")).toBe("<path><rect><path>");
    expect(fewer([])).toBe("");
  });

  it("draws each line and each circle where it was, in groups too, and all else as ever", () => {
    const any = fc.constantFrom<Mark>(line(0), line(1, "pencil"), hole(2), hole(3), box);
    const group = (marks: Mark[]): Mark => ({
      ...{ kind: "group", x: ticks(0), y: ticks(0), turn: 1, w: inches(3), h: inches(2), marks },
    });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 12 }), fc.array(any, { maxLength: 6 }), (outside, inside) => {
        const marks = [...outside, group(inside)];
        const drawn = fewer(marks);
        const count = (kind: string) => [...outside, ...inside].filter((mark) => mark.kind === kind).length;
        expect(drawn.match(/M/g)?.length ?? 0).toBe(count("line") + count("circle"));
        expect(drawn.match(/a3 3 0 1 0 6 0a3 3 0 1 0 -6 0/g)?.length ?? 0).toBe(count("circle"));
        expect(drawn.match(/<rect/g)?.length ?? 0).toBe(count("rect"));
        const alone = [...outside, ...inside].filter(({ kind }) => kind === "line");
        for (const mark of alone) expect(drawn).toContain(/d="([^"]*)"/.exec(fewer([mark]))?.[1]);
      }),
    );
  });
});
