import { data } from "react-router";
import { readForm } from "#app/http/body.ts";
import { withFile } from "#app/http/files.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { isId, reading, requireAlbum, writing } from "#app/http/page.ts";
import type { KnownAnswer } from "#app/places/known/answer.ts";
import { KnownPlace } from "#app/places/known/known.tsx";
import { knownView } from "#app/places/known/view.ts";
import { DAY_EDIT } from "#core/album/edit-schema.ts";
import { LIMITS } from "#core/limits.ts";
import { type CalendarDate, parseDate } from "#core/month/dates.ts";
import { datesOf, type Known, knownSaid } from "#core/month/known.ts";
import { USUAL_HOURS } from "#core/pace/capacity.ts";
import { noteWith, withFull, withoutFull } from "#core/pace/taken-over.ts";
import { clean } from "#core/words/clean.ts";
import { readCalendar } from "#press/calendar-read.ts";
import type { HearthContext } from "#server/context-type.ts";
import type { AlbumAggregate } from "#store/album.ts";
import type { Author } from "#store/author.ts";
import { saveDayEdit } from "#store/day.ts";
import { journaled } from "#store/journal/line.ts";
import { dropKnown, keepKnown, putOnPage, saveCalendar } from "#store/known.ts";
import { readPace, saveHours } from "#store/pace.ts";
import type { Route } from "./+types/album.known";

export const meta: Route.MetaFunction = () => [{ title: "Known ahead · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate, author } = await requireAlbum(context, params.album);
  const { hours } = await reading(() => readPace(context.db, author));
  return knownView(aggregate, hours ?? USUAL_HOURS, context.wall(member).date);
}

const FILE = { file: "file", most: LIMITS.calendarBytes.most, fields: [] };
const FIELDS = ["intent", "key", "date", "title", "id"];

export async function action({ request, params, context }: Route.ActionArgs) {
  if (request.headers.get("content-type")?.startsWith("multipart/form-data"))
    return withFile(request, FILE, ({ file }) =>
      writing(async (): Promise<KnownAnswer> => {
        const { member, aggregate, author } = await requireAlbum(context, params.album);
        if (!file || file.bytes === 0) return { ok: false, reason: "no-file" };
        if (file.tooLarge) return { ok: false, reason: "too-large" };
        const read = readCalendar(await file.read(), aggregate.album.span, member.household.timeZone);
        if (!read.ok) return read;
        // A calendar that does not say what it is called goes by its file.
        const source = (read.name || clean(file.name).replace(/( ?\(\d+\))?\.\w+$/, "") || "A calendar").slice(0, 120);
        const saved = await saveCalendar(context.db, author, source, read.events);
        if (!saved.ok) return saved;
        const { unknownZones, leftOut } = read;
        return { ok: true, read: { ...saved.told, source, unknownZones, leftOut } };
      }),
    );
  const form = await readForm(request, FIELDS);
  return writing(async (): Promise<KnownAnswer> => {
    const { aggregate, author } = await requireAlbum(context, params.album);
    const date = parseDate(String(form.get("date") ?? ""));
    const key = String(form.get("key") ?? "");
    switch (form.get("intent")) {
      case "own": {
        const title = clean(String(form.get("title") ?? ""))
          .trim()
          .slice(0, 200);
        const id = String(form.get("id") ?? "");
        if (!isId(id)) throw data(null, { status: 400 });
        const { start, end } = aggregate.album.span;
        if (title === "" || !date || date < start || date > end) return { ok: false, reason: "not-a-day" };
        const times = { from: date, to: date, starts: null, ends: null };
        return keepKnown(context.db, author, { key: id, source: "", title, ...times, onPage: true });
      }
      case "on-page":
      case "off-page":
        return putOnPage(context.db, author, key, form.get("intent") === "on-page");
      case "drop":
        return dropKnown(context.db, author, key);
      case "note":
      case "prompt":
      case "full":
      case "free": {
        const known = aggregate.known.find((each) => each.key === key);
        if (!known || !date || !datesOf(known, aggregate.album.span).includes(date))
          return { ok: false, reason: "not-found" };
        const intent = form.get("intent");
        if (intent === "full" || intent === "free")
          return changeEvening(context, author, known, date, intent === "full");
        return ontoDay(context, author, aggregate, known, date, intent === "note" ? "note" : "prompt");
      }
      default:
        throw data(null, { status: 400 });
    }
  });
}

/** Puts something known into a day's note, or makes it its prompt, over what was seen there. */
async function ontoDay(
  { db }: HearthContext,
  author: Author,
  { days }: AlbumAggregate,
  known: Known,
  date: CalendarDate,
  as: "note" | "prompt",
): Promise<KnownAnswer> {
  const day = days.find((each) => each.date === date);
  if (!day) return { ok: false, reason: "not-found" };
  const change =
    as === "note"
      ? { kind: "note", text: noteWith(day.content.note, known) }
      : { kind: "prompt", text: knownSaid(known), slip: null };
  const edit = DAY_EDIT.safeParse(change);
  if (!edit.success) return { ok: false, reason: "note-full" };
  const saved = await saveDayEdit(db, author, day.id, day.version, edit.data);
  if (saved.ok) return { ok: true };
  return { ok: false, reason: saved.reason === "clash" ? "changed-elsewhere" : "not-found" };
}

/** Says that an evening is full with something known, or that it is not. */
async function changeEvening(
  { db }: HearthContext,
  author: Author,
  known: Known,
  date: CalendarDate,
  isFull: boolean,
): Promise<KnownAnswer> {
  const { hours, version } = await readPace(db, author);
  const now = hours ?? USUAL_HOURS;
  const next = isFull ? withFull(now, known, date) : withoutFull(now, known, date);
  if (!next) return { ok: false, reason: "too-many-dates" };
  if (next === now) return { ok: true };
  return journaled(db, author, { what: "hours" }, (tx) => saveHours(tx, author.memberId, version, next));
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function KnownRoute({ loaderData }: Route.ComponentProps) {
  return <KnownPlace view={loaderData} />;
}
