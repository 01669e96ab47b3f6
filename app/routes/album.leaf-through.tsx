import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { requireAlbum } from "#app/http/page.ts";
import { bookData } from "#app/places/book/data.ts";
import { Leafing } from "#app/places/finish/leafing.tsx";
import type { Route } from "./+types/album.leaf-through";

export const meta: Route.MetaFunction = () => [{ title: "Leaf through · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { aggregate } = await requireAlbum(context, params.album);
  return bookData(aggregate);
}

export const shouldRevalidate = revalidateWhenReached;

export default function LeafThroughRoute({ loaderData }: Route.ComponentProps) {
  return <Leafing data={loaderData} />;
}
