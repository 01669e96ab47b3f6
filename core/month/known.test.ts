import { describe, expect, it } from "vitest";
import type { CalendarDate } from "./dates.ts";
import { datesOf, type Known, type KnownRead, readAgain } from "./known.ts";

const on = (date: string) => date as CalendarDate;
const event = (key: string, more: Partial<KnownRead> = {}): KnownRead => ({
  ...{ key, title: `Event ${key}`, from: on("2026-12-05"), to: on("2026-12-05"), starts: "18:00", ends: "20:00" },
  ...more,
});
const known = (read: KnownRead, source = "family.ics", onPage = false): Known => ({ ...read, source, onPage });

describe("a calendar read again", () => {
  it("doubles nothing and says that nothing changed, whatever its file is called", () => {
    const first = readAgain([], "family.ics", [event("a"), event("b"), event("a")]);
    expect(first.told).toMatchObject({ fresh: [event("a"), event("b")], changed: [], gone: [], same: 0 });
    const again = readAgain(first.all, "family (1).ics", [event("b"), event("a")]);
    expect(again.told).toEqual({ fresh: [], changed: [], gone: [], same: 2 });
    expect(again.all.map(({ key }) => key)).toEqual(["a", "b"]);
  });

  it("tells what came, what moved and what went, and keeps what was chosen", () => {
    const was = [known(event("a"), "family.ics", true), known(event("b")), known(event("c"), "school.ics")];
    const moved = event("a", { from: on("2026-12-06"), to: on("2026-12-06") });
    const { all, told } = readAgain(was, "family.ics", [moved, event("d")]);
    expect(told).toEqual({
      fresh: [event("d")],
      changed: [{ was: known(event("a"), "family.ics", true), now: moved }],
      gone: [known(event("b"))],
      same: 0,
    });
    expect(all.map(({ key, onPage }) => [key, onPage])).toEqual([
      ["c", false],
      ["d", false],
      ["a", true],
    ]);
  });

  it("leaves alone what was said here", () => {
    const own = known(event("own"), "");
    expect(readAgain([own], "", []).all).toEqual([own]);
    expect(readAgain([own], "family.ics", []).told.gone).toEqual([]);
  });
});

describe("something known on a day", () => {
  const visit = known(
    event("visit", { title: "Aunt Perpetua", from: on("2026-11-29"), to: on("2026-12-02"), starts: null }),
  );
  const december = { start: on("2026-12-01"), end: on("2026-12-31") };

  it("falls on those of its dates that the span has", () => {
    expect(datesOf(visit, december)).toEqual(["2026-12-01", "2026-12-02"]);
    expect(datesOf({ from: on("2026-11-01"), to: on("2026-11-30") }, december)).toEqual([]);
  });
});
