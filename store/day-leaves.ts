import { isDeepStrictEqual } from "node:util";
import { type DayEdit, happeningOf } from "../core/album/edit.ts";
import { FACES } from "../core/album/leaf.ts";
import type { Binding, Day, MatterEntry } from "../core/album/model.ts";
import { leavesOfDays } from "../core/album/page-leaves.ts";
import { type PlannedStep, poolContent, stepsFor } from "../core/album/steps.ts";
import { isOfLeaves, tickedBy } from "../core/album/ticks.ts";
import { firstRoom, type Wanting } from "../core/book/rooms.ts";
import type { Slot } from "../core/month/slots.ts";
import type { Author } from "./author.ts";
import { lockBook, type RoomFill, writeBook } from "./book.ts";
import { lockDays } from "./day-lock.ts";
import type { Transaction } from "./db.ts";

/** The entry whose page it is on: the first of the days that share one, or itself. */
const leadOf = (entry: Day | MatterEntry): string => ("matter" in entry ? null : entry.mergedInto) ?? entry.id;

/** The ids of those that share the page of `lead`. */
const groupOf = (slots: readonly Slot[], lead: string): string[] => [
  lead,
  ...slots.filter(({ mergedInto }) => mergedInto === lead).map(({ id }) => id),
];

/**
 * A print or card that is added takes the first room kept for its kind on a side of the day, if one suits it: its size is
 * the room's, and where it lies is told. Anything else is as it was sent.
 */
export async function intoRoom(
  tx: Transaction,
  author: Author,
  entry: Day | MatterEntry,
  edit: DayEdit,
): Promise<{ edit: DayEdit; room?: RoomFill }> {
  if (edit.kind !== "add-photo" && edit.kind !== "add-card") return { edit };
  const wanting: Wanting =
    edit.kind === "add-photo" ? { what: "photo", picture: edit.photo.picture } : { what: "card" };
  const book = await lockBook(tx, author);
  const own = new Set(groupOf(book?.slots ?? [], leadOf(entry)));
  for (const leaf of book?.leaves ?? [])
    for (const face of FACES) {
      const { owner, pieces } = leaf[face];
      const isOwn = owner.kind === "day" && own.has(owner.dayId);
      const mine = (pieces ?? []).filter(({ dayId }) => (dayId === null ? isOwn : own.has(dayId)));
      const room = firstRoom(mine, wanting);
      if (!room) continue;
      const size = { w: room.lies.w, h: room.lies.h };
      const place = { leaf: leaf.id, face, piece: room.id };
      return edit.kind === "add-photo"
        ? {
            edit: { ...edit, photo: { ...edit.photo, print: size } },
            room: { ...place, fill: { kind: "photo", use: edit.photo.id, cut: null } },
          }
        : {
            edit: { ...edit, card: { ...edit.card, size } },
            room: { ...place, fill: { kind: "card", card: edit.card.id } },
          };
    }
  return { edit };
}

/**
 * Ticks, or opens again, what an edit does of the leaves and sides that a day has, as part of the act. Returns "ticked" where nothing of the
 * day itself is left to tick; else the day's steps, undefined where the edit ticks nothing of the kind.
 */
export async function tickOnLeaves(
  tx: Transaction,
  author: Author,
  { day: asked, binding }: { day: Day | MatterEntry; binding: Binding },
  edit: DayEdit,
): Promise<readonly PlannedStep[] | "ticked" | undefined> {
  const isTick = edit.kind === "finish" || (edit.kind === "step" && isOfLeaves(edit.step));
  if (!isTick && !happeningOf(asked.content, edit)) return undefined;
  const book = await lockBook(tx, author);
  if (!book) return undefined;
  const lead = leadOf(asked);
  const ids = groupOf(book.slots, lead);
  const days: readonly (Day | MatterEntry)[] = (ids.length > 1 ? await lockDays(tx, author, ids) : null)?.days ?? [
    asked,
  ];
  const others = days.filter(({ id }) => id !== lead).map(({ content }) => content);
  const first = days.find(({ id }) => id === lead) ?? asked;
  const pooled = poolContent(first.content, others);
  // The front and back matter has no number.
  const content = "matter" in asked ? { ...pooled, numeral: { style: "none" as const, note: "" } } : pooled;
  // What is known by prints ticks no leaf, and what is finished is ticked by hand.
  const planned = stepsFor(content, leavesOfDays(book.leaves, ids), binding);
  const ticked = tickedBy(edit, book.leaves, planned, asked.content);
  if (ticked && !isDeepStrictEqual(ticked.leaves, book.leaves)) await writeBook(tx, author, book.leaves, ticked.leaves);
  return ticked?.isAll ? "ticked" : planned;
}
