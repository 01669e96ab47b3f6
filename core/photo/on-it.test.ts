import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type OnIt, type OnItMark, takenOn, withOnIt } from "./on-it.ts";

const NAMES = ["Ada", "Ilo", "Mara"];
const anyOnIt: fc.Arbitrary<OnIt> = fc.option(fc.uniqueArray(fc.constantFrom(...NAMES)));
const anyMark: fc.Arbitrary<OnItMark> = fc.oneof(
  fc.record({ kind: fc.constant("person" as const), name: fc.constantFrom(...NAMES), on: fc.boolean() }),
  fc.record({ kind: fc.constant("nobody" as const), on: fc.boolean() }),
);

describe("who is on a picture", () => {
  it("is said name by name, each once, and said twice it is said once", () => {
    fc.assert(
      fc.property(anyOnIt, anyMark, (now, mark) => {
        const then = withOnIt(now, mark);
        expect(new Set(then ?? []).size).toBe(then?.length ?? 0);
        expect(withOnIt(then, mark)).toEqual(then);
        if (mark.kind === "nobody") expect(then).toEqual(mark.on ? [] : null);
        else {
          expect(then?.includes(mark.name) ?? false).toBe(mark.on);
          // The others stay as they were.
          const others = (of: OnIt) => (of ?? []).filter((name) => name !== mark.name);
          expect(others(then)).toEqual(others(now));
        }
      }),
    );
  });

  it("is not said any more once the last name is taken off, which is not the same as nobody", () => {
    expect(withOnIt(["Ada"], { kind: "person", name: "Ada", on: false })).toBeNull();
    expect(withOnIt([], { kind: "person", name: "Ada", on: false })).toEqual([]);
    expect(withOnIt([], { kind: "person", name: "Ada", on: true })).toEqual(["Ada"]);
  });

  it("stands beside the day it is of: as a keeper says, else as the camera does", () => {
    const at = (givenDate: string | null, capturedAt: string | null) =>
      takenOn({ givenDate: givenDate as never, capturedAt });
    expect([at(null, "2026-12-05T08:41:00"), at("2026-12-04", "2026-12-05T08:41:00"), at(null, null)]).toEqual([
      "2026-12-05",
      "2026-12-04",
      null,
    ]);
  });
});
