import { data } from "react-router";
import { z } from "zod";
import { readJson } from "#app/http/body.ts";
import { notFound, requireAuthor, writing } from "#app/http/page.ts";
import type { DayEdit } from "#core/album/edit.ts";
import { isWallTime } from "#core/month/dates.ts";
import { textOf } from "#core/words/text-schema.ts";
import { onceOnly } from "#store/act.ts";
import { saveDayEdit } from "#store/day.ts";
import { newUse, photoById } from "#store/photo.ts";
import type { Route } from "./+types/today.jot";

const JOT = z.object({
  albumId: z.uuid(),
  dayId: z.uuid(),
  jotting: z
    .object({
      id: z.uuid(),
      text: textOf(100_000, 1),
      at: z.string().length(16).refine(isWallTime),
    })
    .nullable(),
  pictures: z.array(z.object({ useId: z.uuid(), photoId: z.uuid() })).max(60),
});

/**
 * Takes a jotting and its pictures onto their day. All of it has its ids already, so that the same sent again, because its
 * answer was lost, is there once.
 */
export async function action({ request, context }: Route.ActionArgs) {
  const sent = JOT.safeParse(await readJson(request));
  if (!sent.success) throw data(null, { status: 400 });
  return writing(async () => {
    const { albumId, dayId, jotting, pictures } = sent.data;
    const author = await requireAuthor(context, albumId);
    // Each under the id it was given on the phone: sent again, it is not put back where somebody has taken it off since.
    const once = (id: string, edit: DayEdit) =>
      onceOnly(context.db, author.householdId, id, (db) => saveDayEdit(db, author, dayId, null, edit));
    if (jotting) {
      const kept = await once(jotting.id, { kind: "add-jotting", jotting: { ...jotting, privateUntil: null } });
      if (!kept.ok) return { ok: false as const };
    }
    for (const { useId, photoId } of pictures) {
      const photo = await photoById(context.db, author.householdId, photoId);
      if (!photo) return { ok: false as const };
      const put = await once(useId, { kind: "add-photo", photo: newUse(useId, photo) });
      if (!put.ok && put.reason !== "already-there") return { ok: false as const };
    }
    return { ok: true as const };
  });
}

export const loader = () => {
  throw notFound();
};
