import type { CutStep } from "#core/sheet/cutting.ts";
import { mm } from "./mat-text.ts";

/** The line of a cut, `beyond` its piece at either end. */
export function lineOf({ axis, line, piece }: CutStep, beyond = 0): string {
  const at = mm(line);
  return axis === "x"
    ? `M${at} ${mm(piece.y) - beyond}V${mm(piece.y) + mm(piece.h) + beyond}`
    : `M${mm(piece.x) - beyond} ${at}H${mm(piece.x) + mm(piece.w) + beyond}`;
}

/** Every cut of a sheet with its number, for a sheet of paper beside the trimmer. */
export const CutNumbers = ({ cuts, letter }: { cuts: readonly CutStep[]; letter: number }) =>
  cuts.map((each, at) => (
    <CutNumber key={`${each.axis}${each.line} ${each.piece.x} ${each.piece.y}`} cut={each} letter={letter} at={at} />
  ));

/** A cut with its number on its middle. */
function CutNumber({ cut, letter, at }: { cut: CutStep; letter: number; at: number }) {
  const { x: left, y: top, w, h } = cut.piece;
  const [x, y] = cut.axis === "x" ? [mm(cut.line), mm(top) + mm(h) / 2] : [mm(left) + mm(w) / 2, mm(cut.line)];
  return (
    <g className="font-numeral" fontSize={letter * 0.8} textAnchor="middle" dominantBaseline="central">
      <path d={lineOf(cut)} stroke="#14181a" strokeWidth={0.8} />
      <circle cx={x} cy={y} r={letter * 0.7} fill="#ffffff" stroke="#14181a" strokeWidth={0.4} />
      <text x={x} y={y} fill="#14181a">
        {at + 1}
      </text>
    </g>
  );
}
