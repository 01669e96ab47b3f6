import { randomUUID } from "node:crypto";
import { data } from "react-router";
import { to } from "#app/addresses.ts";
import { readForm } from "#app/http/body.ts";
import { endsFor } from "#app/http/ends-for.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { reading, requireAlbum, requireMember, writing } from "#app/http/page.ts";
import { tonightOf } from "#app/places/pace/evening-view.ts";
import { Pace } from "#app/places/pace/pace.tsx";
import { paceView } from "#app/places/pace/view.ts";
import { wallClock } from "#core/month/dates.ts";
import { closeFeed, feedSince, openFeed } from "#store/feed.ts";
import { beginSitting, declinedOffers, dropSitting, endSitting, readPace } from "#store/pace.ts";
import type { Route } from "./+types/album.pace";

export const meta: Route.MetaFunction = () => [{ title: "Pace · Hearth Clock" }];

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { member, aggregate, author } = await requireAlbum(context, params.album);
  const today = context.wall(member).date;
  const [known, declined, since] = await reading(() =>
    Promise.all([
      readPace(context.db, author),
      declinedOffers(context.db, author.albumId),
      feedSince(context.db, author),
    ]),
  );
  const { under } = known;
  return {
    view: paceView(aggregate, known, today, declined),
    evening: tonightOf(
      aggregate,
      known,
      today,
      new URL(request.url).searchParams.get("minutes"),
      await endsFor(context, member, aggregate, today),
    ),
    feedSince: since && wallClock(since.getTime(), member.household.timeZone).date,
    under: under && { began: under.began, here: under.albumId === author.albumId },
  };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const intent = (await readForm(request, ["intent"])).get("intent");
  return writing(async () => {
    // A sitting is each person's own; a calendar's address leads out of the household, and is a keeper's.
    const { member, author } = await requireAlbum(context, params.album, "helper");
    if (intent === "feed-open" || intent === "feed-close") await requireMember(context, "keeper");
    if (intent === "feed-open") {
      const secret = await openFeed(context.db, author);
      if (!secret) return { ok: false as const, reason: "not-found" as const };
      return { ok: true as const, address: new URL(to.feed(secret), request.url).href };
    }
    if (intent === "feed-close") await closeFeed(context.db, author);
    else if (intent === "begin") await beginSitting(context.db, author, randomUUID(), context.wall(member).date);
    else if (intent === "end") await endSitting(context.db, author);
    else if (intent === "drop") await dropSitting(context.db, author.memberId);
    else throw data(null, { status: 400 });
    return { ok: true as const };
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function PaceRoute({ loaderData }: Route.ComponentProps) {
  return <Pace {...loaderData} />;
}
