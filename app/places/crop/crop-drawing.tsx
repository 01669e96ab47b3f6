import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import { Drawn } from "#app/drawing/drawn.tsx";
import { drawingOf, letterOn, matGround, mm } from "#app/drawing/mat-text.ts";
import { MoveHandle, pointOn } from "#app/drawing/move-handle.tsx";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import type { Over } from "#core/book/keep-clear.ts";
import { printedOnMarks } from "#core/draw/printed-on.ts";
import { millimetres, plainFractions, sayLength, type Unit } from "#core/measure/length.ts";
import type { Rect } from "#core/measure/rect.ts";
import type { Size } from "#core/measure/size.ts";
import { type Frame, type PictureFace, type PictureFacts, type Spot, WHOLE } from "#core/photo/crop.ts";
import { faceAround, faceAt, faceFrom, faceWithin } from "#core/photo/picture-face.ts";
import type { QuietSpot } from "#core/photo/quiet.ts";
import type { PrintedOn } from "#core/words/printed-on.ts";

type Props = {
  readonly photoId: string;
  readonly facts: PictureFacts;
  readonly print: Size;
  /** Where on the print the picture lies: within the white border, or its own part of a print that several share. */
  readonly room: Rect;
  readonly frame: Frame;
  readonly kept: Spot;
  readonly over: readonly Over[];
  readonly spots: readonly QuietSpot[];
  readonly unit: Unit;
  readonly pointing: Pointing;
  /** The chosen one of the picture's faces, by its place among them; null: none. */
  readonly face: number | null;
  /** A face that a press or a drawn box marks, or the place of one that was pressed. */
  readonly onFace: (made: PictureFace | number) => void;
  readonly onMoveFace: (to: PictureFace) => void;
  readonly onSlide: (frame: Frame) => void;
  readonly onKeep: (spot: Spot) => void;
  /** The print as a pattern that is repeated, drawn; null where the picture fills it once and is slid under it. */
  readonly pattern: string | null;
  /** The pictures that share the print, drawn; null where it has it to itself. */
  readonly others: string | null;
  /** A press on the print, in ticks from its corner; true where it was for another picture than the one that is slid. */
  readonly onPress: (x: number, y: number) => boolean;
  /** What is printed on the picture, and which of it is chosen. */
  readonly onIt: readonly PrintedOn[];
  readonly chosenOn: string | null;
  readonly onChooseOn: (id: string) => void;
  readonly onMoveOn: (id: string, at: Rect) => void;
};

/** What the pointer is for: it slides the picture, sets the point worth keeping, or marks faces. */
export type Pointing = "picture" | "point" | "faces";

const BEYOND = 26;
const STEP = 0.01;

/**
 * The print at true size on the mat, the picture lying under it as far as it goes: what is beyond the print's edge is
 * lost. The picture is slid by hand or by the arrow keys; the print stays where it is.
 */
