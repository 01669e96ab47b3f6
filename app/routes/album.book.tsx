import { useRouteLoaderData } from "react-router";
import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { requireAlbum } from "#app/http/page.ts";
import { Book } from "#app/places/book/book.tsx";
import { bookData } from "#app/places/book/data.ts";
import type { Route } from "./+types/album.book";
import type { loader as albumLoader } from "./album.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Book · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { aggregate } = await requireAlbum(context, params.album);
  return bookData(aggregate);
}

export const shouldRevalidate = revalidateWhenReached;

export default function BookRoute({ loaderData }: Route.ComponentProps) {
  const album = useRouteLoaderData<typeof albumLoader>("routes/album");
  return album ? <Book data={loaderData} dayDate={album.dayDate} today={album.wallDate} /> : null;
}
