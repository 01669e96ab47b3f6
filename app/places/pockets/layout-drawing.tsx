import { Drawn } from "#app/drawing/drawn.tsx";
import { viewBoxOf } from "#app/drawing/mat.tsx";
import { letterOn, matBox, matGround, mm } from "#app/drawing/mat-text.ts";
import type { ReadLayout } from "#core/book/layout.ts";
import { sayLength, type Unit } from "#core/measure/length.ts";
import type { Rect } from "#core/measure/rect.ts";
import type { Size } from "#core/measure/size.ts";

type Props = {
  readonly opening: Size;
  readonly read: Extract<ReadLayout, { ok: true }>;
  readonly unit: Unit;
  readonly chosen: number;
  readonly onChoose: (pocket: number) => void;
};

const box = ({ x, y, w, h }: Rect) => ({ x: mm(x), y: mm(y), width: mm(w), height: mm(h) });

/** A pocket page on the mat; each pocket says its size and can be chosen. */
export function LayoutDrawing({ opening, read, unit, chosen, onChoose }: Props) {
  const view = matBox([{ x: 0, y: 0, w: mm(opening.w), h: mm(opening.h) }]);
  const letter = letterOn(view);
  return (
    <div className="min-h-0 flex-1 p-4">
      <svg
        viewBox={viewBoxOf(view)}
        className="block h-full w-full overflow-visible"
        role="group"
        aria-label="Pockets of the page"
      >
        <Drawn markup={matGround(view, unit, false, "layout")} />
        <rect width={mm(opening.w)} height={mm(opening.h)} className="fill-film/80" />
        {read.seams.map((seam) => (
          <rect key={`${seam.x} ${seam.y}`} {...box(seam)} className="fill-edge/60" />
        ))}
        {read.pockets.map((pocket, at) => (
          <g
            key={`${pocket.x} ${pocket.y}`}
            role="button"
            tabIndex={0}
            aria-pressed={at === chosen}
            aria-label={`Pocket ${at + 1}: ${sayLength(pocket.w, unit)} by ${sayLength(pocket.h, unit)}`}
            className="mat-piece"
            onClick={() => onChoose(at)}
            onFocus={() => onChoose(at)}
          >
            <rect
              {...box(pocket)}
              className={at === chosen ? "fill-paper stroke-flame" : "fill-paper/75 stroke-edge"}
              strokeWidth={at === chosen ? 1.2 : 0.4}
            />
            <text
              x={mm(pocket.x) + mm(pocket.w) / 2}
              y={mm(pocket.y) + mm(pocket.h) / 2}
              textAnchor="middle"
              dominantBaseline="central"
              className="fill-ink"
              fontSize={Math.min(letter * 1.2, mm(pocket.w) / 8)}
            >
              {sayLength(pocket.w, unit)} × {sayLength(pocket.h, unit)}
            </text>
          </g>
        ))}
      </svg>
    </div>
  );
}
