import { inBookName } from "#app/places/arrange/in-book.ts";
import { KIND_NAME } from "#app/wording/fit.ts";
import { toInBook } from "#core/book/dated-page.ts";
import type { CutPiece, CutSheet, Joined } from "#core/drawer/cutting-plan.ts";
import type { KeptThing } from "#core/drawer/thing.ts";
import { type CutOut, finishedBy, isWorthKeeping, makes, papersToCut } from "#core/drawer/to-cut.ts";
import type { AlbumUses, Use } from "#core/drawer/uses.ts";
import type { Unit } from "#core/measure/length.ts";
import type { Size } from "#core/measure/size.ts";
import type { CutStep } from "#core/sheet/cutting.ts";
import { CUT_STEPS } from "#core/sheet/gang.ts";

/** Something to be cut, as it is called: `day 12, base`. */
type Named = { readonly name: string; readonly short: string };

export type RestView = { readonly size: Size; readonly keep: boolean; readonly makes: ReturnType<typeof makes> };
export type SheetView = {
  readonly thing: string;
  readonly size: Size;
  /** It was cut from before. */
  readonly isRemainder: boolean;
  readonly pieces: readonly (CutPiece & Named)[];
  readonly cuts: readonly CutStep[];
  readonly rests: readonly RestView[];
  /** The motif where it lies on the sheet, and what of the sheet keeps it. */
  readonly kept: CutSheet["kept"];
  /** What is cut out for good once this sheet is. */
  readonly finishes: readonly CutOut[];
};
export type PaperView = {
  readonly name: string;
  readonly hasTop: boolean;
  readonly oneSided: boolean;
  readonly keepsMotif: boolean;
  readonly sheets: readonly SheetView[];
  readonly short: readonly (Named & { readonly size: Size })[];
  readonly joined: readonly (Named & { readonly size: Size; readonly from: Joined | null })[];
};
export type PaperCuttingView = {
  readonly albumId: string;
  readonly title: string;
  readonly unit: Unit;
  readonly papers: readonly PaperView[];
  /** Papers that something is to be cut of and whose size nobody said. */
  readonly unsized: readonly string[];
};

type Taken = AlbumUses["uses"][number];

function named({ page, kind }: Pick<Use<Taken["page"]>, "page" | "kind">): Named {
  const of = page && inBookName(toInBook(page));
  const what = kind === null ? "base" : KIND_NAME[kind].toLowerCase();
  return { name: `${of ?? "a page of nobody’s yet"}, ${what}`, short: page?.label ? `${page.label} ${what}` : what };
}

export function paperCuttingView(
  album: { readonly id: string; readonly title: string; readonly unit: Unit },
  things: readonly KeptThing[],
  uses: readonly Taken[],
): PaperCuttingView {
  const step = CUT_STEPS[album.unit === "inch" ? "sixteenth" : "half-millimetre"];
  const papers = papersToCut(things, uses, step).map((plan): PaperView => {
    const largest = Math.max(
      ...plan.sheets.map(({ size: { w, h } }) => w * h),
      ...things.flatMap(({ name, size }) => (name === plan.name && size ? [size.w * size.h] : [])),
    );
    const nameOf = (id: string): Named => {
      const use = plan.uses.get(id);
      return use ? named(use) : { name: "a piece", short: "" };
    };
    return {
      ...{ name: plan.name, hasTop: plan.hasTop, oneSided: plan.oneSided, keepsMotif: plan.keepsMotif },
      sheets: plan.sheets.map((sheet) => ({
        ...{
          thing: sheet.thing,
          size: sheet.size,
          cuts: sheet.cuts,
          kept: sheet.kept,
          isRemainder: sheet.size.w * sheet.size.h < largest,
        },
        pieces: sheet.pieces.map((piece) => ({ ...piece, ...nameOf(piece.id) })),
        rests: sheet.rests.map((size) => ({ size, keep: isWorthKeeping(size), makes: makes(size) })),
        finishes: finishedBy(plan, sheet).map(({ leaf, face, piece }) => ({ leaf, face, piece })),
      })),
      short: plan.short.map(({ id, size }) => ({ ...nameOf(id), size })),
      joined: plan.joined.map(({ cut: { id, size }, from }) => ({ ...nameOf(id), size, from })),
    };
  });
  const taken = new Set(uses.filter(({ used, cut }) => !used && !cut).map(({ thing }) => thing));
  const unsized = things
    .filter(({ id, kind, size }) => size === null && (kind === "paper" || kind === "film") && taken.has(id))
    .map(({ name }) => name);
  return { albumId: album.id, title: album.title, unit: album.unit, papers, unsized };
}
