import { didWords, type Names, NO_LONGER_KEPT, NOTHING_LEFT, notTurnedSaid, turnedSaid } from "#app/wording/journal.ts";
import { daysOfLeaf } from "#core/album/leaf.ts";
import { matterName } from "#core/album/matter-name.ts";
import { printShort, wallClock } from "#core/month/dates.ts";
import type { AlbumAggregate } from "#store/album.ts";
import type { Turned, Way } from "#store/journal/take-back.ts";

/** What came of taking a change back or doing it again, in words. */
export type TurnAnswer =
  | { ok: true; way: Way; said: string }
  | { ok: false; way: Way; reason: "not-turned"; said: string };

/** How the days and leaves of an album are called in its list of changes. */
export function namesIn({ days, matters, leaves }: AlbumAggregate): Names {
  const called = new Map([
    ...days.map(({ id, date }) => [id, printShort(date)] as const),
    ...matters.map(
      ({ id, matter, content }) => [id, `“${matterName({ kind: matter, title: content.title })}”`] as const,
    ),
  ]);
  const day = (id: string) => called.get(id) ?? "a page";
  return {
    day,
    leaf: (id) => {
      const leaf = leaves.find((each) => each.id === id);
      const of = leaf ? daysOfLeaf(leaf).map(day) : [];
      const kind = leaf?.make.insert ? "insert" : "page";
      return of.length > 0 ? `${kind} of ${of.join(" and ")}` : `a ${kind}`;
    },
  };
}

/** When something was done, on the household's own clock. */
export const saidAt = (at: string | Date, timeZone: string): string => {
  const { date, time } = wallClock(new Date(at).getTime(), timeZone);
  return `${printShort(date)}, ${time}`;
};

export function turnAnswer(turned: Turned, way: Way, aggregate: AlbumAggregate, timeZone: string): TurnAnswer {
  const names = namesIn(aggregate);
  if (turned.ok) return { ok: true, way, said: turnedSaid(way, didWords(turned.did, names)) };
  const refused = (said: string): TurnAnswer => ({ ok: false, way, reason: "not-turned", said });
  switch (turned.reason) {
    case "changed-since": {
      const { did, since } = turned;
      const later = since && { words: didWords(since.did, names), by: since.by, at: saidAt(since.at, timeZone) };
      return refused(notTurnedSaid(way, didWords(did, names), later));
    }
    case "nothing-left":
      return refused(NOTHING_LEFT[way]);
    case "no-longer-kept":
    case "not-found":
      return refused(NO_LONGER_KEPT);
  }
}
