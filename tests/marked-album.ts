import fc from "fast-check";
import { type Leaf, leafOfDay, type Piece, type PieceWhat, type TryOut } from "../core/album/leaf.ts";
import type { Day, DayContent } from "../core/album/model.ts";
import type { Print } from "../core/album/print.ts";
import { inches } from "../core/measure/length.ts";
import { rect } from "../core/measure/rect.ts";
import { addDays, type CalendarDate } from "../core/month/dates.ts";
import { FOR_GOOD, isPrivate, type Private, type Shareable } from "../core/share/share.ts";
import { anyContent, makeOf } from "./samples.ts";

/** The day on which such an album is asked what may leave it. */
export const TODAY = "2026-12-09" as CalendarDate;
const SIZE = { w: inches(3), h: inches(4) };
const anyPrivacy = fc.constantFrom(null, "2026-12-09" as CalendarDate, "2026-12-10" as CalendarDate, FOR_GOOD);

/** An album in which every word, name and id says whether it is of something private, and the two lists of them. */
export function markedAlbum(contents: readonly DayContent[]) {
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

/** Days some of which, and some things of which, are private. */
export const anySecretDays = fc.array(
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
