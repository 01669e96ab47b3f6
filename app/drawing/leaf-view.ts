/** What a leaf looks like, in millimetres, ready to draw: the page, its pockets, what lies on it, what lies beside it. */
export type PieceView = {
  readonly id: string;
  readonly w: number;
  readonly h: number;
  /** Its size as said in the album's unit. */
  readonly said: string;
} & (
  | { readonly kind: "photo"; readonly photoId: string; readonly alt: string; readonly upright: boolean }
  | { readonly kind: "card"; readonly text: string }
  | { readonly kind: "numeral"; readonly label: string }
);

export type LaidPiece = {
  readonly piece: PieceView;
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly turned: boolean;
};
export type InsertView = {
  readonly id: string;
  readonly name: string;
  readonly w: number;
  readonly h: number;
  readonly said: string;
  readonly note: string;
  readonly kind: string;
};

export type LeafView = {
  readonly kind: "full" | "pocket" | "paper" | "clear" | "vellum" | null;
  readonly w: number;
  readonly h: number;
  readonly said: { readonly w: string; readonly h: string; readonly size: string };
  /** The protector round the page, binding margin on the left; null where the leaf goes into the book bare. */
  readonly film: { readonly w: number; readonly h: number; readonly margin: number } | null;
  readonly pockets: readonly { readonly x: number; readonly y: number; readonly w: number; readonly h: number }[];
  readonly laid: readonly LaidPiece[];
  readonly beside: readonly PieceView[];
  readonly inserts: readonly InsertView[];
  readonly unit: "inch" | "cm";
};
