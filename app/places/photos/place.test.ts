import { describe, expect, it } from "vitest";
import { withBrought } from "./marks.ts";
import { ownDayOf } from "./place-on.tsx";
import { pressed } from "./use-chosen.ts";
import type { RollPicture, RollTarget } from "./view.ts";

const SHOWN = ["a", "b", "c", "d", "e"];
const target = (label: string, skipped = false): RollTarget => ({
  ...{ dayId: `day ${label}`, label, title: "", name: label, skipped },
});
const DAYS = { "2026-12-09": target("9"), "2026-12-10": target("10"), "2026-12-11": target("11", true) };
const picture = (date: string | null, on: RollPicture["on"] = []) => ({ id: "p", date, on }) as RollPicture;

describe("pictures that are chosen", () => {
  it("are one, unless a press says also, or up to here", () => {
    expect(pressed(["a", "b"], "c", "alone", SHOWN)).toEqual(["c"]);
    expect(pressed(["a"], "a", "alone", SHOWN)).toEqual([]);
    expect(pressed(["a", "b"], "a", "alone", SHOWN)).toEqual(["a"]);
    expect(pressed(["a"], "c", "also", SHOWN)).toEqual(["a", "c"]);
    expect(pressed(["a", "c"], "a", "also", SHOWN)).toEqual(["c"]);
    expect(pressed(["b"], "d", "up-to", SHOWN)).toEqual(["b", "c", "d"]);
    // Backwards too, and the one that was pressed is the last.
    expect(pressed(["d"], "b", "up-to", SHOWN)).toEqual(["c", "d", "b"]);
    expect(pressed([], "b", "up-to", SHOWN)).toEqual(["b"]);
    expect(pressed(["gone"], "b", "up-to", SHOWN)).toEqual(["b"]);
  });
});

describe("a picture of the roll", () => {
  it("has a day of its own where the album tells the day it was taken, and it is not there yet", () => {
    expect(ownDayOf(picture("2026-12-09"), DAYS)).toBe("2026-12-09");
    expect(ownDayOf(picture("2026-12-11"), DAYS)).toBeNull();
    expect(ownDayOf(picture("2026-11-30"), DAYS)).toBeNull();
    expect(ownDayOf(picture(null), DAYS)).toBeNull();
    const there = [{ at: { date: "2026-12-09" as never }, name: "9" }];
    expect(ownDayOf(picture("2026-12-09", there), DAYS)).toBeNull();
    expect(ownDayOf(picture("2026-12-09", [{ at: { date: "2026-12-10" as never }, name: "10" }]), DAYS)).toBe(
      "2026-12-09",
    );
  });

  it("is on a day as soon as it is on its way there, and on one day once", () => {
    const brought = { dayId: "day 10", pictures: [{ useId: "u", photoId: "p" }] };
    const on = withBrought(picture("2026-12-09"), brought, DAYS);
    expect(on.on).toEqual([{ at: { date: "2026-12-10" }, name: "10" }]);
    expect(withBrought(on, brought, DAYS)).toBe(on);
    const others = { ...brought, pictures: [{ useId: "u", photoId: "q" }] };
    expect(withBrought(picture(null), others, DAYS).on).toEqual([]);
    expect(withBrought(picture(null), { ...brought, dayId: "elsewhere" }, DAYS).on).toEqual([]);
  });
});
