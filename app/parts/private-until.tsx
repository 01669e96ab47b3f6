import { useState } from "react";
import { type CalendarDate, parseDate, printDate } from "#core/month/dates.ts";
import { FOR_GOOD } from "#core/share/share.ts";
import { useIsKeeper } from "./role.tsx";

type Until = CalendarDate | null;
type Way = "open" | "until" | "for-good";

/** Whether something is private: not at all, until a day, or for good. `name` says what. */
export function PrivateUntil({ name, until, onKeep }: { name: string; until: Until; onKeep: (until: Until) => void }) {
  // "Until a day" is chosen before the day is.
  const [asksForDay, setAsksForDay] = useState(false);
  const isKeeper = useIsKeeper();
  const way: Way = until === FOR_GOOD ? "for-good" : until !== null || asksForDay ? "until" : "open";
  const choose = (next: Way) => {
    setAsksForDay(next === "until");
    if (next === "for-good") onKeep(FOR_GOOD);
    // Until a day is named, what is private for good stays so.
    else if (next === "open") onKeep(null);
  };
  return (
    <span className="flex flex-wrap items-center gap-2">
      <select
        aria-label={`Is ${name} private`}
        disabled={!isKeeper}
        className="field w-auto py-1 text-sm"
        value={asksForDay ? "until" : way}
        onChange={(event) => choose(event.target.value as Way)}
      >
        <option value="open">Not private</option>
        <option value="until">Private until a day</option>
        <option value="for-good">Private for good</option>
      </select>
      {(asksForDay || way === "until") && (
        <input
          type="date"
          disabled={!isKeeper}
          aria-label={`${name[0]?.toUpperCase()}${name.slice(1)} is private until`}
          className="field w-auto py-1 text-sm"
          value={until === FOR_GOOD ? "" : (until ?? "")}
          onChange={(event) => {
            const day = parseDate(event.target.value);
            if (day) onKeep(day);
          }}
        />
      )}
    </span>
  );
}

/** Until when something is private, in a few words. `hasCome`: that day is here, and it is private no longer. */
export const privateSaid = (until: CalendarDate, hasCome = false): string =>
  until === FOR_GOOD ? "Private for good." : `${hasCome ? "Was private" : "Private"} until ${printDate(until)}.`;

/** What is said beside it: where it is, and where it never goes. */
export const PRIVATE_MEANS =
  "You see it here as always, and it is in your own archive. It is in nothing you hand on: no archive for others, no table, no page printed whole.";
