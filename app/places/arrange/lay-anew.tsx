import { DropdownMenu } from "radix-ui";
import { newId } from "#app/parts/new-id.ts";
import type { Piece } from "#core/album/leaf.ts";
import { looseOf, markedFor, pageOfPiece } from "#core/book/read.ts";
import { dress, templateOf } from "#core/book/template.ts";
import type { Board } from "./boards.ts";

type Props = { readonly board: Board; readonly onArrange: (pieces: readonly Piece[] | null) => void };

/**
 * Lays a side out anew, asked which way: with the rooms and made pieces it has, or as nobody had arranged it. What is another's
 * on a shared side stays where it is.
 */
export function LayAnew({ board: { read, face, by }, onArrange }: Props) {
  const side = read[face];
  const page = by ?? side.page;
  const all = side.pieces.map(({ piece }) => piece);
  const pieces = all.filter((piece) => pageOfPiece(side, piece) === page || side.page === null);
  const others = all.filter((piece) => !pieces.includes(piece));
  const keepPattern = () => {
    if (!page) return;
    const { page: size, kind, layout } = read.build;
    const made = { id: "", name: "", page: size, kind, layout: layout?.id ?? null };
    const here = new Set(pieces.map(({ id }) => id));
    const loose = looseOf(page, read.build, true).filter(({ id, what }) => here.has(id) || what === "numeral");
    const laid = dress(templateOf(pieces, page.content, made), loose, newId);
    onArrange([...others, ...laid.map((piece) => markedFor(piece, side, page))]);
  };
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="mat-button">Lay it out anew</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="menu" side="top" align="start" sideOffset={6}>
          {page && (
            <DropdownMenu.Item className="menu-item" onSelect={keepPattern}>
              Each thing into the best room, made pieces stay
            </DropdownMenu.Item>
          )}
          <DropdownMenu.Item className="menu-item" onSelect={() => onArrange(side.guests.length > 0 ? others : null)}>
            {side.guests.length > 0 ? "Its own pieces off" : "All off, as a first dry fit"}
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
