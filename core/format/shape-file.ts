import { XMLParser, XMLValidator } from "fast-xml-parser";
import svgpath from "svgpath";

/** A corner in millimetres from the left upper corner of the drawing. */
export type ShapePoint = readonly [x: number, y: number];
/** An outline of an SVG file; `layer`: the id of the nearest group round it that has one. */
export type FileShape = {
  readonly layer: string | null;
  readonly points: readonly ShapePoint[];
  readonly closed: boolean;
};

export type ShapesRefused =
  | "too-large"
  | "not-svg"
  | "has-scripts"
  | "has-links"
  | "has-entities"
  | "has-words"
  | "too-deep"
  | "too-many-points"
  | "empty";
export type ShapesRead =
  | { readonly ok: true; readonly w: number; readonly h: number; readonly shapes: readonly FileShape[] }
  | { readonly ok: false; readonly reason: ShapesRefused };

const MOST_LETTERS = 2_000_000;
const MOST_POINTS = 20_000;
const MOST_DEEP = 40;
/** Curves are followed to this, in millimetres. */
const NEAR = 0.05;

/** Millimetres in one of each unit that a length may have; a pixel is a 96th of an inch (CSS). */
const IN_MM: Readonly<Record<string, number>> = {
  ...{ mm: 1, cm: 10, in: 25.4, pt: 25.4 / 72, pc: 25.4 / 6, px: 25.4 / 96, "": 25.4 / 96 },
};

const SCRIPTED = new Set(["script", "foreignobject", "animate", "animatetransform", "animatemotion", "set", "handler"]);
const LINKED = new Set(["image", "use", "a", "iframe", "object", "embed", "feimage", "style"]);
const PASSED_OVER = new Set(["title", "desc", "metadata", "defs", "symbol", "clippath", "mask", "pattern", "marker"]);

type Node = { readonly [name: string]: unknown };
type Attributes = Readonly<Record<string, string>>;

class Refused extends Error {
  constructor(readonly reason: ShapesRefused) {
    super(reason);
  }
}

/**
 * The outlines of an SVG file from outside, curves followed within 0.05 mm, in millimetres. A file that does anything but
 * draw is refused whole: scripts, links, style sheets, entities; so is one with words, which want to be turned into outlines
 * first, and one that is larger than anything cut by hand. Nothing it names is fetched or run.
 */
export function readShapes(text: string): ShapesRead {
  if (text.length > MOST_LETTERS) return { ok: false, reason: "too-large" };
  if (/<!(DOCTYPE|ENTITY)/i.test(text)) return { ok: false, reason: "has-entities" };
  if (XMLValidator.validate(text) !== true) return { ok: false, reason: "not-svg" };
  try {
    return readTree(text);
  } catch (error) {
    return { ok: false, reason: error instanceof Refused ? error.reason : "not-svg" };
  }
}

const PARSER = new XMLParser({
  ...{ preserveOrder: true, ignoreAttributes: false, attributeNamePrefix: "", processEntities: false },
  ...{ parseTagValue: false, parseAttributeValue: false },
});

function readTree(text: string): ShapesRead {
  const root = (PARSER.parse(text) as Node[]).find((node) => "svg" in node);
  if (!root) return { ok: false, reason: "not-svg" };
  const attributes = attributesOf(root);
  const box = (attributes.viewBox ?? "")
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const [left = 0, top = 0, wide, high] = box.length === 4 && box.every(Number.isFinite) ? box : [];
  const [w, h] = [lengthOf(attributes.width), lengthOf(attributes.height)];
  const width = w ?? (wide ?? 0) * (IN_MM.px ?? 0);
  const height = h ?? (high ?? 0) * (IN_MM.px ?? 0);
  const [across, down] = [wide ? width / wide : (IN_MM.px ?? 0), high ? height / high : (IN_MM.px ?? 0)];
  const shapes: FileShape[] = [];
  const budget = { left: MOST_POINTS };
  const toMm = `scale(${across} ${down}) translate(${-left} ${-top})`;
  walk(root, [toMm], null, 0, shapes, budget);
  if (shapes.length === 0) return { ok: false, reason: "empty" };
  return { ok: true, w: width, h: height, shapes };
}

const attributesOf = (node: Node): Attributes => (node[":@"] ?? {}) as Attributes;
const nameOf = (node: Node): string => Object.keys(node).find((key) => key !== ":@") ?? "";

function lengthOf(said: string | undefined): number | null {
  const [, number, unit = ""] = /^\s*([\d.]+)\s*([a-z]*)\s*$/i.exec(said ?? "") ?? [];
  const per = IN_MM[unit.toLowerCase()];
  return number && per !== undefined && Number.isFinite(Number(number)) ? Number(number) * per : null;
}

