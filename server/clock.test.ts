import { describe, expect, it } from "vitest";
import type { Household } from "../store/household.ts";
import { wallOf } from "./clock.ts";
import { describeError } from "./log.ts";

const household = (change: Partial<Household>) => ({ timeZone: "UTC", fixedNow: null, ...change }) as Household;

describe("a household's wall clock", () => {
  it("is that of its own time zone: one instant is two dates on two sides of the world", () => {
    const now = new Date("2026-12-09T23:30:00Z");
    expect(wallOf(household({}), now)).toEqual({ date: "2026-12-09", time: "23:30" });
    expect(wallOf(household({ timeZone: "Pacific/Auckland" }), now)).toEqual({ date: "2026-12-10", time: "12:30" });
    expect(wallOf(household({ timeZone: "America/Los_Angeles" }), now)).toEqual({ date: "2026-12-09", time: "15:30" });
  });

  it("stands still in the demo, and goes on where its time cannot be read", () => {
    const now = new Date("2026-11-26T10:00:00Z");
    expect(wallOf(household({ fixedNow: "2026-12-09T18:40" }), now)).toEqual({ date: "2026-12-09", time: "18:40" });
    expect(wallOf(household({ fixedNow: "2026-99-99T18:40" }), now).date).toBe("2026-11-26");
  });
});

describe("an error in the log", () => {
  it("has its name, its code and the places in our code, and none of its words, which may be a keeper's", () => {
    const cause = Object.assign(new Error("insert into card values ('Dear Gran')"), { code: "23505", table: "card" });
    const said = JSON.stringify(describeError(new Error("Dear Gran, the sledge", { cause })));
    expect(said).not.toMatch(/Gran|sledge|insert/);
    expect(said).toContain("23505");
    expect(said).toContain("clock.test.ts");
    expect(describeError("Dear Gran")).toEqual({ error: "string" });
  });
});
