import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { reading, requireAlbum } from "#app/http/page.ts";
import { Tallies } from "#app/places/tallies/tallies.tsx";
import { talliesView } from "#app/places/tallies/view.ts";
import { namesCounted } from "#store/tally.ts";
import type { Route } from "./+types/album.tallies";

export const meta: Route.MetaFunction = () => [{ title: "Tallies · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const elsewhere = await reading(() => namesCounted(context.db, member.household.id));
  return talliesView(aggregate, elsewhere, context.wall(member).date);
}

export const shouldRevalidate = revalidateWhenReached;

export default function TalliesRoute({ loaderData }: Route.ComponentProps) {
  return <Tallies view={loaderData} />;
}
