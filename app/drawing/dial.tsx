import { memo } from "react";
import { shortDate } from "#app/wording/dates.ts";
import { RINGS } from "#core/album/steps.ts";
import { cell, DIAL, dash, point, ringRadii, wedgeAt, wedges } from "./dial-geometry.ts";
import { datesOn, isInBook, type PageRow } from "./page-row.ts";
import { stateAt } from "./states.ts";

const HUB = ringRadii(RINGS.length - 1).inner - 8;
const turnsOf = (rows: readonly PageRow[]) => wedges(rows.map(datesOn));

/** The rings and the numbers round them: all cells of one ring and state are one path. Drawn anew only for other rows. */
const Face = memo(function Face({ rows, dated }: { rows: readonly PageRow[]; dated: boolean }) {
  const turns = turnsOf(rows);
  return (
    <>
      <defs>
        {RINGS.map((ring) => (
          <pattern
            key={ring}
            id={`begun-${ring}`}
            width={6}
            height={6}
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <rect width={6} height={6} className="fill-panel" />
            <rect width={2.6} height={6} className={`fill-ring-${ring}`} />
          </pattern>
        ))}
      </defs>
      {RINGS.map((ring, index) => {
        const { outer, inner } = ringRadii(index);
        const paths = { d: "", b: "", o: "", n: "" };
        for (const [at, row] of rows.entries()) {
          const { from, to } = turns[at] ?? { from: 0, to: 0 };
          const state = stateAt(row.states, index);
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
      })}
      <g
        textAnchor="middle"
        dominantBaseline="central"
        className="fill-quiet font-numeral"
        fontSize={rows.length > 40 ? 12 : 15}
      >
        {rows.map((row, at) => {
          const { from, to } = turns[at] ?? { from: 0, to: 0 };
          const { x, y } = point((from + to) / 2, DIAL.labels);
          const look = isInBook(row) ? "fill-text font-semibold" : undefined;
          if (!dated)
            return (
              <text key={row.date} x={x} y={y} className={look}>
                {row.label || "–"}
              </text>
            );
          return (
            <g key={row.date} transform={`translate(${x} ${y})`}>
              {row.label && (
                <text y={-7} className={look}>
                  {row.label}
                </text>
              )}
              <text y={row.label ? 8 : 0} className="font-sans" fontSize={11}>
                {dateOn(row, rows.length)}
              </text>
            </g>
          );
        })}
      </g>
    </>
  );
});

/** The date under a number that is none; only its day where there is no room for more. */
const dateOn = ({ date, also }: PageRow, pages: number): string => {
  const days = [date, ...also].map((each) => Number(each.slice(8))).join("·");
  return pages > 40 || also.length > 0 ? days : shortDate(date);
};

type Props = {
  readonly rows: readonly PageRow[];
  readonly chosen: number;
  /** Whether the dates stand by the numbers: where a number is not the date itself. */
  readonly dated: boolean;
  /** Where in the turn today is, or null when today is outside the album. */
  readonly today: number | null;
  readonly centre: { readonly big: string; readonly small: readonly string[] };
  readonly onChoose: (index: number) => void;
};

/** The hearth clock: the days as wedges clockwise from the top, five rings inward, the hand at today. */
export function Dial({ rows, chosen, dated, today, centre, onChoose }: Props) {
  const turns = turnsOf(rows);
  const marked = turns[chosen];
  return (
    <svg
      viewBox={`0 0 ${DIAL.size} ${DIAL.size}`}
      className="block h-full w-full cursor-pointer select-none"
      aria-hidden="true"
      onClick={(event) => {
        const box = event.currentTarget.getBoundingClientRect();
        const hit = wedgeAt(
          turns,
          ((event.clientX - box.x) / box.width) * DIAL.size,
          ((event.clientY - box.y) / box.height) * DIAL.size,
          HUB,
        );
        if (hit >= 0) onChoose(hit);
      }}
    >
      <Face rows={rows} dated={dated} />
      {marked && rows[chosen] && (
        <Chosen row={rows[chosen]} date={dated ? dateOn(rows[chosen], rows.length) : null} {...marked} />
      )}
      {today !== null && <Hand turn={today} />}
      <text
        x={DIAL.centre}
        y={DIAL.centre - 2}
        textAnchor="middle"
        className="fill-text font-numeral font-semibold"
        fontSize={46}
      >
        {centre.big}
      </text>
      {centre.small.map((line, at) => (
        <text
          key={line}
          x={DIAL.centre}
          y={DIAL.centre + 18 + at * 16}
          textAnchor="middle"
          className="fill-quiet"
          fontSize={13}
        >
          {line}
        </text>
      ))}
    </svg>
  );
}

/** The chosen wedge's outline, and its number set over the quiet one. */
function Chosen({ row, date, from, to }: { row: PageRow; date: string | null; from: number; to: number }) {
  const { x, y } = point((from + to) / 2, DIAL.labels);
  return (
    <g textAnchor="middle" dominantBaseline="central">
      <path d={cell(from, to, DIAL.rim + 4, HUB + 5)} fill="none" className="stroke-ember" strokeWidth={2.5} />
      <g transform={`translate(${x} ${y})`} className="fill-ember">
        <circle r={date === null ? 17 : 19} className="fill-ground" />
        {(row.label || date === null) && (
          <text y={date === null ? 0 : -7} className="font-numeral font-bold" fontSize={20}>
            {row.label || "–"}
          </text>
        )}
        {date !== null && (
          <text y={row.label ? 9 : 0} fontSize={11} className="font-semibold">
            {date}
          </text>
        )}
      </g>
    </g>
  );
}

function Hand({ turn }: { turn: number }) {
  const from = point(turn, HUB - 8);
  const to = point(turn, HUB + 7);
  return (
    <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} className="stroke-ember" strokeWidth={5} strokeLinecap="round" />
  );
}
