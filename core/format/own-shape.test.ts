import { describe, expect, it } from "vitest";
import { MOST_OWN_CORNERS } from "../album/leaf.ts";
import { ownOutline } from "../craft/own.ts";
import { boundsOf, type Polygon, twiceArea } from "../craft/polygon.ts";
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
/** What is left of the paper within the outlines, in square millimetres. */
const areaMm = (rings: readonly Polygon[]) => {
  const { w, h } = boundsOf(rings);
  const own = rings.map((points) => ({ kind: "outline", points }) as const);
  const { shapes, windows } = ownOutline(own, w, h) ?? { shapes: [], windows: [] };
  const sum = (of: readonly Polygon[]) => of.reduce((all, each) => all + twiceArea(each) / 2, 0);
  return (sum(shapes) - sum(windows)) / millimetres(1) ** 2;
};
const inch = (length: number) => length / TICKS_PER_INCH;

describe("a shape out of a file", () => {
  it("begins at its own corner, as large as it was drawn", () => {
    const { rings, size } = read('<rect x="20" y="30" width="50.8" height="25.4"/>');
    expect([inch(size.w), inch(size.h)]).toEqual([2, 1]);
    expect(rings).toHaveLength(1);
    expect(twiceArea(rings[0] ?? [])).toBe(2 * inches(2) * inches(1));
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

  it("makes letters that run into each other one outline, whatever way round each is drawn", () => {
    const first = "M5 5H45V35H5Z";
    for (const second of ["M38 12H85V28H38Z", "M38 12V28H85V12Z"])
      for (const body of [`<path d="${first}"/><path d="${second}"/>`, `<path d="${first}${second}"/>`]) {
        const { rings, size } = read(body);
        expect(rings).toHaveLength(1);
        expect(areaMm(rings)).toBeCloseTo(40 * 30 + 40 * 16, 0);
        expect(inch(size.w) * 25.4).toBeCloseTo(80, 1);
      }
  });

  it("keeps the hole of a letter that another runs into, but where that one covers it", () => {
    // A ring of 40 with a hole of 20, and a bar that reaches 5 into the hole, or through its whole width.
    const ring = "M10 10H50V50H10Z";
    const hole = "M20 20H40V40H20Z";
    const open = (bar: string) => areaMm(read(`<path d="${ring}${hole}"/><path d="${bar}"/>`).rings);
    expect(open("M35 25H80V30H35Z")).toBeCloseTo(1600 - 400 + 30 * 5 + 5 * 5, 0);
    expect(open("M5 25H80V35H5Z")).toBeCloseTo(1600 - 400 + 5 * 10 + 30 * 10 + 20 * 10, 0);
  });

  it("takes a line that is drawn twice once, and one that crosses itself as the edge of all it goes round", () => {
    const leaf = '<path d="M10 10H60V60H10Z"/>';
    expect(areaMm(read(`${leaf}<path d="M10 10V60H60V10Z"/>`).rings)).toBeCloseTo(2500, 0);
    // Two triangles that meet at a point, the one run round the other way.
    expect(areaMm(read('<path d="M10 10L60 60V10L10 60Z"/>').rings)).toBeCloseTo(1250, 0);
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
