import {
  type Face,
  heldIn,
  type InsertKind,
  idOfHeld,
  type Leaf,
  type LeafKind,
  type LeafMake,
  numeralOf,
  type Owner,
  type Piece,
  PLAIN_PAPER,
  type Side,
} from "../album/leaf.ts";
import type { MatterKind } from "../album/matter.ts";
import type { AlbumFormat, AlbumPlan } from "../album/model.ts";
import { isSetAside } from "../album/page.ts";
import { firstFitSide, firstPage, leafSize, leavesByGroup } from "../album/page-leaves.ts";
import type { PageContent } from "../album/steps.ts";
import { type Fit, fitInOpening, fitOnPage, fitOnPockets, fitTab } from "../fit/fit.ts";
import { inches, ticks, type Unit } from "../measure/length.ts";
import { mirrored, type Rect, rect } from "../measure/rect.ts";
import { type Size, size } from "../measure/size.ts";
import { withStacks } from "./carried.ts";
import { type LoosePiece, layInPockets, layOnPage } from "./dry-fit.ts";
import { layoutById, type PocketLayout, pocketsOf } from "./layout.ts";
import { pieceRect } from "./piece.ts";

/** What a leaf is. Pockets lie in the page's own ticks, as seen from the front. */
export type LeafBuild = {
  readonly kind: LeafKind;
  /** What sort of insert it is; null for a page. */
  readonly insert: InsertKind | null;
  readonly page: Size;
  readonly layout: PocketLayout | null;
  readonly pockets: readonly Rect[];
  /** Goes into the book in a protector, whose margin takes the holes. */
  readonly inProtector: boolean;
  /** The inside of that protector, as measured, round the page that lies in its middle; null without one. */
  readonly opening: Rect | null;
  readonly paper: string;
};

/** What the book needs of a page's worth of days; the plan's pages are such, and so is one day sent to a browser. */
export type BookPage = {
  readonly label: string | null;
  readonly skipped: boolean;
  readonly content: PageContent;
  readonly days: readonly { readonly id: string }[];
  /** What it is where it is no day's. */
  readonly matter?: MatterKind;
};

export type PlacedPiece = {
  readonly piece: Piece;
  readonly rect: Rect;
  readonly fit: Fit;
  readonly pocket: number | null;
};

export type SideRead<P extends BookPage = BookPage> = {
  readonly face: Face;
  readonly owner: Owner;
  /** The page's worth of days it belongs to, when it belongs to one that is in the span. */
  readonly page: P | null;
  /** Those that share it, in the span too. */
  readonly guests: readonly P[];
  /** What all of these have together, by which a piece finds its print or card. */
  readonly content: PageContent | null;
  /** It lies against another that it is glued to, and is not seen. */
  readonly gluedOver: boolean;
  /** Nobody has arranged it yet: what lies there is the first dry fit. */
  readonly auto: boolean;
  readonly pockets: readonly Rect[];
  readonly pieces: readonly PlacedPiece[];
};

export type LeafRead<P extends BookPage = BookPage> = {
  readonly leaf: Leaf;
  readonly build: LeafBuild;
  readonly front: SideRead<P>;
  readonly back: SideRead<P>;
};

/** Something of a day that lies on none of its sides. */
export type Loose = LoosePiece & { readonly what: "photo" | "card" | "numeral" };

export type BookRead<P extends BookPage = BookPage> = {
  readonly leaves: readonly LeafRead<P>[];
  /** By page, what still lies beside its leaves. */
  readonly beside: ReadonlyMap<P, readonly Loose[]>;
  /** Pages that own no side of any leaf, in order. */
  readonly noPlace: readonly P[];
};

const NUMERAL_CARD = size(inches(3), inches(4));
const NUMERAL_SPOT = size(inches(2), inches(2));

const has = ({ content }: BookPage, id: string): boolean =>
  content.photos.some((use) => use.id === id) || content.cards.some((card) => card.id === id);

/** Whose a piece on a side is: that of the day it is marked with or whose print or card it is, else the side's. */
export function pageOfPiece<P extends BookPage>(
  { page, guests }: Pick<SideRead<P>, "page" | "guests">,
  { what, dayId }: Piece,
): P | null {
  if (guests.length === 0) return page;
  const sharing = page ? [page, ...guests] : guests;
  const isOf = ({ days, content }: P): boolean =>
    what.kind === "photo"
      ? content.photos.some(({ id }) => id === what.use)
      : what.kind === "card"
        ? content.cards.some(({ id }) => id === what.card)
        : days.some(({ id }) => id === dayId);
  return sharing.find(isOf) ?? page;
}

