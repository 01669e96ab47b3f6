import type { DayEdit } from "../core/album/edit.ts";
import type { SentAnother, SentBring } from "../core/album/edit-schema.ts";
import { onceOnly } from "./act.ts";
import type { Author } from "./author.ts";
import { PieceElsewhere, type SaveResult, saveDayEdit, saveInLine } from "./day.ts";
import type { Db } from "./db.ts";
import { journaled } from "./journal/line.ts";
import { newUse, photoById } from "./photo.ts";

type Refusal = Extract<SaveResult, { ok: false }> | { readonly ok: false; readonly reason: "no-picture" };
/** Thrown so that nothing of what was brought stays where a part of it is refused. */
class NotBrought extends Error {
  constructor(readonly answer: Refusal) {
    super(answer.reason);
  }
}

/**
 * Puts a jotting and pictures on their day, as one act: all of it, or nothing. `there` names the pictures that were on the
 * day already. Each piece is done once under its own id: sent again, it is not put back where somebody has taken it off since.
 */
export async function bringToDay(
  db: Db,
  author: Author,
  { dayId, jotting, pictures }: Omit<SentBring, "what">,
): Promise<{ ok: true; there: string[] } | Refusal> {
  const did = { what: "bring", day: dayId, jotting: jotting !== null, pictures: pictures.length } as const;
  try {
    return await journaled(db, author, did, async (tx, line) => {
      const once = (id: string, edit: DayEdit) =>
        onceOnly(tx, author.householdId, id, (within) => saveInLine(within, author, line, dayId, null, edit));
      const kept = jotting
        ? await once(jotting.id, { kind: "add-jotting", jotting: { ...jotting, privateUntil: null } })
        : null;
      if (kept && !kept.ok) throw new NotBrought(kept);
      const there: string[] = [];
      for (const { useId, photoId } of pictures) {
        const photo = await photoById(tx, author.householdId, photoId);
        if (!photo) throw new NotBrought({ ok: false, reason: "no-picture" });
        const put = await once(useId, { kind: "add-photo", photo: newUse(useId, photo) });
        if (!put.ok && put.reason !== "already-there") throw new NotBrought(put);
        if (!put.ok) there.push(useId);
      }
      return { ok: true as const, there };
    });
  } catch (error) {
    if (error instanceof NotBrought) return error.answer;
    if (error instanceof PieceElsewhere) return { ok: false, reason: "not-found" };
    throw error;
  }
}

/** Puts another picture of the roll in the place of one that a day has, as one act. */
export async function putInstead(
  db: Db,
  author: Author,
  { dayId, useId, photoId }: Omit<SentAnother, "what">,
): Promise<SaveResult | Refusal> {
  const photo = await photoById(db, author.householdId, photoId);
  if (!photo) return { ok: false, reason: "no-picture" };
  return saveDayEdit(db, author, dayId, null, { kind: "photo-picture", id: useId, photoId, picture: photo.facts });
}
