import { type PointerEvent, useRef } from "react";
import { inches, millimetres, ticks, type Unit } from "#core/measure/length.ts";
import type { Rect } from "#core/measure/rect.ts";
import { mm } from "./mat-text.ts";

type Point = { readonly x: number; readonly y: number };

/** Where a pointer is on a drawing, in the drawing's own millimetres. */
export function pointOn(svg: SVGSVGElement | null, event: PointerEvent): Point {
  const matrix = svg?.getScreenCTM();
  const point = matrix ? new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse()) : null;
  return { x: point?.x ?? 0, y: point?.y ?? 0 };
}

/** Takes hold of something on a drawing: by hand, or with the arrow keys. */
export function MoveHandle({
  at,
  name,
  isChosen,
  unit,
  onMat,
  onChoose,
  onMove,
}: {
  at: Rect;
  /** What it is called, as a sentence. */
  name: string;
  isChosen: boolean;
  unit: Unit;
  onMat: (event: PointerEvent) => Point;
  onChoose: () => void;
  onMove: (at: Rect) => void;
}) {
  const held = useRef<{ x: number; y: number; at: Rect } | null>(null);
  const by = unit === "inch" ? inches(1 / 16) : millimetres(1);
  const to = (x: number, y: number) => onMove({ ...at, x: ticks(Math.round(x)), y: ticks(Math.round(y)) });
  return (
    // biome-ignore lint/a11y/useSemanticElements: an SVG has no button of its own
    <rect
      x={mm(at.x)}
      y={mm(at.y)}
      width={mm(at.w)}
      height={mm(at.h)}
      fill="transparent"
      className={isChosen ? "cursor-move stroke-flame" : "cursor-move"}
      strokeWidth={0.6}
      strokeDasharray="2 1.2"
      role="button"
      tabIndex={0}
      aria-pressed={isChosen}
      aria-label={`${name} Arrow keys move it.`}
      onFocus={onChoose}
      onPointerDown={(event) => {
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
        held.current = { ...onMat(event), at };
        onChoose();
      }}
      onPointerMove={(event) => {
        if (!held.current) return;
        const now = onMat(event);
        const { x, y, at: from } = held.current;
        to(from.x + millimetres(now.x - x), from.y + millimetres(now.y - y));
      }}
      onPointerUp={() => {
        held.current = null;
      }}
      onPointerCancel={() => {
        held.current = null;
      }}
      onKeyDown={(event) => {
        const move = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] }[event.key];
        if (!move) return;
        event.preventDefault();
        event.stopPropagation();
        const [dx = 0, dy = 0] = move;
        to(at.x + dx, at.y + dy);
      }}
    />
  );
}
