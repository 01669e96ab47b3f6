import { mm } from "#app/drawing/mat-text.ts";
import { distances } from "#core/book/snap.ts";
import { type Length, sayLength, type Unit } from "#core/measure/length.ts";
import type { Drag } from "./use-drag.ts";

type Props = { readonly drag: Drag; readonly drawing: string; readonly unit: Unit; readonly letter: number };

/** The piece under the hand, the lines it is drawn to, its size and how far it is from each edge. */
export function LiveMeasures({ drag, drawing, unit, letter }: Props) {
  const { board, lies } = drag;
  const [x, y, w, h] = [mm(lies.x), mm(lies.y), mm(lies.w), mm(lies.h)];
  const page = board?.read.sheet.page;
  const far = page ? distances(lies, page) : null;
  const say = (length: Length) => sayLength(length, unit);
  const words = (tx: number, ty: number, text: string, anchor: "start" | "middle" | "end" = "middle") => (
    <text x={tx} y={ty} textAnchor={anchor} fontSize={letter * 1.05} className="mat-measure">
      {text}
    </text>
  );
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
      {/* biome-ignore lint/security/noDangerouslySetInnerHtml: written by core/draw/svg.ts, which escapes every word */}
      <g transform={`translate(${x} ${y})`} dangerouslySetInnerHTML={{ __html: drawing }} />
      <rect x={x} y={y} width={w} height={h} fill="none" className="stroke-flame" strokeWidth={0.9} />
      {words(x + w / 2, y + h / 2 + letter * 0.4, `${say(lies.w)} × ${say(lies.h)}`)}
      {page && far && (
        <>
          <path
            d={`M0 ${y + h / 2}H${x}M${x + w} ${y + h / 2}H${mm(page.w)}M${x + w / 2} 0V${y}M${x + w / 2} ${y + h}V${mm(page.h)}`}
            className="stroke-on-mat"
            strokeWidth={0.3}
          />
          {words(x / 2, y + h / 2 - 1.4, say(far.left))}
          {words((x + w + mm(page.w)) / 2, y + h / 2 - 1.4, say(far.right))}
          {words(x + w / 2 + 1.4, y / 2 + 1, say(far.top), "start")}
          {words(x + w / 2 + 1.4, (y + h + mm(page.h)) / 2 + 1, say(far.bottom), "start")}
        </>
      )}
    </g>
  );
}