export function CropDrawing(props: Props) {
  const { photoId, facts, print, room, frame, kept, over, spots, unit, pointing, onSlide, onKeep } = props;
  const { face, onFace, onMoveFace } = props;
  const setting = pointing === "point";
  const { pattern, others, onPress, onIt, chosenOn, onChooseOn, onMoveOn } = props;
  const svg = useRef<SVGSVGElement>(null);
  const held = useRef<{ x: number; y: number; frame: Frame } | null>(null);
  const [drawn, setDrawn] = useState<{ from: Spot; to: Spot } | null>(null);
  const [pw, ph] = [mm(print.w), mm(print.h)];
  const [ix, iy, iw, ih] = [mm(room.x), mm(room.y), mm(room.w), mm(room.h)];
  const [w, h] = [iw / frame.w, ih / frame.h];
  const [x, y] = [ix - frame.x * w, iy - frame.y * h];
  const box = { x: -BEYOND, y: -BEYOND, w: pw + 2 * BEYOND, h: ph + 2 * BEYOND };
  const letter = letterOn(box);
  const href = pictureAddress(photoId, 1600, facts.look);

  const onMat = (event: PointerEvent) => pointOn(svg.current, event);
  const spotAt = (at: { x: number; y: number }): Spot => {
    const share = (value: number) => Math.round(Math.min(1, Math.max(0, value)) * WHOLE);
    return { x: share((at.x - x) / w), y: share((at.y - y) / h) };
  };
  /** Wider than a hand trembles, it is a box that was drawn; else a press. */
  const drawnBox = drawn && isDrawn(drawn, facts) ? faceFrom(drawn.from, drawn.to) : null;
  const onUp = () => {
    held.current = null;
    if (!drawn) return;
    setDrawn(null);
    const pressed = drawnBox ? -1 : faceAt(facts.faces, drawn.from);
    if (pressed >= 0) onFace(pressed);
    else onFace(drawnBox ?? faceAround(drawn.from, facts, facts.faces.at(-1)));
  };
  const onDown = (event: PointerEvent<SVGSVGElement>) => {
    if (event.button !== 0) return;
    const at = onMat(event);
    if (others !== null && onPress(millimetres(at.x), millimetres(at.y))) return;
    if (setting) {
      onKeep(spotAt(at));
      return;
    }
    event.currentTarget.setPointerCapture(event.pointerId);
    if (pointing === "faces") {
      setDrawn({ from: spotAt(at), to: spotAt(at) });
      return;
    }
    held.current = { ...at, frame };
  };
  const onMove = (event: PointerEvent<SVGSVGElement>) => {
    if (drawn) {
      setDrawn({ ...drawn, to: spotAt(onMat(event)) });
      return;
    }
    if (!held.current) return;
    const at = onMat(event);
    const { x: fromX, y: fromY, frame: was } = held.current;
    onSlide({ ...was, x: was.x - (at.x - fromX) / w, y: was.y - (at.y - fromY) / h });
  };
  const onKey = (event: KeyboardEvent) => {
    const by = event.shiftKey ? STEP * 5 : STEP;
    const move = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] }[event.key];
    if (!move) return;
    event.preventDefault();
    event.stopPropagation();
    const [dx = 0, dy = 0] = move;
    const chosen = face === null ? undefined : facts.faces[face];
    if (pointing === "faces") {
      if (chosen) onMoveFace(faceWithin({ ...chosen, x: chosen.x + dx * WHOLE, y: chosen.y + dy * WHOLE }));
      return;
    }
    if (setting)
      onKeep({
        x: Math.min(WHOLE, Math.max(0, kept.x + dx * WHOLE)),
        y: Math.min(WHOLE, Math.max(0, kept.y + dy * WHOLE)),
      });
    else onSlide({ ...frame, x: frame.x + dx, y: frame.y + dy });
  };
  const say = (length: typeof print.w) => plainFractions(sayLength(length, unit));
  return (
    <svg
      ref={svg}
      viewBox={`${box.x} ${box.y} ${box.w} ${box.h}`}
      preserveAspectRatio="xMidYMid meet"
      className={`block h-full w-full touch-none select-none overflow-visible ${pointing === "picture" ? "cursor-grab" : "cursor-crosshair"}`}
      role="application"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: the arrow keys slide the picture, as the pointer does
      tabIndex={0}
      aria-label={`The print, ${say(print.w)} by ${say(print.h)}, with its picture. ${ARROWS[pointing]}`}
      onPointerDown={onDown}
      onPointerMove={onMove}
      onPointerUp={onUp}
      onPointerCancel={() => {
        held.current = null;
        setDrawn(null);
      }}
      onKeyDown={onKey}
    >
      <Drawn markup={matGround(box, unit, false, "crop")} />
      {pattern === null ? (
        <>
          <image href={href} x={x} y={y} width={w} height={h} preserveAspectRatio="none" opacity={0.3} />
          <rect x={0} y={0} width={pw} height={ph} className="fill-paper" />
          {others !== null && <Drawn markup={others} />}
          <svg x={ix} y={iy} width={iw} height={ih} viewBox={`${ix} ${iy} ${iw} ${ih}`}>
            <title>The part that is printed</title>
            <image href={href} x={x} y={y} width={w} height={h} preserveAspectRatio="none" />
          </svg>
        </>
      ) : (
        <Drawn markup={pattern} />
      )}
      <Drawn markup={drawingOf(printedOnMarks(onIt))} />
      {others === null ? (
        <rect x={0} y={0} width={pw} height={ph} fill="none" className="stroke-flame" strokeWidth={0.7} />
      ) : (
        <rect x={ix} y={iy} width={iw} height={ih} fill="none" className="stroke-flame" strokeWidth={0.7} />
      )}
      {onIt.map((item) => (
        <MoveHandle
          key={item.id}
          at={item.at}
          name={`${item.text.split("\n")[0] || item.kind}, printed on it.`}
          isChosen={item.id === chosenOn}
          unit={unit}
          onMat={onMat}
          onChoose={() => onChooseOn(item.id)}
          onMove={(at) => onMoveOn(item.id, at)}
        />
      ))}
      {over.map((each) => (
        <OverMark key={`${each.kind}${each.at.x} ${each.at.y} ${each.at.w}`} over={each} letter={letter} />
      ))}
      {spots.map((spot, at) => (
        <SpotMark key={`${spot.at.x} ${spot.at.y}`} spot={spot} at={at} letter={letter} />
      ))}
      {pattern === null &&
        [...facts.faces, ...(drawnBox ? [drawnBox] : [])].map((each, nth) => (
          <FaceMark
            key={`${each.x} ${each.y} ${each.w} ${each.h}`}
            at={{
              x: x + (each.x / WHOLE) * w,
              y: y + (each.y / WHOLE) * h,
              w: (each.w / WHOLE) * w,
              h: (each.h / WHOLE) * h,
            }}
            isChosen={pointing === "faces" && (nth === face || nth === facts.faces.length)}
          />
        ))}
      {pattern === null && facts.faces.length === 0 && (
        <g transform={`translate(${x + (kept.x / WHOLE) * w} ${y + (kept.y / WHOLE) * h})`} pointerEvents="none">
          <circle r={3} fill="none" stroke="#14181a" strokeWidth={1.3} />
          <circle r={3} fill="none" className="stroke-flame" strokeWidth={0.7} />
          <path d="M-5 0H-1.6M1.6 0H5M0 -5V-1.6M0 1.6V5" className="stroke-flame" strokeWidth={0.7} />
        </g>
      )}
      <text x={pw / 2} y={ph + letter * 1.6} textAnchor="middle" fontSize={letter} className="fill-on-mat">
        {say(print.w)} × {say(print.h)}
        {others === null && room.x > 0 && `, ${say(room.x)} white round it`}
      </text>
    </svg>
  );
}

