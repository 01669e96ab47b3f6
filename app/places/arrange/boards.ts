import { drawingOf, type MatThing, mm } from "#app/drawing/mat-text.ts";
import { INSERT_NAME, LEAF_OF } from "#app/wording/day.ts";
import { FACES, type Face, newLeaf, type Piece, PLAIN_PAPER } from "#core/album/leaf.ts";
import { matterName } from "#core/album/matter-name.ts";
import type { AlbumFormat, AlbumPlan } from "#core/album/model.ts";
import {
  type BookPage,
  type LeafBuild,
  type LeafRead,
  type Loose,
  pageOfPiece,
  pieceFrom,
  type SideRead,
  wholeLeaf,
} from "#core/book/read.ts";
import { seenThroughBase } from "#core/book/windows.ts";
import { type DrawnFor, placedMarks } from "#core/draw/piece.ts";
import { leafMarks, monthOn, sideMarks } from "#core/draw/side.ts";
import type { PictureHref } from "#core/draw/svg.ts";
import type { Unit } from "#core/measure/length.ts";
import { type Rect, rect } from "#core/measure/rect.ts";
import { printSize } from "#core/measure/size.ts";
import type { CalendarDate } from "#core/month/dates.ts";

/**
 * Whose a side is, seen from where it is worked on. On one's own everything can be done; on one that is nobody's, only
 * what is no day's can lie; another's is looked at, `name` saying whose and `at` where that is; null where it is set aside.
 */
export type Whose =
  | { readonly kind: "own" }
  | { readonly kind: "nobody" }
  | { readonly kind: "other"; readonly name: string | null; readonly at: EntryAt | null };

/** Where a day or a page of the front or back matter is worked on. */
export type EntryAt = { readonly date: CalendarDate } | { readonly entry: string };

/** One side of a leaf as it lies on the mat: its page's left upper corner in millimetres from the mat's zero. */
export type Board = {
  readonly key: string;
  readonly read: LeafRead;
  readonly face: Face;
  readonly whose: Whose;
  /** At whose bench it lies: only what is theirs on it can be moved there. Null in the book, where everything can. */
  readonly by: BookPage | null;
  readonly name: string;
  readonly x: number;
  readonly y: number;
  /** The whole leaf, in the page's ticks. */
  readonly whole: Rect;
};
/** Something of a day that lies beside its leaves. */
export type BesideItem = { readonly loose: Loose; readonly x: number; readonly y: number; readonly name: string };

/** Whether a piece is another's than those at whose bench it lies: it is seen there and stays as it is. */
export function isAnothers({ read, face, by }: Pick<Board, "read" | "face" | "by">, piece: Piece): boolean {
  const of = by && pageOfPiece(read[face], piece);
  return of !== null && of !== by;
}

export const boardKey = (leafId: string, face: Face): string => `${leafId}/${face}`;

/**
 * Whether a board of several, the lower ones first, lies behind a sheet of vellum that covers it: it is seen softer, as long
 * as nothing on it is worked on.
 */
export function isBehindVellum(boards: readonly Board[], at: number): boolean {
  const own = boards[at];
  if (!own) return false;
  const onMat = ({ x, y, whole }: Board) => ({
    ...{ left: x + mm(whole.x), top: y + mm(whole.y) },
    ...{ right: x + mm(whole.x) + mm(whole.w), bottom: y + mm(whole.y) + mm(whole.h) },
  });
  const its = onMat(own);
  return boards.slice(at + 1).some((above) => {
    if (seenThroughBase(above.read) !== "translucent") return false;
    const { left, top, right, bottom } = onMat(above);
    const nearly = 1;
    return (
      left <= its.left + nearly &&
      top <= its.top + nearly &&
      right >= its.right - nearly &&
      bottom >= its.bottom - nearly
    );
  });
}

const GAP = 12;
/** Room for the caption under each thing on the mat. */
const CAPTION = 13;

/** What a leaf is called for short, seen from `face`: by whose page it is; inserts by what they are. */
function baseName({ build, ...sides }: LeafRead, face: Face): string {
  if (build.insert) return INSERT_NAME[build.insert];
  const page = sides[face].page ?? sides.front.page ?? sides.back.page;
  if (page?.matter) return matterName(page.matter);
  const guests = page === sides[face].page ? sides[face].guests : [];
  const labels = [page, ...guests].flatMap((each) => each?.label ?? []);
  return labels.length > 0 ? `${labels.length > 1 ? "Pages" : "Page"} ${labels.join(" and ")}` : "Leaf";
}

/**
 * A leaf by its name and size. Where others `among` those shown have the same name, a page is told apart by what it is of,
 * and what is alike even so by its turn.
 */
export function leafName(read: LeafRead, unit: Unit, face: Face = "front", among: readonly LeafRead[] = []): string {
  const name = baseName(read, face);
  const namesakes = among.filter((each) => FACES.some((either) => baseName(each, either) === name));
  const alike = namesakes.filter(({ build }) => build.kind === read.build.kind);
  const of = namesakes.length > 1 && read.build.insert === null ? `, ${LEAF_OF[read.build.kind]}` : "";
  const nth =
    alike.length > 1 ? `, ${alike.findIndex(({ leaf }) => leaf.id === read.leaf.id) + 1} of ${alike.length}` : "";
  return `${name}${of}${nth}. ${printSize(read.build.page, unit)}`;
}

/** What a loose thing is called where it lies beside. */
export const looseName = ({ what, size }: Loose, label: string, unit: Unit): string =>
  what === "numeral" ? `Number ${label}` : `${what === "photo" ? "Print" : "Card"} ${printSize(size, unit)}`;

