import type { Ink } from "../material/ink.ts";
import type { Length } from "../measure/length.ts";
import type { Rect } from "../measure/rect.ts";
import type { PictureFacts, PrintCrop } from "../photo/crop.ts";
import type { Preprint } from "../photo/preprint.ts";
import type { Typeface } from "../words/typeface.ts";

type Style = {
  readonly fill?: Ink;
  readonly stroke?: Ink;
  /** Line width; a hairline when left out. */
  readonly line?: Length;
  readonly dashed?: boolean;
  /** 0 clear to 1 solid; solid when left out. */
  readonly solid?: number;
};

/** Where and how something is drawn, in ticks from the drawing's zero; y runs downward. */
export type Mark =
  | ({ readonly kind: "rect"; readonly at: Rect; readonly round?: Length } & Style)
  | ({ readonly kind: "circle"; readonly x: Length; readonly y: Length; readonly r: Length } & Style)
  | ({
      readonly kind: "line";
      readonly x1: Length;
      readonly y1: Length;
      readonly x2: Length;
      readonly y2: Length;
    } & Style)
  | ({ readonly kind: "polygon"; readonly points: readonly (readonly [Length, Length])[] } & Style)
  | {
      readonly kind: "text";
      readonly x: Length;
      /** The base line. */
      readonly y: Length;
      readonly text: string;
      readonly typeface: Typeface;
      readonly size: Length;
      readonly anchor?: "start" | "middle" | "end";
      readonly fill?: Ink;
    }
  | {
      readonly kind: "picture";
      readonly photoId: string;
      readonly alt: string;
      readonly crop: PrintCrop;
      readonly picture: PictureFacts;
      /** The whole print, its white border included; `shown` is the part of it that is seen. */
      readonly at: Rect;
      readonly shown: Rect;
      /**
       * Where it is drawn, where that is not as it is made, as for a printer that stretches: the picture within its border, and
       * the part of it that is seen. The crop stays that of `at`.
       */
      readonly drawn?: { readonly inner: Rect; readonly shown: Rect };
    }
  | {
      /** What is printed on a card already, laid straight on it from a picture; shown, and never printed. */
      readonly kind: "preprint";
      readonly preprint: Preprint;
      readonly at: Rect;
    }
  | {
      /** Marks in their own place, turned clockwise by quarters about its left upper corner's new place. */
      readonly kind: "group";
      readonly x: Length;
      readonly y: Length;
      readonly turn: 0 | 1 | 2 | 3;
      /** Seen from behind: left and right exchanged before it is turned. */
      readonly mirrored?: boolean;
      /** Size before turning. */
      readonly w: Length;
      readonly h: Length;
      /** The part that is seen, in the group's own ticks before it is turned; all of it when left out. */
      readonly clip?: Rect;
      /** How far its edges are spread, as behind vellum. Where a file cannot say so, it holds a picture that is spread. */
      readonly soft?: Length;
      readonly marks: readonly Mark[];
    };

export type PreprintMark = Extract<Mark, { kind: "preprint" }>;
export type PictureMark = Extract<Mark, { kind: "picture" }>;

/** Everything among marks that is printed on cards already, groups looked into. */
export const preprintsOf = (marks: readonly Mark[]): PreprintMark[] =>
  marks.flatMap((mark) => (mark.kind === "preprint" ? [mark] : mark.kind === "group" ? preprintsOf(mark.marks) : []));

/** Every picture among marks, groups looked into. */
export const picturesOf = (marks: readonly Mark[]): PictureMark[] =>
  marks.flatMap((mark) => (mark.kind === "picture" ? [mark] : mark.kind === "group" ? picturesOf(mark.marks) : []));
