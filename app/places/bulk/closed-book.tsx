import { sayThick } from "#app/wording/bulk.ts";
import type { Binding, Closing } from "#core/bulk/closing.ts";
import { HINGE } from "#core/bulk/closing.ts";
import type { Stretch } from "#core/bulk/heights.ts";
import type { Field, Peak } from "#core/bulk/peaks.ts";
import type { Unit } from "#core/measure/length.ts";
import { ticks, toMillimetres } from "#core/measure/length.ts";
import type { Rect } from "#core/measure/rect.ts";

const mm = (length: number) => toMillimetres(ticks(Math.round(length)));
/** A board is grey board of a tenth of an inch. From memory. */
const BOARD = 2.5;
const LETTER = 6;
/** Of the book from above, whose fields are small. */
const IN_FIELD = 8;
export const LETTERS = ["A", "B", "C", "D"] as const;

type SideProps = {
  stretches: readonly Stretch[];
  closing: Closing;
  binding: Binding;
  peaks: readonly Peak[];
  /** What reckoned heights are multiplied by. */
  factor: number;
  unit: Unit;
  isSewn: boolean;
};

/** The closed book seen from its lower edge, to scale: its leaves, what holds them, and how its boards lie. */
export function FromTheSide({ stretches, closing, binding, peaks, factor, unit, isSewn }: SideProps) {
  const high = (height: number) => (height * factor) / 1000;
  const [long, depth] = [mm(binding.board), high(binding.depth)];
  const gape = high(closing.gape);
  const top = Math.max(depth + gape, high(closing.thickest?.height ?? 0)) + BOARD;
  const foot = 0;
  const y = (height: number) => top - height;
  const outline = stretches.map(({ from, to, most }) => `L${mm(from)} ${y(high(most))}L${mm(to)} ${y(high(most))}`);
  const last = stretches.at(-1);
  const rise = (x: number) => depth + (gape * x) / long;
  const ring = depth / 2;
  const isAtRest = (x: number) => closing.rests !== null && Math.abs(mm(closing.rests.x - x)) < LETTER;
  return (
    <svg
      viewBox={`${-ring - 16} -14 ${long + ring + 48} ${top + BOARD + 34}`}
      preserveAspectRatio="xMidYMid meet"
      className="block min-h-0 w-full flex-1 max-wide:flex-[0.35]"
      role="img"
      aria-label={`The closed book from the side: ${sayThick(closing.atBinding * factor, unit)} at the binding, ${sayThick((closing.thickest?.height ?? 0) * factor, unit)} at its thickest${closing.gape > 0 ? `, its boards ${sayThick(closing.gape * factor, unit)} apart more than they should be` : ""}.`}
    >
      {isSewn ? (
        <rect x={-BOARD} y={y(depth) - BOARD} width={BOARD} height={depth + 2 * BOARD} className="fill-on-mat" />
      ) : (
        <circle cx={0} cy={y(depth / 2)} r={ring + BOARD} fill="none" className="stroke-on-mat" strokeWidth={1.4} />
      )}
      <path d={`M0 ${y(0)}${outline.join("")}L${mm(last?.to ?? 0)} ${y(0)}Z`} fill="#e9e2d2" />
      <path d={leafLines(stretches, high, y)} fill="none" stroke="#9aa5a6" strokeWidth={0.25} />
      <path d={`M0 ${y(0)}H${long}V${y(0) + BOARD}H0Z`} className="fill-on-mat" />
      <path
        d={`M0 ${y(rise(0))}L${long} ${y(rise(long))}V${y(rise(long)) - BOARD}L0 ${y(rise(0)) - BOARD}Z`}
        className="fill-on-mat"
      />
      {closing.rests && (
        <path
          d={`M${mm(Math.max(closing.rests.x, HINGE))} ${y(rise(mm(Math.max(closing.rests.x, HINGE)))) + 0.5}l-2.4 5h4.8z`}
          className="fill-flame"
        />
      )}
      <Measure
        x={long + 6}
        from={y(0)}
        to={y(rise(long))}
        text={sayThick((binding.depth + closing.gape) * factor, unit)}
      />
      {peaks.map(({ spot }, at) =>
        peaks.slice(0, at).some((other) => Math.abs(mm(other.spot.x) - mm(spot.x)) < LETTER) ? null : (
          <text
            // biome-ignore lint/suspicious/noArrayIndexKey: a peak is its letter
            key={at}
            x={mm(spot.x)}
            y={y(high(spot.height)) + LETTER + (isAtRest(spot.x) ? 5 : 0)}
            fontSize={LETTER}
            textAnchor="middle"
            className="fill-ink font-semibold"
          >
            {LETTERS[at]}
          </text>
        ),
      )}
      <text x={-ring} y={foot + top + BOARD + 12} fontSize={LETTER} className="fill-on-mat">
        {`${sayThick(binding.depth * factor, unit)} deep`}
      </text>
      <text x={long} y={foot + top + BOARD + 12} fontSize={LETTER} textAnchor="end" className="fill-on-mat">
        from the side
      </text>
    </svg>
  );
}

