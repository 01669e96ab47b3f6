import { Link, useNavigate } from "react-router";
import { to } from "#app/addresses.ts";
import { MatButton } from "#app/parts/mat-button.tsx";
import { newId } from "#app/parts/new-id.ts";
import type { Face } from "#core/album/leaf.ts";
import type { AlbumFormat } from "#core/album/model.ts";
import type { Arrangement } from "#core/book/edit.ts";
import { onOtherSide, otherFace } from "#core/book/numeral.ts";
import { movedTo } from "#core/book/read.ts";
import type { Unit } from "#core/measure/length.ts";
import type { Size } from "#core/measure/size.ts";
import { arrangement, besides, piecesOf, type Selection } from "./arranger.tsx";
import { BoardBar } from "./board-bar.tsx";
import type { BesideItem, Board } from "./boards.ts";
import { useBookEdits } from "./book-edits.ts";
import { LooseBar } from "./loose-bar.tsx";
import { PieceBar } from "./piece-bar.tsx";

type Props = {
  readonly selection: Selection | null;
  readonly select: (selection: Selection | null) => void;
  readonly boards: readonly Board[];
  readonly beside?: readonly BesideItem[];
  readonly onPut?: (item: BesideItem) => void;
  readonly albumId: string;
  readonly format: AlbumFormat;
  readonly unit: Unit;
  readonly tryOuts: readonly { readonly leafId: string; readonly face: Face }[];
  readonly onArrange: (changes: readonly Arrangement[]) => void;
  readonly onPrint?: (use: string, print: Size) => void;
  readonly onFlip?: (board: Board) => void;
  /** The day has no page yet: say so instead of offering what needs one. */
  readonly noPage?: boolean;
};

/** The bar under the mat: for the piece under the hand, or for the side. */
export function SelectionBar({
  selection,
  select,
  boards,
  beside = [],
  onPut = () => {},
  albumId,
  format,
  unit,
  tryOuts,
  onArrange,
  onPrint,
  onFlip,
  noPage = false,
}: Props) {
  const navigate = useNavigate();
  const { addTryOut } = useBookEdits();
  const loose = selection?.kind === "loose" ? beside.find((item) => item.loose.id === selection.id) : undefined;
  const chosen = selection && "board" in selection ? boards.find(({ key }) => key === selection.board) : undefined;
  const board = chosen ?? boards.find(({ read }) => read.build.insert === null) ?? boards[0];
  if (!board) return <div className="mat-bar">No leaf here yet.</div>;
  if (noPage && board.read.leaf.id === "ghost")
    return (
      <div className="mat-bar">
        <p>
          No page chosen yet: this is the outline of the album’s page. Choose a foundation page under Paper, and
          everything here can be moved.
        </p>
      </div>
    );
  if (loose) return <LooseBar item={loose} boards={boards} onPut={() => onPut(loose)} />;
  if (board.whose.kind === "other") return <AnothersSide board={board} albumId={albumId} onFlip={onFlip} />;
  const placed =
    selection?.kind === "piece" && board.key === selection.board
      ? board.read[board.face].pieces.find(({ piece }) => piece.id === selection.id)
      : undefined;
  if (placed) {
    const other = otherFace(board.face);
    const there = movedTo(placed.piece, board.read[board.face], board.read[other]);
    const mine = board.read[other].page === null ? null : there;
    return (
      <PieceBar
        key={placed.piece.id}
        albumId={albumId}
        board={board}
        placed={placed}
        format={format}
        unit={unit}
        onArrange={(pieces) => onArrange([arrangement(board, pieces)])}
        onDone={() => select(besides(boards, board, placed.piece.id))}
        onPrint={onPrint}
        onOtherSide={
          mine
            ? (_, what) =>
                onArrange([
                  {
                    leaf: board.read.leaf.id,
                    face: other,
                    pieces: [
                      ...board.read[other].pieces.map((each) => each.piece),
                      onOtherSide(mine, what, board.read.build.page, newId()),
                    ],
                  },
                ])
            : undefined
        }
      />
    );
  }
  const { id } = board.read.leaf;
  return (
    <BoardBar
      board={board}
      albumId={albumId}
      format={format}
      unit={unit}
      onArrange={(pieces) =>
        onArrange([pieces ? arrangement(board, pieces) : { leaf: id, face: board.face, pieces: null }])
      }
      onFlip={onFlip && (() => onFlip(board))}
      waiting={tryOuts.filter((each) => each.leafId === id && each.face === board.face).length}
      onTryOut={() => {
        addTryOut(id, board.face, piecesOf(board));
        void navigate(to.tryOuts(albumId, id, board.face));
      }}
      onTemplate={() => void navigate(to.foundations(albumId, { keep: `${id}.${board.face}` }))}
    />
  );
}

/** A side that another day, or the front or back matter, has: whose it is, and the way there. */
function AnothersSide({
  board: { read, face, whose, ...board },
  albumId,
  onFlip,
}: {
  board: Board;
  albumId: string;
  onFlip: Props["onFlip"] | undefined;
}) {
  if (whose.kind !== "other") return null;
  return (
    <div className="mat-bar">
      <p className="basis-full">
        This side is {whose.name ? `for ${whose.name}` : "for a day that is set aside"}: look here, change it there.
      </p>
      {onFlip && (
        <MatButton onClick={() => onFlip({ ...board, read, face, whose })}>
          {face === "front" ? "See the back" : "See the front"}
        </MatButton>
      )}
      <Link to={whose.at ? to.entry(albumId, whose.at) : to.book(albumId, { at: read.leaf.id })} className="mat-button">
        {whose.name ? `Open ${whose.name}` : "Open the book here"}
      </Link>
    </div>
  );
}