type Boxed = { readonly w: number; readonly h: number };

/** Stacks small things into columns no taller than `tall`, beginning at `x`; gives each its place and where the next may begin. */
function columns<T extends Boxed>(
  things: readonly T[],
  x: number,
  tall: number,
): { placed: (T & { x: number; y: number })[]; end: number } {
  const placed: (T & { x: number; y: number })[] = [];
  let [left, y, wide] = [x, 0, 0];
  for (const thing of things) {
    if (y > 0 && y + thing.h > tall) {
      left += wide + GAP;
      [y, wide] = [0, 0];
    }
    placed.push({ ...thing, x: left, y });
    y += thing.h + CAPTION;
    wide = Math.max(wide, thing.w);
  }
  return { placed, end: things.length > 0 ? left + wide + GAP : x };
}

/** Which face of each leaf is up; where nothing is said one's own, the front of two. */
export type Faces = Readonly<Record<string, Face>>;

/**
 * Lays a day's leaves out on the mat: inserts on the left, pages in the middle, what lies beside on the right. They are
 * named so that those `among` which they are differ.
 */
export function layOut(
  leaves: readonly LeafRead[],
  beside: readonly Loose[],
  label: string,
  { format, unit }: Pick<AlbumPlan, "format" | "unit">,
  whoseIs: (side: SideRead) => Whose,
  by: BookPage | null,
  faces: Faces = {},
  among: readonly LeafRead[] = leaves,
): { boards: Board[]; beside: BesideItem[] } {
  const board = (read: LeafRead) => {
    const face = faces[read.leaf.id] ?? FACES.find((each) => whoseIs(read[each]).kind === "own") ?? "front";
    const whose = whoseIs(read[face]);
    const whole = wholeLeaf(read.build, format, face);
    const name = `${leafName(read, unit, face, among)}${face === "back" ? ", back" : ""}`;
    return { key: boardKey(read.leaf.id, face), read, face, whose, by, name, whole, w: mm(whole.w), h: mm(whole.h) };
  };
  const all = leaves.map(board);
  const pages = all.filter(({ read }) => read.build.insert === null);
  const tall = Math.max(80, ...pages.map(({ h }) => h));
  const left = columns(
    all.filter(({ read }) => read.build.insert !== null),
    0,
    tall,
  );
  let x = left.end;
  const middle = pages.map((page) => {
    const placed = { ...page, x, y: 0 };
    x += page.w + GAP;
    return placed;
  });
  const right = columns(
    beside.map((loose) => ({ loose, name: looseName(loose, label, unit), w: mm(loose.size.w), h: mm(loose.size.h) })),
    x,
    tall,
  );
  return {
    boards: [...left.placed, ...middle].map(({ w: _, h: __, ...each }) => ({
      ...each,
      x: each.x - mm(each.whole.x),
      y: each.y - mm(each.whole.y),
    })),
    beside: right.placed.map(({ w: _, h: __, ...each }) => each),
  };
}

/** What stands where a loose thing would be drawn. */
export function looseDrawing(loose: Loose, drawn: DrawnFor, href?: PictureHref): string {
  return drawingOf(placedMarks(pieceFrom(loose, rect(0, 0, loose.size.w, loose.size.h), false), drawn), href);
}

/** The leaf without its pieces where those can be moved; another's side with all that lies on it. */
export const groundDrawing = (
  { read, face, whose }: Pick<Board, "read" | "face" | "whose">,
  format: AlbumFormat,
  href?: PictureHref,
): string =>
  drawingOf(
    whose.kind === "other"
      ? sideMarks(read, face, format)
      : [...leafMarks(read, face, format), ...monthOn(read, face, format)],
    href,
  );

/** Boards and what lies beside them, holding still. */
export function stillThings(
  laid: { boards: readonly Board[]; beside: readonly BesideItem[] },
  format: AlbumFormat,
  drawn: DrawnFor,
): MatThing[] {
  return [
    ...laid.boards.map(({ key, read, face, x, y, whole, name }, at) => {
      const [left, top] = [mm(whole.x), mm(whole.y)];
      return {
        key,
        caption: name,
        x: x + left,
        y: y + top,
        w: mm(whole.w),
        h: mm(whole.h),
        drawing: `<g${isBehindVellum(laid.boards, at) ? ' class="behind-vellum"' : ""} transform="translate(${-left} ${-top})">${paperShadow(whole)}${drawingOf(sideMarks(read, face, format))}</g>`,
      };
    }),
    ...laid.beside.map(({ loose, x, y, name }) => ({
      key: loose.id,
      caption: `${name}, beside`,
      x,
      y,
      w: mm(loose.size.w),
      h: mm(loose.size.h),
      drawing: looseDrawing(loose, drawn),
    })),
  ];
}

/** The only shadow there is: under paper on the mat. */
export const paperShadow = (whole: Rect): string =>
  `<rect x="${mm(whole.x) + 0.8}" y="${mm(whole.y) + 1.2}" width="${mm(whole.w)}" height="${mm(whole.h)}" rx="1" fill="#000" fill-opacity="0.22"/>`;

/** A page that no leaf was chosen for yet, as a board that cannot be arranged. */
export function ghostLeaf(build: LeafBuild, side: LeafRead["front"]): LeafRead {
  return {
    leaf: newLeaf("ghost", PLAIN_PAPER, side.owner, side.owner),
    build,
    front: side,
    back: { ...side, face: "back", pieces: [] },
  };
}
