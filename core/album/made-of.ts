import { MATERIALS, type MaterialId, type Micrometres, micrometres } from "../material/material.ts";
import type { Size } from "../measure/size.ts";
import type { PictureFacts } from "../photo/crop.ts";

/**
 * What something is held by where it lies; null: by glue, which has no height to speak of, or by its pocket. A stitch, a
 * staple or a brad is counted as thick all over what it holds: the board lies on the highest of it. Slits in the page add
 * nothing.
 */
export const SITS = ["tape-runner", "foam-tape", "foam-dot", "stitching", "staple", "brad", "slit"] as const;
export type Sits = (typeof SITS)[number];
/** What each is of, whose thickness it has. */
const HELD_BY: Readonly<Record<Sits, MaterialId | null>> = {
  "tape-runner": "tape-runner",
  "foam-tape": "foam-tape",
  "foam-dot": "foam-dot",
  stitching: "stitching",
  staple: "staple",
  brad: "brad",
  slit: null,
};

/** What goes through whatever it holds, so that its back comes out on the other face. Common practice. */
const PIERCING = ["stitching", "staple", "brad", "slit"] as const;
export type Piercing = (typeof PIERCING)[number];
/** What of something goes through its page: itself, or what it is held by; null: nothing. */
export const piercesBy = (of: Pick<MadeOf, "material" | "sits"> | null | undefined): Piercing | null =>
  PIERCING.find((each) => each === of?.material || each === of?.sits) ?? null;

/** More layers of one thing than these nobody glues together. */
export const MOST_LAYERS = 20;

/** How a thing of the drawer looks. */
export type Shows = {
  readonly photoId: string;
  readonly picture: PictureFacts;
  /** How large the sheet is that the picture shows; null: as large as what is made of it. */
  readonly sheet: Size | null;
  /** Its other side is plain. */
  readonly oneSided: boolean;
};

/** What a leaf or a piece is made of, where somebody said so. */
export type MadeOf = {
  /** The thing of the drawer that it is taken or cut from; null: of none that is there. */
  readonly thing: string | null;
  /** Null: as its thing is, or else as its kind usually is. */
  readonly material: MaterialId | null;
  readonly layers: number;
  readonly sits: Sits | null;
  /** It lies there cut out: the sheet it came from is counted in the drawer no longer. */
  readonly cut: boolean;
  /** Read beside it with the album, and never written: what its thing looks like. */
  readonly shows?: Shows | undefined;
};
export const AS_USUAL: MadeOf = { thing: null, material: null, layers: 1, sits: null, cut: false };

/** What is said of something's like: of the same material, and taken from nothing yet. */
export const likeOf = ({ shows: _, ...of }: MadeOf): MadeOf => ({ ...of, thing: null, cut: false });

/** What of it is written. */
export const withoutLook = ({ shows: _, ...of }: MadeOf): MadeOf => of;

/** The same with what its thing looks like, where there is a picture of it. */
export function withLook<O extends MadeOf | null | undefined>(of: O, looks: ReadonlyMap<string, Shows>): O {
  const shows = of?.thing ? looks.get(of.thing) : undefined;
  return of && shows ? { ...of, shows } : of;
}

/**
 * How thick something lies: its layers, and what it sits on. `caliper` is what one layer of its thing was measured as;
 * null where nobody did.
 */
export function thicknessOf(
  usual: MaterialId | null,
  of: MadeOf | null | undefined,
  caliper: Micrometres | null = null,
): Micrometres {
  const material = of?.material ?? usual;
  const layer = caliper ?? (material ? MATERIALS[material].caliper : 0);
  const held = of?.sits ? HELD_BY[of.sits] : null;
  return micrometres(layer * (of?.layers ?? 1) + (held ? MATERIALS[held].caliper : 0));
}
