import { type PointerEvent, type RefObject, useEffect, useRef, useState } from "react";
import { flushSync } from "react-dom";
import { mm } from "#app/drawing/mat-text.ts";
import { type SnapLine, snap, snapLines, stepOf } from "#core/book/snap.ts";
import { inches, type Length, millimetres, ticks, type Unit } from "#core/measure/length.ts";
import { type Point, type Rect, rect } from "#core/measure/rect.ts";
import type { Board } from "./boards.ts";

/** What is held: a piece of a board, or something from beside. */
export type Grabbed =
  | { readonly kind: "piece"; readonly board: string; readonly id: string }
  | { readonly kind: "loose"; readonly id: string };

/** A piece on its way: where it would lie on the board under it, and which lines it is drawn to. */
export type Drag = {
  readonly grabbed: Grabbed;
  readonly board: Board | null;
  /** On the board's page, in ticks; off every board, on the mat. */
  readonly lies: Rect;
  readonly on: readonly SnapLine[];
};
export type Drop = { readonly grabbed: Grabbed; readonly board: Board | null; readonly at: Point };

const REACH = millimetres(2.5);
/** Pieces of a layout keep a quarter inch from the edge, when they keep any distance. Common practice. */
const MARGIN = inches(1 / 4);
/** A finger that moves less than this has pressed, not dragged. */
const STILL = 1.2;

type Held = {
  grabbed: Grabbed;
  size: Rect;
  from: { x: number; y: number };
  origin: { x: number; y: number };
  moved: boolean;
};

/** Where on the mat the pointer is, in millimetres. */
function pointOn(svg: SVGSVGElement | null, event: { clientX: number; clientY: number }): { x: number; y: number } {
  const matrix = svg?.getScreenCTM();
  if (!matrix) return { x: 0, y: 0 };
  const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
  return { x, y };
}

/** Carries a piece over the mat under the pointer. Alt held: no lines and no step. Escape: back where it was. */
export function useDrag({
  svg,
  boards,
  unit,
  onDrop,
}: {
  svg: RefObject<SVGSVGElement | null>;
  boards: readonly Board[];
  unit: Unit;
  onDrop: (drop: Drop) => void;
}) {
  const [drag, setDrag] = useState<Drag | null>(null);
  const held = useRef<Held | null>(null);
  const latest = useRef({ boards, unit, onDrop, drag });
  latest.current = { boards, unit, onDrop, drag };

  useEffect(() => {
    const move = (event: globalThis.PointerEvent) => {
      const has = held.current;
      if (!has) return;
      const now = pointOn(svg.current, event);
      const [dx, dy] = [now.x - has.from.x, now.y - has.from.y];
      if (!has.moved && Math.hypot(dx, dy) < STILL) return;
      has.moved = true;
      const corner = { x: has.origin.x + dx, y: has.origin.y + dy };
      const over = boardUnder(latest.current.boards, now, has.grabbed);
      const next = place(has, corner, over, event.altKey ? null : stepOf(latest.current.unit));
      // Drawn at once: a hand sees a frame that comes late.
      flushSync(() => setDrag(next));
    };
    const end = (event: globalThis.PointerEvent | KeyboardEvent) => {
      if (event instanceof KeyboardEvent && event.key !== "Escape") return;
      const { drag: last } = latest.current;
      const has = held.current;
      held.current = null;
      if (!has) return;
      setDrag(null);
      if (event.type === "pointerup" && has.moved && last)
        latest.current.onDrop({ grabbed: has.grabbed, board: last.board, at: { x: last.lies.x, y: last.lies.y } });
    };
    window.addEventListener("pointermove", move);
    window.addEventListener("pointerup", end);
    window.addEventListener("pointercancel", end);
    window.addEventListener("keydown", end);
    return () => {
      window.removeEventListener("pointermove", move);
      window.removeEventListener("pointerup", end);
      window.removeEventListener("pointercancel", end);
      window.removeEventListener("keydown", end);
    };
  }, [svg]);

  const begin = (event: PointerEvent, grabbed: Grabbed, size: Rect, on: { x: number; y: number }) => {
    if (event.button !== 0) return;
    event.stopPropagation();
    const from = pointOn(svg.current, event);
    held.current = { grabbed, size, from, origin: { x: on.x + mm(size.x), y: on.y + mm(size.y) }, moved: false };
  };
  return { drag, begin };
}

/** The uppermost board under the pointer; its own board first, so that a piece may hang over its edge. */
function boardUnder(boards: readonly Board[], { x, y }: { x: number; y: number }, grabbed: Grabbed): Board | null {
  const slack = 12;
  const within = (board: Board, by: number) => {
    const { whole } = board;
    const [left, top] = [board.x + mm(whole.x), board.y + mm(whole.y)];
    return x >= left - by && x <= left + mm(whole.w) + by && y >= top - by && y <= top + mm(whole.h) + by;
  };
  const direct = boards.findLast((board) => within(board, 0));
  if (direct) return direct;
  const own = grabbed.kind === "piece" ? boards.find(({ key }) => key === grabbed.board) : undefined;
  return own && within(own, slack) ? own : null;
}

const toTicks = (millimetre: number) => ticks(Math.round(millimetre * 320));

/** Where a held piece would lie; on the album's `step` and drawn to lines, or with null wherever the hand is. */
function place(
  { grabbed, size }: Held,
  corner: { x: number; y: number },
  board: Board | null,
  step: Length | null,
): Drag {
  if (!board) return { grabbed, board, lies: rect(toTicks(corner.x), toTicks(corner.y), size.w, size.h), on: [] };
  const lies = rect(toTicks(corner.x - board.x), toTicks(corner.y - board.y), size.w, size.h);
  if (step === null) return { grabbed, board, lies, on: [] };
  const side = board.read[board.face];
  const others = side.pieces.flatMap(({ piece, rect: other }) => (piece.id === grabbed.id ? [] : [other]));
  const snapped = snap(lies, snapLines(board.read.build.page, side.pockets, others, MARGIN), REACH, step);
  return { grabbed, board, lies: snapped.rect, on: snapped.on };
}
