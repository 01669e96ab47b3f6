import { requireAlbum } from "#app/http/page.ts";
import { Finish } from "#app/places/finish/finish.tsx";
import { looseEnds } from "#app/places/finish/view.ts";
import { pagesOf, progressOf } from "#core/album/page.ts";
import type { Route } from "./+types/album.finish";

export const meta: Route.MetaFunction = () => [{ title: "Finish · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { aggregate } = await requireAlbum(context, params.album);
  const pages = pagesOf(aggregate.album, aggregate.days);
  return { albumId: aggregate.album.id, photos: aggregate.photos.size, ...progressOf(pages), ends: looseEnds(pages) };
}

export default function FinishRoute({ loaderData }: Route.ComponentProps) {
  return <Finish {...loaderData} />;
}
