import { type PointerEvent, useId, useRef } from "react";
import { mm } from "#app/drawing/mat-text.ts";
import { pointOn } from "#app/drawing/move-handle.tsx";
import { pictureAddress } from "#app/drawing/picture-address.ts";
import { Button } from "#app/parts/button.tsx";
import { LengthBox } from "#app/parts/length-box.tsx";
import { isMotifOn } from "#core/drawer/thing.ts";
import { inches, millimetres, type Unit } from "#core/measure/length.ts";
import { type Rect, rect } from "#core/measure/rect.ts";
import { printSize, type Size } from "#core/measure/size.ts";

type Props = {
  size: Size;
  motif: Rect | null;
  /** The picture of the roll that shows the sheet. */
  photoId: string | null;
  name: string;
  unit: Unit;
  onPut: (motif: Rect | null) => void;
};

const SIDES = [
  ["x", "From left"],
  ["y", "From top"],
  ["w", "Wide"],
  ["h", "High"],
] as const;

/** The part of a sheet that no cut goes through: drawn on its picture, or said in lengths. */
export function MotifFields({ size, motif, photoId, name, unit, onPut }: Props) {
  const heading = useId();
  const [quarterWide, quarterHigh] = [Math.floor(size.w / 4), Math.floor(size.h / 4)];
  return (
    <section aria-labelledby={heading} className="grid gap-2 border-t border-line pt-2">
      <h3 id={heading} className="text-base">
        A motif to keep
      </h3>
      {motif ? (
        <>
          <OnSheet {...{ size, motif, photoId, name, unit, onPut }} />
          <div className="grid grid-cols-4 gap-2">
            {SIDES.map(([side, label]) => (
              <LengthBox
                key={side}
                label={label}
                value={motif[side]}
                unit={unit}
                range={side === "x" || side === "y" ? "zero" : "positive"}
                whileTyping
                onTake={(length) => onPut({ ...motif, [side]: length })}
              />
            ))}
          </div>
          {!isMotifOn(size, motif) && (
            <p role="alert" className="text-sm font-medium text-ember">
              It reaches beyond the sheet, which is {printSize(size, unit)}.
            </p>
          )}
          <Button small look="quiet" className="justify-self-start" onClick={() => onPut(null)}>
            Cut it up like the rest
          </Button>
        </>
      ) : (
        <>
          <p className="text-sm text-quiet">A part of the sheet that “Cut from paper” leaves whole.</p>
          <Button
            small
            className="justify-self-start"
            onClick={() => onPut(rect(quarterWide, quarterHigh, quarterWide * 2, quarterHigh * 2))}
          >
            Keep a motif
          </Button>
        </>
      )}
    </section>
  );
}

/** The sheet to scale with its motif, which is drawn anew by drawing over it. */
function OnSheet({ size, motif, photoId, name, unit, onPut }: Props & { motif: Rect }) {
  const svg = useRef<SVGSVGElement>(null);
  const from = useRef<{ x: number; y: number } | null>(null);
  const [w, h] = [mm(size.w), mm(size.h)];
  const by = unit === "inch" ? inches(1 / 8) : millimetres(1);
  const within = (event: PointerEvent) => {
    const { x, y } = pointOn(svg.current, event);
    const near = (at: number, most: number) => Math.round(millimetres(Math.min(most, Math.max(0, at))) / by) * by;
    return { x: Math.min(size.w, near(x, w)), y: Math.min(size.h, near(y, h)) };
  };
  const draw = (event: PointerEvent) => {
    const [one, two] = [from.current, within(event)];
    if (!one || one.x === two.x || one.y === two.y) return;
    onPut(rect(Math.min(one.x, two.x), Math.min(one.y, two.y), Math.abs(one.x - two.x), Math.abs(one.y - two.y)));
  };
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${w} ${h}`}
      role="img"
      aria-label={`${name} with the motif that is kept`}
      className="max-h-64 w-full cursor-crosshair touch-none bg-mat"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        from.current = within(event);
      }}
      onPointerMove={draw}
      onPointerUp={(event) => {
        draw(event);
        from.current = null;
      }}
      onPointerCancel={() => {
        from.current = null;
      }}
    >
      <rect width={w} height={h} fill="#e9e2d2" />
      {photoId && (
        <image href={pictureAddress(photoId, 480)} width={w} height={h} preserveAspectRatio="xMidYMid slice" />
      )}
      <path
        d={`M0 0H${w}V${h}H0Z M${mm(motif.x)} ${mm(motif.y)}v${mm(motif.h)}h${mm(motif.w)}v${-mm(motif.h)}Z`}
        fill="#14181a"
        fillOpacity={0.5}
        fillRule="evenodd"
      />
      <rect
        x={mm(motif.x)}
        y={mm(motif.y)}
        width={mm(motif.w)}
        height={mm(motif.h)}
        fill="none"
        stroke="#ffffff"
        strokeWidth={w / 120}
        strokeDasharray={`${w / 40} ${w / 70}`}
      />
    </svg>
  );
}
