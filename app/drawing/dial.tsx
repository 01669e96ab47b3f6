import { memo } from "react";
import { RINGS } from "#core/album/steps.ts";
import { cell, DIAL, dash, point, ringRadii, wedges } from "./dial-geometry.ts";
import { type StateCode, stateAt } from "./states.ts";

/** One page's worth of days on the dial. */
export type Wedge = {
  readonly key: string;
  readonly label: string;
  /** How many dates it covers. */
  readonly dates: number;
  /** Five letters, rim inward. */
  readonly states: StateCode;
  readonly spoken: string;
};

type Rings = { readonly wedges: readonly Wedge[]; readonly turns: readonly { from: number; to: number }[] };

/** The rings themselves: all cells of one ring and state in one path, so that a redraw stays cheap. */
const RingCells = memo(function RingCells({ wedges: all, turns }: Rings) {
  return RINGS.map((ring, index) => {
    const { outer, inner } = ringRadii(index);
    const paths = { d: "", b: "", o: "", n: "" };
    for (const [at, wedge] of all.entries()) {
      const { from, to } = turns[at] ?? { from: 0, to: 0 };
      const state = stateAt(wedge.states, index);
      paths[state] += state === "n" ? dash(from, to, outer, inner) : cell(from, to, outer, inner);
    }
    return (
      <g key={ring}>
        {paths.o && <path d={paths.o} className="fill-panel stroke-line" />}
        {paths.b && <path d={paths.b} fill={`url(#begun-${ring})`} className={`stroke-ring-${ring}`} />}
        {paths.d && <path d={paths.d} className={`fill-ring-${ring}`} />}
        {paths.n && <path d={paths.n} className="stroke-edge" strokeWidth={1.5} />}
      </g>
    );
  });
});

const Hatches = memo(function Hatches() {
  return (
    <defs>
      {RINGS.map((ring) => (
        <pattern key={ring} id={`begun-${ring}`} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="6" height="6" className="fill-panel" />
          <rect width="2.6" height="6" className={`fill-ring-${ring}`} />
        </pattern>
      ))}
    </defs>
  );
});

type Props = {
  readonly wedges: readonly Wedge[];
  readonly chosen: number;
  /** Where in the turn today is, or null when today is outside the album. */
  readonly today: number | null;
  readonly centre: { readonly big: string; readonly small: readonly string[] };
  readonly onChoose: (index: number) => void;
};

/** The hearth clock: the days as wedges clockwise from the top, five rings inward, the hand at today. */
export function Dial({ wedges: all, chosen, today, centre, onChoose }: Props) {
  const turns = wedges(all.map(({ dates }) => dates));
  const hub = ringRadii(RINGS.length - 1).inner - 8;
  const marked = turns[chosen];
  return (
    <svg viewBox={`0 0 ${DIAL.size} ${DIAL.size}`} className="block h-full w-full select-none" aria-hidden="true">
      <Hatches />
      <RingCells wedges={all} turns={turns} />
      {all.map((wedge, index) => {
        const { from, to } = turns[index] ?? { from: 0, to: 0 };
        const is = index === chosen;
        const inBook = stateAt(wedge.states, 4) === "d";
        return (
          <g key={wedge.key} onClick={() => onChoose(index)} className="cursor-pointer" data-day={wedge.key}>
            <path d={cell(from, to, DIAL.rim + 34, hub)} className="fill-transparent hover:fill-edge/15" />
            <text
              {...point((from + to) / 2, DIAL.labels)}
              textAnchor="middle"
              dominantBaseline="central"
              className={`font-numeral ${is ? "fill-ember font-bold" : inBook ? "fill-text font-semibold" : "fill-quiet"}`}
              fontSize={is ? 20 : all.length > 40 ? 12 : 15}
            >
              {wedge.label}
            </text>
          </g>
        );
      })}
      {marked && <path d={cell(marked.from, marked.to, DIAL.rim + 4, hub + 5)} fill="none" className="stroke-ember" strokeWidth={2.5} />}
      {today !== null && <Hand turn={today} hub={hub} />}
      <text x={DIAL.centre} y={DIAL.centre - 2} textAnchor="middle" className="fill-text font-numeral font-semibold" fontSize={46}>
        {centre.big}
      </text>
      {centre.small.map((line, at) => (
        <text key={line} x={DIAL.centre} y={DIAL.centre + 18 + at * 16} textAnchor="middle" className="fill-quiet" fontSize={13}>
          {line}
        </text>
      ))}
    </svg>
  );
}

function Hand({ turn, hub }: { turn: number; hub: number }) {
  const from = point(turn, hub - 8);
  const to = point(turn, hub + 7);
  return (
    <g className="stroke-ember">
      <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} strokeWidth={5} strokeLinecap="round" />
    </g>
  );
}
