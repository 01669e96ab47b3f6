import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { reading, requireAlbum } from "#app/http/page.ts";
import { Years } from "#app/places/finish/years.tsx";
import { askedAgain, builtAgain } from "#core/finish/years.ts";
import { readAlbums } from "#store/album.ts";
import type { Route } from "./+types/album.years";

export const meta: Route.MetaFunction = () => [{ title: "Year to year · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const householdId = member.household.id;
  const all = await reading(() => readAlbums(context.db, householdId));
  const others = all.filter(({ album }) => album.id !== aggregate.album.id);
  const [here, ...there] = [aggregate, ...others].map(({ album, days, leaves }) => ({ ...album, days, leaves }));
  if (!here) throw new Error("the album itself is among its albums");
  return {
    albumId: here.id,
    others: there.length,
    asked: askedAgain([here, ...there]),
    built: builtAgain(here, there),
  };
}

export const shouldRevalidate = revalidateWhenReached;

export default function YearsRoute({ loaderData }: Route.ComponentProps) {
  return <Years {...loaderData} />;
}
