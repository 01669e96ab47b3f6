import { type Rect, rect } from "../measure/rect.ts";
import type { Size } from "../measure/size.ts";

/** One part of a print that is made in several: its column and row, from 0, of a grid `across` wide and `down` high. */
export type Tile = {
  readonly across: number;
  readonly down: number;
  readonly column: number;
  readonly row: number;
};

/** More parts than this are not joined by anybody. */
export const MOST_ACROSS = 20;

/** The parts of a grid, row by row. */
export const tilesOf = ({ across, down }: Pick<Tile, "across" | "down">): Tile[] =>
  Array.from({ length: across * down }, (_, at) => ({
    across,
    down,
    column: at % across,
    row: Math.floor(at / across),
  }));

/** Where a part lies in its whole. Parts are alike to a tick; together they are the whole, edge to edge. */
export function tileAt({ w, h }: Size, { across, down, column, row }: Tile): Rect {
  const [x, y] = [Math.floor((w * column) / across), Math.floor((h * row) / down)];
  return rect(x, y, Math.floor((w * (column + 1)) / across) - x, Math.floor((h * (row + 1)) / down) - y);
}

export const sameGrid = (a: Pick<Tile, "across" | "down">, b: Pick<Tile, "across" | "down">): boolean =>
  a.across === b.across && a.down === b.down;
export const sameTile = (a: Tile, b: Tile): boolean => sameGrid(a, b) && a.column === b.column && a.row === b.row;

/** What a print on a sheet is of: a picture or a card by its id, whole or one part of it. */
export type PrintOf = { readonly id: string; readonly tile: Tile | null };

const WRITTEN = /^([0-9a-f-]{36})(?:~(\d{1,2})x(\d{1,2})\.(\d{1,2})\.(\d{1,2}))?$/;

/** A print and its part as one word, by which the packing tells prints apart. */
export const writePrintOf = ({ id, tile }: PrintOf): string =>
  tile ? `${id}~${tile.across}x${tile.down}.${tile.column}.${tile.row}` : id;

/** The word read; null when it is none, or names a part that its grid has not. */
export function readPrintOf(word: string): PrintOf | null {
  const [, id, ...numbers] = WRITTEN.exec(word) ?? [];
  if (id === undefined) return null;
  if (numbers[0] === undefined) return { id, tile: null };
  const [across = 0, down = 0, column = 0, row = 0] = numbers.map(Number);
  const isPart = across >= 1 && down >= 1 && across * down > 1 && column < across && row < down;
  return isPart && Math.max(across, down) <= MOST_ACROSS ? { id, tile: { across, down, column, row } } : null;
}
