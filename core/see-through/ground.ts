import type { Piece } from "../album/leaf.ts";
import type { Shows } from "../album/made-of.ts";
import { intoPiece } from "../book/keep-clear.ts";
import { leafInk, VELLUM_HIDES } from "../book/leaf-ink.ts";
import { type BookPage, type PlacedPiece, pageOfPiece } from "../book/read.ts";
import type { Lying } from "../book/spread.ts";
import { behind, cutsThrough, seenThroughBase, seenThroughPiece, windowsOf } from "../book/windows.ts";
import { INKS } from "../material/ink.ts";
import { areaOf, overlap, type Rect, rect, rectOf, subtract } from "../measure/rect.ts";
import { type Frame, frameFor, insideBorder, onPicture } from "../photo/crop.ts";
import type { Look } from "../photo/look.ts";
import { luminanceOfColour, type ToneMap, toneUnder } from "../photo/quiet.ts";
import { picturesOf } from "../photo/together.ts";
import { greyOfLuminance } from "../photo/traits.ts";

/** What the eye meets behind something, in one part of it: part of a picture, or something of one colour. */
export type Ground = {
  /** In the ticks of the spread. */
  readonly at: Rect;
  readonly is:
    | { readonly kind: "picture"; readonly photoId: string; readonly frame: Frame; readonly look: Look }
    | { readonly kind: "plain"; readonly colour: string };
  /** How many sheets of vellum lie between. */
  readonly veils: number;
  /** It belongs to another leaf than the one that lies uppermost. */
  readonly isBehind: boolean;
};

type Part = { readonly at: Rect; readonly veils: number };
const without = (parts: readonly Part[], cover: Rect): Part[] =>
  parts.flatMap((part) => subtract(part.at, cover).map((at) => ({ ...part, at })));
const within = (parts: readonly Part[], area: Rect): Part[] =>
  parts.flatMap((part) => {
    const at = overlap(part.at, area);
    return at ? [{ ...part, at }] : [];
  });

const WHOLE_PICTURE: Frame = { x: 0, y: 0, w: 1, h: 1 };
const ofThing = ({ photoId, picture }: Shows): Ground["is"] => ({
  ...{ kind: "picture", photoId, frame: WHOLE_PICTURE, look: picture.look },
});
const plain = (colour: string): Ground["is"] => ({ kind: "plain", colour });

/** What part of an opaque piece is seen as, where it lies in the spread; `lies` is where the piece lies there. */
function partOfPiece<P extends BookPage>(
  part: Part,
  { piece: { what, turn, of }, piece }: PlacedPiece,
  lies: Rect,
  { read, face }: Lying<P>,
): { at: Rect; is: Ground["is"] }[] {
  const whole = [{ at: part.at, is: of?.shows ? ofThing(of.shows) : plain(colourOf(what)) }];
  const page = pageOfPiece(read[face], piece);
  const use = what.kind === "photo" ? page?.content.photos.find(({ id }) => id === what.use) : undefined;
  if (what.kind !== "photo" || !use) return whole;
  const cut = what.cut ?? rectOf(use.print);
  const { photoId, picture } = use;
  // A pattern's repetitions show all of it, again and again.
  if (use.repeat) return [{ at: part.at, is: { kind: "picture", photoId, frame: WHOLE_PICTURE, look: picture.look } }];
  const local = intoPiece(part.at, lies, cut, turn);
  const onPrint = rect(local.x + cut.x, local.y + cut.y, local.w, local.h);
  const pictures = picturesOf(use).flatMap((each) => {
    const { at: room, crop } = each;
    const inner = insideBorder(room, crop);
    const shared = overlap(onPrint, rect(room.x + inner.x, room.y + inner.y, inner.w, inner.h));
    if (!shared) return [];
    const inRoom = rect(shared.x - room.x, shared.y - room.y, shared.w, shared.h);
    const frame = onPicture(inRoom, room, crop, frameFor(each.picture, room, crop));
    return [
      {
        share: areaOf(shared),
        is: { kind: "picture" as const, photoId: each.photoId, frame, look: each.picture.look },
      },
    ];
  });
  // Which of the pictures lies where in the part does not matter: only how much of it each has.
  const [most] = pictures.sort((a, b) => b.share - a.share);
  return most && most.share * 2 > areaOf(onPrint)
    ? [{ at: part.at, is: most.is }]
    : [{ at: part.at, is: plain(INKS.paper) }];
}

/** The colour of what no picture is known of. */
function colourOf({ kind }: Piece["what"]): string {
  switch (kind) {
    case "filler":
      return INKS.base;
    case "photo-mat":
      return INKS.mat;
    case "tab":
      return INKS.kraft;
    case "embellishment":
      return INKS.brass;
    default:
      return INKS.paper;
  }
}

