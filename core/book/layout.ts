import { inches, type Length, ticks } from "../measure/length.ts";
import { type Rect, rect, rectOf } from "../measure/rect.ts";
import { type Size, sameSize, size } from "../measure/size.ts";

/** A pocket, or a rectangle cut into parts that lie side by side (columns) or one under the other (rows). */
export type LayoutNode = { readonly kind: "pocket" } | LayoutSplit;
export type LayoutSplit = {
  readonly kind: "rows" | "columns";
  /** Width of the weld between two parts. */
  readonly seam: Length;
  readonly parts: readonly LayoutPart[];
};
/** `share` is a whole number; a part gets its share of what the seams leave. */
export type LayoutPart = { readonly share: number; readonly node: LayoutNode };

/** An arrangement of pockets: a welded margin all round, and a tree of splits that always fills what is inside. */
export type PocketLayout = {
  readonly id: string;
  readonly name: string;
  readonly margin: Length;
  readonly root: LayoutNode;
};

export const POCKET: LayoutNode = { kind: "pocket" };
const NO_LENGTH = ticks(0);

/** The weld between two pockets of a shipped arrangement. Typical, from memory; to be changed under Pockets. */
export const USUAL_SEAM = inches(1 / 16);

const even = (
  kind: "rows" | "columns",
  nodes: readonly LayoutNode[],
  shares: readonly number[] = [],
  seam: Length = USUAL_SEAM,
): LayoutNode => ({
  kind,
  seam,
  parts: nodes.map((node, at) => ({ share: shares[at] ?? 1, node })),
});

/** A regular grid. */
export const grid = (rows: number, columns: number, seam: Length = USUAL_SEAM): LayoutNode => {
  const row = columns === 1 ? POCKET : even("columns", Array<LayoutNode>(columns).fill(POCKET), [], seam);
  return rows === 1 ? row : even("rows", Array<LayoutNode>(rows).fill(row), [], seam);
};
const over = (...rows: [columns: number, share?: number][]): LayoutNode =>
  even(
    "rows",
    rows.map(([columns]) => grid(1, columns)),
    rows.map(([, share]) => share ?? 1),
  );

const shipped = (id: string, name: string, root: LayoutNode): PocketLayout => ({ id, name, margin: NO_LENGTH, root });

/** Usual arrangements, in shares of whatever page they are for. Common practice. */
export const POCKET_LAYOUTS: readonly PocketLayout[] = [
  shipped("four", "Four pockets, two by two", grid(2, 2)),
  shipped("one-over-two", "One pocket over two", over([1], [2])),
  shipped("two-over-one", "Two pockets over one", over([2], [1])),
  shipped("two-rows", "Two pockets, one over the other", grid(2, 1)),
  shipped("two-columns", "Two tall pockets", grid(1, 2)),
  shipped("one-over-six", "One pocket over two rows of three", over([1, 2], [3], [3])),
  shipped("twelve", "Twelve small pockets", grid(4, 3)),
  shipped("one", "One pocket", POCKET),
  shipped("three-columns", "Three tall pockets", grid(1, 3)),
  shipped("tall-beside-two", "A tall pocket beside two of half its height", even("columns", [POCKET, grid(2, 1)])),
  shipped("one-beside-two", "One tall pocket beside two", even("columns", [POCKET, grid(2, 1)], [3, 2])),
  shipped("strip-over-one", "A strip over one large pocket", over([3], [1, 3])),
];

export const layoutById = (id: string | null, own: readonly PocketLayout[] = []): PocketLayout | undefined =>
  POCKET_LAYOUTS.find((layout) => layout.id === id) ?? own.find((layout) => layout.id === id);

/** A layout to choose for a page: `page` is the size that the leaf becomes with it, null where it stays as it is. */
export type OfferedLayout = { readonly id: string; readonly name: string; readonly page: Size | null };

/**
 * The layouts that a page of this size may get: the shipped ones, which go on any; the household's own of its size; and its
 * own of smaller pages, cut down ones among them, that go into the album, with the leaf that results.
 */