/**
 * A piece as one that shares a side lays it there: marked as its own where the side is another's, so that a number says
 * its number and a room waits for its things.
 */
export function markedFor<P extends BookPage>(piece: Piece, { page }: Pick<SideRead<P>, "page">, by: P | null): Piece {
  const [first] = by?.days ?? [];
  if (!first || by === page || piece.what.kind === "photo" || piece.what.kind === "card") return piece;
  return { ...piece, id: piece.id === NUMERAL_PIECE ? first.id : piece.id, dayId: first.id };
}

/**
 * A piece taken from one side to another, whose it is there too. Null where its day does not share the other side: what
 * stands for a day's print, card or number means nothing on another's.
 */
export function movedTo<P extends BookPage>(
  piece: Piece,
  from: Pick<SideRead<P>, "page" | "guests">,
  to: Pick<SideRead<P>, "page" | "guests">,
): Piece | null {
  const of = pageOfPiece(from, piece);
  if (of !== to.page && !(of && to.guests.includes(of))) return null;
  if (of === to.page) return of === from.page ? piece : { ...piece, dayId: null };
  return markedFor(piece, to, of);
}

/** What those that share a side have together. */
function sharedContent(pages: readonly BookPage[]): PageContent | null {
  const [first, ...others] = pages.map(({ content }) => content);
  if (!first || others.length === 0) return first ?? null;
  return {
    ...first,
    photos: [first, ...others].flatMap(({ photos }) => photos),
    cards: [first, ...others].flatMap(({ cards }) => cards),
  };
}

/** The size a day's number takes until somebody says otherwise: a pocket's card, or a spot on the page. */
export const numeralSize = (build: Pick<LeafBuild, "layout">): Size => (build.layout ? NUMERAL_CARD : NUMERAL_SPOT);

/** The opening behind a page of its own size has the same ease as the album's. */
export function openingOf(page: Size, { opening, nominal }: AlbumFormat): Size {
  return size(ticks(page.w + opening.w - nominal.w), ticks(page.h + opening.h - nominal.h));
}

/** The opening in the ticks of a page that lies centred in it. */
function openingOnPage(page: Size, format: AlbumFormat): Rect {
  const { w, h } = openingOf(page, format);
  return rect(-Math.floor((w - page.w) / 2), -Math.floor((h - page.h) / 2), w, h);
}

/** Pockets of a layout in the ticks of a page that lies centred in its opening. */
function pocketsOnPage(layout: PocketLayout, page: Size, format: AlbumFormat): Rect[] {
  const opening = openingOf(page, format);
  const [dx, dy] = [Math.floor((opening.w - page.w) / 2), Math.floor((opening.h - page.h) / 2)];
  return pocketsOf(layout, opening).map(({ x, y, w, h }) => rect(x - dx, y - dy, w, h));
}

/** What a leaf is, its make worked out for the album's format. */
export function readBuild(make: LeafMake, format: AlbumFormat, own: readonly PocketLayout[] = []): LeafBuild {
  const page = leafSize(make, format);
  const inProtector = (make.kind === "full" || make.kind === "pocket") && format.binding !== "sewn";
  const layout = make.kind === "pocket" ? (layoutById(make.layout, own) ?? null) : null;
  return {
    kind: make.kind,
    insert: make.insert,
    page,
    layout,
    pockets: layout ? pocketsOnPage(layout, page, format) : [],
    inProtector,
    opening: inProtector ? openingOnPage(page, format) : null,
    paper: make.basePaper,
  };
}

/** Everything a day has to lay on its pages, in the order of the dry fit. Its number is laid where there is a page. */
export function looseOf(page: BookPage, build: Pick<LeafBuild, "layout">, hasPage: boolean): Loose[] {
  const { content } = page;
  const numeral: Loose[] =
    hasPage && content.numeral.style !== "none" && page.label !== null
      ? [{ id: NUMERAL_PIECE, what: "numeral", size: numeralSize(build) }]
      : [];
  return [
    ...content.photos.map(({ id, print }): Loose => ({ id, what: "photo", size: print })),
    ...content.cards.map(({ id, size: card }): Loose => ({ id, what: "card", size: card })),
    ...numeral,
  ];
}

/** The id of the piece that carries the number, among the pieces of a page. */
export const NUMERAL_PIECE = "numeral";

/** The id by which a piece stands for something its day has; null for made pieces and rooms. */
export function standsFor({ what }: Piece): string | null {
  if (what.kind === "photo") return what.use;
  if (what.kind === "card") return what.card;
  return what.kind === "numeral" ? NUMERAL_PIECE : null;
}

