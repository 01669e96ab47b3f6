import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { reading, requireAlbum } from "#app/http/page.ts";
import { Roll } from "#app/places/photos/roll.tsx";
import { rollView } from "#app/places/photos/view.ts";
import { readRoll } from "#store/roll.ts";
import { keptBytes } from "#store/work.ts";
import type { Route } from "./+types/album.photos";

export const meta: Route.MetaFunction = () => [{ title: "Photos · Hearth Clock" }];

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const [roll, kept] = await reading(() =>
    Promise.all([readRoll(context.db, member.household.id), keptBytes(context.db, member.household.id)]),
  );
  const instead = new URL(request.url).searchParams.get("instead");
  return { view: rollView(aggregate, roll, instead), room: { kept, most: context.room } };
}

export const shouldRevalidate = revalidateWhenReached;

export default function PhotosRoute({ loaderData }: Route.ComponentProps) {
  return <Roll {...loaderData} />;
}
