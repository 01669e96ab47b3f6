import { InsertDrawing, Leaf, Piece } from "#app/drawing/leaf.tsx";
import type { LeafView } from "#app/drawing/leaf-view.ts";
import type { MatItem } from "#app/drawing/mat.tsx";

const GAP = 14;

/** Lays a day's inserts, its page and whatever found no place on it side by side on the mat. */
export function matItems(leaf: LeafView, name: string): MatItem[] {
  const items: MatItem[] = [];
  let x = 0;
  for (const insert of leaf.inserts) {
    items.push({ key: insert.id, x, y: 0, w: insert.w, h: insert.h, caption: `${insert.name}. ${insert.said}`, draw: <InsertDrawing insert={insert} /> });
    x += insert.w + GAP;
  }
  if (leaf.film) x += leaf.inserts.length > 0 ? leaf.film.margin : 0;
  items.push({ key: "page", x, y: 0, w: leaf.w, h: leaf.h, caption: `${name}. ${leaf.said.size}`, draw: <Leaf leaf={leaf} /> });
  x += leaf.w + GAP;
  for (const piece of leaf.beside) {
    items.push({ key: piece.id, x, y: 0, w: piece.w, h: piece.h, caption: `Beside. ${piece.said}`, draw: <Piece piece={piece} w={piece.w} h={piece.h} /> });
    x += piece.w + GAP;
  }
  return items;
}
