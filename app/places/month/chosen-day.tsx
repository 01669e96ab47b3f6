import { Mat } from "#app/drawing/mat.tsx";
import { StateMark } from "#app/drawing/state-mark.tsx";
import { buttonLook } from "#app/ui/button.tsx";
import { RING_NAME, RING_STATE } from "#app/ui/wording.ts";
import type { ChosenDay } from "./view.ts";

/** The chosen day beside the dial: what it looks like, and how far each part of it is. */
export function ChosenDayPanel({ albumId, day, stale }: { albumId: string; day: ChosenDay; stale: boolean }) {
  const href = `/albums/${albumId}/days/${day.date}`;
  return (
    <section aria-label="The chosen day" aria-busy={stale} className={`@container ${stale ? "opacity-60" : ""}`}>
      <div className="flex items-start gap-4">
        <p className={`font-numeral leading-none font-semibold ${day.label.length > 2 ? "text-4xl" : "text-6xl"}`}>
          {day.label}
        </p>
        <div className="min-w-0 flex-1">
          <h2 className="text-2xl">{day.title || "No title yet"}</h2>
          <p className="text-sm text-quiet">
            {day.when}
            {day.skipped && ", skipped"}
          </p>
        </div>
        <a href={href} className={buttonLook("main", true)}>
          Open the day
        </a>
      </div>
      <div className="mt-4 grid items-start gap-4 @[27rem]:grid-cols-[minmax(150px,190px)_minmax(0,1fr)]">
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
