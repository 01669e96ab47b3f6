import type { Face } from "../album/leaf.ts";
import type { AlbumFormat } from "../album/model.ts";
import { holesOf, slitsOf } from "../book/holes.ts";
import { leafInk, VELLUM_HIDES } from "../book/leaf-ink.ts";
import { holeWork } from "../book/old-holes.ts";
import { pieceSize } from "../book/piece.ts";
import { type LeafBuild, type LeafRead, type SideRead, wholeLeaf } from "../book/read.ts";
import { behind, cutsThrough, seenThroughBase, seenThroughPiece, windowsOf } from "../book/windows.ts";
import { type Length, millimetres, ticks } from "../measure/length.ts";
import { overlap, type Rect, rect, rectOf, subtract } from "../measure/rect.ts";
import type { Mark } from "./marks.ts";
import { monthMarks } from "./month.ts";
import { caption, drawnFor, paperMarks, placedMarks, printedOf, ruled } from "./piece.ts";

const t = (n: number): Length => ticks(Math.round(n));

/** What a page is made of, seen from either side. */
function groundOf(read: LeafRead): Mark {
  const { build } = read;
  const at = rectOf(build.page);
  // What it is made of tells more than its kind: a page of vellum in a protector is looked through.
  const seen = seenThroughBase(read);
  if (seen === "clear") return { kind: "rect", at, fill: "film", solid: 0.14, stroke: "film" };
  if (seen === "translucent") return { kind: "rect", at, fill: "paper", solid: VELLUM_HIDES };
  return { kind: "rect", at, fill: leafInk(build) };
}

/** Marks as they are where windows are cut through what they are drawn on: what is left of it, part by part. */
function cutOut(marks: readonly Mark[], page: Rect, cuts: readonly Rect[]): Mark[] {
  if (cuts.length === 0 || marks.length === 0) return [...marks];
  const parts = cuts.reduce<Rect[]>((all, cut) => all.flatMap((part) => subtract(part, cut)), [page]);
  return parts.map((part) => within(marks, page, part));
}

const within = (marks: readonly Mark[], { w, h }: Rect, clip: Rect): Mark => ({
  ...{ kind: "group", x: t(0), y: t(0), turn: 0, w, h, clip, marks },
});

/** The paper of a page's base; a sheet that is printed on one side is plain at the back. */
function baseMarks({ build, leaf }: LeafRead, face: Face): Mark[] {
  const { of } = leaf.make;
  const isPaper = build.kind === "full" || build.kind === "paper";
  return isPaper && (face === "front" || !of?.shows?.oneSided) ? paperMarks(of, rectOf(build.page)) : [];
}

/** The leaf itself without what lies on it: its protector, its paper, its pockets, its holes and slits. */
export function leafMarks(read: LeafRead, face: Face, format: AlbumFormat): Mark[] {
  const { build, leaf } = read;
  const whole = wholeLeaf(build, format, face);
  const holes = format.binding === "sewn" ? [] : holesOf(build, leaf.drop, format, face);
  const pockets = read[face].pockets;
  const isPockets = build.kind === "pocket";
  const windows = windowsOf(read, face);
  const cuts = cutsThrough(read, face);
  const page = rectOf(build.page);
  const isOpaque = seenThroughBase(read) === "opaque";
  const backs = isOpaque && cuts.length === 0 ? [] : backMarks(read, face);
  return [
    ...(build.inProtector
      ? [{ kind: "rect", at: whole, fill: "film", solid: 0.16, stroke: "film", round: millimetres(1) } as Mark]
      : []),
    // What is stuck behind film or vellum is seen through it; what lies in a pocket lies in front of its film.
    ...(isPockets ? [] : isOpaque ? cuts.map((cut) => within(backs, page, cut)) : backs),
    ...(isPockets ? pocketGround(build, windows) : cutOut([groundOf(read), ...baseMarks(read, face)], page, cuts)),
    ...behind(read, face).flatMap(({ placed, at }): Mark[] =>
      placed.piece.what.kind === "window" ? [{ kind: "rect", at, stroke: "pencil", line: t(110) }] : [],
    ),
    ...insertShape(build, face),
    ...pockets.map(
      (at): Mark => ({ kind: "rect", at, fill: "paper", solid: isOpen(at, windows) ? 0.08 : 0.35, stroke: "hair" }),
    ),
    ...(isPockets ? backs : []),
    ...slitsOf(read, face, format).map(
      ({ from, to }): Mark => ({
        kind: "line",
        x1: from.x,
        y1: from.y,
        x2: to.x,
        y2: to.y,
        stroke: "ember",
        dashed: true,
      }),
    ),
    ...oldHoleMarks(read, face, format),
    ...holes.map(
      ({ x, y, diameter }): Mark => ({ kind: "circle", x, y, r: t(diameter / 2), fill: "hole", stroke: "hair" }),
    ),
  ];
}

/** Whether a pocket is one that is looked through. */
const isOpen = (pocket: Rect, windows: readonly Rect[]): boolean => windows.some((window) => overlap(window, pocket));

/** The film of a page of pockets: clear where nothing lies in them. */
const pocketGround = ({ page }: LeafBuild, windows: readonly Rect[]): Mark[] => [
  ...windows
    .reduce<Rect[]>((parts, window) => parts.flatMap((part) => subtract(part, window)), [rectOf(page)])
    .map((at): Mark => ({ kind: "rect", at, fill: "film", solid: 0.82 })),
  ...windows.map((at): Mark => ({ kind: "rect", at, fill: "film", solid: 0.16 })),
];

