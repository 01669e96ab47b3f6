import type { DayContent } from "../album/model.ts";
import { addDays, type CalendarDate } from "../month/dates.ts";
import { type Known, knownSaid } from "../month/known.ts";
import { type Exception, type Hours, MOST_EXCEPTIONS } from "./capacity.ts";

/** What became of something known on a day. A note or a prompt that has its name has it. */
export type Taken = { readonly note: boolean; readonly prompt: boolean; readonly evening: boolean };

export function takenAs(known: Known, date: CalendarDate, content: DayContent, hours: Hours): Taken {
  return {
    note: content.note.includes(known.title),
    prompt: content.prompt.text.includes(known.title),
    evening: fullOn(known, date, hours) !== undefined,
  };
}

const fullOn = (known: Known, date: CalendarDate, { exceptions }: Hours): Exception | undefined =>
  exceptions.find(({ from, to, minutes, why }) => minutes === 0 && why === known.title && from <= date && date <= to);

/** A day's note with something known in it, on a line of its own; as it is where it has it already. */
export const noteWith = (note: string, known: Known): string =>
  note.includes(known.title) ? note : [note, knownSaid(known)].filter(Boolean).join("\n");

/** Hours in which a date is full, with why; null where no more dates can be said to be otherwise. */
export function withFull(hours: Hours, known: Known, date: CalendarDate): Hours | null {
  if (fullOn(known, date, hours)) return hours;
  if (hours.exceptions.length >= MOST_EXCEPTIONS) return null;
  const full = { from: date, to: date, minutes: 0, why: known.title };
  return { ...hours, exceptions: [...hours.exceptions, full] };
}

/** Hours in which a date is no longer full for something; the other dates of the same entry stay full. */
export function withoutFull(hours: Hours, known: Known, date: CalendarDate): Hours {
  const entry = fullOn(known, date, hours);
  if (!entry) return hours;
  const rest: Exception[] = [];
  if (entry.from < date) rest.push({ ...entry, to: addDays(date, -1) });
  if (entry.to > date) rest.push({ ...entry, from: addDays(date, 1) });
  return { ...hours, exceptions: hours.exceptions.flatMap((each) => (each === entry ? rest : [each])) };
}
