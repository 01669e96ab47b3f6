import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { isId, notFound, requireAlbum } from "#app/http/page.ts";
import { bookData } from "#app/places/book/data.ts";
import { TryOuts } from "#app/places/try-outs/try-outs.tsx";
import { FACES } from "#core/album/leaf.ts";
import type { Route } from "./+types/album.try-outs";

export const meta: Route.MetaFunction = () => [{ title: "Try-outs · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { aggregate } = await requireAlbum(context, params.album);
  const face = FACES.find((each) => each === params.face);
  if (!face || !isId(params.leaf) || !aggregate.leaves.some(({ id }) => id === params.leaf)) throw notFound();
  return { data: bookData(aggregate), leafId: params.leaf, face };
}

export const shouldRevalidate = revalidateWhenReached;

export default function TryOutsRoute({ loaderData }: Route.ComponentProps) {
  return <TryOuts {...loaderData} />;
}
