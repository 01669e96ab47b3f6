import { data } from "react-router";
import { readForm } from "#app/http/body.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { reading, requireAlbum, writing } from "#app/http/page.ts";
import { Daylight } from "#app/places/pace/daylight.tsx";
import { daylightView } from "#app/places/pace/daylight-view.ts";
import { USUAL_HOURS } from "#core/pace/capacity.ts";
import { isPlace, type Place } from "#core/pace/daylight.ts";
import { journaled } from "#store/journal/line.ts";
import { bankedPictures, readPace, setSky } from "#store/pace.ts";
import type { Route } from "./+types/album.daylight";

export const meta: Route.MetaFunction = () => [{ title: "Daylight · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate, author } = await requireAlbum(context, params.album);
  const { latitude, longitude, timeZone, id } = member.household;
  const place = latitude === null || longitude === null ? null : { latitude, longitude };
  const [known, banked] = await reading(() =>
    Promise.all([readPace(context.db, author), bankedPictures(context.db, id)]),
  );
  return daylightView(aggregate, place, known.hours ?? USUAL_HOURS, timeZone, context.wall(member).date, banked);
}

/** Degrees as they are typed: a comma is a point, a true minus is one; null where it is no number. */
function degrees(text: string): number | null {
  const given = text.trim().replace(",", ".").replace("−", "-");
  return /^[+-]?\d{1,3}(\.\d+)?$/.test(given) ? Number(given) : null;
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await readForm(request, ["intent", "latitude", "longitude"]);
  const intent = form.get("intent");
  if (intent !== "place" && intent !== "nowhere") throw data(null, { status: 400 });
  const latitude = degrees(String(form.get("latitude") ?? ""));
  const longitude = degrees(String(form.get("longitude") ?? ""));
  const place: Place | null = latitude === null || longitude === null ? null : { latitude, longitude };
  return writing(async () => {
    const { author } = await requireAlbum(context, params.album);
    if (intent === "place" && !(place && isPlace(place))) return { ok: false as const, reason: "no-place" as const };
    const kept = intent === "place" ? place : null;
    await journaled(context.db, author, { what: "sky" }, (tx) => setSky(tx, author.householdId, kept));
    return { ok: true as const, said: kept ? "Saved." : "Forgotten." };
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function DaylightRoute({ loaderData, actionData }: Route.ComponentProps) {
  return <Daylight view={loaderData} answer={actionData ?? null} />;
}
