import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Mat } from "#app/drawing/mat.tsx";
import type { PageRow } from "#app/drawing/page-row.ts";
import { StateMark } from "#app/drawing/state-mark.tsx";
import { buttonLook } from "#app/parts/button.tsx";
import { RING_NAME, RING_STATE } from "#app/wording/day.ts";
import type { ChosenDay } from "./view.ts";

/** The chosen day beside the dial: what it looks like, and how far each part of it is. `row` is what the dial outlines. */
export function ChosenDayPanel({ albumId, day, row }: { albumId: string; day: ChosenDay; row: PageRow }) {
  // While a quick hand turns the dial the rest still shows the day before; what is outlined is named and opened.
  const stale = row.date !== day.date;
  const href = to.day(albumId, row.date);
  const label = stale ? row.label : day.label;
  return (
    <section aria-label="The chosen day" aria-busy={stale} className="@container">
      <div className="flex items-start gap-4">
        <p className={`font-numeral leading-none font-semibold ${label.length > 2 ? "text-4xl" : "text-6xl"}`}>
          {label}
        </p>
        <div className="min-w-0 flex-1">
          <h2 className="text-2xl">{(stale ? row.title : day.title) || "No title yet"}</h2>
          <p className={`text-sm text-quiet ${stale ? "opacity-0" : ""}`}>
            {day.when}
            {day.skipped && ", skipped"}
          </p>
        </div>
        <Link to={href} className={buttonLook("main", true)}>
          Open the day
        </Link>
      </div>
      <div
        className={`mt-4 grid items-start gap-4 @[27rem]:grid-cols-[minmax(150px,190px)_minmax(0,1fr)] ${stale ? "opacity-60" : ""}`}
      >
        <div className="h-48 overflow-hidden rounded-sm bg-mat">
          <Mat mat={day.mat} label={`The page of day ${day.label}, to scale`} />
        </div>
        <dl className="border-t border-line">
          {day.lines.map(({ ring, state, said }) => (
            <div key={ring} className="ring-line">
              <dt>
                <StateMark ring={ring} state={state} />
                {RING_NAME[ring]}
                <span className="sr-only">, {RING_STATE[state]}</span>
              </dt>
              <dd>{said}</dd>
            </div>
          ))}
          <div className="ring-line">
            <dt className="pl-7">Page size</dt>
            <dd>{day.size}</dd>
          </div>
        </dl>
      </div>
    </section>
  );
}
