import type { DayEdit } from "../album/edit.ts";
import type { BookEdit } from "../book/edit.ts";
import { isAtLeast, type Role } from "../share/role.ts";
import type { Sent } from "./sent.ts";

/**
 * Of each change to a day, whether it is words, a picture or a tick, which a helper makes too. What is planned (prompt,
 * technique, numeral, what the day does without, what stands every year) and what is kept from others' eyes is a keeper's.
 */
const OF_DAY: Readonly<Record<DayEdit["kind"], boolean>> = {
  title: true,
  note: true,
  prompt: false,
  technique: false,
  "let-go": false,
  waive: false,
  numeral: false,
  "add-card": true,
  "card-text": true,
  "card-back": true,
  "card-size": true,
  "card-setting": true,
  "card-preprint": true,
  "card-secrecy": false,
  "carry-over": true,
  "remove-card": true,
  "add-jotting": true,
  "jotting-text": true,
  "jotting-private": false,
  "remove-jotting": true,
  "add-photo": true,
  "photo-picture": true,
  "photo-alt": true,
  "photo-print": true,
  "photo-crop": true,
  "photo-repeat": true,
  "photo-together": true,
  "photo-together-crop": true,
  "photo-on-it": true,
  "photo-private": false,
  "remove-photo": true,
  "leave-alone": true,
  "day-private": false,
  step: true,
  dries: true,
  "every-year": false,
  "next-year": true,
  finish: true,
};

/** Of the changes to the book, those that are ticks or words. */
const OF_BOOK: readonly BookEdit["kind"][] = ["tick", "tick-making", "say-line"];

/** Of the rest of what is sent to an album, what a helper may send. */
const OF_REST: readonly Sent["what"][] = ["bring", "another-picture", "move-photo", "move-jotting", "print"];

const OF_TALLY: readonly Extract<Sent, { what: "tally" }>["how"][] = ["mark", "mark-text", "unmark"];

/** Whether somebody of this role may send an album this. */
export function maySend(role: Role, sent: Sent): boolean {
  if (role === "keeper") return true;
  if (!isAtLeast(role, "helper")) return false;
  switch (sent.what) {
    case "edit":
      return OF_DAY[sent.edit.kind];
    case "book":
      return OF_BOOK.includes(sent.edit.kind);
    case "mark":
      // Of the roll nothing is thrown away but by a keeper.
      return sent.mark.kind !== "away";
    case "tally":
      return OF_TALLY.includes(sent.how);
    default:
      return OF_REST.includes(sent.what);
  }
}
