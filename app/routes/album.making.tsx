import { useRouteLoaderData, useSearchParams } from "react-router";
import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { notFound, requireAlbum } from "#app/http/page.ts";
import { Making } from "#app/places/bench/making.tsx";
import { bookData } from "#app/places/book/data.ts";
import { craftOf } from "#core/craft/catalog.ts";
import type { Route } from "./+types/album.making";
import type { loader as albumLoader } from "./album.tsx";

export const meta: Route.MetaFunction = ({ params }) => [
  { title: `${craftOf(params.kind)?.name ?? "Bench"} · Hearth Clock` },
];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { aggregate } = await requireAlbum(context, params.album);
  if (!craftOf(params.kind)) throw notFound();
  return { kind: params.kind, book: bookData(aggregate) };
}

export const shouldRevalidate = revalidateWhenReached;

export default function MakingRoute({ loaderData }: Route.ComponentProps) {
  const [query] = useSearchParams();
  const album = useRouteLoaderData<typeof albumLoader>("routes/album");
  return album ? (
    <Making
      key={`${loaderData.kind} ${query.get("like")}`}
      kind={loaderData.kind}
      data={loaderData.book}
      dayDate={album.dayDate}
    />
  ) : null;
}