export function offeredLayouts(
  own: readonly (Pick<PocketLayout, "id" | "name"> & { readonly page: Size })[],
  now: Size,
  album: Size,
): OfferedLayout[] {
  return [
    ...POCKET_LAYOUTS.map(({ id, name }) => ({ id, name, page: null })),
    ...own
      .filter(({ page }) => sameSize(page, now) || (page.w <= album.w && page.h <= album.h))
      .map(({ id, name, page }) => ({ id, name, page: sameSize(page, now) ? null : page })),
  ];
}

/** Cuts `total` into shares that add up to it exactly. */
function cut(total: number, shares: readonly number[]): number[] {
  const whole = shares.reduce((sum, share) => sum + share, 0);
  let before = 0;
  let edge = 0;
  return shares.map((share) => {
    before += share;
    const next = Math.round((total * before) / whole);
    const part = next - edge;
    edge = next;
    return part;
  });
}

export type LayoutProblem = "parts-over-whole" | "no-pockets" | "too-many-pockets" | "bad-share";
/** Pockets in reading order, and the welds between them; together with the margin they fill the rectangle exactly. */
export type ReadLayout =
  | { ok: true; pockets: Rect[]; seams: Rect[]; inside: Rect }
  | { ok: false; reason: LayoutProblem };

export const MOST_POCKETS = 72;

/** Whether what may be a layout's tree has no more nodes than a layout can have, counted no further than that. */
export function isSmallTree(root: unknown, most = 4 * MOST_POCKETS): boolean {
  const waiting: unknown[] = [root];
  for (let seen = 0; waiting.length > 0; seen++) {
    const parts = (waiting.pop() as { parts?: unknown } | null | undefined)?.parts;
    if (seen === most || (Array.isArray(parts) && parts.length > most)) return false;
    if (Array.isArray(parts)) for (const part of parts) waiting.push((part as { node?: unknown } | null)?.node);
  }
  return true;
}

function walk(node: LayoutNode, area: Rect, pockets: Rect[], seams: Rect[]): LayoutProblem | null {
  if (area.w <= 0 || area.h <= 0) return "parts-over-whole";
  if (node.kind === "pocket") {
    pockets.push(area);
    return pockets.length > MOST_POCKETS ? "too-many-pockets" : null;
  }
  if (node.parts.length === 0) return "no-pockets";
  if (node.parts.some(({ share }) => !Number.isSafeInteger(share) || share <= 0)) return "bad-share";
  const along = node.kind === "rows" ? area.h : area.w;
  const free = along - node.seam * (node.parts.length - 1);
  if (free < node.parts.length) return "parts-over-whole";
  let edge = 0;
  const lengths = cut(
    free,
    node.parts.map(({ share }) => share),
  );
  for (const [index, part] of node.parts.entries()) {
    const length = lengths[index] ?? 0;
    const slice = (from: number, long: number) =>
      node.kind === "rows" ? rect(area.x, area.y + from, area.w, long) : rect(area.x + from, area.y, long, area.h);
    const problem = walk(part.node, slice(edge, length), pockets, seams);
    if (problem) return problem;
    edge += length;
    if (index < node.parts.length - 1 && node.seam > 0) seams.push(slice(edge, node.seam));
    edge += node.seam;
  }
  return null;
}

/** The pockets of a layout on an opening of this size, or why there are none. */
export function readLayout({ margin, root }: Pick<PocketLayout, "margin" | "root">, opening: Size): ReadLayout {
  const whole = rectOf(opening);
  if (margin < 0 || 2 * margin >= Math.min(opening.w, opening.h)) return { ok: false, reason: "parts-over-whole" };
  const inside = rect(margin, margin, whole.w - 2 * margin, whole.h - 2 * margin);
  const pockets: Rect[] = [];
  const seams: Rect[] = [];
  const problem = walk(root, inside, pockets, seams);
  return problem ? { ok: false, reason: problem } : { ok: true, pockets, seams, inside };
}

