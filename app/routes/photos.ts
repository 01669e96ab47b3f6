import { data } from "react-router";
import { z } from "zod";
import { readJson } from "#app/http/body.ts";
import { withFile } from "#app/http/files.ts";
import { hasRoom, notFound, requireMember, writing } from "#app/http/page.ts";
import type { TakenIn } from "#app/sending/entry.ts";
import { LIMITS } from "#core/limits.ts";
import { parseDate } from "#core/month/dates.ts";
import type { HearthContext } from "#server/context-type.ts";
import { keepPhoto } from "#store/photo.ts";
import { knownPictures } from "#store/roll.ts";
import type { Route } from "./+types/photos";

const HASHES = z.object({ hashes: z.array(z.string().regex(/^[0-9a-f]{64}$/)).max(5000) });

async function takeIn(context: HearthContext, householdId: string, request: Request): Promise<TakenIn> {
  if (!(await hasRoom(context, householdId, request))) return { ok: false, reason: "no-room" };
  return withFile(request, { file: "photo", most: LIMITS.pictureBytes.most }, async ({ file }) => {
    if (!file) throw data(null, { status: 400 });
    if (file.tooLarge) return { ok: false, reason: "too-large" };
    const read = await context.inMemory(file.bytes, async () => context.readPicture(await file.read(), file.name));
    if (!read.ok) return read;
    const kept = await keepPhoto(context.db, householdId, read.photo);
    return { ok: true, id: kept.id, isNew: kept.isNew, taken: parseDate(kept.capturedAt?.slice(0, 10) ?? "") };
  });
}

/**
 * The door of the roll: one picture at a time comes in, whoever hands it in, and is acknowledged when it is kept. Asked
 * with a list of contents instead, it says which of them are in already, so that a broken-off run sends only the rest.
 */
export async function action({ request, context }: Route.ActionArgs) {
  return writing(async () => {
    const member = await requireMember(context, "helper");
    const householdId = member.household.id;
    if (request.headers.get("content-type")?.startsWith("application/json")) {
      const asked = HASHES.safeParse(await readJson(request));
      if (!asked.success) throw data(null, { status: 400 });
      return { ok: true as const, known: await knownPictures(context.db, householdId, asked.data.hashes) };
    }
    return takeIn(context, householdId, request);
  });
}

export const loader = () => {
  throw notFound();
};
