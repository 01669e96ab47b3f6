import type { Face, Turn } from "../album/leaf.ts";
import { type Piercing, piercesBy } from "../album/made-of.ts";
import type { AlbumFormat } from "../album/model.ts";
import { holesOf } from "../book/holes.ts";
import type { LeafRead, PlacedPiece } from "../book/read.ts";
import { seenThroughBase, seenThroughPiece } from "../book/windows.ts";
import { comesOut } from "../bulk/pocket-room.ts";
import { MATERIALS, type Micrometres, micrometres } from "../material/material.ts";
import { type Length, ticks } from "../measure/length.ts";
import { contains, mirrored, overlap, type Rect, rect, rectOf, sizeOf } from "../measure/rect.ts";
import type { Part } from "./blueprint.ts";
import type { Made, State } from "./craft.ts";
import { areaLaid, laidIn, thickestPile } from "./lies.ts";

/** What does not work where a construction lies, each with what to do about it said in `app/wording`. */
export type PlaceTrouble =
  | { readonly kind: "too-large"; readonly over: Length; readonly of: "page" | "pocket" }
  | { readonly kind: "into-rings"; readonly state: string; readonly by: Length }
  | { readonly kind: "past-cover"; readonly state: string; readonly by: Length }
  | { readonly kind: "over-holes"; readonly state: string }
  | { readonly kind: "over-piece"; readonly state: string; readonly piece: PlacedPiece }
  | { readonly kind: "tight" | "jams"; readonly room: Length }
  /** What slides there is caught by what holds something else, on its own side or the one behind. */
  | { readonly kind: "snags"; readonly by: Exclude<Piercing, "slit">; readonly behind: boolean }
  | { readonly kind: "back-seen" }
  /** It goes through the paper, and the other side is another day's: both are made before either is stuck down. */
  | { readonly kind: "two-days" }
  | { readonly kind: "in-protector" }
  | { readonly kind: "stays-open" }
  | { readonly kind: "no-hint" };

/** A rectangle of an upright piece of this size, as it lies within the piece once it is turned clockwise by quarters. */
function turnedBy({ x, y, w, h }: Rect, made: { w: number; h: number }, turn: Turn): Rect {
  switch (turn) {
    case 0:
      return rect(x, y, w, h);
    case 1:
      return rect(made.h - y - h, x, h, w);
    case 2:
      return rect(made.w - x - w, made.h - y - h, w, h);
    case 3:
      return rect(y, made.w - x - w, h, w);
  }
}

/** Where all of a state lies on its side, where the closed construction lies at `lies`, turned by quarters. */
export function stateOnSide(made: Made, state: State, lies: Rect, turn: Turn): Rect {
  const [first] = made.states;
  const closed = areaLaid(laidIn(made, first ?? state));
  const now = areaLaid(laidIn(made, state));
  const within = turnedBy(rect(now.x - closed.x, now.y - closed.y, now.w, now.h), closed, turn);
  return rect(lies.x + within.x, lies.y + within.y, within.w, within.h);
}

/** How far a rectangle reaches beyond each edge of another; nothing where it does not. */
const beyond = (area: Rect, within: Rect) => ({
  left: Math.max(0, within.x - area.x),
  top: Math.max(0, within.y - area.y),
  right: Math.max(0, area.x + area.w - within.x - within.w),
  bottom: Math.max(0, area.y + area.h - within.y - within.h),
});

/** The edge of a side at which it is bound, as it is looked at. */
export function boundAt(
  face: Face,
  { bindingEdge }: Pick<AlbumFormat, "bindingEdge">,
): "left" | "right" | "top" | "bottom" {
  if (bindingEdge === "left") return face === "front" ? "left" : "right";
  return face === "front" ? "top" : "bottom";
}

/** The layers of the closed construction where most lie on each other, what goes in among them and what it lies on not. */
function layersThere(made: Made): readonly Part[] {
  const [closed] = made.states;
  const laid = closed ? laidIn(made, closed) : [];
  const isGround = (id: string) => made.parts.find((part) => part.id === id)?.isGround ?? false;
  return thickestPile(
    made,
    laid.filter(({ part }) => !isGround(part)),
  );
}

/** How thick it is closed where it is thickest: every layer by what it is made of. */
export const thickOf = (made: Made): Micrometres =>
  micrometres(layersThere(made).reduce((sum, { of }) => sum + MATERIALS[of].caliper, 0));

export const layersOf = (made: Made): number => layersThere(made).length;

/** What something on a side is, so that it may open over other things or be in its way. */
export type PlacedThere = {
  readonly read: LeafRead;
  readonly face: Face;
  /** Where it lies closed. */
  readonly lies: Rect;
  readonly turn: Turn;
  /** Stuck on the outside of the protector. */
  readonly outside: boolean;
  /** Everything else on the side. */
  readonly others: readonly PlacedPiece[];
};

/** Held by what goes through the page it lies on, or cut into that page. */
export const goesThrough = ({ parts, steps }: Made): boolean =>
  steps.some(({ held }) => held === "staple" || held === "brad" || held === "eyelet") ||
  parts.some(({ isGround, slits, windows, holes }) => isGround && slits.length + windows.length + holes.length > 0);