const ARROWS: Record<Pointing, string> = {
  picture: "Arrow keys slide the picture.",
  point: "Arrow keys move the point worth keeping.",
  faces: "Arrow keys move the chosen face.",
};

/** A drawn box is wider and higher than this share of its picture's shorter side. */
const TREMBLE = 0.03;
function isDrawn({ from, to }: { from: Spot; to: Spot }, { width, height }: PictureFacts): boolean {
  const least = TREMBLE * Math.min(width, height) * WHOLE;
  return Math.abs(from.x - to.x) * width > least && Math.abs(from.y - to.y) * height > least;
}

/** Round a face, so that the face itself stays in sight. */
function FaceMark({ at: { x, y, w, h }, isChosen }: { at: Frame; isChosen: boolean }) {
  const round = { cx: x + w / 2, cy: y + h / 2, rx: w / 2, ry: h / 2 };
  return (
    <g fill="none" pointerEvents="none">
      <ellipse {...round} stroke="#14181a" strokeWidth={1.4} />
      <ellipse {...round} className={isChosen ? "stroke-flame" : "stroke-paper"} strokeWidth={isChosen ? 0.9 : 0.6} />
    </g>
  );
}

function OverMark({ over: { kind, name, at }, letter }: { over: Over; letter: number }) {
  const [x, y, w, h] = [mm(at.x), mm(at.y), mm(at.w), mm(at.h)];
  if (kind === "seam")
    return (
      <path
        d={w < h ? `M${x} ${y}v${h}` : `M${x} ${y}h${w}`}
        stroke="#ffffff"
        strokeWidth={0.5}
        strokeDasharray="2 1.2"
        pointerEvents="none"
      />
    );
  return (
    <g pointerEvents="none">
      {kind === "hole" ? (
        <circle
          cx={x + w / 2}
          cy={y + h / 2}
          r={Math.min(w, h) / 2}
          className="fill-mat"
          fillOpacity={0.7}
          stroke="#ffffff"
          strokeWidth={0.4}
        />
      ) : (
        <rect
          x={x}
          y={y}
          width={w}
          height={h}
          fill="#14181a"
          fillOpacity={0.32}
          stroke="#ffffff"
          strokeWidth={0.4}
          strokeDasharray="2 1.2"
        />
      )}
      <text
        x={x + w / 2}
        y={y + h / 2}
        textAnchor="middle"
        dominantBaseline="central"
        fontSize={letter * 0.9}
        className="mat-measure"
      >
        {name}
      </text>
    </g>
  );
}

function SpotMark({
  spot: { at, lettering, reads },
  at: index,
  letter,
}: {
  spot: QuietSpot;
  at: number;
  letter: number;
}) {
  const [x, y, w, h] = [mm(at.x), mm(at.y), mm(at.w), mm(at.h)];
  const ink = lettering === "light" ? "#fdfdfb" : "#1c2023";
  return (
    <g pointerEvents="none">
      <rect
        x={x}
        y={y}
        width={w}
        height={h}
        rx={1.5}
        fill="none"
        stroke={ink}
        strokeWidth={0.5}
        strokeDasharray={reads === "quiet" ? undefined : "1.6 1.2"}
      />
      <text
        x={x + w / 2}
        y={y + h / 2}
        textAnchor="middle"
        dominantBaseline="central"
        fontSize={Math.min(letter * 1.5, h * 0.5)}
        fill={ink}
        className="font-numeral"
      >
        {index + 1}
      </text>
    </g>
  );
}
