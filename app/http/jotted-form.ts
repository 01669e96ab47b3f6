import { createHash } from "node:crypto";
import { readForm } from "#app/http/body.ts";
import { requireAuthor, requireMember } from "#app/http/page.ts";
import { openDay, todayDays } from "#app/places/today/view.ts";
import { SENT } from "#core/format/sent.ts";
import { parseDate } from "#core/month/dates.ts";
import type { HearthContext } from "#server/context-type.ts";
import { onceOnly } from "#store/act.ts";
import { isStoreGone } from "#store/db.ts";
import { carryOut } from "./carry-out.ts";

/** What came of words that a browser sent by itself: where to go on, or why they were not kept. */
export type JottedByForm =
  | { readonly ok: true; readonly album: string; readonly date: string | null }
  | { readonly ok: false; readonly text: string; readonly reason: string };

/**
 * Keeps what was jotted where our scripts do not run, or did not come. Sent twice from one page with the same words, it is
 * kept once: the words and the page make its name.
 */
export async function jotByForm(context: HearthContext, request: Request): Promise<JottedByForm> {
  const member = await requireMember(context, "helper");
  const author = await requireAuthor(context, new URL(request.url).searchParams.get("album") ?? undefined, "helper");
  const form = await readForm(request, ["jotting", "day", "page"]);
  const text = String(form.get("jotting") ?? "").trim();
  const chosen = parseDate(String(form.get("day") ?? ""));
  const now = context.wall(member);
  try {
    const aggregate = await context.album(author.householdId, author.albumId);
    const days = aggregate ? todayDays(aggregate) : [];
    // A day that is asked for and is not there is not exchanged for another.
    const day = chosen ? days.find(({ date }) => date === chosen) : openDay(days, now.date, null);
    if (!day) return { ok: false, text, reason: aggregate ? "no-such-day" : "not-found" };
    if (text === "") return { ok: true, album: author.albumId, date: chosen };
    const id = nameOf(`${author.albumId} ${form.get("page") ?? ""} ${day.dayId} ${text}`);
    const jotting = { id, text, at: `${now.date}T${now.time}` };
    const sent = SENT.safeParse({ what: "edit", dayId: day.dayId, base: null, edit: { kind: "add-jotting", jotting } });
    if (!sent.success) return { ok: false, text, reason: "too-long" };
    const done = await onceOnly(context.db, author.householdId, id, (db) => carryOut(db, author, sent.data));
    if (done.ok) return { ok: true, album: author.albumId, date: chosen };
    return { ok: false, text, reason: "reason" in done ? done.reason : "not-found" };
  } catch (error) {
    if (isStoreGone(error)) return { ok: false, text, reason: "store-gone" };
    throw error;
  }
}

/** A name of the form that names have, always the same of the same text. */
function nameOf(text: string): string {
  const hex = createHash("sha256").update(text).digest("hex");
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}
