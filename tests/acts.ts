import { randomUUID } from "node:crypto";
import fc from "fast-check";
import { FACES } from "../core/album/leaf.ts";
import { newCard } from "../core/album/model.ts";
import { type BookEdit, leavesTouched } from "../core/book/edit.ts";
import { inches } from "../core/measure/length.ts";
import { size } from "../core/measure/size.ts";
import { mergeWithNeighbour, moveStory, type SlotChange, setSkipped, split } from "../core/month/slots.ts";
import { datesOf } from "../core/month/span.ts";
import { type AlbumAggregate, updateAlbum } from "../store/album.ts";
import type { Author } from "../store/author.ts";
import { saveBookEdit } from "../store/book.ts";
import { changeMonth, saveDayEdit } from "../store/day.ts";
import type { Db } from "../store/db.ts";
import { journaled } from "../store/journal/line.ts";
import { noteForNext } from "../store/next-year.ts";
import { setPhotoRule } from "../store/place-photos.ts";
import { markByHand } from "../store/printing.ts";
import { markInAlbum } from "../store/roll.ts";
import { changeTally } from "../store/tally.ts";
import { addTryOut, dropTryOut, keepTryOut } from "../store/try-out.ts";
import { FULL, piece, TAG } from "./book.ts";

const OF_BOOK = [
  ...(["give", "insert", "arrange", "own", "share", "unshare", "order"] as const),
  ...(["turn", "remove", "tick", "guest-tick"] as const),
] as const;
const OF_MONTH = ["skip", "merge", "split", "move"] as const;
const OF_DAY = ["card", "finish"] as const;
const OF_WORDS = ["title", "note", "words", "card-off", "step", "waive", "every-year"] as const;
const COUNTED = ["tally", "count", "counted", "uncount", "tally-off", "next-album"] as const;
const BESIDE = ["star", "banked", "rule", "settings", "elsewhere", "try-out", "try-out-off", "try-out-kept"] as const;

/** One thing a keeper may do, with numbers that choose of what there is then. */
const anyOf = <K extends string>(kinds: readonly K[]) =>
  fc.record({ kind: fc.constantFrom(...kinds), a: fc.nat(30), b: fc.nat(30), face: fc.constantFrom(...FACES) });
/** Acts on the book, the month and the cards. */
export const anyActOfBook = anyOf([...OF_BOOK, ...OF_MONTH, ...OF_DAY]);
/** Acts of every kind that there is. */
export const anyAct = anyOf([...OF_BOOK, ...OF_MONTH, ...OF_DAY, ...OF_WORDS, ...COUNTED, ...BESIDE]);
export type Act = typeof anyAct extends fc.Arbitrary<infer T> ? T : never;

const of = <T>(all: readonly T[], nth: number): T | undefined => all[nth % Math.max(1, all.length)];

function bookEdit({ kind, a, b, face }: Act, { leaves, days }: AlbumAggregate): BookEdit | null {
  const leaf = of(leaves, a)?.id;
  const dayId = of(days.slice(0, 6), b)?.id ?? "";
  if (kind === "give" || kind === "insert")
    return { kind: "give-leaf", id: randomUUID(), make: kind === "give" ? FULL : TAG, dayId };
  if (!leaf) return null;
  const on = { leaf, face };
  switch (kind) {
    case "arrange":
      return { kind: "arrange", ...on, pieces: [piece(`p${a}`, b), { ...piece(`q${b}`), dayId }] };
    case "own":
      return { kind: "own-side", ...on, owner: b % 4 === 0 ? { kind: "nobody" } : { kind: "day", dayId } };
    case "share":
    case "unshare":
      return { kind: "share-side", ...on, dayId, shares: kind === "share" };
    case "order":
      return { kind: "move-leaf", leaf, after: b % 3 === 0 ? null : (of(leaves, b)?.id ?? null) };
    case "turn":
      return { kind: "turn-leaf", leaf };
    case "remove":
      return { kind: "remove-leaf", leaf };
    case "tick":
      return { kind: "tick", leaf, face: null, guest: null, step: "file", done: b % 2 === 0 };
    case "guest-tick":
      return { kind: "tick", ...on, guest: dayId, step: "assemble", done: b % 3 > 0 };
    default:
      return null;
  }
}

/**
 * Does one thing in an album as it is now; `roll` are pictures of its household. Returns the leaves that it may have
 * written, or null where there was nothing to do it to.
 */
