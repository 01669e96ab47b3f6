import { type BookPage, type LeafRead, type PlacedPiece, pageOfPiece } from "../book/read.ts";
import type { Lying, Spread } from "../book/spread.ts";
import { inches } from "../measure/length.ts";
import type { CalendarDate } from "../month/dates.ts";
import { backsOf, glueInSight } from "./backs.ts";
import type { Tones } from "./ground.ts";
import { notStandingOut, overKept } from "./lettering.ts";
import { areaShared, onSpread, SEEN_SLIPS, type SeenSlip } from "./slip.ts";

/** Of what is seen less of than this nothing is made out: a square of half an inch. From memory. */
const LEAST_SEEN = inches(1 / 2) ** 2;

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

function ofSide<P extends BookPage>(stack: readonly Lying<P>[], today: CalendarDate, tones: Tones): SeenSlip<P>[] {
  const [top, ...lower] = stack;
  if (!top) return [];
  const { read: through, face } = top;
  const own = through[face];
  const common = { through, face };
  const slips: SeenSlip<P>[] = [
    ...backsOf(through, face),
    ...glueInSight(through, face),
    ...notStandingOut(stack, tones),
  ];
  for (const [nth, placed] of own.pieces.entries()) {
    // What lies over the point that nobody marked is told where the print is cropped.
    const above = own.pieces.slice(nth + 1).map((piece) => ({ piece, on: top }));
    const over = overKept(placed, top, above, true);
    if (over)
      slips.push({
        ...{ ...common, ...over, slip: `over-point ${placed.piece.id}` },
        ...{ page: pageOfPiece(own, placed.piece), pieces: [placed] },
      });
  }
  for (const [nth, lying] of lower.entries()) {
    const side = lying.read[lying.face];
    const seen = side.pieces.filter((placed) => areaShared(onSpread(lying, placed.rect), lying.visible) >= LEAST_SEEN);
    if (seen.length === 0) continue;
    const { id } = lying.read.leaf;
    const above = [top, ...lower.slice(0, nth)].flatMap((on) =>
      on.read[on.face].pieces.map((piece) => ({ piece, on })),
    );
    for (const placed of seen) {
      const over = overKept(placed, lying, above, false);
      if (over)
        slips.push({
          ...{ ...common, ...over, slip: `over-point ${placed.piece.id}` },
          ...{ page: pageOfPiece(side, placed.piece), pieces: [placed] },
        });
    }
    // What is seen of another day: its own, and what another leaf of the same day shows, is meant to be.
    const others = seen.filter(({ piece }) => pageOfPiece(side, piece) !== own.page);
    const page = others[0] ? pageOfPiece(side, others[0].piece) : null;
    const hidden = others.filter((placed) => isPrivate(placed, side, today));
    if (hidden.length > 0) slips.push({ ...common, kind: "private", slip: `private ${id}`, page, pieces: hidden });
    else if (others.length > 0) slips.push({ ...common, kind: "glimpse", slip: `glimpse ${id}`, page, pieces: others });
  }
  return slips;
}

/**
 * What is seen in an opening and may not be meant, those that cost paper first. `tones` says how light pictures are: what
 * lies on one that it does not know is passed over.
 */
export const seenSlips = <P extends BookPage>(
  { left, right }: Spread<P>,
  today: CalendarDate,
  tones: Tones,
): SeenSlip<P>[] =>
  [...ofSide(left, today, tones), ...ofSide(right, today, tones)].sort(
    (a, b) => SEEN_SLIPS.indexOf(a.kind) - SEEN_SLIPS.indexOf(b.kind),
  );

/** Whether a slip was said to stay as it is. */
export const isLeft = ({ through, slip }: Pick<SeenSlip, "through" | "slip">): boolean =>
  through.leaf.leftSeen.includes(slip);