/** Lines that make a stack of paper of the block: every two millimetres of what lies there. */
function leafLines(
  stretches: readonly Stretch[],
  high: (height: number) => number,
  y: (height: number) => number,
): string {
  return stretches
    .flatMap(({ from, to, most }) =>
      Array.from({ length: Math.floor(high(most) / 2) }, (_, at) => `M${mm(from)} ${y((at + 1) * 2)}H${mm(to)}`),
    )
    .join("");
}

function Measure({ x, from, to, text }: { x: number; from: number; to: number; text: string }) {
  return (
    <g className="stroke-on-mat" strokeWidth={0.5}>
      <path d={`M${x} ${from}V${to}M${x - 2} ${from}h4M${x - 2} ${to}h4`} fill="none" />
      <text x={x + 4} y={(from + to) / 2 + 2} fontSize={LETTER} className="fill-on-mat" stroke="none">
        {text}
      </text>
    </g>
  );
}

type AboveProps = {
  fields: readonly Field[];
  area: Rect;
  peaks: readonly Peak[];
  factor: number;
  unit: Unit;
  /** Bound at its upper edge: the hinge is above. */
  isTop: boolean;
};

/**
 * The closed book seen from above: how thick it is in each field, in numbers, and the thicker the closer its lines. x is the
 * distance from the hinge; a book bound at the top is drawn with its hinge above.
 */
export function FromAbove({ fields, area, peaks, factor, unit, isTop }: AboveProps) {
  const most = Math.max(1, ...fields.map(({ height }) => height));
  const least = Math.min(most, ...fields.map(({ height }) => height));
  const at = ({ x, y, w, h }: Rect) =>
    isTop ? { x: mm(y), y: mm(x), w: mm(h), h: mm(w) } : { x: mm(x), y: mm(y), w: mm(w), h: mm(h) };
  const whole = at(area);
  return (
    <svg
      viewBox={`${whole.x - 10} ${whole.y - 14} ${whole.w + 20} ${whole.h + 28}`}
      preserveAspectRatio="xMidYMid meet"
      className="block min-h-0 w-full flex-[1.6]"
      role="img"
      aria-label={`The closed book from above, how thick it is in each field: at the most ${sayThick(most * factor, unit)}, at the least ${sayThick(least * factor, unit)}.`}
    >
      {fields.map(({ at: lies, height }) => {
        const { x, y, w, h } = at(lies);
        // From no line where it is thinnest to seven where it is thickest.
        const lines = most === least ? 0 : Math.round((7 * (height - least)) / (most - least));
        const drawn = Array.from({ length: lines }, (_, nth) => `M${x} ${y + (h * (nth + 1)) / (lines + 1)}h${w}`);
        const isMost = height === most && most > least;
        return (
          <g key={`${x} ${y}`}>
            <rect x={x} y={y} width={w} height={h} fill="#fdfdfb" stroke="#9aa5a6" strokeWidth={0.3} />
            <path d={drawn.join("")} stroke="#5a6268" strokeWidth={0.35} />
            <rect
              x={x + w / 2 - w * 0.4}
              y={y + h / 2 - IN_FIELD * 0.62}
              width={w * 0.8}
              height={IN_FIELD * 1.24}
              fill="#fdfdfb"
            />
            <text
              x={x + w / 2}
              y={y + h / 2}
              textAnchor="middle"
              dominantBaseline="central"
              fontSize={IN_FIELD * 0.9}
              fill="#1c2023"
              fontWeight={isMost ? 700 : 400}
            >
              {sayThick(height * factor, unit)}
            </text>
          </g>
        );
      })}
      {peaks.map(({ spot }, nth) => {
        const { x, y } = at({ x: ticks(Math.round(spot.x)), y: ticks(Math.round(spot.y)), w: ticks(0), h: ticks(0) });
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a peak is its letter
          <g key={nth}>
            <circle cx={x} cy={y} r={IN_FIELD * 0.75} fill="#f0762f" stroke="#1c2023" strokeWidth={0.5} />
            <text
              x={x}
              y={y}
              textAnchor="middle"
              dominantBaseline="central"
              fontSize={IN_FIELD}
              fontWeight={700}
              fill="#14181a"
            >
              {LETTERS[nth]}
            </text>
          </g>
        );
      })}
      <rect x={whole.x} y={whole.y} width={whole.w} height={whole.h} fill="none" stroke="#14181a" strokeWidth={0.6} />
      <path
        d={isTop ? `M${whole.x} ${whole.y}h${whole.w}` : `M${whole.x} ${whole.y}v${whole.h}`}
        className="stroke-flame"
        strokeWidth={1.6}
      />
      <text x={whole.x} y={whole.y - 4} fontSize={IN_FIELD} className="fill-on-mat">
        {isTop ? "the binding" : "binding"}
      </text>
      <text x={whole.x + whole.w} y={whole.y - 4} fontSize={IN_FIELD} textAnchor="end" className="fill-on-mat">
        from above
      </text>
    </svg>
  );
}
