import { inches, type Length, millimetres, ticks, type Unit } from "../measure/length.ts";
import { contains, type Edges, overlap, type Rect, rect, rectOf, roomIn, sizeOf } from "../measure/rect.ts";
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
  /** It goes in when turned by a quarter, with `play` left then; snug when that is less than asked for. */
  | { readonly kind: "turn"; readonly play: Size }
  /**
   * Too large either way up: what to trim off and what the pocket takes with play, both as it lies or, where that keeps
   * more of it, as it lies when `turned` by a quarter. `largest`: the largest print of its shape that goes in, one way up
   * or the other, as wide and high as the piece lies now; null when none does.
   */
  | {
      readonly kind: "trim";
      readonly turned: boolean;
      readonly off: Size;
      readonly takes: Size;
      readonly largest: Size | null;
      /** It is the protector's opening that does not take it, and no pocket. */
      readonly inOpening?: true;
    }
  /** So small that it wanders: mount it on a backing of this size. */
  | { readonly kind: "wanders"; readonly play: Size; readonly backing: Size }
  /** Small for its pocket, and stuck to what fills it: to the piece `under` it, or to the `back` of one on the other face. */
  | { readonly kind: "carried"; readonly by: "under" | "back" }
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
  if (within(turned(piece), pocket, 0)) return { kind: "turn", play: left(turned(piece), pocket) };
  return trimFor(piece, pocket, unit, play);
}

/** What to trim off a piece that is too large for a pocket either way up: the way that keeps more of it. */
function trimFor(piece: Size, pocket: Size, unit: Unit, play: Length): Fit {
  const takes = size(ticks(pocket.w - play), ticks(pocket.h - play));
  const kept = (lying: Size) => Math.max(0, Math.min(lying.w, takes.w)) * Math.max(0, Math.min(lying.h, takes.h));
  const isTurned = kept(turned(piece)) > kept(piece);
  const lying = isTurned ? turned(piece) : piece;
  const over = (length: number, room: number) => ticks(Math.max(0, length - room));
  const upright = largestPrint(piece, pocket, unit, play);
  const across = largestPrint(turned(piece), pocket, unit, play);
  const area = (print: Size | null) => (print ? print.w * print.h : 0);
  return {
    kind: "trim",
    turned: isTurned,
    off: size(over(lying.w, takes.w), over(lying.h, takes.h)),
    takes,
    largest: area(across) > area(upright) ? across && turned(across) : upright,
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

/**
 * How a piece lies on a page that goes into a closed protector: there is no hanging over there, so what the measured
 * opening does not take is trimmed, and what stands out past the page within it lies well. What would go in and only lies
 * too far out hangs over: it wants moving.
 */
export function fitInOpening(piece: Rect, page: Size, opening: Rect, unit: Unit): Fit {
  const fit = fitOnPage(piece, page);
  if (fit.kind === "beside") return fit;
  if (contains(opening, piece)) return { kind: "lies", room: roomIn(rectOf(page), piece) };
  if (piece.w <= opening.w && piece.h <= opening.h) return fit;
  const over = (length: Length, room: Length) => ticks(Math.max(0, length - room));
  return {
    kind: "trim",
    inOpening: true,
    turned: false,
    off: size(over(piece.w, opening.w), over(piece.h, opening.h)),
    takes: sizeOf(opening),
    largest: largestPrint(piece, opening, unit, ticks(0)),
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

/** The pocket under the largest share of the piece decides; a quarter of it in the one beside that makes it a split. */
const SPLIT_SHARE = 0.25;

/** How much of a piece lies over a pocket. */
function shareOf(piece: Rect, pocket: Rect): number {
  const w = Math.min(piece.x + piece.w, pocket.x + pocket.w) - Math.max(piece.x, pocket.x);
  const h = Math.min(piece.y + piece.h, pocket.y + pocket.h) - Math.max(piece.y, pocket.y);
  return w > 0 && h > 0 ? w * h : 0;
}

/** How a piece fits where it lies on a pocket page: the pocket it mostly covers, or two neighbours it lies across. */
export function fitOnPockets(
  piece: Rect,
  pockets: readonly Rect[],
  page: Size,
  unit: Unit,
): { fit: Fit; pocket: number | null } {
  let best = -1;
  let most = 0;
  let covered = 0;
  for (let index = 0; index < pockets.length; index++) {
    const share = shareOf(piece, pockets[index] as Rect);
    covered += share;
    if (share <= most) continue;
    best = index;
    most = share;
  }
  const pocket = pockets[best];
  if (!pocket) return { fit: fitOnPage(piece, page), pocket: null };
  const fit = fitInPocket(sizeOf(piece), pocket, unit);
  const quarter = SPLIT_SHARE * piece.w * piece.h;
  if (fit.kind !== "trim" || covered - most < quarter) return { fit, pocket: best };
  const beside = besideUnder(piece, pockets, best, quarter);
  if (beside === null) return { fit, pocket: best };
  return { fit: { kind: "split", pockets: best < beside ? [best, beside] : [beside, best] }, pocket: best };
}

/** Of the pockets next to the one that most of a piece lies over: the one that most of the rest lies over, if that is enough. */
function besideUnder(piece: Rect, pockets: readonly Rect[], best: number, least: number): number | null {
  const shares = pockets.map((pocket) => shareOf(piece, pocket));
  const shareAt = (index: number) => shares[index] ?? 0;
  const [first] = [...pockets.keys()]
    .filter((index) => index !== best && shareAt(index) >= least && sideBySide(pockets, best, index))
    .sort((a, b) => shareAt(b) - shareAt(a));
  return first ?? null;
}

/** Whether two pockets of a page stand next to each other, with no third one between them. */
function sideBySide(pockets: readonly Rect[], one: number, other: number): boolean {
  const [a, b] = [pockets[one], pockets[other]];
  if (!a || !b || !neighbours(a, b)) return false;
  const x = Math.min(a.x, b.x);
  const y = Math.min(a.y, b.y);
  const both = rect(x, y, Math.max(a.x + a.w, b.x + b.w) - x, Math.max(a.y + a.h, b.y + b.h) - y);
  return pockets.every((pocket, index) => index === one || index === other || shareOf(both, pocket) === 0);
}

/** Which way two pockets stand in one row, equally high, or in one column, equally wide; null when they do not. */
function neighbours(a: Rect, b: Rect): "w" | "h" | null {
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