/** The pockets alone; none where the layout does not go on this opening. */
export function pocketsOf(layout: PocketLayout, opening: Size): Rect[] {
  const read = readLayout(layout, opening);
  return read.ok ? read.pockets : [];
}

/** A path to a node: which part at each level. */
export type LayoutPath = readonly number[];

/** Puts another node in place of the one at `path`; a path that leads nowhere changes nothing. */
export function replaceNode(root: LayoutNode, path: LayoutPath, change: (node: LayoutNode) => LayoutNode): LayoutNode {
  const [first, ...rest] = path;
  if (first === undefined) return change(root);
  if (root.kind === "pocket" || !root.parts[first]) return root;
  return {
    ...root,
    parts: root.parts.map((part, at) =>
      at === first ? { ...part, node: replaceNode(part.node, rest, change) } : part,
    ),
  };
}

/** The same pockets with welds of this width between them. */
export const withSeams = (node: LayoutNode, seam: Length): LayoutNode =>
  node.kind === "pocket"
    ? node
    : { ...node, seam, parts: node.parts.map((part) => ({ ...part, node: withSeams(part.node, seam) })) };

/** The width of the first weld of a layout; null where it has none. */
export const seamIn = (node: LayoutNode): Length | null => (node.kind === "pocket" ? null : node.seam);

/** The path of each pocket, in the order `readLayout` gives them. */
export function pocketPaths(node: LayoutNode, path: LayoutPath = []): LayoutPath[] {
  return node.kind === "pocket" ? [path] : node.parts.flatMap((part, at) => pocketPaths(part.node, [...path, at]));
}

/** The area of every node on the way to `path`, the root's first. */
function areasAlong(root: LayoutNode, inside: Size, path: LayoutPath): Size[] {
  const areas: Size[] = [inside];
  let node = root;
  for (const step of path) {
    const area = areas.at(-1) ?? inside;
    if (node.kind === "pocket") break;
    const free = (node.kind === "rows" ? area.h : area.w) - node.seam * (node.parts.length - 1);
    const length = cut(
      free,
      node.parts.map(({ share }) => share),
    )[step];
    const part = node.parts[step];
    if (length === undefined || !part) break;
    areas.push(node.kind === "rows" ? size(area.w, ticks(length)) : size(ticks(length), area.h));
    node = part.node;
  }
  return areas;
}

/**
 * Makes the pocket at `path` this long along `axis`, by moving the welds of the nearest split that runs that way; its
 * neighbours share what is left as they did before. Null where no split runs that way, or nothing would be left for them.
 */
export function resizePocket(
  layout: Pick<PocketLayout, "margin" | "root">,
  opening: Size,
  path: LayoutPath,
  axis: "w" | "h",
  length: Length,
): LayoutNode | null {
  const inside = size(ticks(opening.w - 2 * layout.margin), ticks(opening.h - 2 * layout.margin));
  const areas = areasAlong(layout.root, inside, path);
  for (let depth = path.length - 1; depth >= 0; depth--) {
    const [step = 0, area] = [path[depth], areas[depth]];
    let found = false;
    const root = replaceNode(layout.root, path.slice(0, depth), (node) => {
      if (node.kind === "pocket" || (node.kind === "columns") !== (axis === "w") || node.parts.length < 2 || !area)
        return node;
      const free = area[axis] - node.seam * (node.parts.length - 1);
      const lengths = cut(
        free,
        node.parts.map(({ share }) => share),
      );
      const others = free - (lengths[step] ?? 0);
      const left = free - length;
      if (length <= 0 || left < node.parts.length - 1) return node;
      found = true;
      const shared = cut(
        left,
        lengths.map((each, at) => (at === step ? 0 : each / Math.max(1, others))),
      );
      return {
        ...node,
        parts: node.parts.map((part, at) => ({ ...part, share: at === step ? length : Math.max(1, shared[at] ?? 1) })),
      };
    });
    if (found) return root;
  }
  return null;
}

