import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { reading, requireAlbum } from "#app/http/page.ts";
import { ToGet } from "#app/places/to-get/to-get.tsx";
import { toGetView } from "#app/places/to-get/view.ts";
import { readDrawerWithAges } from "#store/drawer.ts";
import { readUses, usesOf } from "#store/uses.ts";
import type { Route } from "./+types/album.to-get";

export const meta: Route.MetaFunction = () => [{ title: "To get · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const { id } = member.household;
  const here = usesOf(aggregate);
  const [things, albums] = await reading(() =>
    Promise.all([readDrawerWithAges(context.db, id), readUses(context.db, id, here)]),
  );
  return toGetView(aggregate.album, { things, albums, pages: here.pages, book: here.book });
}

export const shouldRevalidate = revalidateWhenReached;

export default function ToGetRoute({ loaderData }: Route.ComponentProps) {
  return <ToGet view={loaderData} />;
}
