import { inches, type Length, millimetres, ticks, type Unit } from "../measure/length.ts";
import { contains, type Edges, overlap, type Rect, rectOf, roomIn, sizeOf } from "../measure/rect.ts";
import { type Size, size, turned } from "../measure/size.ts";

/** Room a piece wants to slide in its pocket. Common practice: 1/16 in. */
export const PLAY = inches(1 / 16);
/** More room than this and a piece wanders in its pocket. From memory. */
export const WANDERS_OVER = inches(1 / 2);

/** What can be said of a piece in the pocket or on the page it lies on. Sizes and edges in ticks, none negative. */
export type Fit =
  /** In its pocket, with `play` left in each direction. */
  | { readonly kind: "fits"; readonly play: Size }
  /** It goes in, but with less play than asked for. */
  | { readonly kind: "snug"; readonly play: Size }
  /** It goes in when turned by a quarter. */
  | { readonly kind: "turn"; readonly play: Size }
  /** Too large: what to trim off, what the pocket takes with play, and the largest print of its shape that goes in as it lies; null when none does. */
  | { readonly kind: "trim"; readonly off: Size; readonly takes: Size; readonly largest: Size | null }
  /** So small that it wanders: mount it on a backing of this size. */
  | { readonly kind: "wanders"; readonly play: Size; readonly backing: Size }
  /** Over two neighbouring pockets: cut it in two. */
  | { readonly kind: "split"; readonly pockets: readonly [number, number] }
  /** On the open page, with this much to each edge. */
  | { readonly kind: "lies"; readonly room: Edges }
  /** Beyond the page's edges by this much, zero where it does not. */
  | { readonly kind: "overhangs"; readonly over: Edges }
  /** A tab at an edge, standing this far out of the page. */
  | { readonly kind: "stands"; readonly out: Edges }
  /** Not on the page at all. */
  | { readonly kind: "beside" };

const within = (piece: Size, pocket: Size, play: number): boolean =>
  piece.w + play <= pocket.w && piece.h + play <= pocket.h;
const left = (piece: Size, pocket: Size): Size => size(ticks(pocket.w - piece.w), ticks(pocket.h - piece.h));

const STEP: Record<Unit, Length> = { inch: inches(1 / 8), cm: millimetres(1) };

/** The largest print of this shape that fits a pocket with play, rounded down to an eighth of an inch or a millimetre. */
export function largestPrint(print: Size, pocket: Size, unit: Unit, play: Length = PLAY): Size | null {
  const room = size(ticks(Math.max(0, pocket.w - play)), ticks(Math.max(0, pocket.h - play)));
  const scale = Math.min(room.w / print.w, room.h / print.h);
  const step = STEP[unit];
  const down = (length: number) => ticks(Math.floor((length * scale) / step + 1e-9) * step);
  const [w, h] = [down(print.w), down(print.h)];
  return w > 0 && h > 0 ? size(w, h) : null;
}

/** How a piece that lies as it does fits one pocket. */
export function fitInPocket(piece: Size, pocket: Size, unit: Unit, play: Length = PLAY): Fit {
  if (within(piece, pocket, 0)) {
    const room = left(piece, pocket);
    if (room.w > WANDERS_OVER || room.h > WANDERS_OVER) {
      return { kind: "wanders", play: room, backing: size(ticks(pocket.w - play), ticks(pocket.h - play)) };
    }
    return { kind: within(piece, pocket, play) ? "fits" : "snug", play: room };
  }
  if (within(turned(piece), pocket, play)) return { kind: "turn", play: left(turned(piece), pocket) };
  const over = (length: number, room: number) => ticks(Math.max(0, length - (room - play)));
  return {
    kind: "trim",
    off: size(over(piece.w, pocket.w), over(piece.h, pocket.h)),
    takes: size(ticks(pocket.w - play), ticks(pocket.h - play)),
    largest: largestPrint(piece, pocket, unit, play),
  };
}

/** How a piece lies on an open page: wholly on it, over its edge, or not on it. */
export function fitOnPage(piece: Rect, page: Size): Fit {
  const whole = rectOf(page);
  if (!overlap(piece, whole)) return { kind: "beside" };
  const room = roomIn(whole, piece);
  if (contains(whole, piece)) return { kind: "lies", room };
  const over = (length: Length) => ticks(Math.max(0, -length));
  return {
    kind: "overhangs",
    over: { top: over(room.top), right: over(room.right), bottom: over(room.bottom), left: over(room.left) },
  };
}

/** How far a tab stands out of its page: it may only touch the edge it is stuck to. */
export function fitTab(tab: Rect, page: Size): Fit {
  const room = roomIn(rectOf(page), tab);
  const touches = tab.x <= page.w && tab.y <= page.h && tab.x + tab.w >= 0 && tab.y + tab.h >= 0;
  if (!touches) return { kind: "beside" };
  const out = (length: Length) => ticks(Math.max(0, -length));
  return {
    kind: "stands",
    out: { top: out(room.top), right: out(room.right), bottom: out(room.bottom), left: out(room.left) },
  };
}

