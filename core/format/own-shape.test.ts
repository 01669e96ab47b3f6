import { describe, expect, it } from "vitest";
import { MOST_OWN_CORNERS } from "../album/leaf.ts";
import { twiceArea } from "../craft/polygon.ts";
import { inches, millimetres, TICKS_PER_INCH } from "../measure/length.ts";
import { readOwnShape } from "./own-shape.ts";

const svg = (body: string, size = 'width="100mm" height="100mm" viewBox="0 0 100 100"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" ${size}>${body}</svg>`;
const read = (body: string) => {
  const shape = readOwnShape(svg(body));
  if (!shape.ok) throw new Error(shape.reason);
  return shape;
};
const refused = (body: string) => {
  const shape = readOwnShape(svg(body));
  return shape.ok ? null : shape.reason;
};
const inch = (length: number) => length / TICKS_PER_INCH;

describe("a shape out of a file", () => {
  it("begins at its own corner, as large as it was drawn", () => {
    const { rings, size } = read('<rect x="20" y="30" width="50.8" height="25.4"/>');
    expect([inch(size.w), inch(size.h)]).toEqual([2, 1]);
    expect(rings).toEqual([
      [
        { x: 0, y: 0 },
        { x: inches(2), y: 0 },
        { x: inches(2), y: inches(1) },
        { x: 0, y: inches(1) },
      ],
    ]);
  });

  it("follows a circle to a tenth of a millimetre with few corners: its area is π r² (any textbook)", () => {
    const { rings } = read('<circle cx="50" cy="50" r="40"/>');
    const [ring = []] = rings;
    expect(ring.length).toBeLessThan(80);
    const r = millimetres(40);
    expect(twiceArea(ring) / 2 / (Math.PI * r * r)).toBeCloseTo(1, 2);
    for (const { x, y } of ring) expect(Math.abs(Math.hypot(x - r, y - r) - r)).toBeLessThan(millimetres(0.12));
  });

  it("keeps what is cut within it, and leaves out what is only scored or drawn, and specks", () => {
    const ring = '<path d="M10 10H90V90H10ZM30 30H60V60H30Z"/>';
    expect(read(ring).rings).toHaveLength(2);
    expect(read(`${ring}<rect x="95" y="95" width="0.5" height="0.5"/>`).rings).toHaveLength(2);
    expect(read(`<g id="cut">${ring}</g><g id="Score"><rect width="100" height="100"/></g>`).rings).toHaveLength(2);
  });

  it("says what is wrong with a file, and takes no more corners than are still drawn at once", () => {
    expect(refused('<path d="M0 0L50 50L10 90"/>')).toBe("none-closed");
    expect(refused('<rect width="4" height="50"/>')).toBe("too-small");
    expect(refused('<rect width="700" height="50"/>')).toBe("too-wide");
    expect(refused("<script/>")).toBe("has-scripts");
    const teeth = Array.from({ length: 900 }, (_, nth) => `L${nth / 10} ${nth % 2 ? 8 : 2}`).join("");
    expect(refused(`<path d="M0 50${teeth}L90 50Z"/>`)).toBe("too-fine");
    const wave = Array.from({ length: 2000 }, (_, nth) => `L${nth / 20} ${30 + 2 * Math.sin(nth / 40)}`).join("");
    const corners = read(`<path d="M0 60${wave}L100 60Z"/>`).rings.flat().length;
    expect(corners).toBeLessThanOrEqual(MOST_OWN_CORNERS);
    expect(corners).toBeGreaterThan(20);
  });
});
