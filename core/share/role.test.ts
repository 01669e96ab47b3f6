import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { isAtLeast, locksOut, ROLES, type Role } from "./role.ts";

const aRole = fc.constantFrom(...ROLES);

describe("roles", () => {
  it("may each do what those before may", () => {
    expect(ROLES.map((role) => ROLES.filter((least) => isAtLeast(role, least)).length)).toEqual([1, 2, 3]);
    fc.assert(
      fc.property(aRole, aRole, (one, other) => {
        expect(isAtLeast(one, other) || isAtLeast(other, one)).toBe(true);
      }),
    );
  });

  it("leave a household with a keeper, whoever goes and whatever is said of whom, one after the other", () => {
    const steps = fc.array(fc.record({ who: fc.nat(5), to: fc.option(aRole, { nil: null }) }), { maxLength: 30 });
    fc.assert(
      fc.property(fc.array(aRole, { maxLength: 5 }), steps, (others, all) => {
        let hands: { id: string; role: Role }[] = [{ id: "0", role: "keeper" as const }].concat(
          others.map((role, at) => ({ id: String(at + 1), role: role as "keeper" })),
        );
        for (const { who, to } of all) {
          const id = String(who);
          if (!hands.some((each) => each.id === id) || locksOut(hands, id, to)) continue;
          hands = hands.flatMap((each) => (each.id !== id ? [each] : to ? [{ ...each, role: to }] : []));
          expect(hands.some(({ role }) => role === "keeper")).toBe(true);
        }
      }),
    );
  });

  it("let go of anybody where another keeper stays", () => {
    const two = [
      { id: "a", role: "keeper" },
      { id: "b", role: "keeper" },
      { id: "c", role: "looker" },
    ] as const;
    expect(locksOut(two, "a", null)).toBe(false);
    expect(locksOut(two, "c", "helper")).toBe(false);
    expect(locksOut(two.slice(1), "b", "helper")).toBe(true);
    expect(locksOut(two.slice(1), "b", "keeper")).toBe(false);
  });
});