export async function perform(
  db: Db,
  who: Author,
  act: Act,
  now: AlbumAggregate,
  roll: readonly string[] = [],
): Promise<readonly string[] | null> {
  const { a, b, face } = act;
  const { id: _, archiveId: __, photoRule: ___, pattern: ____, version, ...plan } = now.album;
  const days = now.days.slice(0, 6);
  const day = of(days, a);
  const dayId = day?.id ?? "";
  const to = of(datesOf(plan.span).slice(0, 8), b);
  const leaf = of(now.leaves, a);
  const cards = now.days.flatMap(({ id, content }) => content.cards.map((card) => ({ day: id, card: card.id })));
  const card = of(cards, a);
  const tryOut = of(now.tryOuts, b);
  const edit = bookEdit(act, now);
  if (edit) {
    await saveBookEdit(db, who, null, edit);
    return leavesTouched(edit);
  }
  const month = (change: (...given: Parameters<Parameters<typeof changeMonth>[3]>) => SlotChange) =>
    changeMonth(db, who, { what: "told" }, change);
  const onDay = (given: Parameters<typeof saveDayEdit>[4], id = dayId) => saveDayEdit(db, who, id, null, given);
  const tally = of(now.tallies, a);
  const mark = of(tally?.marks ?? [], b);
  switch (act.kind) {
    case "tally":
      await changeTally(
        db,
        who,
        tally && b % 2
          ? { how: "name", id: tally.id, name: `Named ${b}` }
          : { how: "add", id: randomUUID(), name: `Tally ${b}` },
      );
      return [];
    case "count":
      if (!tally || !to) return null;
      await changeTally(db, who, {
        how: "mark",
        id: tally.id,
        mark: { id: randomUUID(), date: to, text: `mark ${b}` },
      });
      return [];
    case "counted":
      if (!mark) return null;
      await changeTally(db, who, { how: "mark-text", id: mark.id, text: `said ${b}` });
      return [];
    case "uncount":
      if (!mark) return null;
      await changeTally(db, who, { how: "unmark", id: mark.id });
      return [];
    case "tally-off":
      if (!tally) return null;
      await changeTally(db, who, { how: "remove", id: tally.id });
      return [];
    case "next-album":
      await noteForNext(db, who, now.album.nextYear, `Of the next ${b}`);
      return [];
    case "skip":
      await month((slots, span) => setSkipped(slots, span, dayId, b % 2 === 0));
      return [];
    case "merge":
      await month((slots, span) => mergeWithNeighbour(slots, span, dayId, b % 2 ? "after" : "before"));
      return [];
    case "split":
      await month((slots, span) => split(slots, span, dayId));
      return [];
    case "move":
      if (to) await month((slots, span) => moveStory(slots, span, dayId, to));
      return [];
    case "card":
      await onDay({ kind: "add-card", card: newCard(randomUUID(), size(inches(3), inches(4)), `card ${a}`) });
      return [];
    case "finish":
      await onDay({ kind: "finish" });
      return now.leaves.map(({ id }) => id);
    case "title":
      await onDay({ kind: "title", text: `Title ${b}` });
      return [];
    case "note":
      await onDay({ kind: "note", text: `Note ${b}` });
      return [];
    case "every-year":
      await onDay(b % 2 ? { kind: "every-year", on: b % 3 > 0 } : { kind: "next-year", text: `Next ${b}` });
      return [];
    case "step":
      await onDay({ kind: "step", step: b % 2 ? "write" : "choose", done: b % 3 > 0 });
      return [];
    case "waive":
      await onDay({ kind: "waive", part: b % 2 ? "photos" : "words", on: b % 3 > 0 });
      return [];
    case "words":
      if (!card) return null;
      await onDay({ kind: b % 2 ? "card-text" : "card-back", id: card.card, text: `words ${b}` }, card.day);
      return [];
    case "card-off":
      if (!card) return null;
      await onDay({ kind: "remove-card", id: card.card }, card.day);
      return [];
    case "star":
    case "banked":
      await markInAlbum(db, who, [of(roll, a) ?? ""].filter(Boolean), { kind: act.kind, on: b % 2 === 0 });
      return [];
    case "rule":
      await setPhotoRule(db, who, b % 2 ? "any" : "that-day");
      return [];
    case "settings":
      await journaled(db, who, { what: "settings" }, (tx) =>
        updateAlbum(tx, who.householdId, who.albumId, version, { ...plan, title: `Album ${b}` }),
      );
      return [];
    case "elsewhere":
      if (!card) return null;
      await markByHand(db, who, "cards", [card.card], b % 2 === 0);
      return [];
    case "try-out":
      if (!leaf) return null;
      await addTryOut(db, who, { id: randomUUID(), leafId: leaf.id, face, pieces: [piece(`t${b}`, b)] });
      return [];
    case "try-out-off":
      if (!tryOut) return null;
      await dropTryOut(db, who, tryOut.id);
      return [];
    case "try-out-kept":
      if (!tryOut) return null;
      await keepTryOut(db, who, tryOut.leafId, tryOut.face, tryOut.id);
      return [tryOut.leafId];
    default:
      return null;
  }
}
