import type { Face, Leaf } from "../album/leaf.ts";
import type { AlbumPlan } from "../album/model.ts";
import type { Arrangement } from "../book/edit.ts";
import type { PocketLayout } from "../book/layout.ts";
import { type BookPage, readBook } from "../book/read.ts";
import { volumesOf } from "../book/volumes.ts";
import type { Micrometres } from "../material/material.ts";
import { bindingOf } from "./closing.ts";
import { type Layer, layersOf, type Things } from "./layers.ts";
import { type Cure, remediesFor } from "./remedies.ts";
import { type Share, sharesOf } from "./shares.ts";
import { bestSplit } from "./split.ts";

/** A book to be reckoned, and which of its volumes. */
export type CostAsk = Pick<AlbumPlan, "format" | "unit"> & {
  readonly pages: readonly BookPage[];
  readonly leaves: readonly Leaf[];
  readonly layouts: readonly PocketLayout[];
  readonly things: Things;
  /** What reckoned thicknesses are to be multiplied by (`correctionOf`). */
  readonly factor: number;
  readonly volume: number;
};

/** A piece by where it is. */
export type PieceAt = { readonly leaf: string; readonly face: Face; readonly piece: string };
/** A cure that helps, and the book after it; heights as reckoned. */
export type Offered = PieceAt & {
  readonly cure: Cure;
  readonly gape: Micrometres;
  readonly height: Micrometres;
  readonly change: Arrangement;
};
export type Costs = {
  /** What each page's worth of days costs, by its place among `pages`. */
  readonly days: readonly Share<number>[];
  /** And each piece, and each leaf without its pieces (`piece` null). */
  readonly pieces: readonly Share<
    Omit<PieceAt, "piece"> & { readonly piece: string | null; readonly page: number | null }
  >[];
  readonly remedies: readonly Offered[];
  /** Where to part the volume: the leaf that would begin the second, and how far each would gape. */
  readonly split: { readonly leaf: string; readonly gapes: readonly [Micrometres, Micrometres] } | null;
};

/** More remedies than these nobody reads. */
const MOST_REMEDIES = 24;

/** What of a volume costs how much, what can be done about it, and where it might be parted: what takes longer than a frame. */
export function costsOf({ format, unit, pages, leaves, layouts, things, factor, volume }: CostAsk): Costs {
  const book = readBook({ format, unit }, pages, leaves, layouts);
  const own = volumesOf(book.leaves, ({ leaf }) => leaf)[volume] ?? [];
  const binding = bindingOf(format, factor);
  const layers = layersOf(own, format, things);
  const place = new Map(pages.map((page, at) => [page, at]));
  const remedies = remediesFor(layers, format, things, binding).slice(0, MOST_REMEDIES);
  const split = bestSplit(
    own.map((leaf) => layersOf([leaf], format, things)),
    binding,
    (first) => !own[first]?.leaf.sewn && !own[first - 1]?.leaf.glued,
  );
  const second = split && own[split.first];
  const pageAt = ({ page }: Layer): number | null => (page ? (place.get(page) ?? null) : null);
  return {
    pieces: sharesOf(layers, binding, (layer) => layer).map(({ of, ...share }) => ({
      ...share,
      of: { leaf: of.leaf.leaf.id, face: of.face, piece: of.piece?.id ?? null, page: pageAt(of) },
    })),
    days: sharesOf(layers, binding, pageAt),
    remedies: remedies.map(({ layer, cure, gape, height, change }) => ({
      ...{ leaf: layer.leaf.leaf.id, face: layer.face, piece: layer.piece.id },
      ...{ cure, gape, height, change },
    })),
    split: split && second ? { leaf: second.leaf.id, gapes: split.gapes } : null,
  };
}
