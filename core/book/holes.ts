import type { Face } from "../album/leaf.ts";
import type { AlbumFormat } from "../album/model.ts";
import { inches, type Length, ticks } from "../measure/length.ts";
import { mirrored, type Rect } from "../measure/rect.ts";
import { type LeafBuild, type LeafRead, type PlacedPiece, wholeLeaf } from "./read.ts";

/** A hole on a leaf, its centre in the page's own ticks. */
export type HoleSpot = { readonly x: Length; readonly y: Length; readonly diameter: Length };

/** How far below the upper end of a full leaf this one begins: its own drop, or halfway. */
export function topOf(build: LeafBuild, drop: Length | null, format: AlbumFormat): Length {
  const whole = wholeLeaf(build, format, "front");
  if (drop === null) return ticks(Math.round((format.outer.h - whole.h) / 2));
  return ticks(Math.round((format.outer.h - format.nominal.h) / 2) + drop + whole.y);
}

/** Where the book's rings meet a leaf: holes of its protector's margin, or those to punch through a bare leaf. */
export function holesOf(build: LeafBuild, drop: Length | null, format: AlbumFormat, face: Face): HoleSpot[] {
  const { positions, inset, diameter } = format.holes;
  const whole = wholeLeaf(build, format, "front");
  const spots = positions.flatMap((position) => {
    const along =
      format.bindingEdge === "left"
        ? position - topOf(build, drop, format)
        : position - Math.round((format.outer.w - whole.w) / 2);
    const length = format.bindingEdge === "left" ? whole.h : whole.w;
    if (2 * along < diameter || 2 * (length - along) < diameter) return [];
    return [
      format.bindingEdge === "left"
        ? { x: whole.x + inset, y: whole.y + along }
        : { x: whole.x + along, y: whole.y + inset },
    ];
  });
  return spots.map(({ x, y }) => ({ x: ticks(face === "front" ? x : build.page.w - x), y: ticks(y), diameter }));
}

/** Whether a round hole cuts into a rectangle. */
function cutsInto({ x, y, diameter }: HoleSpot, lies: Rect): boolean {
  const dx = Math.max(lies.x - x, 0, x - (lies.x + lies.w));
  const dy = Math.max(lies.y - y, 0, y - (lies.y + lies.h));
  return 4 * (dx * dx + dy * dy) < diameter * diameter;
}

/** Clear of a hole by this much, so that the paper between does not tear. From memory. */
const BRIDGE = inches(1 / 16);
/** A clear strip stands ½ in outside the photo's edge; the punch goes through it (common practice). */
export const CLEAR_STRIP = inches(1 / 2);

export type HoleTrouble = {
  readonly piece: PlacedPiece;
  readonly holes: readonly HoleSpot[];
  /** Move the piece this far from the binding edge and it is clear; null when it would then leave the page. */
  readonly move: Length | null;
  /** Otherwise: a clear strip along the piece's binding edge, this long, punched instead of it. */
  readonly strip: { readonly w: Length; readonly h: Length };
};

/** Pieces of a bare leaf that a punch would go through, and what avoids it. None where a protector takes the holes. */
export function holeTroubles({ leaf, build, ...sides }: LeafRead, face: Face, format: AlbumFormat): HoleTrouble[] {
  if (build.inProtector || format.binding === "sewn") return [];
  const holes = holesOf(build, leaf.drop, format, face);
  return sides[face].pieces.flatMap((piece) => {
    if (piece.fit.kind === "beside") return [];
    const hit = holes.filter((hole) => cutsInto(hole, piece.rect));
    const [first] = hit;
    if (!first) return [];
    const radius = Math.ceil(first.diameter / 2);
    if (format.bindingEdge === "top") {
      const move = first.y + radius + BRIDGE - piece.rect.y;
      const stays = piece.rect.y + piece.rect.h + move <= build.page.h;
      return [{ piece, holes: hit, move: stays ? ticks(move) : null, strip: { w: piece.rect.w, h: CLEAR_STRIP } }];
    }
    const away =
      face === "front"
        ? first.x + radius + BRIDGE - piece.rect.x
        : piece.rect.x + piece.rect.w - (first.x - radius - BRIDGE);
    const stays = face === "front" ? piece.rect.x + piece.rect.w + away <= build.page.w : piece.rect.x - away >= 0;
    return [{ piece, holes: hit, move: stays ? ticks(away) : null, strip: { w: CLEAR_STRIP, h: piece.rect.h } }];
  });
}

/** A slit from a hole to the binding edge, for a leaf that must lift off the rings. */
export type Slit = { readonly from: HoleSpot; readonly to: { readonly x: Length; readonly y: Length } };

export function slitsOf({ leaf, build }: Pick<LeafRead, "leaf" | "build">, face: Face, format: AlbumFormat): Slit[] {
  if (!leaf.liftsOff) return [];
  const whole = wholeLeaf(build, format, "front");
  const edge = face === "front" ? whole : mirrored(whole, build.page.w);
  return holesOf(build, leaf.drop, format, face).map((from) => ({
    from,
    to:
      format.bindingEdge === "top"
        ? { x: from.x, y: edge.y }
        : { x: face === "front" ? edge.x : ticks(edge.x + edge.w), y: from.y },
  }));
}