/** What is in the way of what slides: staples, brads and stitches where it lies and where it is pulled to. */
function snagsOf(
  read: LeafRead,
  face: Face,
  lies: Rect,
  others: readonly PlacedPiece[],
  opening: readonly { readonly hinge: unknown; readonly area: Rect }[],
): PlaceTrouble[] {
  const slides = opening.filter(({ hinge }) => hinge === null).map(({ area }) => area);
  if (slides.length === 0) return [];
  const ways = [lies, ...slides];
  const caughtBy = (placed: PlacedPiece, at: Rect, behind: boolean): PlaceTrouble[] => {
    const by = piercesBy(placed.piece.of);
    const meets = by !== null && by !== "slit" && ways.some((way) => overlap(way, at));
    return meets ? [{ kind: "snags", by, behind }] : [];
  };
  const back = read[face === "front" ? "back" : "front"].pieces;
  const found = [
    ...others.flatMap((each) => caughtBy(each, each.rect, false)),
    ...back.flatMap((each) => caughtBy(each, mirrored(each.rect, read.build.page.w), true)),
  ];
  return found.slice(0, 1);
}

/** What lies there is opened itself: a flip, or another construction. */
const opens = ({ piece: { what } }: PlacedPiece): boolean => what.kind === "flip" || what.kind === "construction";

/**
 * Whether a construction works where it lies: it fits closed, opens away from the rings and within the cover, covers no hole and
 * nothing else that opens, can be opened at all, stays shut and says that it opens.
 */
export function troublesThere(
  made: Made,
  { read, face, lies, turn, outside, others }: PlacedThere,
  format: AlbumFormat,
): PlaceTrouble[] {
  const { page, inProtector } = read.build;
  const troubles: PlaceTrouble[] = [];
  const pocket = read[face].pockets.find((each) =>
    contains(each, rect(Math.round(lies.x + lies.w / 2), Math.round(lies.y + lies.h / 2), 0, 0)),
  );
  const whole = rectOf(page);
  const room = pocket && !outside ? pocket : whole;
  const over = beyond(lies, room);
  const most = Math.max(over.left + over.right, pocket && !outside ? over.bottom : over.top + over.bottom);
  if (most > 0) troubles.push({ kind: "too-large", over: ticks(most), of: pocket && !outside ? "pocket" : "page" });
  if (pocket && !outside && most === 0) {
    const { kind, room: left } = comesOut(sizeOf(pocket), { size: sizeOf(lies), thick: thickOf(made) }, true);
    if (kind !== "slides") troubles.push({ kind, room: left });
  }
  const bound = boundAt(face, format);
  const holes = inProtector || format.binding === "sewn" ? [] : holesOf(read.build, read.leaf.drop, format, face);
  const cover = { left: 0, right: 0, top: 0, bottom: 0 };
  const [wide, high] = [
    Math.max(0, format.cover.w - format.outer.w),
    Math.max(0, (format.cover.h - format.outer.h) / 2),
  ];
  for (const edge of ["left", "right", "top", "bottom"] as const)
    cover[edge] = edge === "left" || edge === "right" ? wide : high;
  const opening = made.opens.flatMap(({ state, hinge }) => {
    const of = made.states.find(({ id }) => id === state);
    return of ? [{ id: state, hinge, area: stateOnSide(made, of, lies, turn) }] : [];
  });
  for (const { id, area, hinge } of opening) {
    const out = beyond(area, whole);
    if (out[bound] > 0) troubles.push({ kind: "into-rings", state: id, by: ticks(Math.round(out[bound])) });
    const past = (["left", "right", "top", "bottom"] as const)
      .filter((edge) => edge !== bound)
      .reduce((worst, edge) => Math.max(worst, out[edge] - cover[edge]), 0);
    // What slides out is pushed in again before the book is closed; what is hinged lies there while it is read.
    if (past > 0 && hinge) troubles.push({ kind: "past-cover", state: id, by: ticks(Math.round(past)) });
    const covers = holes.some(({ x, y, diameter: d }) =>
      overlap(area, rect(x - Math.ceil(d / 2), y - Math.ceil(d / 2), d, d)),
    );
    if (covers) troubles.push({ kind: "over-holes", state: id });
    const met = others.find((each) => opens(each) && overlap(each.rect, area) && !overlap(each.rect, lies));
    if (met) troubles.push({ kind: "over-piece", state: id, piece: met });
  }
  troubles.push(...snagsOf(read, face, lies, others, opening));
  const back = read[face === "front" ? "back" : "front"];
  const isStuck = (!pocket && !inProtector) || outside;
  if (isStuck && seenThroughBase(read) !== "opaque") {
    const covers = back.pieces.filter(({ piece }) => seenThroughPiece(piece) === "opaque");
    const hidden = covers.some(({ rect: at }) => contains(at, mirrored(lies, page.w)));
    if (!hidden) troubles.push({ kind: "back-seen" });
  }
  const [here, there] = [read[face].owner, back.owner];
  const isShared = here.kind === "day" && there.kind === "day" && read[face].page !== back.page;
  if (isStuck && isShared && goesThrough(made)) troubles.push({ kind: "two-days" });
  if (opening.some(({ hinge }) => hinge) && !outside && (inProtector || read.build.kind === "pocket"))
    troubles.push({ kind: "in-protector" });
  if (opening.length > 0 && made.stays === "needs-closure") troubles.push({ kind: "stays-open" });
  const isHinted = others.some(({ piece: { what }, rect: at }) => what.kind === "tab" && overlap(at, lies));
  if (opening.length > 0 && !isHinted && made.parts.every(({ id }) => id !== "tab")) troubles.push({ kind: "no-hint" });
  return troubles;
}
