import { Button } from "#app/parts/button.tsx";
import { usePut } from "#app/sending/sending.tsx";
import { datedAs, dayAfter } from "#app/wording/dates.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import type { DayView } from "./view.ts";

/** Whether the page was made wet, and until when nothing goes on it; of interest until it is assembled. */
export function Drying({ view: { parts, steps }, today }: { view: DayView; today: CalendarDate }) {
  const put = usePut();
  const [first] = parts;
  const hasBase = steps.some(({ step }) => step === "base");
  if (!first || !hasBase || !steps.some(({ step, done }) => step === "assemble" && !done)) return null;
  const until = parts.reduce<CalendarDate | null>(
    (last, { content: { driesUntil } }) => (driesUntil && driesUntil > (last ?? today) ? driesUntil : last),
    null,
  );
  const dry = (day: CalendarDate | null) => {
    for (const { id, content } of parts)
      if (id === first.id || content.driesUntil)
        put(`${id}:dries`, { what: "edit", dayId: id, base: null, edit: { kind: "dries", until: day } });
  };
  if (!until)
    return (
      <p className="flex flex-wrap items-center gap-3 text-sm text-quiet">
        Painted, inked or glued wet?
        <Button small onClick={() => dry(dayAfter(today))}>
          Let it dry overnight
        </Button>
      </p>
    );
  return (
    <p className="flex flex-wrap items-center gap-3 text-sm">
      Dries: nothing goes on it before {datedAs([until])}.
      <Button small onClick={() => dry(dayAfter(until))}>
        A day longer
      </Button>
      <Button small onClick={() => dry(null)}>
        It is dry
      </Button>
    </p>
  );
}
