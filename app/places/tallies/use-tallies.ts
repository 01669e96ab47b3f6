import { newId } from "#app/parts/new-id.ts";
import { pendingSent } from "#app/sending/pending.ts";
import { useOutbox } from "#app/sending/sending.tsx";
import { changeTallies, type Tally, type TallyChange } from "#core/album/tally.ts";
import type { CalendarDate } from "#core/month/dates.ts";

/** What is counted over the month with what is on its way already counted, and how to change it. */
export function useTallies(saved: readonly Tally[]) {
  const { state, put } = useOutbox();
  const tallies = pendingSent(state, "tally").reduce<readonly Tally[]>(changeTallies, saved);
  const change = (sent: TallyChange, typed = false) =>
    put(`tally:${sent.how}:${sent.how === "mark" ? sent.mark.id : sent.id}`, { what: "tally", ...sent }, typed, typed);
  return {
    tallies,
    change,
    add: (name: string) => change({ how: "add", id: newId(), name }),
    count: (id: string, date: CalendarDate, text: string) =>
      change({ how: "mark", id, mark: { id: newId(), date, text: text.trim() } }),
  };
}
