import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { isId, notFound, reading, requireAlbum } from "#app/http/page.ts";
import { CardPlace } from "#app/places/card/card-place.tsx";
import { cardOf, cardView } from "#app/places/card/view.ts";
import { printShort, wallClock } from "#core/month/dates.ts";
import { readHandsAndStamps } from "#store/library/hands.ts";
import { readWordings } from "#store/wordings.ts";
import type { Route } from "./+types/album.card";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: loaderData ? `A card of ${loaderData.day} · Hearth Clock` : "Hearth Clock" },
];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const found = isId(params.card) ? cardOf(aggregate, params.card) : null;
  if (!found) throw notFound();
  const [letters, wordings] = await reading(() =>
    Promise.all([readHandsAndStamps(context.db, member.household.id), readWordings(context.db, found.card.id)]),
  );
  const saidAt = (iso: string) => {
    const { date, time } = wallClock(Date.parse(iso), member.household.timeZone);
    return `${printShort(date)}, ${time}`;
  };
  return cardView(aggregate, found, letters, wordings, context.wall(member).date, saidAt);
}

export const shouldRevalidate = revalidateWhenReached;

export default function CardRoute({ loaderData }: Route.ComponentProps) {
  return <CardPlace key={loaderData.card.id} view={loaderData} />;
}
