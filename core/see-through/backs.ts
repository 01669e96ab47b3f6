import type { Face, PieceWhat } from "../album/leaf.ts";
import { piercesBy } from "../album/made-of.ts";
import { type BookPage, type LeafRead, type PlacedPiece, pageOfPiece } from "../book/read.ts";
import { behind, seenThroughBase, seenThroughPiece } from "../book/windows.ts";
import { inches } from "../measure/length.ts";
import { areaOf, overlap, type Rect } from "../measure/rect.ts";
import { areaShared, type SeenSlip } from "./slip.ts";

/** Kinds that are stuck down, so that their backs are seen where they are stuck to film or vellum. */
const STUCK: ReadonlySet<PieceWhat["kind"]> = new Set([
  "embellishment",
  "tag",
  "numeral",
  "flip",
  "filler",
  "photo-mat",
]);

/**
 * What of the other face shows on this one, and nothing on this face covers: what is stuck to film or vellum, and what
 * goes through the page, be it the piece itself or what holds it.
 */
export function backsOf<P extends BookPage>(read: LeafRead<P>, face: Face): SeenSlip<P>[] {
  if (read.build.kind === "pocket") return [];
  const isOpaque = seenThroughBase(read) === "opaque";
  const covers = read[face].pieces.filter(({ piece }) => seenThroughPiece(piece) === "opaque").map((each) => each.rect);
  const other = read[face === "front" ? "back" : "front"];
  return behind(read, face).flatMap(({ placed, at }): SeenSlip<P>[] => {
    const { piece, fit } = placed;
    if (fit.kind === "beside" || areaShared(at, covers) * 2 >= areaOf(at)) return [];
    const of = { through: read, face, page: pageOfPiece(other, piece), pieces: [placed] };
    const by = piercesBy(piece.of);
    if (by) return [{ ...of, kind: "pierced", slip: `pierced ${piece.id}`, by }];
    const isSeen = !isOpaque && STUCK.has(piece.what.kind) && seenThroughPiece(piece) === "opaque";
    return isSeen ? [{ ...of, kind: "back", slip: `back ${piece.id}` }] : [];
  });
}

/** Glue may go under what hides at least so much. */
const LEAST_GLUE = inches(1 / 4);

/** Where glue is hidden under something opaque that lies over a piece, in the side's ticks. */
export const glueMayGo = (placed: PlacedPiece, above: readonly PlacedPiece[]): Rect[] =>
  above
    .filter(({ piece }) => seenThroughPiece(piece) === "opaque")
    .flatMap(({ rect: cover }) => overlap(cover, placed.rect) ?? [])
    .filter(({ w, h }) => Math.min(w, h) >= LEAST_GLUE);

/** What is glued down on a page and looked through, film or vellum, so that its glue is in sight; not what lies in a pocket. */
export function glueInSight<P extends BookPage>(read: LeafRead<P>, face: Face): SeenSlip<P>[] {
  const side = read[face];
  const isHeld = read.build.kind === "pocket" || read.build.inProtector;
  // What is printed on a page of film or vellum is shown as a clear overlay on it, and is stuck to nothing.
  const isPrinted = ({ kind }: PieceWhat) => kind === "overlay" && seenThroughBase(read) !== "opaque";
  return side.pieces.flatMap((placed, at): SeenSlip<P>[] => {
    const { piece, fit } = placed;
    const { what, of } = piece;
    const isStuck =
      "name" in what &&
      what.kind !== "window" &&
      !isPrinted(what) &&
      (!isHeld || piece.outside) &&
      fit.kind !== "beside";
    if (!isStuck || seenThroughPiece(piece) === "opaque" || piercesBy(of) !== null) return [];
    const mayGo = glueMayGo(placed, side.pieces.slice(at + 1));
    return [
      {
        ...{ kind: "glue", slip: `glue ${piece.id}`, through: read, face },
        ...{ page: pageOfPiece(side, piece), pieces: [placed], mayGo },
      },
    ];
  });
}
