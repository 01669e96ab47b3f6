import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anySecretDays, markedAlbum, TODAY } from "../../tests/marked-album.ts";
import { makeOf } from "../../tests/samples.ts";
import { leafOfDay } from "../album/leaf.ts";
import { type Day, EMPTY_DAY } from "../album/model.ts";
import { addDays, type CalendarDate, parseDate } from "../month/dates.ts";
import { countPrivate, FOR_GOOD, isPrivate, shareable } from "./share.ts";

describe("what may leave the household", () => {
  it("has nothing of what is private, by whichever way it is reached, and everything else", () => {
    fc.assert(
      fc.property(anySecretDays, (contents) => {
        const { album, said } = markedAlbum(contents);
        const out = JSON.stringify(shareable(album, TODAY));
        expect(said.private.filter((word) => out.includes(word))).toEqual([]);
        expect(said.open.filter((word) => !out.includes(word))).toEqual([]);
      }),
      { numRuns: 60, endOnFailure: true },
    );
  });

  it("keeps every date and leaf in its place, says of a private day nothing at all, and is so however often it is asked", () => {
    fc.assert(
      fc.property(anySecretDays, (contents) => {
        const { album } = markedAlbum(contents);
        const out = shareable(album, TODAY);
        expect(out.days.map(({ id, date }) => [id, date])).toEqual(album.days.map(({ id, date }) => [id, date]));
        expect(out.leaves.map(({ id }) => id)).toEqual(album.leaves.map(({ id }) => id));
        for (const [at, { content }] of out.days.entries()) {
          const was = album.days[at]?.content;
          if (was && isPrivate(was, TODAY)) expect(content).toEqual(EMPTY_DAY);
          expect(countPrivate(content, TODAY)).toBe(0);
        }
        const wasClosed = (dayId: string) =>
          album.days.some(({ id, content }) => id === dayId && isPrivate(content, TODAY));
        for (const [at, { front }] of out.leaves.entries()) {
          expect(front.done).toEqual(wasClosed(`day ${at}`) ? [] : ["number"]);
          for (const { dayId, done } of front.guests) expect(done).toEqual(wasClosed(dayId) ? [] : ["assemble"]);
        }
        expect(shareable(out, TODAY)).toEqual(out);
      }),
      { numRuns: 30, endOnFailure: true },
    );
  });

  it("says no line under an opening whose other page is private, whatever leaves are set aside between them", () => {
    const until = "2026-12-10" as CalendarDate;
    const day = (nth: number, privateUntil: CalendarDate | null): Day => ({
      ...{ id: `${nth}`, date: addDays(TODAY, nth), skipped: false, mergedInto: null, version: 1 },
      content: { ...EMPTY_DAY, privateUntil },
    });
    const leaf = (id: string) => {
      const own = leafOfDay(id, makeOf({ kind: "paper" }), id);
      return { ...own, front: { ...own.front, line: `line ${id}` } };
    };
    const lines = (secret: number, span: { start: number; end: number }) => {
      const days = [0, 1, 2].map((nth) => day(nth, nth === secret ? until : null));
      const at = { start: addDays(TODAY, span.start), end: addDays(TODAY, span.end) };
      const whole = {
        album: { span: at },
        days,
        matters: [],
        leaves: ["0", "1", "2"].map(leaf),
        tryOuts: [],
        prints: [],
      };
      return shareable(whole, TODAY).leaves.map(({ front }) => front.line);
    };
    expect(lines(0, { start: 0, end: 2 })).toEqual([undefined, undefined, "line 2"]);
    expect(lines(2, { start: 0, end: 2 })).toEqual(["line 0", "line 1", undefined]);
    // The second is put in no book: the third lies beside what is before it.
    const aside = { ...leaf("9"), front: { ...leaf("9").front } };
    const days = [day(0, until), day(9, null), day(1, null)];
    const span = { start: TODAY, end: addDays(TODAY, 1) };
    const out = shareable(
      { album: { span }, days, matters: [], leaves: [leaf("0"), aside, leaf("1")], tryOuts: [], prints: [] },
      TODAY,
    );
    expect(out.leaves.map(({ front }) => front.line)).toEqual([undefined, "line 9", undefined]);
  });

  it("is all of it once its day has come; what is private for good never is", () => {
    const until = { privateUntil: "2026-12-10" as CalendarDate };
    expect([TODAY, "2026-12-10", "2027-01-01"].map((day) => isPrivate(until, day as CalendarDate))).toEqual([
      true,
      false,
      false,
    ]);
    expect(isPrivate({ privateUntil: FOR_GOOD }, FOR_GOOD)).toBe(true);
    // It is a day that every form, file and table takes.
    expect(parseDate(FOR_GOOD)).toBe(FOR_GOOD);
    const open = { ...EMPTY_DAY, title: "Said", ...until };
    const album = markedAlbum([open]).album;
    expect(shareable(album, "2026-12-10" as CalendarDate)).toEqual({
      ...album,
      days: album.days.map((day) => ({ ...day, content: { ...day.content, leftAlone: [], nextYear: "" } })),
    });
  });
});
