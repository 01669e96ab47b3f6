import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { reading, requireAlbum } from "#app/http/page.ts";
import { Used } from "#app/places/to-get/used.tsx";
import { usedView } from "#app/places/to-get/view.ts";
import { readThings } from "#store/drawer.ts";
import { usesOf } from "#store/uses.ts";
import type { Route } from "./+types/album.used";

export const meta: Route.MetaFunction = () => [{ title: "What was used · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const here = usesOf(aggregate);
  const ids = [...new Set(here.uses.map(({ thing }) => thing))];
  const things = await reading(() => readThings(context.db, member.household.id, ids));
  return usedView(aggregate.album, here.pages, here, things);
}

export const shouldRevalidate = revalidateWhenReached;

export default function UsedRoute({ loaderData }: Route.ComponentProps) {
  return <Used view={loaderData} />;
}
