import { data, redirect } from "react-router";
import { to } from "#app/addresses.ts";
import { PLAN_FIELDS, parseAlbumSettings } from "#app/http/album-form.ts";
import { readForm } from "#app/http/body.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { notFound, requireAlbum, writing } from "#app/http/page.ts";
import { Settings } from "#app/places/settings/settings.tsx";
import { settingsView } from "#app/places/settings/view.ts";
import { isTimeZone, printShort, timeZones } from "#core/month/dates.ts";
import { slotsSetAside } from "#core/month/slots.ts";
import { setAlbumDeleted, updateAlbum } from "#store/album.ts";
import { setTimeZone } from "#store/household.ts";
import { journaled } from "#store/journal/line.ts";
import type { Route } from "./+types/album.settings";

export const meta: Route.MetaFunction = () => [{ title: "Album · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const { timeZone } = member.household;
  const { date, time } = context.wall(member);
  const clock = { timeZone, zones: timeZones(timeZone), now: `${printShort(date)}, ${time}` };
  const aside = slotsSetAside(aggregate.days, aggregate.album.span).map(({ date }) => printShort(date));
  return { ...settingsView(aggregate.album), albumId: aggregate.album.id, aside, clock };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await readForm(request, ["intent", "version", "timeZone", ...PLAN_FIELDS]);
  return writing(async () => {
    const { member, aggregate, author } = await requireAlbum(context, params.album);
    const { id } = aggregate.album;
    if (form.get("intent") === "put-away") {
      await setAlbumDeleted(context.db, member.household.id, id, context.now);
      throw redirect(to.tray());
    }
    if (form.get("intent") === "time-zone") {
      const timeZone = String(form.get("timeZone") ?? "");
      if (!isTimeZone(timeZone)) throw data(null, { status: 400 });
      await journaled(context.db, author, { what: "time-zone" }, (tx) => setTimeZone(tx, author.householdId, timeZone));
      return { ok: true as const };
    }
    const parsed = parseAlbumSettings(form, aggregate.album.format);
    if (!parsed.ok) return { ok: false as const, reason: "fields" as const, errors: parsed.errors };
    const saved = await journaled(context.db, author, { what: "settings" }, (tx) =>
      updateAlbum(tx, author.householdId, id, Number(form.get("version")), parsed.plan),
    );
    if (!saved.ok && saved.reason === "not-found") throw notFound();
    return saved.ok ? { ok: true as const } : { ok: false as const, reason: "changed-since" as const };
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function SettingsRoute({ loaderData, actionData }: Route.ComponentProps) {
  return <Settings view={loaderData} answer={actionData ?? null} />;
}