/** A loose thing as a piece that lies at `at`. */
export function pieceFrom(loose: Loose, place: Rect, isTurned: boolean, id: string = loose.id): Piece {
  const what: Piece["what"] =
    loose.what === "photo"
      ? { kind: "photo", use: loose.id, cut: null }
      : loose.what === "card"
        ? { kind: "card", card: loose.id }
        : numeralOf(loose.size);
  return { id, what, at: { x: place.x, y: place.y }, turn: isTurned ? 1 : 0, outside: false, dayId: null };
}

/** The first dry fit of loose things on a side; what comes with them of each, as whose they are, goes with them. */
function dryFit<L extends Loose>(loose: readonly L[], build: LeafBuild, pockets: readonly Rect[]) {
  const laid = build.layout ? layInPockets(loose, pockets) : layOnPage(loose, build.page);
  return laid.map(({ piece, rect: lies, turned }) => ({ loose: piece, piece: pieceFrom(piece, lies, turned) }));
}

/** Where each piece of a side lies and how it fits. Pieces whose photo or card has left the day are left out. */
export function readPieces(
  pieces: readonly Piece[],
  content: PageContent | null,
  build: Pick<LeafBuild, "page" | "opening">,
  pockets: readonly Rect[],
  unit: Unit,
): PlacedPiece[] {
  const placed: PlacedPiece[] = [];
  for (const piece of pieces) {
    const lies = pieceRect(piece, content);
    if (!lies) continue;
    if (piece.what.kind === "tab") placed.push({ piece, rect: lies, fit: fitTab(lies, build.page), pocket: null });
    else if (piece.outside || (pockets.length > 0 && ON_THE_PAGE.has(piece.what.kind))) {
      placed.push({ piece, rect: lies, fit: fitOnPage(lies, build.page), pocket: null });
    } else if (pockets.length === 0) {
      const fit = build.opening ? fitInOpening(lies, build.page, build.opening, unit) : fitOnPage(lies, build.page);
      placed.push({ piece, rect: lies, fit, pocket: null });
    } else {
      placed.push({ piece, rect: lies, ...fitOnPockets(lies, pockets, build.page, unit) });
    }
  }
  return placed;
}

const NO_GUESTS: readonly never[] = [];
const FIT_ORDER: readonly Loose["what"][] = ["photo", "card", "numeral"];

/** Kinds that are stuck on a page, and so are not measured against a pocket. */
const ON_THE_PAGE: ReadonlySet<string> = new Set(["embellishment", "overlay", "flip"]);

const pageOfOwner = <P>(owner: Owner, pages: ReadonlyMap<string, P>): P | null =>
  owner.kind === "day" ? (pages.get(owner.dayId) ?? null) : null;

/**
 * Reads every leaf in order: its material, whose sides it has, where every piece lies and how it fits. Leaves of days set
 * aside are left out, and are there again when those come back.
 */
