import { memo, use } from "react";
import { Drawn } from "#app/drawing/drawn.tsx";
import { HowNear } from "#app/drawing/how-near.ts";
import { drawingOf, mm } from "#app/drawing/mat-text.ts";
import type { Piece } from "#core/album/leaf.ts";
import type { AlbumFormat } from "#core/album/model.ts";
import type { Loose } from "#core/book/read.ts";
import { type DrawnFor, type drawnFor, placedMarks } from "#core/draw/piece.ts";
import { ticks } from "#core/measure/length.ts";
import type { Rect } from "#core/measure/rect.ts";
import { type Board, groundDrawing, looseDrawing, paperShadow } from "./boards.ts";

export const ZERO = { x: ticks(0), y: ticks(0) };

/** What is drawn as text, drawn again only when it is another. */
export const Still = memo(Drawn);

/** The paper under the pieces of a board; of another's side all that lies on it. */
export const BoardGround = memo(
  ({ board, format }: { board: Board; format: AlbumFormat }) => (
    <Still markup={paperShadow(board.whole) + groundDrawing(board, format, use(HowNear))} />
  ),
  (was, is) =>
    // Another's side is drawn with its pieces.
    is.board.whose.kind !== "other" &&
    was.board.whose.kind === is.board.whose.kind &&
    was.board.read.build === is.board.read.build &&
    was.board.read.leaf === is.board.read.leaf &&
    was.board.face === is.board.face,
);

/** A piece as it is drawn at its own zero. */
export const PieceDrawing = memo(
  ({ piece, drawn }: { piece: Piece; drawn: ReturnType<typeof drawnFor> }) => (
    <Still markup={drawingOf(placedMarks({ ...piece, at: ZERO }, drawn), use(HowNear))} />
  ),
  (was, is) => was.piece === is.piece && was.drawn.content === is.drawn.content && was.drawn.label === is.drawn.label,
);

/** What lies beside the page. */
export const LooseDrawing = ({ loose, drawn }: { loose: Loose; drawn: DrawnFor }) => (
  <Still markup={looseDrawing(loose, drawn, use(HowNear))} />
);

/**
 * The chosen piece's edge, drawn over whatever is next to it: as wide on the screen from far as from near, with a dark halo
 * so that it shows on any picture. A piece that wants cutting has a broken one.
 */
export function Outline({ of, tone }: { of: Rect; tone: string }) {
  const edge = { width: mm(of.w), height: mm(of.h), fill: "none", vectorEffect: "non-scaling-stroke" } as const;
  return (
    <g pointerEvents="none" data-chosen="">
      <rect {...edge} className="chosen-halo" strokeWidth={6} />
      <rect
        {...edge}
        className="chosen-edge"
        strokeWidth={3}
        strokeDasharray={tone === "trim" || tone === "split" || tone === "turn" ? "10 5" : undefined}
      />
    </g>
  );
}
