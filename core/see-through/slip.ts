import type { Face, NumeralColour } from "../album/leaf.ts";
import type { Piercing } from "../album/made-of.ts";
import type { BookPage, LeafRead, PlacedPiece } from "../book/read.ts";
import type { Lying } from "../book/spread.ts";
import { areaOf, overlap, type Rect, rect } from "../measure/rect.ts";

/** What of an opening may not be as it was meant, those that cost paper first. */
export const SEEN_SLIPS = [
  ...(["over-face", "over-point", "private", "alike", "busy", "pierced", "back", "glue", "glimpse"] as const),
];

/** What a slip is of beside its pieces. */
type About =
  /** Lettering or a printed shape over a face or the point that a print must keep; `pieces` is the print. */
  | { readonly kind: "over-face" | "over-point"; readonly over: PlacedPiece; readonly on: Lying }
  /** Lettering as light or as dark as what is behind it, or on something too uneven. */
  | {
      readonly kind: "alike" | "busy";
      /** 1 to 21 by WCAG 2.2; null: its colour is not known, only that what is behind it is uneven. */
      readonly contrast: number | null;
      /** The colours that would read there, the clearest first. */
      readonly inks: readonly NumeralColour[];
      /** Most of what is behind it is of another leaf. */
      readonly isBehind: boolean;
    }
  | { readonly kind: "pierced"; readonly by: Piercing }
  /** Stuck down and looked through: where its glue would be hidden under something that lies over it, in its side's ticks. */
  | { readonly kind: "glue"; readonly mayGo: readonly Rect[] }
  | { readonly kind: "private" | "back" | "glimpse" };

export type SeenSlip<P extends BookPage = BookPage> = {
  /** By which it is left as it is, on the leaf that is looked through. */
  readonly slip: string;
  /** The leaf that is looked through, and its face. */
  readonly through: LeafRead<P>;
  readonly face: Face;
  /** Whose it is that is seen; null: nobody's. */
  readonly page: P | null;
  /** What is seen: of what lies over a face or a point the print, of a back the piece itself. */
  readonly pieces: readonly PlacedPiece[];
} & About;

/** Whether something can be tried about it: a back or glue in sight is on the leaf itself, and nothing seen behind it changes that. */
export const isTryable = ({ kind }: Pick<SeenSlip, "kind">): boolean =>
  kind !== "back" && kind !== "pierced" && kind !== "glue";

/** A rectangle of a leaf's page where it lies in the spread. */
export const onSpread = ({ page }: Pick<Lying, "page">, { x, y, w, h }: Rect): Rect =>
  rect(page.x + x, page.y + y, w, h);

const NOTHING = rect(0, 0, 0, 0);
/** How much of something some rectangles share with it, which may share parts with each other. */
export const areaShared = (lies: Rect, parts: readonly Rect[]): number =>
  parts.reduce((sum, part) => sum + areaOf(overlap(lies, part) ?? NOTHING), 0);
