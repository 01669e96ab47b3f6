import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { END_AS, END_GROUPS, END_KINDS, type EndMark, isForTonight, notLeft, withEndMark } from "./end-mark.ts";

const anyEnd = fc.record({
  kind: fc.constantFrom(...END_KINDS.slice(0, 3)),
  entry: fc.constantFrom(null, "one"),
  of: fc.uniqueArray(fc.constantFrom("a", "b", "c"), { maxLength: 3 }),
});
const anyMarks = fc
  .array(fc.tuple(anyEnd, fc.constantFrom(...END_AS, null)), { maxLength: 8 })
  .map((all) => all.reduce<EndMark[]>((now, [end, as]) => withEndMark(now, { ...end, as }), []));

describe("what is said of loose ends", () => {
  it("has every kind in one group", () => {
    expect(new Set(END_KINDS).size).toBe(Object.values(END_GROUPS).flat().length);
  });

  it("left, an end is not told again, and what is new of it is told alone", () => {
    fc.assert(
      fc.property(anyMarks, anyEnd, (marks, end) => {
        const left = withEndMark(marks, { ...end, as: "left" });
        expect(notLeft(end, left)).toBeNull();
        const more = notLeft({ ...end, of: [...end.of, "new"] }, left);
        expect(more?.of).toEqual(["new"]);
        // What was left before stays left when more of it is.
        expect(notLeft(end, withEndMark(left, { ...end, of: ["new"], as: "left" }))).toBeNull();
        // Of another page or kind nothing is said by it.
        const other = { ...end, entry: end.entry === null ? "one" : null };
        expect(notLeft(other, left)).toEqual(notLeft(other, marks));
      }),
    );
  });

  it("is kept for tonight until it is said not to be, or is left; and what was left stays left", () => {
    fc.assert(
      fc.property(anyMarks, anyEnd, (marks, end) => {
        const tonight = withEndMark(marks, { ...end, as: "tonight" });
        expect(isForTonight(end, tonight)).toBe(true);
        expect(notLeft(end, tonight)).toEqual(notLeft(end, marks));
        const back = withEndMark(tonight, { ...end, as: null });
        expect(isForTonight(end, back)).toBe(false);
        expect(notLeft(end, back)).toEqual(notLeft(end, marks));
        expect(isForTonight(end, withEndMark(tonight, { ...end, as: "left" }))).toBe(false);
      }),
    );
  });
});
