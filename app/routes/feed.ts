import { notFound, reading } from "#app/http/page.ts";
import { eveningSaid } from "#app/wording/pace.ts";
import { fileHeaders } from "#core/format/attachment.ts";
import { calendarDays, calendarEvenings } from "#core/format/calendar.ts";
import { ofPerson } from "#core/pace/of-person.ts";
import { writeCalendar } from "#press/calendar.ts";
import { feedOf } from "#store/feed.ts";
import { readPace } from "#store/pace.ts";
import type { Route } from "./+types/feed";

/** What a calendar fetches by a private address: the album's days and the evenings to come, without what is private. */
export async function loader({ params, context }: Route.LoaderArgs) {
  return reading(async () => {
    const [secret = "", ending, more] = params.file.split(".");
    const found = ending === "ics" && more === undefined ? await feedOf(context.db, secret) : null;
    const aggregate = found && (await context.album(found.household.id, found.albumId));
    if (!found || !aggregate) throw notFound();
    const today = context.wall(found).date;
    const person = ofPerson(await readPace(context.db, found), aggregate.album.span, today);
    const { title } = aggregate.album;
    const entries = [...calendarDays(aggregate, today), ...calendarEvenings(aggregate, today, person, eveningSaid)];
    const headers = { ...fileHeaders(title, "ics"), "X-Robots-Tag": "noindex, nofollow" };
    return new Response(writeCalendar(title, entries, context.now), { headers });
  });
}
