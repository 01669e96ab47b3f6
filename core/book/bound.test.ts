import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { makeOf } from "../../tests/samples.ts";
import { daysOfLeaf, type Leaf, leafOfDay, NOBODY } from "../album/leaf.ts";
import { addDays, type CalendarDate } from "../month/dates.ts";
import { blankLeaf, countedAnew, giveToDay, isBlank, sewnCount } from "./bound.ts";
import { applyBookEdit, type BookEdit } from "./edit.ts";
import { followDates } from "./place.ts";

const START = "2026-12-01" as CalendarDate;
const dateOf = (dayId: string): CalendarDate => addDays(START, Number(dayId.slice(3)));
const book = (leaves: number): Leaf[] => Array.from({ length: leaves }, (_, at) => blankLeaf(`sewn${at}`));
const datesFor = (days: number) => Array.from({ length: days }, (_, at) => addDays(START, at));
const plainFor = (id: string, day: number) => leafOfDay(id, makeOf(), `day${day}`);
const give = (leaves: readonly Leaf[], day: number, days: number, id = `day${day}`) =>
  giveToDay(leaves, plainFor(id, day), `day${day}`, dateOf, datesFor(days));

/** Days in an order, each once. */
const anyOrder = (most: number) =>
  fc.integer({ min: 1, max: most }).chain((days) =>
    fc.shuffledSubarray(
      datesFor(days).map((_, at) => at),
      { minLength: days },
    ),
  );

