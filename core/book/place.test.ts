import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyAlbum, makeOf, TAG } from "../../tests/samples.ts";
import { daysOfLeaf, type Leaf, leafOfDay } from "../album/leaf.ts";
import type { CalendarDate } from "../month/dates.ts";
import { followDates, insertOfDay } from "./place.ts";

const byDate = (days: readonly { id: string; date: CalendarDate }[]) => {
  const dates = new Map(days.map(({ id, date }) => [id, date]));
  return (id: string) => dates.get(id);
};
const idsOf = (leaves: readonly Leaf[]) => leaves.map(({ id }) => id);

describe("where a day's leaf stands", () => {
  it("is after all of its date and before all later ones, whatever the order they come in; an insert is over its page", () => {
    fc.assert(
      fc.property(anyAlbum, fc.infiniteStream(fc.nat()), ({ days }, chance) => {
        const dateOf = byDate(days);
        const shuffled = days.map((day) => [[...chance.take(1)][0] ?? 0, day] as const).sort(([a], [b]) => a - b);
        const book = shuffled.reduce<Leaf[]>(
          (leaves, [, { id }]) => insertOfDay(leaves, leafOfDay(id, makeOf(), id), id, dateOf),
          [],
        );
        expect(idsOf(book)).toEqual(days.map(({ id }) => id));
        const withTags = shuffled.reduce<Leaf[]>(
          (leaves, [, { id }]) => insertOfDay(leaves, leafOfDay(`tag-${id}`, makeOf(TAG), id), id, dateOf),
          book,
        );
        expect(idsOf(withTags)).toEqual(days.flatMap(({ id }) => [`tag-${id}`, id]));
      }),
      { numRuns: 30 },
    );
  });

  it("follows its day to another date, loses and doubles nothing, and stays where another day has a side of it", () => {
    fc.assert(
      fc.property(anyAlbum, fc.nat(), fc.nat(), ({ days, leaves }, a, b) => {
        const [one, other] = [days[a % days.length], days[b % days.length]];
        if (!one || !other || one === other) return;
        const dateOf = byDate(
          days.map((day) => ({
            id: day.id,
            date: day === one ? other.date : day === other ? one.date : day.date,
          })),
        );
        const moved = [one.id, other.id];
        const after = followDates(leaves, moved, dateOf);
        expect([...idsOf(after)].sort()).toEqual([...idsOf(leaves)].sort());
        const stays = (leaf: Leaf) => !daysOfLeaf(leaf).every((id) => moved.includes(id));
        expect(idsOf(after.filter(stays))).toEqual(idsOf(leaves.filter(stays)));
        // Of leaves that are one day's alone, a book in the order of its dates is in order again.
        const alone = leaves.filter((leaf) => new Set(daysOfLeaf(leaf)).size === 1);
        const dates = followDates(alone, moved, dateOf).map((leaf) => dateOf(daysOfLeaf(leaf)[0] ?? "") ?? "");
        expect(dates).toEqual([...dates].sort());
      }),
      { numRuns: 40 },
    );
  });
});
