import { useEffect, useRef } from "react";
import { escaped } from "#core/draw/svg.ts";
import { keptDrawing } from "./markup.ts";
import { briefly, datesOn, fullnessOf, isInBook, type PageRow } from "./page-row.ts";

type Props = {
  readonly rows: readonly PageRow[];
  readonly albumId: string;
  readonly chosen: string | null;
  readonly today: string | null;
};

const WIDE = 20;
const TALL = 24;
const FOOT = 34;

/** The strip's bars and its links, as text. `variant` is `album chosen today`. */
const stripMarkup = keptDrawing((rows: readonly PageRow[], variant) => {
  const [albumId = "", chosen, today] = variant.split(" ");
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
  const path = (d: string, look: string) => (d ? `<path d="${d}" class="${look}"/>` : "");
  const links = rows.map(
    (row) =>
      `<a href="/albums/${albumId}/days/${row.date}" title="${escaped(briefly(row))}"${row.date === chosen ? ' aria-current="date"' : ""} class="notch${row.also.length > 0 ? " notch-wide" : ""}"></a>`,
  );
  return `<div class="strip"><svg viewBox="0 0 ${x - 1} 44" preserveAspectRatio="none" class="absolute inset-0 h-full w-full" aria-hidden="true">${path(paths.glow, "fill-flame")}${path(paths.warm, "fill-[#b0541f]")}${path(paths.banked, "fill-[#765446]")}${path(paths.foot, "fill-on-soot-quiet/50")}${path(paths.today, "fill-flame")}${path(paths.chosen, "fill-on-soot")}</svg><div class="relative flex h-full">${links.join("")}</div></div>`;
});

/** The strip of days on the mantel: a notch a day, as tall as the day is full, and the way from day to day. */
export function DayStrip({ rows, albumId, chosen, today }: Props) {
  const nav = useRef<HTMLElement>(null);
  const middle = chosen ?? today;
  // On a phone the strip is longer than the screen is wide: the day in hand is brought to its middle.
  useEffect(() => {
    const link = nav.current?.querySelector<HTMLElement>(`a[href$="/${middle}"]`);
    if (nav.current && link) nav.current.scrollLeft = link.offsetLeft - nav.current.clientWidth / 2;
  }, [middle]);
  return (
    <nav
      ref={nav}
      aria-label="Days"
      className="h-11 min-w-0 flex-1 overflow-x-auto overflow-y-hidden [scrollbar-width:none]"
      // biome-ignore lint/security/noDangerouslySetInnerHtml: written by stripMarkup, every word escaped
      dangerouslySetInnerHTML={stripMarkup(rows, `${albumId} ${chosen} ${today}`)}
    />
  );
}
