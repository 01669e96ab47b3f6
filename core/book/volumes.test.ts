import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { makeOf } from "../../tests/samples.ts";
import { presetById } from "../album/formats.ts";
import { type Leaf, NOBODY, newLeaf } from "../album/leaf.ts";
import { applyBookEdit, type BookEdit } from "./edit.ts";
import { readBook } from "./read.ts";
import { spreadAt } from "./spread.ts";
import { volumeStarts, volumesOf } from "./volumes.ts";

const preset = presetById("ring-6x8");
if (!preset) throw new Error("shipped");
const leaf = (id: string, change: Partial<Leaf> = {}): Leaf => ({
  ...newLeaf(id, makeOf({ kind: "clear" }), NOBODY, NOBODY),
  ...change,
});
const six = ["a", "b", "c", "d", "e", "f"].map((id) => leaf(id));
const edited = (leaves: readonly Leaf[], ...edits: BookEdit[]) =>
  edits.reduce<readonly Leaf[]>((now, edit) => {
    const done = applyBookEdit(now, edit);
    if (!done.ok) throw new Error(done.reason);
    return done.leaves;
  }, leaves);
const inVolumes = (leaves: readonly Leaf[]) =>
  volumesOf(leaves, (each) => each).map((all) => all.map(({ id }) => id).join(""));
const part = (id: string, opens = true): BookEdit => ({ kind: "part", leaf: id, opens });

describe("a book in volumes", () => {
  it("is parted before a leaf and joined there again, every leaf in one volume and in its order", () => {
    expect(inVolumes(six)).toEqual(["abcdef"]);
    expect(inVolumes(edited(six, part("d")))).toEqual(["abc", "def"]);
    expect(inVolumes(edited(six, part("d"), part("b")))).toEqual(["a", "bc", "def"]);
    expect(edited(six, part("d"), part("d", false))).toEqual(six);
    expect(inVolumes([])).toEqual([]);
    fc.assert(
      fc.property(fc.array(fc.boolean(), { maxLength: 12 }), (opens) => {
        const leaves = opens.map((opensVolume, at) => leaf(`${at}`, { opensVolume }));
        expect(volumesOf(leaves, (each) => each).flat()).toEqual(leaves);
        expect(volumeStarts(leaves)).toHaveLength(leaves.length);
      }),
    );
  });

  it("is not parted before its first leaf, through what is glued together, nor where it is sewn", () => {
    expect(edited(six, part("a"))).toEqual(six);
    const glued = six.map((each) => (each.id === "b" ? { ...each, glued: true } : each));
    expect(applyBookEdit(glued, part("c"))).toEqual({ ok: false, reason: "glued-over" });
    const sewn = six.map((each) => ({ ...each, sewn: true }));
    expect(applyBookEdit(sewn, part("c"))).toEqual({ ok: false, reason: "sewn-in" });
    expect(applyBookEdit(six, part("gone"))).toEqual({ ok: false, reason: "leaf-gone" });
  });

  it("stays parted where it was when the first leaf of a volume goes, moves or is copied", () => {
    const two = edited(six, part("d"));
    expect(inVolumes(edited(two, { kind: "remove-leaf", leaf: "d" }))).toEqual(["abc", "ef"]);
    expect(inVolumes(edited(two, { kind: "move-leaf", leaf: "d", after: "a" }))).toEqual(["adbc", "ef"]);
    expect(inVolumes(edited(two, { kind: "move-leaf", leaf: "a", after: "d" }))).toEqual(["bc", "daef"]);
    expect(inVolumes(edited(two, { kind: "copy-leaf", leaf: "d", id: "n", front: [], back: [] }))).toEqual([
      "abc",
      "dnef",
    ]);
  });

  it("lets nothing of one volume be seen through the leaves of another", () => {
    const seen = (leaves: readonly Leaf[], at: number) => {
      const { left, right } = spreadAt(readBook({ format: preset, unit: "inch" }, [], leaves).leaves, at, preset);
      return [left, right].map((stack) => stack.map(({ read }) => read.leaf.id).join(""));
    };
    const two = edited(six, part("d"));
    expect(seen(six, 2)).toEqual(["ba", "cdef"]);
    expect(seen(two, 2)).toEqual(["ba", "c"]);
    expect(seen(two, 3)).toEqual(["cba", "def"]);
    expect(seen(two, 4)).toEqual(["d", "ef"]);
  });
});
