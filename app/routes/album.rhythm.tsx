import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { requireAlbum } from "#app/http/page.ts";
import { bookData } from "#app/places/book/data.ts";
import { Rhythm } from "#app/places/rhythm/rhythm.tsx";
import type { Route } from "./+types/album.rhythm";

export const meta: Route.MetaFunction = () => [{ title: "Rhythm · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { aggregate } = await requireAlbum(context, params.album);
  return bookData(aggregate);
}

export const shouldRevalidate = revalidateWhenReached;

export default function RhythmRoute({ loaderData }: Route.ComponentProps) {
  return <Rhythm data={loaderData} />;
}
