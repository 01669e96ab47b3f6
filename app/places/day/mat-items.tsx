import { InsertDrawing, Leaf, Piece } from "#app/drawing/leaf.tsx";
import type { LeafView, PieceView } from "#app/drawing/leaf-view.ts";
import type { MatItem } from "#app/drawing/mat.tsx";

const GAP = 14;
/** Room for the caption under each thing on the mat. */
const CAPTION = 13;

type Loose = Omit<MatItem, "x" | "y">;

/** Stacks small things into columns no taller than the page, beginning at `x`; returns them and where the next may begin. */
function columns(things: readonly Loose[], x: number, tall: number): { items: MatItem[]; end: number } {
  const items: MatItem[] = [];
  let left = x;
  let y = 0;
  let wide = 0;
  for (const thing of things) {
    if (y > 0 && y + thing.h > tall) {
      left += wide + GAP;
      y = 0;
      wide = 0;
    }
    items.push({ ...thing, x: left, y });
    y += thing.h + CAPTION;
    wide = Math.max(wide, thing.w);
  }
  return { items, end: things.length > 0 ? left + wide + GAP : x };
}

const besideName = (piece: PieceView) =>
  piece.kind === "numeral"
    ? `Number ${piece.label}, beside`
    : `${piece.kind === "photo" ? "Print" : "Card"}, beside. ${piece.said}`;

/** Lays a day's inserts, its page and whatever found no place on it out on the mat, the page in the middle. */
export function matItems(leaf: LeafView, name: string): MatItem[] {
  const inserts = leaf.inserts.map((insert) => ({
    key: insert.id,
    w: insert.w,
    h: insert.h,
    caption: `${insert.name}. ${insert.said}`,
    draw: <InsertDrawing insert={insert} />,
  }));
  const beside = leaf.beside.map((piece) => ({
    key: piece.id,
    w: piece.w,
    h: piece.h,
    caption: besideName(piece),
    draw: <Piece piece={piece} w={piece.w} h={piece.h} />,
  }));
  const left = columns(inserts, 0, leaf.h);
  const x = left.end + (leaf.film && inserts.length > 0 ? leaf.film.margin : 0);
  const page: MatItem = {
    key: "page",
    x,
    y: 0,
    w: leaf.w,
    h: leaf.h,
    caption: `${name}. ${leaf.said.size}`,
    draw: <Leaf leaf={leaf} />,
  };
  return [...left.items, page, ...columns(beside, x + leaf.w + GAP, leaf.h).items];
}
