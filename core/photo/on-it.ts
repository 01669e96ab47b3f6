import { type CalendarDate, parseDate } from "../month/dates.ts";

/** A name has so many letters at the most. */
export const LONGEST_NAME = 60;

/** Who is on a picture, by name: none where nobody is on it, null where nobody has said. */
export type OnIt = readonly string[] | null;

/** One name marked on a picture or taken off it, or that nobody is on it. */
export type OnItMark =
  | { readonly kind: "person"; readonly name: string; readonly on: boolean }
  | { readonly kind: "nobody"; readonly on: boolean };

/** Who is on a picture once that is said of it. With the last name taken off, nobody has said any more. */
export function withOnIt(now: OnIt, mark: OnItMark): OnIt {
  if (mark.kind === "nobody") return mark.on ? [] : null;
  const others = (now ?? []).filter((name) => name !== mark.name);
  if (mark.on) return now?.includes(mark.name) ? now : [...others, mark.name];
  // Of a picture that nobody is on, nobody is taken off.
  if (now === null || now.length === 0) return now;
  return others.length > 0 ? others : null;
}

/** What somebody who keeps an album is called among those who are written about: by their first name, where it is there. */
export const calledAs = (member: string, people: readonly string[]): string => {
  const [first = member] = member.trim().split(/\s+/);
  return people.find((name) => name.toLowerCase() === first.toLowerCase()) ?? member;
};

/** The day a picture is of: as a keeper says, else as its camera does. */
export const takenOn = ({
  givenDate,
  capturedAt,
}: {
  readonly givenDate: CalendarDate | null;
  readonly capturedAt: string | null;
}): CalendarDate | null => givenDate ?? parseDate(capturedAt?.slice(0, 10) ?? "");
