import { data } from "react-router";
import { jsonIn, readForm } from "#app/http/body.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { reading, requireAlbum, writing } from "#app/http/page.ts";
import { HoursPlace } from "#app/places/pace/hours.tsx";
import { STEPS } from "#core/album/model.ts";
import { USUAL_HOURS } from "#core/pace/capacity.ts";
import { HOURS, OWN_MINUTES } from "#core/pace/hours-schema.ts";
import { minutesSaid } from "#core/pace/minutes.ts";
import { ofPerson } from "#core/pace/of-person.ts";
import { journaled } from "#store/journal/line.ts";
import { forgetMinutes, readPace, saveHours, saveMinutes } from "#store/pace.ts";
import type { Route } from "./+types/album.hours";

export const meta: Route.MetaFunction = () => [{ title: "Hours · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate, author } = await requireAlbum(context, params.album);
  const { span } = aggregate.album;
  const today = context.wall(member).date;
  const known = await reading(() => readPace(context.db, author));
  const { own } = ofPerson(known, span, today);
  return {
    ...{ albumId: author.albumId, said: known.hours, version: known.version, today },
    own: STEPS.map((step) => ({
      ...{ step, seen: own[step].seen, isSet: own[step].isSet },
      ...minutesSaid(own, step),
    })),
  };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await readForm(request, ["intent", "hours", "minutes", "version"]);
  const version = Number(form.get("version"));
  return writing(async () => {
    // Each person's own, a helper's too.
    const { author } = await requireAlbum(context, params.album, "helper");
    const { memberId } = author;
    const did = { what: "hours" } as const;
    switch (form.get("intent")) {
      case "hours": {
        const said = HOURS.safeParse(jsonIn(form.get("hours")));
        if (!said.success) return { ok: false as const, reason: "not-hours" as const, of: "hours" as const };
        const saved = await journaled(context.db, author, did, (tx) => saveHours(tx, memberId, version, said.data));
        return saved.ok
          ? { ok: true as const, said: "Saved.", of: "hours" as const }
          : { ...saved, of: "hours" as const };
      }
      case "minutes": {
        const minutes = OWN_MINUTES.safeParse(jsonIn(form.get("minutes")));
        if (!minutes.success) return { ok: false as const, reason: "not-hours" as const, of: "minutes" as const };
        const saved = await journaled(context.db, author, did, (tx) =>
          saveMinutes(tx, memberId, version, minutes.data, USUAL_HOURS),
        );
        return saved.ok
          ? { ok: true as const, said: "Minutes saved.", of: "minutes" as const }
          : { ...saved, of: "minutes" as const };
      }
      case "forget":
        await journaled(context.db, author, did, (tx) => forgetMinutes(tx, memberId, context.now, USUAL_HOURS));
        return { ok: true as const, said: "Forgotten: minutes are the typical ones again.", of: "minutes" as const };
      default:
        throw data(null, { status: 400 });
    }
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function HoursRoute({ loaderData, actionData }: Route.ComponentProps) {
  return <HoursPlace view={loaderData} answer={actionData ?? null} />;
}