export function readBook<P extends BookPage>(
  { format, unit }: Pick<AlbumPlan, "format" | "unit">,
  pages: readonly P[],
  leaves: readonly Leaf[],
  own: readonly PocketLayout[] = [],
): BookRead<P> {
  const pageOfDay = new Map(pages.flatMap((page) => page.days.map((day) => [day.id, page] as const)));
  const leavesOf = leavesByGroup(leaves, (dayId) => pageOfDay.get(dayId));
  const fitOf = new Map(pages.map((page) => [page, firstFitSide(leavesOf.get(page) ?? [])]));
  const placedOn = new Map<P, Set<string>>(pages.map((page) => [page, new Set()]));
  const sharing = ({ owner, guests }: Side): Pick<SideRead<P>, "page" | "guests"> => {
    const page = pageOfOwner(owner, pageOfDay);
    if (guests.length === 0) return { page, guests: NO_GUESTS };
    const others = new Set(guests.flatMap(({ dayId }) => pageOfDay.get(dayId) ?? []));
    return { page, guests: [...others].filter((each) => each !== page) };
  };
  for (const { front, back } of leaves) {
    for (const side of [front, back]) {
      const shared = sharing(side);
      for (const piece of side.pieces ?? []) {
        const stands = standsFor(piece);
        const page = stands && pageOfPiece(shared, piece);
        if (stands && page) placedOn.get(page)?.add(stands);
        for (const id of heldIn(piece).flatMap((held) => idOfHeld(held) ?? [])) {
          const of = [shared.page, ...shared.guests].find((each) => each && has(each, id));
          if (of) placedOn.get(of)?.add(id);
        }
      }
    }
  }
  // What a page has to lay is asked for twice: by the dry fit of its leaf, and for what is left beside it.
  const looseKnown = new Map<P, Loose[]>();
  const loose = (page: P, build: Pick<LeafBuild, "layout">): Loose[] => {
    const known = looseKnown.get(page) ?? looseOf(page, build, firstPage(leavesOf.get(page) ?? []) !== undefined);
    looseKnown.set(page, known);
    return known;
  };
  const behindGlued = new Set(leaves.flatMap(({ glued }, at) => (glued ? (leaves[at + 1]?.id ?? []) : [])));
  const sideRead = (leaf: Leaf, face: Face, build: LeafBuild): SideRead<P> => {
    const side: Side = leaf[face];
    const { page, guests } = sharing(side);
    const all = page ? [page, ...guests] : guests;
    const content = sharedContent(all);
    const pockets = face === "front" ? build.pockets : build.pockets.map((pocket) => mirrored(pocket, build.page.w));
    let pieces = side.pieces;
    const fitting = all.filter((each) => {
      const fit = fitOf.get(each);
      return fit?.leaf === leaf.id && fit.face === face;
    });
    if (fitting.length > 0) {
      const waiting = fitting
        .flatMap((of) =>
          loose(of, build)
            .filter(({ id }) => !placedOn.get(of)?.has(id))
            .map((each) => ({ ...each, of })),
        )
        // Where several share it, the prints of all come before the cards of any.
        .sort((a, b) => FIT_ORDER.indexOf(a.what) - FIT_ORDER.indexOf(b.what));
      const laid = dryFit(waiting, build, pockets);
      for (const each of laid) placedOn.get(each.loose.of)?.add(each.loose.id);
      pieces = laid.map((each) => markedFor(each.piece, { page }, each.loose.of));
    }
    return {
      face,
      owner: side.owner,
      page,
      guests,
      content,
      gluedOver: face === "back" ? leaf.glued : behindGlued.has(leaf.id),
      auto: side.pieces === null,
      pockets,
      pieces: readPieces(pieces ?? [], content, build, pockets, unit),
    };
  };
  const read = leaves
    .filter((leaf) => !isSetAside(leaf, (dayId) => pageOfDay.has(dayId)))
    .map((leaf): LeafRead<P> => {
      const build = readBuild(leaf.make, format, own);
      const [front, back] = [sideRead(leaf, "front", build), sideRead(leaf, "back", build)];
      const stacked = (one: SideRead<P>, other: SideRead<P>) => {
        const pieces = withStacks(one.pieces, other.pieces, build.page.w);
        return pieces === one.pieces ? one : { ...one, pieces };
      };
      return { leaf, build, front: stacked(front, back), back: stacked(back, front) };
    });
  const beside = new Map(
    pages.map((page) => {
      const known = placedOn.get(page);
      const first = firstPage(leavesOf.get(page) ?? []);
      const build = first ? readBuild(first.make, format, own) : { layout: null };
      return [page, loose(page, build).filter(({ id }) => !known?.has(id))] as const;
    }),
  );
  return { leaves: read, beside, noPlace: pages.filter((page) => !leavesOf.has(page) && !page.skipped) };
}

/** A day without a leaf yet: the outline of the album's page with a first dry fit on it, and what finds no room. */
export function readGhost(
  page: BookPage,
  { format, unit }: Pick<AlbumPlan, "format" | "unit">,
): { build: LeafBuild; pieces: PlacedPiece[]; beside: Loose[] } {
  const build = readBuild(PLAIN_PAPER, format);
  const loose = looseOf(page, build, false);
  const fitted = dryFit(loose, build, []).map(({ piece }) => piece);
  const pieces = readPieces(fitted, page.content, build, [], unit);
  const laid = new Set(pieces.map(({ piece }) => piece.id));
  return { build, pieces, beside: loose.filter(({ id }) => !laid.has(id)) };
}

/** The whole leaf as it is bound: the page with its binding margin, or the bare sheet. In the page's own ticks. */
export function wholeLeaf(build: Pick<LeafBuild, "page" | "inProtector">, format: AlbumFormat, face: Face): Rect {
  const { page } = build;
  if (!build.inProtector) return rect(0, 0, page.w, page.h);
  const [extraW, extraH] = [format.outer.w - format.nominal.w, format.outer.h - format.nominal.h];
  if (format.bindingEdge === "top") {
    const side = Math.round(extraW / 2);
    return rect(-side, -Math.min(format.margin, extraH), page.w + extraW, page.h + extraH);
  }
  // What the margin leaves lies half on each side of the page; the opening is never wider than its protector.
  const free = Math.max(0, extraW - format.margin);
  const beyond = Math.min(extraW, Math.max(Math.floor(free / 2), Math.ceil((format.opening.w - format.nominal.w) / 2)));
  const x = face === "front" ? beyond - extraW : -beyond;
  return rect(x, -Math.round(extraH / 2), page.w + extraW, page.h + extraH);
}
