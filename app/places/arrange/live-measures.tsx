import { Drawn } from "#app/drawing/drawn.tsx";
import { mm } from "#app/drawing/mat-text.ts";
import { distances } from "#core/book/snap.ts";
import { type Length, plainFractions, sayLength, type Unit } from "#core/measure/length.ts";
import type { Drag } from "./use-drag.ts";

type Props = { readonly drag: Drag; readonly drawing: string; readonly unit: Unit; readonly letter: number };

/** The piece under the hand, the lines it is drawn to, its size and how far it is from each edge. */
export function LiveMeasures({ drag, drawing, unit, letter }: Props) {
  const { board, lies } = drag;
  const [x, y, w, h] = [mm(lies.x), mm(lies.y), mm(lies.w), mm(lies.h)];
  const page = board?.read.build.page;
  const far = page ? distances(lies, page) : null;
  const say = (length: Length) => plainFractions(sayLength(length, unit));
  const size = letter * 1.1;
  const words = (tx: number, ty: number, text: string) => {
    const wide = text.length * size * 0.56 + size;
    return (
      <g transform={`translate(${tx} ${ty})`}>
        <rect x={-wide / 2} y={-size * 0.8} width={wide} height={size * 1.6} rx={0.8} className="fill-[#14181a]" />
        <text textAnchor="middle" dominantBaseline="central" fontSize={size} className="fill-white font-medium">
          {text}
        </text>
      </g>
    );
  };
  return (
    <g transform={board ? `translate(${board.x} ${board.y})` : undefined} pointerEvents="none" aria-hidden="true">
      {page &&
        drag.on.map(({ axis, at }) => (
          <path
            key={`${axis}${at}`}
            d={axis === "x" ? `M${mm(at)} -6V${mm(page.h) + 6}` : `M-6 ${mm(at)}H${mm(page.w) + 6}`}
            className="stroke-flame"
            strokeWidth={0.35}
            strokeDasharray="2.4 1.4"
          />
        ))}
      <Drawn transform={`translate(${x} ${y})`} markup={drawing} />
      <rect x={x} y={y} width={w} height={h} fill="none" className="stroke-flame" strokeWidth={0.9} />
      {words(x + w / 2, y + h / 2, `${say(lies.w)} × ${say(lies.h)}`)}
      {page && far && (
        <>
          <path
            d={`M0 ${y + h / 2}H${x}M${x + w} ${y + h / 2}H${mm(page.w)}M${x + w / 2} 0V${y}M${x + w / 2} ${y + h}V${mm(page.h)}`}
            className="stroke-on-mat"
            strokeWidth={0.3}
          />
          {words(x / 2, y + h / 2, say(far.left))}
          {words((x + w + mm(page.w)) / 2, y + h / 2, say(far.right))}
          {words(x + w / 2, y / 2, say(far.top))}
          {words(x + w / 2, (y + h + mm(page.h)) / 2, say(far.bottom))}
        </>
      )}
    </g>
  );
}
