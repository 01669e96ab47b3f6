import { DropdownMenu } from "radix-ui";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { newId } from "#app/parts/new-id.ts";
import { KIND_NAME } from "#app/wording/fit.ts";
import { MADE_KINDS, numeralOf, type Piece } from "#core/album/leaf.ts";
import { markedFor } from "#core/book/read.ts";
import { inches, millimetres, ticks, type Unit } from "#core/measure/length.ts";
import { centredIn, rectOf } from "#core/measure/rect.ts";
import { type Size, size } from "#core/measure/size.ts";
import { piecesOf } from "./arranger.tsx";
import type { Board } from "./boards.ts";

type Props = {
  readonly board: Board;
  readonly albumId: string;
  readonly unit: Unit;
  readonly onArrange: (pieces: readonly Piece[]) => void;
};

/** What can be put on a side besides what the day has: its number once more, and pieces made or from the stash. */
export function AddPiece({ board, albumId, unit, onArrange }: Props) {
  const { read, face, by } = board;
  const page = rectOf(read.build.page);
  const add = (what: Piece["what"], made: Size) => {
    const isTab = what.kind === "tab";
    // A tab stands out at the fore-edge; past a welded one it is stuck on the outside.
    const { x, y } = isTab
      ? { x: face === "front" ? page.w : ticks(-made.w), y: inches(1 / 2) }
      : centredIn(page, made);
    const piece: Piece = {
      id: newId(),
      what,
      at: { x, y },
      turn: 0,
      outside: isTab && read.build.inProtector,
      dayId: null,
    };
    onArrange([...piecesOf(board), markedFor(piece, read[face], by)]);
  };
  const addMade = (kind: (typeof ADDED)[number]) => add({ kind, size: usual(kind, unit), name: "" }, usual(kind, unit));
  const number = unit === "inch" ? size(inches(1.5), inches(1.5)) : size(millimetres(40), millimetres(40));
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="mat-button">Add a piece</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="menu" side="top" align="start" sideOffset={6}>
          {(by ?? read[face].page) && (
            <DropdownMenu.Item className="menu-item" onSelect={() => add(numeralOf(number), number)}>
              {KIND_NAME.numeral}
            </DropdownMenu.Item>
          )}
          {ADDED.map((kind) => (
            <DropdownMenu.Item key={kind} className="menu-item" onSelect={() => addMade(kind)}>
              {KIND_NAME[kind]}
            </DropdownMenu.Item>
          ))}
          <DropdownMenu.Item asChild className="menu-item">
            <Link to={to.bench(albumId, { day: read[face].page?.days[0]?.id ?? null })}>
              Something that opens, from the bench
            </Link>
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

/** A construction is not added as it is: it is made at the bench. */
const ADDED = MADE_KINDS.filter((kind) => kind !== "construction");

/** Sizes that made pieces usually have. From memory, all to be changed. */
function usual(kind: (typeof ADDED)[number], unit: Unit): Size {
  const by = (w: number, h: number, wMm: number, hMm: number) =>
    unit === "inch" ? size(inches(w), inches(h)) : size(millimetres(wMm), millimetres(hMm));
  switch (kind) {
    case "filler":
      return by(3, 4, 75, 100);
    case "tag":
      return by(2, 4, 50, 100);
    case "flip":
      return by(3, 4, 75, 100);
    case "tab":
      return by(0.5, 1, 12, 25);
    case "embellishment":
      return by(1, 1, 25, 25);
    case "photo-mat":
      return by(4.25, 3.25, 105, 80);
    case "overlay":
      return by(6, 8, 148, 210);
    case "window":
      return by(2, 2, 50, 50);
  }
}
