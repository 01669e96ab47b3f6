import { reading, requireMember } from "#app/http/page.ts";
import { Shelf } from "#app/places/shelf/shelf.tsx";
import { shelfView } from "#app/places/shelf/view.ts";
import { readShelf } from "#store/shelf.ts";
import type { Route } from "./+types/shelf";

export const meta: Route.MetaFunction = () => [{ title: "Shelf · Hearth Clock" }];

export async function loader({ context }: Route.LoaderArgs) {
  const member = await requireMember(context);
  const albums = await reading(() => readShelf(context.db, member.household.id));
  return { albums: albums.map(shelfView) };
}

export default function ShelfRoute({ loaderData }: Route.ComponentProps) {
  return <Shelf albums={loaderData.albums} />;
}
