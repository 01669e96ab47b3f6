import { useRouteLoaderData } from "react-router";
import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { requireAlbum } from "#app/http/page.ts";
import { bookData } from "#app/places/book/data.ts";
import { SeenThroughPlace } from "#app/places/seen-through/seen-through.tsx";
import type { Route } from "./+types/album.seen-through";
import type { loader as albumLoader } from "./album.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Seen through · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { aggregate } = await requireAlbum(context, params.album);
  return bookData(aggregate);
}

export const shouldRevalidate = revalidateWhenReached;

export default function SeenThroughRoute({ loaderData }: Route.ComponentProps) {
  const album = useRouteLoaderData<typeof albumLoader>("routes/album");
  return album ? <SeenThroughPlace data={loaderData} today={album.wallDate} /> : null;
}
