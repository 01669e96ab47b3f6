import { lazy, Suspense } from "react";
import { type MatBox, mm } from "#app/drawing/mat-text.ts";
import { drawnFor } from "#core/draw/piece.ts";
import type { Board } from "./boards.ts";
import type { OpenedHere } from "./opened-here.ts";

const OpenedPiece = lazy(async () => ({ default: (await import("./opened-piece.tsx")).OpenedPiece }));

type Props = {
  readonly boards: readonly Board[];
  readonly opened: OpenedHere;
  readonly onOver: () => void;
  /** How far it reaches as it lies open, on the mat. */
  readonly onReach: (reach: MatBox) => void;
};

/** The construction that lies open, over everything else, where it still lies there. */
export function OpenedOverlay({ boards, opened, onOver, onReach }: Props) {
  const board = boards.find(({ key }) => key === opened.board);
  const placed = board?.read[board.face].pieces.find(({ piece }) => piece.id === opened.piece);
  if (!board || !placed) return null;
  const { piece, rect: lies } = placed;
  return (
    <g
      data-opened={piece.id}
      transform={`translate(${board.x + mm(lies.x)} ${board.y + mm(lies.y)})`}
      pointerEvents="none"
    >
      <Suspense fallback={null}>
        <OpenedPiece
          {...{ piece, lies, onOver, nth: opened.nth }}
          drawn={drawnFor(board.read[board.face], piece)}
          onReach={({ x, y, w, h }) => onReach({ x: board.x + mm(x), y: board.y + mm(y), w: mm(w), h: mm(h) })}
        />
      </Suspense>
    </g>
  );
}

/** A box with another in it, and a little room beyond. */
export function around(box: MatBox, { x, y, w, h }: MatBox): MatBox {
  const room = 6;
  const [left, top] = [Math.min(box.x, x - room), Math.min(box.y, y - room)];
  const right = Math.max(box.x + box.w, x + w + room);
  const foot = Math.max(box.y + box.h, y + h + room);
  return { x: left, y: top, w: right - left, h: foot - top };
}