describe("a bound book", () => {
  it("with a leaf for each day gives each day one of its own, in the order of the days, whichever comes first", () => {
    fc.assert(
      fc.property(anyOrder(20), fc.nat(6), (order, spare) => {
        const days = order.length;
        const leaves = order.reduce<readonly Leaf[]>((now, day) => give(now, day, days), book(days + spare));
        expect(leaves).toHaveLength(days + spare);
        expect(leaves.every(({ sewn }) => sewn)).toBe(true);
        const told = leaves.flatMap((leaf) => daysOfLeaf(leaf)[0] ?? []);
        expect(told).toEqual(order.map((_, at) => `day${at}`));
        expect(sewnCount(leaves)).toEqual({ sewn: days + spare, used: days });
      }),
    );
  });

  it("gives a day more only where one is to spare for the others, and tips the rest in beside it", () => {
    // Five leaves, four days: one to spare.
    const first = give(book(5), 0, 4);
    const second = give(first, 0, 4, "more");
    expect(second.filter(({ sewn }) => sewn)).toHaveLength(5);
    const third = give(second, 0, 4, "third");
    expect(third).toHaveLength(6);
    expect(third.find(({ id }) => id === "third")?.sewn).toBe(false);
    const all = [1, 2, 3].reduce<readonly Leaf[]>((now, day) => give(now, day, 4), third);
    expect(sewnCount(all)).toEqual({ sewn: 5, used: 5 });
    expect(all.flatMap((leaf) => daysOfLeaf(leaf)[0] ?? [])).toEqual(["day0", "day0", "day0", "day1", "day2", "day3"]);
  });

  it("with fewer leaves than days gives them to who comes first, and adds leaves for the others where they belong", () => {
    fc.assert(
      fc.property(anyOrder(12), fc.nat(11), (order, fewer) => {
        const days = order.length;
        const count = Math.max(0, days - fewer);
        const leaves = order.reduce<readonly Leaf[]>((now, day) => give(now, day, days), book(count));
        expect(leaves.flatMap((leaf) => daysOfLeaf(leaf)[0] ?? [])).toEqual(order.map((_, at) => `day${at}`));
        expect(sewnCount(leaves).sewn).toBe(count);
      }),
    );
  });

  it("takes a leaf of another kind, of its own size or an insert only as one that is added", () => {
    for (const make of [
      makeOf({ kind: "vellum" }),
      makeOf({ insert: "tag" }),
      makeOf({ size: { w: 10_000, h: 9000 } as never }),
    ]) {
      const leaves = giveToDay(book(3), leafOfDay("new", make, "day1"), "day1", dateOf, datesFor(3));
      expect([leaves.length, leaves.find(({ id }) => id === "new")?.sewn]).toEqual([4, false]);
    }
  });

  it("keeps its leaves in their order and the right way round, whatever is done to it", () => {
    const anyAct = fc.tuple(
      fc.constantFrom("move", "turn", "remove", "free", "vellum", "add", "give", "own"),
      fc.nat(30),
      fc.nat(30),
    );
    fc.assert(
      fc.property(fc.array(anyAct, { maxLength: 25 }), (acts) => {
        const days = 6;
        let now: readonly Leaf[] = give(give(book(8), 2, days), 4, days);
        // Where each sewn leaf was sewn: a leaf given to a day takes its blank one's place.
        let order = now.map(({ id }) => id);
        for (const [act, a, b] of acts) {
          const leaf = now[a % Math.max(1, now.length)]?.id ?? "";
          const after = now[b % Math.max(1, now.length)]?.id ?? null;
          const day = `day${b % days}`;
          const edits: Record<typeof act, BookEdit> = {
            move: { kind: "move-leaf", leaf, after },
            turn: { kind: "turn-leaf", leaf },
            remove: { kind: "remove-leaf", leaf },
            free: { kind: "free-leaf", leaf },
            vellum: { kind: "make", leaf, make: makeOf({ kind: "vellum" }) },
            add: { kind: "add-leaf", id: `added${a}-${b}`, make: makeOf(), after, front: NOBODY, back: NOBODY },
            give: { kind: "give-leaf", id: `given${a}-${b}`, make: makeOf(), dayId: day },
            own: { kind: "own-side", leaf, face: "front", owner: { kind: "day", dayId: day } },
          };
          const was = now.find(({ id }) => id === leaf);
          const done = applyBookEdit(now, edits[act], dateOf, datesFor(days));
          if (was?.sewn && (act === "turn" || act === "vellum" || (act === "move" && after !== leaf)))
            expect(done).toEqual({ ok: false, reason: "sewn-in" });
          if (!done.ok) continue;
          const sewn = done.leaves.filter((each) => each.sewn).map(({ id }) => id);
          const [given] = sewn.filter((id) => !order.includes(id));
          const [gone] = order.filter((id) => !sewn.includes(id));
          // One left for one that came is the blank leaf that a day got.
          if (given) order = order.map((id) => (id === gone ? given : id));
          else order = order.filter((id) => sewn.includes(id));
          expect(sewn).toEqual(order);
          if (act === "give" || act === "free") expect(sewn.length).toBe(now.filter((each) => each.sewn).length);
          now = done.leaves;
        }
        // A story that moves to another date leaves them where they are.
        const followed = followDates(now, ["day2", "day4"], (id) => dateOf(id === "day2" ? "day5" : "day0"));
        expect(followed.filter(({ sewn }) => sewn).map(({ id }) => id)).toEqual(order);
      }),
    );
  });

  it("counted anew has so many leaves, loses none that something is on, and at the first count takes its plain pages for sewn", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 30 }), fc.integer({ min: 1, max: 30 }), fc.nat(5), (was, now, given) => {
        let made = 0;
        const newId = () => `new${made++}`;
        const leaves = Array.from({ length: Math.min(given, was) }, (_, at) => at).reduce<readonly Leaf[]>(
          (all, day) => give(all, day, 5),
          book(was),
        );
        const used = sewnCount(leaves).used;
        const after = countedAnew(leaves, was, now, newId);
        expect(sewnCount(after)).toEqual({ sewn: Math.max(now, used), used });
        const plain = [plainFor("plain", 1), leafOfDay("tag", makeOf({ insert: "tag" }), "day1")];
        const first = countedAnew(plain, null, now, newId);
        expect([sewnCount(first).sewn, first.find(({ id }) => id === "tag")?.sewn]).toEqual([now, false]);
        // No longer bound, it has none, and only blank ones are gone.
        const loose = countedAnew(after, now, null, newId);
        expect([sewnCount(loose).sewn, loose.length]).toEqual([0, after.filter((leaf) => !isBlank(leaf)).length]);
      }),
    );
  });
});
