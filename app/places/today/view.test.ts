import { describe, expect, it } from "vitest";
import type { CalendarDate } from "#core/month/dates.ts";
import { decemberDays, fullDay, leavesOn } from "../../../tests/samples.ts";
import { minutesOf, todayDays, waitingBefore, whenSaid } from "./view.ts";

const on = (day: number) => `2026-12-0${day}` as CalendarDate;
const { plan: album, days } = decemberDays({ [on(1)]: fullDay("one"), [on(2)]: fullDay("two") });
const [first] = days;
const whole = { album, days, leaves: leavesOn(first?.id ?? "", {}), prints: [] };

describe("today", () => {
  it("says what is still to do on the day's page: the next step first, what is known to be done left out", () => {
    const [one] = todayDays(whole);
    const words = first?.content.cards.every(({ text }) => text !== "") ? ["letter"] : ["write", "letter"];
    expect(one?.toDo.map(({ step }) => step)).toEqual([
      ...["print", "trim"],
      ...words,
      ...["base", "number", "assemble", "punch", "file"],
    ]);
  });

  it("says how much waits of the days before, and nothing of today or later", () => {
    expect(waitingBefore(whole, on(1))).toEqual({ pages: 0, minutes: 0 });
    const [one] = todayDays(whole);
    expect(waitingBefore(whole, on(2))).toEqual({ pages: 1, minutes: minutesOf(one?.toDo ?? []) });
    expect(waitingBefore(whole, on(3)).pages).toBe(2);
  });

  it("says of another album when it is", () => {
    const other = { id: "o", title: "O", startsOn: on(3), endsOn: on(5) };
    expect([2, 3, 5, 6].map((day) => whenSaid(other, on(day)))).toEqual([
      ...["begins 3 Dec", "under way", "under way", "ended 5 Dec"],
    ]);
  });
});
