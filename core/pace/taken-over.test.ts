import { describe, expect, it } from "vitest";
import { EMPTY_DAY } from "../album/model.ts";
import type { CalendarDate } from "../month/dates.ts";
import type { Known } from "../month/known.ts";
import { minutesOn, USUAL_HOURS } from "./capacity.ts";
import { noteWith, takenAs, withFull, withoutFull } from "./taken-over.ts";

const on = (date: string) => date as CalendarDate;
const event = (title: string, more: Partial<Known> = {}): Known => ({
  ...{ key: title, source: "Family", title, from: on("2026-12-05"), to: on("2026-12-05"), starts: "18:00", ends: null },
  ...{ onPage: false, ...more },
});
const visit = event("Aunt Perpetua", { from: on("2026-11-29"), to: on("2026-12-02"), starts: null });

describe("something known on a day", () => {
  it("goes into the note once, after what is there", () => {
    const note = noteWith("Bring the lamp", event("Choir concert"));
    expect(note).toBe("Bring the lamp\nChoir concert, 18:00");
    expect(noteWith(note, event("Choir concert"))).toBe(note);
    expect(noteWith("", visit)).toBe("Aunt Perpetua");
  });

  it("makes an evening full, once, and free again without the other dates of a journey", () => {
    const full = withFull(USUAL_HOURS, visit, on("2026-12-02"));
    expect(full && minutesOn(full, on("2026-12-02"))).toBe(0);
    expect(full && withFull(full, visit, on("2026-12-02"))).toBe(full);
    const journey = { from: on("2026-12-01"), to: on("2026-12-03"), minutes: 0, why: visit.title };
    const freed = withoutFull({ ...USUAL_HOURS, exceptions: [journey] }, visit, on("2026-12-02"));
    expect(["2026-12-01", "2026-12-02", "2026-12-03"].map((date) => minutesOn(freed, on(date)))).toEqual([0, 30, 0]);
    const many = Array.from({ length: 100 }, () => journey);
    expect(withFull({ ...USUAL_HOURS, exceptions: many }, visit, on("2026-12-20"))).toBeNull();
  });

  it("is known to have been taken by its name", () => {
    const full = {
      ...USUAL_HOURS,
      exceptions: [{ ...{ from: on("2026-12-01"), to: on("2026-12-01") }, minutes: 0, why: visit.title }],
    };
    const content = { ...EMPTY_DAY, note: "Aunt Perpetua and the boat", prompt: { text: "A visit", slip: null } };
    expect(takenAs(visit, on("2026-12-01"), content, full)).toEqual({ note: true, prompt: false, evening: true });
    expect(takenAs(visit, on("2026-12-02"), EMPTY_DAY, full)).toEqual({ note: false, prompt: false, evening: false });
  });
});
