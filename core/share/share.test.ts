import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyContent, makeOf } from "../../tests/samples.ts";
import { type Leaf, leafOfDay, type Piece, type PieceWhat, type TryOut } from "../album/leaf.ts";
import { type Day, type DayContent, EMPTY_DAY } from "../album/model.ts";
import type { Print } from "../album/print.ts";
import { inches } from "../measure/length.ts";
import { rect } from "../measure/rect.ts";
import { addDays, type CalendarDate, parseDate } from "../month/dates.ts";
import { countPrivate, FOR_GOOD, isPrivate, type Private, type Shareable, shareable } from "./share.ts";

const TODAY = "2026-12-09" as CalendarDate;
const SIZE = { w: inches(3), h: inches(4) };
const anyPrivacy = fc.constantFrom(null, "2026-12-09" as CalendarDate, "2026-12-10" as CalendarDate, FOR_GOOD);

/** An album in which every word, name and id says whether it is of something private, and the two lists of them. */
function marked(contents: readonly DayContent[]) {
  const said = { private: [] as string[], open: [] as string[] };
  const mark = (isSecret: boolean): string => {
    const word = `${isSecret ? "private" : "open"} ${said.private.length + said.open.length};`;
    said[isSecret ? "private" : "open"].push(word);
    return word;
  };
  const prints: Print[] = [];
  const laid: { id: string; isSecret: boolean; what: PieceWhat }[] = [];
  const closed = (content: Private) => isPrivate(content, TODAY);
  const days = contents.map((content, at): Day => {
    const isDaySecret = closed(content);
    const text = () => mark(isDaySecret);
    const piece = (each: Private, what: (id: string) => PieceWhat) => {
      const isSecret = isDaySecret || closed(each);
      const id = mark(isSecret);
      laid.push({ id: mark(isSecret), isSecret, what: what(id) });
      prints.push({
        ...{ id: mark(isSecret), of: id, place: 0, at: rect(0, 0, SIZE.w, SIZE.h), turned: false, spare: false },
        ...{ madeAs: mark(isSecret), state: "made", tile: null, paper: null, from: { kind: "hand" } },
      });
      return { id, word: () => mark(isSecret) };
    };
    return {
      ...{ id: `day ${at}`, date: addDays(TODAY, at), skipped: false, mergedInto: null, version: 1 },
      content: {
        ...content,
        ...{ title: text(), note: text(), prompt: { text: text(), slip: text() } },
        ...{ technique: { text: text(), slip: null }, numeral: { style: "wood", note: text() } },
        // Of a slip that was left alone nobody knows whose words it is about.
        leftAlone: [mark(true)],
        // What to do otherwise next year is nobody else's.
        nextYear: mark(true),
        photos: content.photos.map((use) => {
          const { id, word } = piece(use, (of) => ({ kind: "photo", use: of, cut: null }));
          return { ...use, id, photoId: word(), alt: word() };
        }),
        cards: content.cards.map((card) => {
          const { id, word } = piece(card, (of) => ({ kind: "card", card: of }));
          return { ...card, id, text: word(), back: word(), hidden: word() };
        }),
        jottings: content.jottings.map((each) => {
          const isSecret = isDaySecret || closed(each);
          return { ...each, id: mark(isSecret), text: mark(isSecret) };
        }),
      },
    };
  });
  const isDayPrivate = (at: number) => days[at] !== undefined && closed(days[at].content);
  const lies = (id: string, what: PieceWhat, dayId: string | null): Piece => ({
    ...{ id, what, at: { x: inches(0), y: inches(0) }, turn: 0, outside: false, dayId },
  });
  const filler = (isSecret: boolean, dayId: string | null) =>
    lies(mark(isSecret), { kind: "filler", size: SIZE, name: mark(isSecret), says: mark(isSecret) }, dayId);
  /** Each day's leaf: its front is the day's, shared by the next one; its back is the next one's. Every third thing lies on it. */
  const tryOuts: TryOut[] = [];
  const leaves = days.map(({ id: dayId }, at): Leaf => {
    const next = (at + 1) % days.length;
    const [own, other] = [isDayPrivate(at), isDayPrivate(next)];
    const things = laid.filter((_each, nth) => nth % days.length === at).map(({ id, what }) => lies(id, what, null));
    const make = { ...makeOf({ kind: "paper" }), basePaper: mark(own && other), note: mark(own && other) };
    const leaf = leafOfDay(`leaf ${at}`, make, dayId);
    // A try-out of a private day's side goes with its name; on another's side only what is a private guest's goes.
    const guests = next === at ? [] : [filler(own || other, `day ${next}`)];
    const tried = { leafId: leaf.id, face: "front" as const, version: 1, pieces: [filler(own, null), ...guests] };
    tryOuts.push({ ...tried, id: mark(own), name: mark(own) });
    return {
      ...leaf,
      front: {
        ...leaf.front,
        // Of its opening, which is this day's and its guest's; the back before it is this day's as well.
        line: mark(own || other),
        done: ["number"],
        guests: next === at ? [] : [{ dayId: `day ${next}`, done: ["assemble"] }],
        pieces: [...things, filler(own, null), ...(next === at ? [] : [filler(other, `day ${next}`)])],
      },
      back: {
        ...leaf.back,
        ...{ owner: { kind: "day", dayId: `day ${next}` }, line: mark(other), pieces: [filler(other, null)] },
      },
    };
  });
  return { album: { days, matters: [], leaves, tryOuts, prints } satisfies Shareable, said };
}

const anyDays = fc.array(
  fc
    .tuple(anyContent, anyPrivacy, fc.array(anyPrivacy, { minLength: 12, maxLength: 12 }))
    .map(([content, privateUntil, others]): DayContent => {
      const next = <T extends Private>(all: readonly T[], from: number) =>
        all.map((each, at) => ({ ...each, privateUntil: others[from + at] ?? null }));
      return {
        ...{ ...content, privateUntil, photos: next(content.photos, 0) },
        ...{ cards: next(content.cards, 4), jottings: next(content.jottings, 8) },
      };
    }),
  { minLength: 1, maxLength: 4 },
);

describe("what may leave the household", () => {
  it("has nothing of what is private, by whichever way it is reached, and everything else", () => {
    fc.assert(
      fc.property(anyDays, (contents) => {
        const { album, said } = marked(contents);
        const out = JSON.stringify(shareable(album, TODAY));
        expect(said.private.filter((word) => out.includes(word))).toEqual([]);
        expect(said.open.filter((word) => !out.includes(word))).toEqual([]);
      }),
      { numRuns: 60, endOnFailure: true },
    );
  });

  it("keeps every date and leaf in its place, says of a private day nothing at all, and is so however often it is asked", () => {
    fc.assert(
      fc.property(anyDays, (contents) => {
        const { album } = marked(contents);
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
    const album = marked([open]).album;
    expect(shareable(album, "2026-12-10" as CalendarDate)).toEqual({
      ...album,
      days: album.days.map((day) => ({ ...day, content: { ...day.content, leftAlone: [], nextYear: "" } })),
    });
  });
});
