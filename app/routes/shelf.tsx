import { reading, requireMember } from "#app/http/page.ts";
import { Shelf } from "#app/places/shelf/shelf.tsx";
import { shelfView } from "#app/places/shelf/view.ts";
import { readShelf } from "#store/shelf.ts";
import type { Route } from "./+types/shelf";

export const meta: Route.MetaFunction = () => [{ title: "Shelf · Hearth Clock" }];

export async function loader({ context }: Route.LoaderArgs) {
  const member = await requireMember(context, "looker");
  const albums = await reading(() => readShelf(context.db, member.household.id));
  // The picture on a cover may be one that whoever only looks is not to see yet.
  const seen = albums.map(shelfView).map((each) => (member.role === "looker" ? { ...each, photoId: null } : each));
  return { albums: seen, role: member.role };
}

export default function ShelfRoute({ loaderData }: Route.ComponentProps) {
  return <Shelf {...loaderData} />;
}
