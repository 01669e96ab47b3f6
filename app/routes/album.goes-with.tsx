import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { reading, requireAlbum } from "#app/http/page.ts";
import { GoesWith } from "#app/places/goes-with/goes-with.tsx";
import { goesWithView, pagesFor, photosOf } from "#app/places/goes-with/view.ts";
import { readColoured } from "#store/drawer.ts";
import { coloursOfPhotos } from "#store/photo.ts";
import { usesOf } from "#store/uses.ts";
import type { Route } from "./+types/album.goes-with";

export const meta: Route.MetaFunction = () => [{ title: "Goes with · Hearth Clock" }];

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const { id } = member.household;
  const today = context.wall(member).date;
  const { pages, book } = usesOf(aggregate);
  const asked = pagesFor(pages, book, new URL(request.url).searchParams.get("day"), today);
  const photos = [asked.page, asked.facing].flatMap((page) => (page ? photosOf(page) : []));
  const [colours, things] = await reading(() =>
    Promise.all([coloursOfPhotos(context.db, id, photos), readColoured(context.db, id)]),
  );
  return goesWithView(aggregate.album.id, asked, colours, things);
}

export const shouldRevalidate = revalidateWhenReached;

export default function GoesWithRoute({ loaderData }: Route.ComponentProps) {
  return <GoesWith view={loaderData} />;
}