/** What lies on the other face of a leaf that is looked through: the backs of its pieces, and what is clear itself the wrong way round. */
function backMarks(read: LeafRead, face: Face): Mark[] {
  const other = read[face === "front" ? "back" : "front"];
  return behind(read, face).flatMap(({ placed: { piece, fit }, at }): Mark[] => {
    if (fit.kind === "beside" || piece.what.kind === "room" || piece.what.kind === "window") return [];
    if (seenThroughPiece(piece) === "opaque") {
      const r = t(Math.min(at.w, at.h) / 2);
      return piece.what.kind === "embellishment"
        ? [{ kind: "circle", x: t(at.x + at.w / 2), y: t(at.y + at.h / 2), r, fill: "paper", stroke: "hair" }]
        : [{ kind: "rect", at, fill: "paper", stroke: "hair" }];
    }
    const { w, h } = read.build.page;
    const marks = placedMarks(piece, drawnFor(other, piece));
    return [{ kind: "group", x: t(0), y: t(0), turn: 0, mirrored: true, w, h, marks }];
  });
}

/** The holes a leaf came with that no ring goes through: to be covered, and once it is punched, under their washi. */
function oldHoleMarks(read: LeafRead, face: Face, format: AlbumFormat): Mark[] {
  const work = holeWork(read, face, format);
  if (!work) return [];
  const isCovered = read.leaf.done.includes("punch");
  const half = t(work.washi / 2);
  return work.cover.map(({ x, y, diameter }): Mark => {
    if (!isCovered) return { kind: "circle", x, y, r: t(diameter / 2), fill: "hole", stroke: "ember", dashed: true };
    const at = rect(x - half, y - half, work.washi, work.washi);
    return { kind: "rect", at, fill: "kraft", solid: 0.85 };
  });
}

function insertShape({ insert, page }: LeafBuild, face: Face): Mark[] {
  if (insert === "envelope" && face === "front") {
    const points = [
      [ticks(0), ticks(0)],
      [t(page.w / 2), t(page.h * 0.42)],
      [page.w, ticks(0)],
    ] as const;
    return [{ kind: "polygon", points, fill: "paper", stroke: "hair" }];
  }
  if (insert === "leaf" || insert === "menu") return ruled(page, t(page.h * 0.1));
  return [];
}

/** What is printed of a whole side as one sheet, in the page's own ticks. */
export const pagePrintMarks = (read: LeafRead, face: Face, format: AlbumFormat): Mark[] => [
  ...monthOn(read, face, format),
  ...printedPieces(read[face]),
];

const printedPieces = (side: SideRead): Mark[] =>
  side.pieces.flatMap(({ piece }): Mark[] => {
    const drawn = drawnFor(side, piece);
    const made = pieceSize(piece.what, drawn.content);
    const marks = made ? printedOf(piece, made, drawn) : [];
    return made && marks.length > 0 ? [{ kind: "group", ...piece.at, turn: piece.turn, ...made, marks }] : [];
  });

const MATTER_WORDS = {
  title: "Title page",
  "opening-note": "Why I do this",
  "month-calendar": "The month",
  before: "Before day 1",
  section: "A section begins",
  closing: "Closing page",
} as const;

/**
 * The squares of a month calendar: on the first side of its leaf, clear of the holes. Where nobody chose what stands in
 * them they make way for what is laid there; a page of pockets has no room for them.
 */
export function monthOn(read: LeafRead, face: Face, format: AlbumFormat): Mark[] {
  const side = read[face];
  const month = side.page?.matter?.month;
  const isSecond = face === "back" && read.front.page === side.page;
  if (!month || month.grids.length === 0 || isSecond || side.pockets.length > 0) return [];
  if (month.isUsual && side.pieces.length > 0) return [];
  return monthMarks(month.grids, clearOfHoles(read, face, format));
}

/** What of a page is free to draw on: a margin all round, and past the holes where it has any. */
function clearOfHoles({ build, leaf }: LeafRead, face: Face, format: AlbumFormat): Rect {
  const { w, h } = build.page;
  const margin = Math.min(w, h) * 0.05;
  const isPunched = !build.inProtector && format.binding !== "sewn";
  const holes = isPunched ? holesOf(build, leaf.drop, format, face) : [];
  const past = (edges: readonly number[]) => Math.max(margin, ...edges.map((edge) => edge + margin / 2));
  const isTop = format.bindingEdge === "top";
  const left = past(isTop ? [] : holes.filter(({ x }) => x < w / 2).map(({ x, diameter }) => x + diameter / 2));
  const right = past(isTop ? [] : holes.filter(({ x }) => x > w / 2).map(({ x, diameter }) => w - x + diameter / 2));
  const top = past(isTop ? holes.map(({ y, diameter }) => y + diameter / 2) : []);
  return rect(t(left), t(top), t(w - left - right), t(h - top - margin));
}

/** A whole side: the leaf and everything on it, in the page's own ticks. */
export function sideMarks(read: LeafRead, face: Face, format: AlbumFormat): Mark[] {
  const side = read[face];
  const { matter } = side.page ?? {};
  const month = monthOn(read, face, format);
  const named: Mark[] =
    month.length === 0 && matter && side.pieces.length === 0
      ? [caption(matter.title || MATTER_WORDS[matter.kind], read.build.page)]
      : [];
  return [
    ...leafMarks(read, face, format),
    ...month,
    ...named,
    ...side.pieces.flatMap(({ piece }) => placedMarks(piece, drawnFor(side, piece))),
  ];
}