/** The largest share of the piece that lies in one pocket decides; a quarter of it in a second pocket makes it a split. */
const SPLIT_SHARE = 0.25;

/** How a piece fits where it lies on a pocket page: the pocket it mostly covers, or two neighbours it lies across. */
export function fitOnPockets(
  piece: Rect,
  pockets: readonly Rect[],
  page: Size,
  unit: Unit,
): { fit: Fit; pocket: number | null } {
  let best = -1;
  let second = -1;
  let [most, next] = [0, 0];
  for (let index = 0; index < pockets.length; index++) {
    const pocket = pockets[index] as Rect;
    const w = Math.min(piece.x + piece.w, pocket.x + pocket.w) - Math.max(piece.x, pocket.x);
    const h = Math.min(piece.y + piece.h, pocket.y + pocket.h) - Math.max(piece.y, pocket.y);
    if (w <= 0 || h <= 0) continue;
    const share = w * h;
    if (share > most) {
      [second, next] = [best, most];
      [best, most] = [index, share];
    } else if (share > next) {
      [second, next] = [index, share];
    }
  }
  const pocket = pockets[best];
  if (!pocket) return { fit: fitOnPage(piece, page), pocket: null };
  const fit = fitInPocket(sizeOf(piece), pocket, unit);
  const neighbour = pockets[second];
  if (fit.kind === "trim" && neighbour && next >= SPLIT_SHARE * piece.w * piece.h && neighbours(pocket, neighbour)) {
    return { fit: { kind: "split", pockets: best < second ? [best, second] : [second, best] }, pocket: best };
  }
  return { fit, pocket: best };
}

/** Which way two pockets stand next to each other with nothing but a seam between them; null when they do not. */
export function neighbours(a: Rect, b: Rect): "w" | "h" | null {
  const [first, second] = a.x + a.y <= b.x + b.y ? [a, b] : [b, a];
  if (first.y === second.y && first.h === second.h && second.x >= first.x + first.w) return "w";
  return first.x === second.x && first.w === second.w && second.y >= first.y + first.h ? "h" : null;
}

/** What becomes of the strip that the seam hides: cut out, or kept so that the picture is a little interrupted. */
export type SeamWay = "dropped" | "kept";
export type SplitPrint =
  | {
      ok: true;
      along: "w" | "h";
      /** Where to cut, from the print's left or upper edge: one line, or two with a strip between them to throw away. */
      cuts: Length[];
      /** The two parts, in the print's own ticks. */
      parts: [Rect, Rect];
      /** Each part's place in its pocket, in the pockets' own ticks. */
      places: [Rect, Rect];
    }
  | { ok: false; reason: "not-neighbours" | "too-large" | "too-small" };

/**
 * Cuts a print, as it lies, in two for pockets `a` and `b` (left and right, or upper and lower). Both parts have the same
 * length; each must go into its pocket. A 4 × 6 over two 3 × 4 pockets loses nothing but the seam (common practice).
 */
export function splitOver(print: Size, a: Rect, b: Rect, way: SeamWay): SplitPrint {
  const along = neighbours(a, b);
  if (!along) return { ok: false, reason: "not-neighbours" };
  const [first, second] = a.x + a.y <= b.x + b.y ? [a, b] : [b, a];
  const seam = along === "w" ? second.x - first.x - first.w : second.y - first.y - first.h;
  const drop = way === "dropped" ? seam : 0;
  const length = print[along];
  if (length - drop < 2) return { ok: false, reason: "too-small" };
  const one = Math.floor((length - drop) / 2);
  const two = length - drop - one;
  const across = along === "w" ? "h" : "w";
  if (one > first[along] || two > second[along] || print[across] > Math.min(first[across], second[across]))
    return { ok: false, reason: "too-large" };
  const part = (from: number, long: number): Rect =>
    along === "w"
      ? { x: ticks(from), y: ticks(0), w: ticks(long), h: print.h }
      : { x: ticks(0), y: ticks(from), w: print.w, h: ticks(long) };
  // Both parts lie against the seam, so that the picture reads on.
  const gap = (pocket: Rect) => Math.round((pocket[across] - print[across]) / 2);
  const place = (pocket: Rect, long: number, end: boolean): Rect =>
    along === "w"
      ? {
          x: ticks(end ? pocket.x + pocket.w - long : pocket.x),
          y: ticks(pocket.y + gap(pocket)),
          w: ticks(long),
          h: print.h,
        }
      : {
          x: ticks(pocket.x + gap(pocket)),
          y: ticks(end ? pocket.y + pocket.h - long : pocket.y),
          w: print.w,
          h: ticks(long),
        };
  return {
    ok: true,
    along,
    cuts: drop > 0 ? [ticks(one), ticks(one + drop)] : [ticks(one)],
    parts: [part(0, one), part(one + drop, two)],
    places: [place(first, one, true), place(second, two, false)],
  };
}
