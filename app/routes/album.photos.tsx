import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { reading, requireAlbum } from "#app/http/page.ts";
import { Roll } from "#app/places/photos/roll.tsx";
import { rollView } from "#app/places/photos/view.ts";
import { memberNames } from "#store/household.ts";
import { readRoll } from "#store/roll.ts";
import { keptBytes } from "#store/work.ts";
import type { Route } from "./+types/album.photos";

export const meta: Route.MetaFunction = () => [{ title: "Photos · Hearth Clock" }];

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const { id, people } = member.household;
  const [roll, kept, members] = await reading(() =>
    Promise.all([readRoll(context.db, id), keptBytes(context.db, id), memberNames(context.db, id, people)]),
  );
  const instead = new URL(request.url).searchParams.get("instead");
  return { view: rollView(aggregate, roll, [...members, ...people], instead), room: { kept, most: context.room } };
}

export const shouldRevalidate = revalidateWhenReached;

export default function PhotosRoute({ loaderData }: Route.ComponentProps) {
  return <Roll {...loaderData} />;
}
