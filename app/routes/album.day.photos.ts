import { randomUUID } from "node:crypto";
import { data, redirect } from "react-router";
import { to } from "#app/addresses.ts";
import { type HandedFile, withFile } from "#app/http/files.ts";
import { sendOrKeep } from "#app/http/keep-page.ts";
import { hasRoom, notFound, requireAlbum, writing } from "#app/http/page.ts";
import { pageOf } from "#app/places/album/view.ts";
import type { Added } from "#app/places/day/photos-panel.tsx";
import { pagesOf } from "#core/album/page.ts";
import { LIMITS } from "#core/limits.ts";
import { type CalendarDate, parseDate, printShort } from "#core/month/dates.ts";
import { inSpan } from "#core/month/span.ts";
import type { HearthContext } from "#server/context-type.ts";
import type { AlbumAggregate } from "#store/album.ts";
import type { Author } from "#store/author.ts";
import { saveDayEdit } from "#store/day.ts";
import { keepPhoto, newUse } from "#store/photo.ts";
import type { Route } from "./+types/album.day.photos";

type Target = {
  context: HearthContext;
  author: Author;
  aggregate: AlbumAggregate;
  dayId: string;
  /** The dates of the page; null where it is no day's, and any picture belongs. */
  here: readonly CalendarDate[] | null;
};

async function addOne({ context, author, aggregate, dayId, here }: Target, file: HandedFile): Promise<Added> {
  const { name } = file;
  if (file.tooLarge) return { name, ok: false, reason: "too-large" };
  const read = await context.inMemory(file.bytes, async () => context.readPicture(await file.read(), name));
  if (!read.ok) return { name, ok: false, reason: read.reason };
  const kept = await keepPhoto(context.db, author.householdId, read.photo);
  const photo = newUse(randomUUID(), kept);
  const saved = await saveDayEdit(context.db, author, dayId, null, { kind: "add-photo", photo });
  if (!saved.ok)
    return {
      name,
      ok: false,
      reason: saved.reason === "already-there" || saved.reason === "day-full" ? saved.reason : "not-found",
    };
  const taken = parseDate(kept.capturedAt?.slice(0, 10) ?? "");
  const date = !here
    ? "this-day"
    : !taken
      ? "none"
      : here.includes(taken)
        ? "this-day"
        : inSpan(aggregate.album.span, taken)
          ? { other: taken, said: printShort(taken) }
          : "outside";
  return { name, ok: true, useId: photo.id, dayId, date };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  return writing(async () => {
    const { aggregate, author } = await requireAlbum(context, params.album);
    const page = pageOf(pagesOf(aggregate), parseDate(params.date));
    // A page of the front or back matter stands in the address by its id.
    const dayId = page?.days[0]?.id ?? aggregate.matters.find(({ id }) => id === params.date)?.id;
    if (!dayId) throw notFound();
    const target = { context, author, aggregate, dayId, here: page?.days.map(({ date }) => date) ?? null };
    const added: Added[] = [];
    if (!(await hasRoom(context, author.householdId, request)))
      return { ok: true as const, added: [{ name: "The picture", ok: false, reason: "no-room" } satisfies Added] };
    await withFile(request, { file: "photo", most: LIMITS.pictureBytes.most }, async ({ file }) => {
      if (!file) throw data(null, { status: 400 });
      added.push(await addOne(target, file));
    });
    return { ok: true as const, added };
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);

export const loader = ({ params }: Route.LoaderArgs) => redirect(to.day(params.album, params.date));
