import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyLeaves } from "../../tests/samples.ts";
import { daysOfLeaf, type Leaf, leafOfDay, PLAIN_PAPER, sidesOf } from "../album/leaf.ts";
import { applyBookEdit } from "./edit.ts";
import { givingUp } from "./giving-up.ts";

const given = (leaves: readonly Leaf[], leaf: Leaf, own: ReadonlySet<string>): Leaf[] =>
  givingUp(leaf, own).reduce<Leaf[]>(
    (now, edit) => {
      const done = applyBookEdit(now, edit);
      if (!done.ok) throw new Error(done.reason);
      return done.leaves;
    },
    [...leaves],
  );
const alone = leafOfDay("leaf", PLAIN_PAPER, "4");

describe("a day that gives up a leaf", () => {
  it("takes it out of the book where nobody else is on it; a sewn one stays, and is blank", () => {
    expect(givingUp(alone, new Set(["4"]))).toEqual([{ kind: "remove-leaf", leaf: "leaf" }]);
    const [sewn] = given([{ ...alone, sewn: true }], { ...alone, sewn: true }, new Set(["4"]));
    expect(sewn && daysOfLeaf(sewn)).toEqual([]);
    expect(sewn?.sewn).toBe(true);
  });

  it("leaves the side of another where it is, and a side it shared to the one it shared it with", () => {
    const shared: Leaf = { ...alone, front: { ...alone.front, guests: [{ dayId: "5", done: ["number"] }] } };
    const [after] = given([shared], shared, new Set(["4"]));
    expect(after?.front).toMatchObject({ owner: { kind: "day", dayId: "5" }, guests: [], done: ["number"] });
    expect(after?.back.owner).toEqual({ kind: "nobody" });
  });

  it("has nothing on it afterwards, while every other day has all it had", () => {
    fc.assert(
      fc.property(anyLeaves, fc.nat(), (leaves, which) => {
        const days = [...new Set(leaves.flatMap(daysOfLeaf))];
        const own = days[which % Math.max(1, days.length)];
        const leaf = leaves.find((each) => own !== undefined && daysOfLeaf(each).includes(own));
        if (own === undefined || !leaf) return;
        const after = given(leaves, leaf, new Set([own])).find(({ id }) => id === leaf.id);
        const others = daysOfLeaf(leaf).filter((id) => id !== own);
        expect(after ? daysOfLeaf(after) : []).toHaveLength(others.length);
        expect(new Set(after ? daysOfLeaf(after) : [])).toEqual(new Set(others));
        const made = (of: Leaf | undefined, kept: (dayId: string | null) => boolean) =>
          (of ? sidesOf(of) : []).flatMap((side) =>
            (side.pieces ?? []).filter(({ dayId }) => kept(dayId)).map(({ id }) => id),
          );
        const theirs = (dayId: string | null) => dayId !== null && others.includes(dayId);
        // A number of one who comes to own a side is the side's own, and so says no name any more.
        for (const id of made(leaf, theirs)) expect(made(after, () => true)).toContain(id);
      }),
    );
  });
});