/**
 * What the eye meets behind a rectangle of a side that lies uppermost, `under` being how many of its pieces lie below it:
 * the pieces of its own side, the leaf itself, and whatever is seen through it, down to what stops the eye. The parts
 * overlap nowhere; together they are the rectangle as far as anything lies behind it.
 */
export function groundBehind<P extends BookPage>(stack: readonly Lying<P>[], area: Rect, under: number): Ground[] {
  let open: Part[] = [{ at: area, veils: 0 }];
  const ground: Ground[] = [];
  for (const [depth, lying] of stack.entries()) {
    const { read, face, page } = lying;
    const onSpread = ({ x, y, w, h }: Rect): Rect => rect(page.x + x, page.y + y, w, h);
    const meet = (lies: Rect, isOf: (part: Part) => { at: Rect; is: Ground["is"] }[]) => {
      for (const part of within(open, lies))
        ground.push(...isOf(part).map((each) => ({ ...each, veils: part.veils, isBehind: depth > 0 })));
      open = without(open, lies);
    };
    const veil = (lies: Rect) => {
      open = [...without(open, lies), ...within(open, lies).map((part) => ({ ...part, veils: part.veils + 1 }))];
    };
    const own = depth === 0 ? read[face].pieces.slice(0, under) : read[face].pieces;
    for (const placed of [...own].reverse()) {
      if (placed.fit.kind === "beside") continue;
      const lies = onSpread(placed.rect);
      const seen = seenThroughPiece(placed.piece);
      if (seen === "opaque") meet(lies, (part) => partOfPiece(part, placed, lies, lying));
      else if (seen === "translucent") veil(lies);
    }
    const base = seenThroughBase(read);
    const whole = onSpread(rectOf(read.build.page));
    const { of } = read.leaf.make;
    if (base === "opaque") {
      const is =
        of?.shows && (face === "front" || !of.shows.oneSided) ? ofThing(of.shows) : plain(INKS[leafInk(read.build)]);
      const cuts = cutsThrough(read, face).map(onSpread);
      const solid = cuts.reduce<Rect[]>((parts, cut) => parts.flatMap((part) => subtract(part, cut)), [whole]);
      for (const part of solid) meet(part, ({ at }) => [{ at, is }]);
    } else if (base === "translucent") veil(whole);
    for (const { placed, at } of behind(read, face))
      if (placed.fit.kind !== "beside" && seenThroughPiece(placed.piece) === "opaque")
        meet(onSpread(at), (part) => [{ at: part.at, is: plain(INKS.paper) }]);
    if (read.build.kind === "pocket") {
      const windows = windowsOf(read, face).map(onSpread);
      const welds = windows.reduce<Rect[]>((parts, each) => parts.flatMap((part) => subtract(part, each)), [whole]);
      for (const part of welds) meet(part, ({ at }) => [{ at, is: plain(INKS.film) }]);
    }
    if (open.length === 0) break;
  }
  return ground;
}

/** What is known of how light pictures are, by their ids. */
export type Tones = ReadonlyMap<string, ToneMap>;

const PAPER_GREY = greyOfLuminance(luminanceOfColour(INKS.paper));

/** A grey seen through vellum: vellum's own paper laid over it (source-over, W3C Compositing and Blending). */
export const throughVellum = (grey: number, sheets: number): number => {
  const left = (1 - VELLUM_HIDES) ** sheets;
  return PAPER_GREY * (1 - left) + grey * left;
};

/**
 * How light and how uneven what is behind something is, as greys of its luminance; null where too much of it is not known:
 * a picture that is gone, or was not looked at yet.
 */
export function toneOfGround(ground: readonly Ground[], tones: Tones): { mean: number; spread: number } | null {
  let [known, all, sum, squares] = [0, 0, 0, 0];
  for (const { at, is, veils } of ground) {
    const area = areaOf(at);
    all += area;
    const map = is.kind === "picture" ? tones.get(is.photoId) : undefined;
    if (is.kind === "picture" && !map) continue;
    const { mean, spread } =
      is.kind === "plain"
        ? { mean: greyOfLuminance(luminanceOfColour(is.colour)), spread: 0 }
        : toneUnder(map as ToneMap, is.frame, is.look);
    const [seen, uneven] = [throughVellum(mean, veils), spread * (1 - VELLUM_HIDES) ** veils];
    known += area;
    sum += area * seen;
    squares += area * (seen * seen + uneven * uneven);
  }
  if (all === 0 || known < all * LEAST_KNOWN) return null;
  const mean = sum / known;
  return { mean, spread: Math.sqrt(Math.max(0, squares / known - mean * mean)) };
}
/** Of less than this share nothing is said of the whole. */
const LEAST_KNOWN = 0.8;
