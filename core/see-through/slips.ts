import type { Face, PieceWhat } from "../album/leaf.ts";
import { keptOf } from "../book/keep-clear.ts";
import type { BookPage, LeafRead, PlacedPiece } from "../book/read.ts";
import { pageOfPiece } from "../book/read.ts";
import type { Lying, Spread } from "../book/spread.ts";
import { behind, seenThroughBase, seenThroughPiece } from "../book/windows.ts";
import type { MaterialId } from "../material/material.ts";
import { inches } from "../measure/length.ts";
import { areaOf, grown, overlap, type Rect, rect } from "../measure/rect.ts";
import type { CalendarDate } from "../month/dates.ts";

/** What of an opening may not be as it was meant, because something is looked through. */
export const SEEN_SLIPS = ["over-face", "over-point", "private", "pierced", "back", "glimpse"] as const;
export type SeenSlip<P extends BookPage = BookPage> = {
  readonly kind: (typeof SEEN_SLIPS)[number];
  /** By which it is left as it is, on the leaf that is looked through. */
  readonly slip: string;
  /** The leaf that is looked through, and its face. */
  readonly through: LeafRead<P>;
  readonly face: Face;
  /** Whose it is that is seen; null: nobody's. */
  readonly page: P | null;
  /** What is seen: of what lies over a face or a point the print, of a back the piece itself. */
  readonly pieces: readonly PlacedPiece[];
  /** What lies over the face or the point that a print must keep; null for anything else. */
  readonly over: PlacedPiece | null;
};

/** Of what is seen less of than this nothing is made out: a square of half an inch. From memory. */
const LEAST_SEEN = inches(1 / 2) ** 2;
/** So far round the point to keep nothing should lie. */
const POINT = inches(1 / 4);

const onMat = ({ page }: Lying, { x, y, w, h }: Rect): Rect => rect(page.x + x, page.y + y, w, h);
const areaSeen = (lies: Rect, visible: readonly Rect[]): number =>
  visible.reduce((sum, part) => sum + areaOf(overlap(lies, part) ?? NOTHING), 0);
const NOTHING = rect(0, 0, 0, 0);

const saysSomething = (what: PieceWhat): boolean =>
  what.kind === "numeral" || what.kind === "overlay" || ("says" in what && Boolean(what.says));

/** Whether a print or card may not be seen yet. */
function isPrivate({ piece: { what } }: PlacedPiece, { content }: LeafRead["front"], today: CalendarDate): boolean {
  const until =
    what.kind === "photo"
      ? content?.photos.find(({ id }) => id === what.use)?.privateUntil
      : what.kind === "card"
        ? content?.cards.find(({ id }) => id === what.card)?.privateUntil
        : null;
  return until != null && until > today;
}

function ofSide<P extends BookPage>(stack: readonly Lying<P>[], today: CalendarDate): SeenSlip<P>[] {
  const [top, ...lower] = stack;
  if (!top) return [];
  const { read: through, face } = top;
  const own = through[face].page;
  const common = { through, face };
  const slips: SeenSlip<P>[] = backsOf(through, face).map((placed) => {
    const kind = pierces(placed) ? "pierced" : "back";
    return { ...common, kind, slip: `${kind} ${placed.piece.id}`, page: own, pieces: [placed], over: null };
  });
  for (const [nth, lying] of lower.entries()) {
    const side = lying.read[lying.face];
    const seen = side.pieces.filter((placed) => areaSeen(onMat(lying, placed.rect), lying.visible) >= LEAST_SEEN);
    if (seen.length === 0) continue;
    const { id } = lying.read.leaf;
    for (const placed of seen) {
      const kept = keptOf(placed, side.content).map((each) => ({
        ...each,
        near: onMat(lying, each.kind === "face" ? each.at : grown(each.at, POINT)),
      }));
      if (kept.length === 0) continue;
      const above = [top, ...lower.slice(0, nth)].flatMap((each) =>
        each.read[each.face].pieces.map((piece) => ({ piece, at: onMat(each, piece.rect) })),
      );
      const over = above.flatMap(({ piece, at }) => {
        const covered = saysSomething(piece.piece.what) ? kept.find(({ near }) => overlap(at, near)) : undefined;
        return covered ? [{ piece, kind: `over-${covered.kind}` as const }] : [];
      })[0];
      if (over)
        slips.push({
          ...{ ...common, kind: over.kind, slip: `over-point ${placed.piece.id}`, over: over.piece },
          ...{ page: pageOfPiece(side, placed.piece), pieces: [placed] },
        });
    }
    // What is seen of another day: its own, and what another leaf of the same day shows, is meant to be.
    const others = seen.filter(({ piece }) => pageOfPiece(side, piece) !== own);
    const page = others[0] ? pageOfPiece(side, others[0].piece) : null;
    const hidden = others.filter((placed) => isPrivate(placed, side, today));
    if (hidden.length > 0)
      slips.push({ ...common, kind: "private", slip: `private ${id}`, page, pieces: hidden, over: null });
    else if (others.length > 0)
      slips.push({ ...common, kind: "glimpse", slip: `glimpse ${id}`, page, pieces: others, over: null });
  }
  return slips;
}

/** Kinds that are stuck down, so that their backs are seen where they are stuck to film or vellum. */
const STUCK: ReadonlySet<PieceWhat["kind"]> = new Set([
  "embellishment",
  "tag",
  "numeral",
  "flip",
  "filler",
  "photo-mat",
]);

/** What goes through whatever it holds, so that its back comes out on the other face. Common practice. */
const PIERCING: ReadonlySet<MaterialId> = new Set(["brad", "staple"]);
const pierces = ({ piece: { of } }: PlacedPiece): boolean => of?.material != null && PIERCING.has(of.material);

/**
 * What of the other face shows on this one, and nothing on this face covers: what is stuck to film or vellum, and what
 * goes through the page.
 */
function backsOf<P extends BookPage>(read: LeafRead<P>, face: Face): PlacedPiece[] {
  if (read.build.kind === "pocket") return [];
  const isOpaque = seenThroughBase(read) === "opaque";
  const shows = ({ piece, fit }: PlacedPiece): boolean =>
    fit.kind !== "beside" && STUCK.has(piece.what.kind) && seenThroughPiece(piece) === "opaque";
  const covers = read[face].pieces.filter(({ piece }) => seenThroughPiece(piece) === "opaque").map((each) => each.rect);
  return behind(read, face)
    .filter(({ placed }) => shows(placed) && (!isOpaque || pierces(placed)))
    .filter(({ at }) => covers.reduce((sum, cover) => sum + areaOf(overlap(cover, at) ?? NOTHING), 0) * 2 < areaOf(at))
    .map(({ placed }) => placed);
}

/** What is seen through the leaves of an opening and may not be meant, those that cost paper first. */
export const seenSlips = <P extends BookPage>({ left, right }: Spread<P>, today: CalendarDate): SeenSlip<P>[] =>
  [...ofSide(left, today), ...ofSide(right, today)].sort(
    (a, b) => SEEN_SLIPS.indexOf(a.kind) - SEEN_SLIPS.indexOf(b.kind),
  );

/** Whether a slip was said to stay as it is. */
export const isLeft = ({ through, slip }: Pick<SeenSlip, "through" | "slip">): boolean =>
  through.leaf.leftSeen.includes(slip);
