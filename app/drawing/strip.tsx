import { memo, useEffect, useMemo, useRef } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { dropHere } from "#app/parts/carried.ts";
import { useOneStop } from "#app/parts/one-stop.ts";
import { briefly, datesOn, fullnessOf, isInBook, type PageRow } from "./page-row.ts";

type Props = {
  readonly rows: readonly PageRow[];
  readonly albumId: string;
  readonly chosen: string | null;
  readonly today: string | null;
  /** Pictures were carried to a page and let go of there. */
  readonly onBring?: (row: PageRow, ids: readonly string[]) => void;
};

const WIDE = 20;
const TALL = 24;
const FOOT = 34;

/** The strip's bars: all of one kind are one path. `x` is where the last ends. */
function barsOf(rows: readonly PageRow[], chosen: string | null, today: string | null) {
  const paths = { glow: "", warm: "", banked: "", foot: "", today: "", chosen: "" };
  let x = 1;
  for (const row of rows) {
    const wide = datesOn(row) * WIDE - 2;
    const full = fullnessOf(row);
    const height = row.skipped ? 1 : Math.max(2, Math.round(full * TALL));
    paths[isInBook(row) ? "glow" : full >= 0.5 ? "warm" : "banked"] += `M${x} ${FOOT}v-${height}h${wide}v${height}z`;
    const mark = (tall: number) => `M${x} 35h${wide}v${tall}h-${wide}z`;
    paths.foot += mark(1.4);
    if (row.date === today) paths.today = mark(2.6);
    if (row.date === chosen) paths.chosen = mark(4);
    x += wide + 2;
  }
  return { paths, x };
}

const LOOK = {
  glow: "fill-flame",
  warm: "fill-[#b0541f]",
  banked: "fill-[#765446]",
  foot: "fill-on-soot-quiet/50",
  today: "fill-flame",
  chosen: "fill-on-soot",
} as const;

/** The strip of days on the mantel: a notch a day, as tall as the day is full, and the way from day to day. */
export const DayStrip = memo(({ rows, albumId, chosen, today, onBring }: Props) => {
  const nav = useRef<HTMLElement>(null);
  const stops = useOneStop({ own: nav });
  const { paths, x } = useMemo(() => barsOf(rows, chosen, today), [rows, chosen, today]);
  const middle = chosen ?? today;
  // On a phone the strip is longer than the screen is wide: the day in hand is brought to its middle.
  useEffect(() => {
    const link = nav.current?.querySelector<HTMLElement>(`a[href$="/${middle}"]`);
    if (nav.current && link) nav.current.scrollLeft = link.offsetLeft - nav.current.clientWidth / 2;
  }, [middle]);
  return (
    <nav
      {...stops}
      aria-label="Days"
      className="h-11 min-w-0 flex-1 overflow-x-auto overflow-y-hidden [scrollbar-width:none]"
    >
      <div className="strip">
        <svg
          viewBox={`0 0 ${x - 1} 44`}
          preserveAspectRatio="none"
          className="absolute inset-0 h-full w-full"
          aria-hidden="true"
        >
          {(["glow", "warm", "banked", "foot", "today", "chosen"] as const).map(
            (kind) => paths[kind] && <path key={kind} d={paths[kind]} className={LOOK[kind]} />,
          )}
        </svg>
        <div className="relative flex h-full">
          {rows.map((row) => (
            <Link
              key={row.date}
              to={to.day(albumId, row.date)}
              title={briefly(row)}
              aria-label={briefly(row)}
              aria-current={row.date === chosen ? "date" : undefined}
              {...(onBring && !row.skipped ? dropHere((ids) => onBring(row, ids)) : {})}
              className={`data-over:bg-flame/40 ${row.also.length > 0 ? "notch notch-wide" : "notch"}`}
            />
          ))}
        </div>
      </div>
    </nav>
  );
});