export type CutDown =
  | { ok: true; layout: Pick<PocketLayout, "margin" | "root">; size: Size; lost: number; opened: number }
  | { ok: false; reason: "not-smaller" | LayoutProblem };

/** Keeps the first `keep` ticks of a node along `axis`. What is cut through keeps what is left of it, open at the cut. */
function keepFirst(node: LayoutNode, axis: "w" | "h", area: Size, keep: number): { node: LayoutNode; opened: number } {
  if (node.kind === "pocket") return { node, opened: keep < area[axis] ? 1 : 0 };
  const runsAlong = (node.kind === "columns") === (axis === "w");
  const free = (node.kind === "rows" ? area.h : area.w) - node.seam * (node.parts.length - 1);
  const lengths = cut(
    free,
    node.parts.map(({ share }) => share),
  );
  const sizeOfPart = (length: number): Size =>
    node.kind === "rows" ? size(area.w, ticks(length)) : size(ticks(length), area.h);
  if (!runsAlong) {
    const kept = node.parts.map((part, at) => keepFirst(part.node, axis, sizeOfPart(lengths[at] ?? 0), keep));
    return {
      node: { ...node, parts: node.parts.map((part, at) => ({ ...part, node: kept[at]?.node ?? POCKET })) },
      opened: kept.reduce((sum, { opened }) => sum + opened, 0),
    };
  }
  const parts: LayoutPart[] = [];
  let opened = 0;
  let edge = 0;
  for (const [index, part] of node.parts.entries()) {
    const length = lengths[index] ?? 0;
    const left = Math.min(length, keep - edge);
    if (left <= 0) break;
    const kept = keepFirst(part.node, axis, sizeOfPart(length), left);
    opened += kept.opened;
    parts.push({ share: left, node: kept.node });
    edge += length + node.seam;
  }
  const [only] = parts;
  return { node: parts.length === 1 && only ? only.node : { ...node, parts }, opened };
}

/**
 * Cuts a protector down to `to`, keeping its left upper part: drop the last row, or cut to a width. Pockets beyond the cut
 * are lost; those it runs through are open there and must be taped. A welded margin is cut away first.
 */
export function cutDown(layout: Pick<PocketLayout, "margin" | "root">, from: Size, to: Size): CutDown {
  if (to.w > from.w || to.h > from.h || (to.w === from.w && to.h === from.h))
    return { ok: false, reason: "not-smaller" };
  const before = readLayout(layout, from);
  if (!before.ok) return before;
  if (layout.margin > 0) {
    const inner = size(ticks(from.w - 2 * layout.margin), ticks(from.h - 2 * layout.margin));
    const kept = size(ticks(Math.min(to.w, inner.w)), ticks(Math.min(to.h, inner.h)));
    return cutDown({ margin: ticks(0), root: layout.root }, inner, kept);
  }
  let { root } = layout;
  let opened = 0;
  if (to.w < from.w) ({ node: root, opened } = keepFirst(root, "w", from, to.w));
  if (to.h < from.h) {
    const cutAcross = keepFirst(root, "h", size(to.w, from.h), to.h);
    root = cutAcross.node;
    opened += cutAcross.opened;
  }
  const after = readLayout({ margin: ticks(0), root }, to);
  if (!after.ok) return after;
  return {
    ok: true,
    layout: { margin: ticks(0), root },
    size: to,
    lost: before.pockets.length - after.pockets.length,
    opened,
  };
}

/** The height that is left when the last row is cut off, seam included; null when there is no row to drop. */
export function heightWithoutLastRow(
  { margin, root }: Pick<PocketLayout, "margin" | "root">,
  opening: Size,
): Length | null {
  if (root.kind !== "rows" || root.parts.length < 2) return null;
  const free = opening.h - 2 * margin - root.seam * (root.parts.length - 1);
  const lengths = cut(
    free,
    root.parts.map(({ share }) => share),
  );
  return ticks(opening.h - 2 * margin - (lengths.at(-1) ?? 0) - root.seam);
}
