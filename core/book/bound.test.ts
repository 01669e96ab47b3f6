import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { makeOf } from "../../tests/samples.ts";
import { FORMAT_PRESETS } from "../album/formats.ts";
import { daysOfLeaf, type Leaf, leafOfDay, NOBODY } from "../album/leaf.ts";
import { EMPTY_DAY } from "../album/model.ts";
import { poolContent } from "../album/steps.ts";
import { inches, ticks } from "../measure/length.ts";
import { size } from "../measure/size.ts";
import { addDays, type CalendarDate } from "../month/dates.ts";
import { blankLeaf, countedAnew, giveToDay, isBlank, sewnCount } from "./bound.ts";
import { applyBookEdit, type BookEdit } from "./edit.ts";
import { followDates } from "./place.ts";
import { readBook } from "./read.ts";
import { placesOfSpreads, spreadAt, turnedBy } from "./spread.ts";

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

describe("leaves of a bound book glued together", () => {
  const glue = (at: number, glued = true): BookEdit => ({
    ...({ kind: "glue-leaf", leaf: `sewn${at}`, next: `sewn${at + 1}`, glued } as const),
  });
  const edited = (leaves: readonly Leaf[], edit: BookEdit): Leaf[] => {
    const done = applyBookEdit(leaves, edit, dateOf, datesFor(20));
    if (!done.ok) throw new Error(done.reason);
    return done.leaves;
  };
  const reasonOf = (leaves: readonly Leaf[], edit: BookEdit) => {
    const done = applyBookEdit(leaves, edit, dateOf, datesFor(20));
    return done.ok ? "done" : done.reason;
  };
  const owner = { kind: "day" as const, dayId: "day0" };

  it("are so only where they lie one after the other, sewn in, with nothing between; taken apart both sides are there again", () => {
    const leaves = book(4);
    expect(reasonOf(leaves, { ...glue(0), next: "sewn2" } as BookEdit)).toBe("not-neighbours");
    expect(reasonOf(leaves, glue(3))).toBe("not-neighbours");
    const tipped = edited(leaves, {
      ...{ kind: "add-leaf", id: "tipped", make: makeOf(), after: "sewn0" },
      ...{ front: NOBODY, back: NOBODY },
    } as BookEdit);
    expect(reasonOf(tipped, glue(0))).toBe("not-neighbours");
    const piece = { ...base("p"), what: { kind: "filler" as const, size: size(inches(1), inches(1)), name: "" } };
    const laid = edited(leaves, { kind: "arrange", leaf: "sewn1", face: "front", pieces: [piece] });
    expect(reasonOf(laid, glue(0))).toBe("glued-over");
    const owned = edited(leaves, { kind: "own-side", leaf: "sewn0", face: "back", owner });
    const glued = edited(owned, glue(0));
    expect([glued[0]?.back.owner, glued[0]?.glued, glued[1]?.glued]).toEqual([NOBODY, true, false]);
    // Nothing can be put where nothing is seen; on the outer sides all can.
    for (const [leaf, face] of [
      ["sewn0", "back"],
      ["sewn1", "front"],
    ] as const) {
      expect(reasonOf(glued, { kind: "own-side", leaf, face, owner })).toBe("glued-over");
      expect(reasonOf(glued, { kind: "share-side", leaf, face, dayId: "day0", shares: true })).toBe("glued-over");
      expect(reasonOf(glued, { kind: "arrange", leaf, face, pieces: [] })).toBe("glued-over");
      expect(reasonOf(glued, { kind: "arrange-many", sides: [{ leaf, face, pieces: [] }] })).toBe("glued-over");
    }
    expect(reasonOf(glued, { kind: "own-side", leaf: "sewn0", face: "front", owner })).toBe("done");
    const apart = edited(glued, glue(0, false));
    expect(reasonOf(apart, { kind: "own-side", leaf: "sewn0", face: "back", owner })).toBe("done");
    expect(sewnCount(glued)).toEqual({ sewn: 4, used: 2 });
    expect(sewnCount(apart).used).toBe(0);
    // The one that was glued on torn out, the other is not glued to whatever comes next.
    const torn = edited(edited(leaves, glue(1)), { kind: "remove-leaf", leaf: "sewn2" });
    expect(torn.map((leaf) => leaf.glued)).toEqual([false, false, false]);
  });

  it("stay together whatever is done, open nowhere between them, and are leafed over as one", () => {
    const anyAct = fc.record({
      kind: fc.constantFrom("give", "tip", "glue", "apart", "tear", "order", "blank"),
      at: fc.nat(9),
      to: fc.nat(9),
    });
    const pages = datesFor(10).map((_, at) => ({
      ...{ label: `${at}`, skipped: false, content: poolContent(EMPTY_DAY, []), days: [{ id: `day${at}` }] },
    }));
    let together = 0;
    fc.assert(
      fc.property(fc.array(anyAct, { maxLength: 14 }), (acts) => {
        let leaves = book(10);
        for (const [nth, { kind, at, to }] of acts.entries()) {
          const leaf = leaves[at % leaves.length]?.id ?? "";
          const next = leaves[(at % leaves.length) + 1]?.id ?? "";
          const edits: Record<string, BookEdit> = {
            give: { kind: "give-leaf", id: `given${nth}`, make: makeOf(), dayId: `day${to}` },
            tip: { kind: "add-leaf", id: `tip${nth}`, make: makeOf(), after: leaf, front: NOBODY, back: NOBODY },
            glue: { kind: "glue-leaf", leaf, next, glued: true },
            apart: { kind: "glue-leaf", leaf, next, glued: false },
            tear: { kind: "remove-leaf", leaf },
            order: { kind: "move-leaf", leaf, after: leaves[to % leaves.length]?.id ?? null },
            blank: { kind: "free-leaf", leaf },
          };
          const done = applyBookEdit(leaves, edits[kind] as BookEdit, dateOf, datesFor(10));
          if (done.ok) leaves = done.leaves;
        }
        for (const [at, { glued, back }] of leaves.entries()) {
          if (!glued) continue;
          together++;
          expect([leaves[at]?.sewn, leaves[at + 1]?.sewn]).toEqual([true, true]);
          for (const side of [back, leaves[at + 1]?.front])
            expect([side?.owner, side?.guests, side?.pieces ?? []]).toEqual([NOBODY, [], []]);
        }
        const sewnBook = FORMAT_PRESETS.find(({ binding }) => binding === "sewn");
        if (!sewnBook) throw new Error("shipped");
        const { leaves: read } = readBook({ format: sewnBook, unit: "cm" }, pages, leaves);
        const places = placesOfSpreads(read);
        expect(places).toEqual([0, ...leaves.flatMap(({ glued }, at) => (glued ? [] : [at + 1]))]);
        const walk = [0];
        while ((walk.at(-1) ?? 0) < read.length) walk.push(turnedBy(read, walk.at(-1) ?? 0, 1));
        expect(walk).toEqual(places);
        const back = [read.length];
        while ((back.at(-1) ?? 0) > 0) back.push(turnedBy(read, back.at(-1) ?? 0, -1));
        expect(back.reverse()).toEqual(places);
        for (const at of places) {
          const { left, right } = spreadAt(read, at, sewnBook);
          expect([left[0]?.read.back.gluedOver ?? false, right[0]?.read.front.gluedOver ?? false]).toEqual([
            false,
            false,
          ]);
        }
      }),
      { numRuns: 150 },
    );
    expect(together).toBeGreaterThan(40);
  });
});

const base = (id: string) => ({ id, at: { x: ticks(0), y: ticks(0) }, turn: 0, outside: false, dayId: null }) as const;