/** Whatever of a file would do more than draw ends the reading. */
function refuse(name: string, attributes: Attributes): void {
  if (SCRIPTED.has(name)) throw new Refused("has-scripts");
  if (LINKED.has(name)) throw new Refused("has-links");
  if (name === "text" || name === "tspan" || name === "textpath") throw new Refused("has-words");
  for (const [attribute, value] of Object.entries(attributes)) {
    if (/^on/i.test(attribute) || /javascript:/i.test(value)) throw new Refused("has-scripts");
    if (/(^|:)href$/i.test(attribute) || /url\s*\(\s*['"]?(?!#)/i.test(value)) throw new Refused("has-links");
  }
}

function walk(
  node: Node,
  transforms: readonly string[],
  layer: string | null,
  deep: number,
  shapes: FileShape[],
  budget: { left: number },
): void {
  if (deep > MOST_DEEP) throw new Refused("too-deep");
  const [name, attributes] = [nameOf(node), attributesOf(node)];
  const plain = name.toLowerCase();
  refuse(plain, attributes);
  const here = attributes.transform ? [...transforms, attributes.transform] : transforms;
  const path = pathOf(plain, attributes);
  if (path !== null) shapes.push(...outlines(path, here, layer, budget));
  const own = plain === "g" && attributes.id ? attributes.id : layer;
  const children = node[name];
  for (const child of Array.isArray(children) ? (children as Node[]) : []) {
    const of = nameOf(child);
    if (of === "#text" || of === "#comment" || of.startsWith("?")) continue;
    // What only stands by is looked through for what is refused, and draws nothing.
    const drawn = PASSED_OVER.has(plain) ? [] : shapes;
    walk(child, here, own, deep + 1, drawn, budget);
  }
}

const numbers = (said: string | undefined): number[] =>
  (said ?? "")
    .trim()
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(Number);

/** A shape as a path; null for what is none. */
function pathOf(name: string, of: Attributes): string | null {
  const n = (key: string) => Number.parseFloat(of[key] ?? "0") || 0;
  switch (name) {
    case "path":
      return of.d ?? "";
    case "rect":
      return `M${n("x")} ${n("y")}h${n("width")}v${n("height")}h${-n("width")}Z`;
    case "circle":
      return round(n("cx"), n("cy"), n("r"), n("r"));
    case "ellipse":
      return round(n("cx"), n("cy"), n("rx"), n("ry"));
    case "line":
      return `M${n("x1")} ${n("y1")}L${n("x2")} ${n("y2")}`;
    case "polyline":
    case "polygon": {
      const all = numbers(of.points);
      if (all.length < 4) return "";
      return `M${all.join(" ")}${name === "polygon" ? "Z" : ""}`;
    }
    default:
      return null;
  }
}

const round = (x: number, y: number, rx: number, ry: number): string =>
  `M${x - rx} ${y}A${rx} ${ry} 0 1 0 ${x + rx} ${y}A${rx} ${ry} 0 1 0 ${x - rx} ${y}Z`;

/** Each run of a path as an outline of straight lines. */
function outlines(
  d: string,
  transforms: readonly string[],
  layer: string | null,
  budget: { left: number },
): FileShape[] {
  const said = svgpath(d);
  // What cannot be read of a path is left off by what reads it, and told there alone.
  if ("err" in said && said.err) throw new Refused("not-svg");
  // The innermost is done first.
  const path = transforms
    .toReversed()
    .reduce((done, transform) => done.transform(transform), said.abs().unarc().unshort());
  const shapes: { layer: string | null; points: [number, number][]; closed: boolean }[] = [];
  let [x, y] = [0, 0];
  const put = (to: readonly [number, number]) => {
    budget.left -= 1;
    if (budget.left < 0) throw new Refused("too-many-points");
    [x, y] = to;
    if (!Number.isFinite(x) || !Number.isFinite(y)) throw new Refused("not-svg");
    shapes.at(-1)?.points.push([x, y]);
  };
  path.iterate((segment) => {
    const [command, ...values] = segment as unknown as [string, ...number[]];
    const v = (at: number) => values[at] ?? 0;
    const now = shapes.at(-1);
    switch (command) {
      case "M":
        shapes.push({ layer, points: [], closed: false });
        put([v(0), v(1)]);
        break;
      case "Z": {
        if (!now) break;
        now.closed = true;
        [x, y] = now.points[0] ?? [x, y];
        break;
      }
      case "L":
        put([v(0), v(1)]);
        break;
      case "H":
        put([v(0), y]);
        break;
      case "V":
        put([x, v(0)]);
        break;
      case "Q":
      case "C":
        curve([[x, y], ...pairsOf(values)], put);
        break;
      default:
        throw new Refused("not-svg");
    }
  });
  return shapes.filter(({ points }) => points.length > 1).map(closedWhereItMeets);
}

/** An outline that ends where it began is closed, whether it says so or not. */
function closedWhereItMeets<S extends { points: [number, number][]; closed: boolean }>(shape: S): S {
  const [first, last] = [shape.points[0], shape.points.at(-1)];
  const meets = first && last && Math.hypot(first[0] - last[0], first[1] - last[1]) < NEAR;
  if (!meets || shape.points.length < 4) return shape;
  return { ...shape, closed: true, points: shape.points.slice(0, -1) };
}

const pairsOf = (values: readonly number[]) =>
  Array.from({ length: values.length / 2 }, (_, nth) => [values[2 * nth] ?? 0, values[2 * nth + 1] ?? 0] as const);

/** A Bézier curve in so many equal parts that none is further off than `NEAR`, by how far its control points bend it. */
function curve(control: readonly (readonly [number, number])[], put: (to: readonly [number, number]) => void): void {
  const long = control.slice(1).reduce((sum, [x, y], at) => {
    const [px, py] = control[at] ?? [x, y];
    return sum + Math.hypot(x - px, y - py);
  }, 0);
  // A chord of an arc of this length is off by at most long² / (8 r n²), and no arc here is tighter than half its length.
  const parts = Math.max(2, Math.min(400, Math.ceil(Math.sqrt(long / (4 * NEAR)))));
  for (let nth = 1; nth <= parts; nth++) put(along(control, nth / parts));
}

/** A place on a Bézier curve (de Casteljau, any textbook). */
function along(control: readonly (readonly [number, number])[], share: number): readonly [number, number] {
  let points = control;
  while (points.length > 1)
    points = points.slice(1).map(([x, y], at) => {
      const [px, py] = points[at] ?? [x, y];
      return [px + (x - px) * share, py + (y - py) * share] as const;
    });
  return points[0] ?? [0, 0];
}
