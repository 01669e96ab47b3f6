import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import { Mat, viewBoxOf } from "#app/drawing/mat.tsx";
import { letterOn, mm } from "#app/drawing/mat-text.ts";
import type { Craft, Made, Sizes } from "#core/craft/craft.ts";
import type { Pull } from "#core/craft/pulls.ts";
import { measureLine } from "#core/draw/blueprint.ts";
import { inches, millimetres, sayLength, ticks, type Unit } from "#core/measure/length.ts";
import { blueprintMat } from "./making-mat.ts";

type Props = {
  readonly of: Craft;
  readonly made: Made;
  readonly sizes: Sizes;
  readonly pulls: readonly Pull[];
  readonly unit: Unit;
  readonly label: string;
  readonly onSet: (setting: string, value: number) => void;
};

/** The blueprint, whose measures are pulled by their ends: with a finger, the mouse or the arrow keys. */
export function PulledBlueprint({ of, made, sizes, pulls, unit, label, onSet }: Props) {
  const { mat, places } = blueprintMat(made, unit);
  return (
    <div className="relative h-full w-full">
      <Mat mat={mat} label={label} />
      <svg
        viewBox={viewBoxOf(mat.box)}
        preserveAspectRatio="xMidYMid meet"
        className="pointer-events-none absolute inset-0 h-full w-full overflow-visible"
      >
        <title>Lengths to pull</title>
        {pulls.map((pull) => {
          const part = made.parts.find(({ id }) => id === pull.part);
          const place = places.get(pull.part);
          const { name = "", least, most } = of.settings[pull.setting] ?? { least: 0 };
          if (!part || !place) return null;
          const { from, to } = measureLine(part, pull.measure);
          return (
            <Handle
              key={pull.setting}
              {...{ name, unit, least, most, per: pull.per }}
              value={sizes[pull.setting] ?? 0}
              x={place.x + mm(to.x)}
              y={place.y + mm(to.y)}
              isLevel={from.y === to.y}
              r={letterOn(mat.box) * 0.42}
              onSet={(value) => onSet(pull.setting, value)}
            />
          );
        })}
      </svg>
    </div>
  );
}

/** A length of the mat's millimetres in ticks. */
const TICKS_PER_MM = millimetres(1);

type HandleProps = {
  readonly name: string;
  readonly value: number;
  readonly least: number;
  readonly most: number | undefined;
  readonly per: number;
  readonly unit: Unit;
  readonly x: number;
  readonly y: number;
  readonly r: number;
  readonly isLevel: boolean;
  readonly onSet: (value: number) => void;
};

function Handle({ name, value, least, most, per, unit, x, y, r, isLevel, onSet }: HandleProps) {
  // The drawing is sized anew while it is pulled: what a pixel is stays as it was when it was taken hold of.
  const held = useRef<{ readonly at: number; readonly from: number; readonly perPixel: number } | null>(null);
  const step = unit === "inch" ? inches(1 / 16) : millimetres(1);
  const set = (wanted: number) => {
    const next = Math.max(least, Math.min(most ?? Number.POSITIVE_INFINITY, Math.round(wanted / step) * step));
    if (next !== value) onSet(next);
  };
  const take = (event: PointerEvent<SVGGElement>) => {
    event.preventDefault();
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    event.currentTarget.focus();
    const scale = event.currentTarget.getScreenCTM()?.a ?? 1;
    held.current = { at: isLevel ? event.clientX : event.clientY, from: value, perPixel: TICKS_PER_MM / scale };
  };
  const pull = (event: PointerEvent<SVGGElement>) => {
    if (!held.current) return;
    const { at, from, perPixel } = held.current;
    set(from + ((isLevel ? event.clientX : event.clientY) - at) * perPixel * per);
  };
  const press = (event: KeyboardEvent) => {
    const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 8, PageDown: -8 }[event.key];
    if (!by) return;
    event.preventDefault();
    set(value + by * step);
  };
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`Pull: ${name}`}
      aria-orientation={isLevel ? "horizontal" : "vertical"}
      aria-valuemin={least}
      aria-valuemax={most ?? inches(24)}
      aria-valuenow={value}
      aria-valuetext={sayLength(ticks(value), unit)}
      onPointerDown={take}
      onPointerMove={pull}
      onPointerUp={() => {
        held.current = null;
      }}
      onPointerCancel={() => {
        held.current = null;
      }}
      onKeyDown={press}
      className={`group pointer-events-auto touch-none outline-none ${isLevel ? "cursor-ew-resize" : "cursor-ns-resize"}`}
    >
      <title>{name}</title>
      <circle cx={x} cy={y} r={r * 2.6} fill="transparent" />
      <circle
        cx={x}
        cy={y}
        r={r}
        className="fill-flame stroke-on-soot group-hover:stroke-flame group-focus-visible:stroke-flame"
        strokeWidth={r * 0.4}
      />
    </g>
  );
}
