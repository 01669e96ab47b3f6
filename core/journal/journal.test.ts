import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { columnAfter, netOf, type Recorded, reversed, textOf } from "./net.ts";
import { joinOrders } from "./order.ts";

const anyRow = fc.record({ a: fc.nat(2), b: fc.nat(2) });
type Row = { a: number; b: number };
const rec = (before: object | null, after: object | null): Recorded => ({
  of: "t",
  key: { id: 1 },
  before: before as Recorded["before"],
  after: after as Recorded["after"],
});
/** What a trigger would keep of a row that goes from one state to the next. */
function kept(was: Row | null, is: Row | null): Recorded | null {
  if (!was || !is) return was === is ? null : rec(was, is);
  const names = (["a", "b"] as const).filter((name) => was[name] !== is[name]);
  if (names.length === 0) return null;
  const of = (row: Row) => Object.fromEntries(names.map((name) => [name, row[name]]));
  return rec(of(was), of(is));
}

describe("what a line changed of a row in all", () => {
  it("is what it was before the first change and after the last, however often it came and went between", () => {
    fc.assert(
      fc.property(fc.array(fc.option(anyRow), { minLength: 1, maxLength: 7 }), (states) => {
        const recorded = states.slice(1).flatMap((is, at) => kept(states[at] ?? null, is) ?? []);
        const [net] = netOf(recorded);
        const [first, last] = [states[0] ?? null, states.at(-1) ?? null];
        expect(net ?? null).toEqual(kept(first, last));
        const back = netOf(recorded).map(reversed)[0];
        expect(back ?? null).toEqual(kept(last, first));
      }),
    );
  });

  it("is told apart by table and key, whatever order the key's columns come in", () => {
    const one: Recorded = { of: "t", key: { x: 1, y: 2 }, before: { a: 1 }, after: { a: 2 } };
    const same: Recorded = { of: "t", key: { y: 2, x: 1 }, before: { a: 2 }, after: { a: 1 } };
    expect(netOf([one, same])).toEqual([]);
    expect(netOf([one, { ...same, of: "u" }])).toHaveLength(2);
    expect(textOf({ b: [1, { d: null, c: "é" }], a: true })).toBe('{"a":true,"b":[1,{"c":"é","d":null}]}');
  });
});

describe("a column put back", () => {
  it("is what it was, unless somebody has changed it since", () => {
    expect(columnAfter("new", "old", "new", false)).toEqual({ value: "old" });
    expect(columnAfter("new", "old", "newer", false)).toBeNull();
    expect(columnAfter({ w: 1, h: 2 }, null, { h: 2, w: 1 }, false)).toEqual({ value: null });
  });

  it("that holds a set loses what came and gets what went, and everybody else's stays in it", () => {
    const anySet = fc.uniqueArray(fc.constantFrom("base", "punch", "file", "number", "write"));
    fc.assert(
      fc.property(anySet, anySet, anySet, (before, after, others) => {
        const mine = new Set([...before, ...after].filter((step) => before.includes(step) !== after.includes(step)));
        // Others did what they liked with the steps that this change was not about.
        const now = [...after.filter((step) => mine.has(step)), ...others.filter((step) => !mine.has(step))];
        const back = columnAfter(after, before, now, true)?.value as string[];
        for (const step of mine) expect(back.includes(step)).toBe(before.includes(step));
        for (const step of others.filter((each) => !mine.has(each))) expect(back).toContain(step);
        expect(back).toHaveLength(new Set(back).size);
      }),
    );
    expect(columnAfter(["base"], [], ["punch"], true)).toBeNull();
    expect(columnAfter([], ["base"], ["base"], true)).toBeNull();
  });
});

describe("the order that two changes make together", () => {
  const ids = ["a", "b", "c", "d", "e"];
  const some = (of: readonly string[], which: readonly boolean[]) => of.filter((_, at) => which[at % which.length]);
  const anyWhich = fc.array(fc.boolean(), { minLength: 1, maxLength: 7 });

  it("has what either brought and lacks what either took, and puts nothing that stayed in another order", () => {
    fc.assert(
      fc.property(anyWhich, anyWhich, fc.nat(5), fc.nat(5), (keepOne, keepOther, at, there) => {
        const brought = (list: readonly string[], id: string, place: number) => [
          ...list.slice(0, place),
          id,
          ...list.slice(place),
        ];
        const one = brought(some(ids, keepOne), "mine", at);
        const other = brought(some(ids, keepOther), "theirs", there);
        const joined = joinOrders(ids, one, other);
        const stay = ids.filter((id) => one.includes(id) && other.includes(id));
        expect(joined?.filter((id) => ids.includes(id))).toEqual(stay);
        expect(new Set(joined)).toEqual(new Set([...stay, "mine", "theirs"]));
        expect(joined).toHaveLength(stay.length + 2);
      }),
    );
  });

  it("is the order of the one that moved something where the other did not, and none where both did", () => {
    expect(joinOrders(ids, ["b", "a", "c", "d", "e"], ["a", "b", "c", "x", "d", "e"])).toEqual([
      "b",
      "a",
      "c",
      "x",
      "d",
      "e",
    ]);
    expect(joinOrders(ids, ["a", "b", "c", "d"], ["e", "a", "b", "c", "d"])).toEqual(["a", "b", "c", "d"]);
    expect(joinOrders(ids, ["b", "a", "c", "d", "e"], ["a", "b", "c", "e", "d"])).toBeNull();
    expect(joinOrders(ids, ids, ids)).toEqual(ids);
  });
});
