import { describe, expect, it } from "vitest";
import { stockOf } from "../craft/built.ts";
import { CRAFTS } from "../craft/catalog.ts";
import { made, NOWHERE, usualSizes } from "../craft/craft.ts";
import { CUTTER_MATS, cutFile } from "./cut-file.ts";
import { cutOn } from "./cutter.ts";
import { readShapes } from "./shape-file.ts";

const [MAT, LONG] = CUTTER_MATS;
const svg = (inside: string, head = 'width="100mm" height="100mm" viewBox="0 0 100 100"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" ${head}>${inside}</svg>`;
const shapes = (file: string) => {
  const read = readShapes(file);
  if (!read.ok) throw new Error(read.reason);
  return read.shapes;
};
const longOf = (points: readonly (readonly [number, number])[]) =>
  points.reduce((sum, [x, y], at) => {
    const [nx, ny] = points[(at + 1) % points.length] ?? [x, y];
    return sum + Math.hypot(nx - x, ny - y);
  }, 0);

describe("the simulated cutting machine", () => {
  it("takes the file of every construction as it is usual, as many pieces as are cut", () => {
    for (const of of CRAFTS) {
      const done = made(of, usualSizes(of, NOWHERE), stockOf(of.paper));
      if (!done.ok) throw new Error(of.kind);
      const says = cutOn(cutFile(done, of.name), LONG);
      expect(says, of.kind).toMatchObject({ ok: true });
      if (says.ok) expect(says.pieces, of.kind).toBe(done.parts.reduce((sum, { count }) => sum + count, 0));
    }
  });

  it("refuses what a real one would, and says all of it", () => {
    const why = (inside: string, head?: string) => {
      const says = cutOn(svg(inside, head), MAT);
      return says.ok ? [] : says.why;
    };
    expect(why('<path d="M0 0L50 0L50 50"/><path d="M0 0L20 0L20 20Z"/>')).toEqual([{ kind: "open", count: 1 }]);
    const wide = 'width="400mm" height="350mm" viewBox="0 0 400 350"';
    const beyond = why('<rect width="390" height="310"/>', wide)[0];
    expect(beyond).toMatchObject({ kind: "beyond-mat" });
    if (beyond?.kind === "beyond-mat")
      expect([beyond.w, beyond.h].map((each) => Math.round(each * 10))).toEqual([852, 52]);
    expect(why('<rect width="50" height="50"/><rect x="60" width="5" height="5"/>')).toEqual([
      { kind: "too-small", count: 1, hole: false },
    ]);
    expect(why('<rect width="50" height="50"/><circle cx="20" cy="20" r="1"/>')).toEqual([
      { kind: "too-small", count: 1, hole: true },
    ]);
    expect(why('<g id="score"><path d="M0 0L9 9"/></g>')).toEqual([{ kind: "nothing-to-cut" }]);
    expect(why('<line x2="5"/>', 'width="1mm" height="1mm" viewBox="1 0 1 1"')).toMatchObject([
      { kind: "open" },
      { kind: "beyond-mat", w: 1 },
    ]);
    // A slit parts nothing from anything, and is no piece.
    expect(cutOn(svg('<rect width="50" height="50"/><path d="M10 10L30 10Z"/>'), MAT)).toMatchObject({
      ok: true,
      pieces: 1,
      holes: 0,
    });
  });
});

describe("a drawing from outside", () => {
  it("is read in millimetres, whatever it is measured in, through groups that are moved, turned and scaled", () => {
    const square = '<rect x="10" y="20" width="30" height="30"/>';
    const at = (file: string) => shapes(file)[0]?.points[0]?.map((each) => Math.round(each * 1000) / 1000);
    expect(at(svg(square))).toEqual([10, 20]);
    // An inch is 25.4 mm and 96 pixels (CSS Values and Units, W3C).
    expect(at(svg(square, 'width="1in" height="1in" viewBox="0 0 100 100"'))).toEqual([2.54, 5.08]);
    expect(at(svg('<rect x="96" width="9" height="9"/>', 'width="200" height="200"'))).toEqual([25.4, 0]);
    expect(at(svg(`<g transform="translate(5 5)"><g transform="scale(2)">${square}</g></g>`))).toEqual([25, 45]);
    expect(at(svg(`<g transform="rotate(90)">${square}</g>`))).toEqual([-20, 10]);
    expect(shapes(svg(`<g id="cut"><g id="score"><path d="m1 1h5v5z"/></g></g>`))[0]).toMatchObject({
      ...{ layer: "score", closed: true },
      points: [
        [1, 1],
        [6, 1],
        [6, 6],
      ],
    });
  });

  it("follows curves: a circle is as long as circles are, and an arc of Béziers too", () => {
    const [circle] = shapes(svg('<circle cx="50" cy="50" r="40"/>'));
    const whole = 2 * Math.PI * 40;
    expect(longOf(circle?.points ?? [])).toBeGreaterThan(whole * 0.9985);
    expect(longOf(circle?.points ?? [])).toBeLessThanOrEqual(whole * 1.0005);
    for (const [x = 0, y = 0] of circle?.points ?? [])
      expect(Math.abs(Math.hypot(x - 50, y - 50) - 40)).toBeLessThan(0.05);
    // x = t, y = t² from 0 to 1, a hundred times as large: ∫√(1 + 4t²) dt = √5/2 + asinh(2)/4 (any table of integrals).
    const [parabola] = shapes(svg('<path d="M0 0Q50 0 100 100"/>'));
    const points = parabola?.points ?? [];
    const long = points
      .slice(1)
      .reduce((sum, [x, y], at) => sum + Math.hypot(x - (points[at]?.[0] ?? 0), y - (points[at]?.[1] ?? 0)), 0);
    expect(long).toBeCloseTo(100 * (Math.sqrt(5) / 2 + Math.asinh(2) / 4), 1);
  });

  it("is refused whole where it does anything but draw, or is too much", () => {
    const reason = (file: string) => {
      const read = readShapes(file);
      return read.ok ? "taken" : read.reason;
    };
    const line = '<path d="M0 0H9V9Z"/>';
    expect(reason(svg(line))).toBe("taken");
    expect(reason(svg(`<script>alert(1)</script>${line}`))).toBe("has-scripts");
    expect(reason(svg(`<defs><script>alert(1)</script></defs>${line}`))).toBe("has-scripts");
    expect(reason(svg('<path onload="x()" d="M0 0H9V9Z"/>'))).toBe("has-scripts");
    expect(reason(svg(`<foreignObject/>${line}`))).toBe("has-scripts");
    expect(reason(svg(`<image href="http://far.example/a.png"/>${line}`))).toBe("has-links");
    expect(reason(svg(`<a xlink:href="javascript:x">${line}</a>`))).toBe("has-links");
    expect(reason(svg('<path fill="url(http://far.example/a)" d="M0 0H9V9Z"/>'))).toBe("has-links");
    expect(reason(svg('<path fill="url(#own)" d="M0 0H9V9Z"/>'))).toBe("taken");
    expect(reason(svg(`<style>@import "a";</style>${line}`))).toBe("has-links");
    expect(reason(`<!DOCTYPE svg [<!ENTITY a "aaaa">]>${svg(line)}`)).toBe("has-entities");
    expect(reason(svg("<text>words</text>"))).toBe("has-words");
    expect(reason(svg(`<defs>${line}</defs>`))).toBe("empty");
    expect(reason(svg(""))).toBe("empty");
    expect(reason("not a file")).toBe("not-svg");
    expect(reason("<html/>")).toBe("not-svg");
    expect(reason(svg('<path d="M0 0Lnonsense"/>'))).toBe("not-svg");
    expect(reason(svg(`${"<g>".repeat(60)}${line}${"</g>".repeat(60)}`))).toBe("too-deep");
    expect(reason(svg(`<path d="M0 0${"l1 1".repeat(30_000)}"/>`))).toBe("too-many-points");
    expect(reason(svg(`<path d="M0 0${"l1 1".repeat(1_000_000)}"/>`))).toBe("too-large");
    expect(reason(svg(`${'<circle r="40000"/>'.repeat(400)}`))).toBe("too-many-points");
  });
});
