import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { reading, requireAlbum } from "#app/http/page.ts";
import { Numbers } from "#app/places/drawer/numbers.tsx";
import { numbersView } from "#app/places/drawer/view.ts";
import { readDrawer } from "#store/drawer.ts";
import { readUses, usesOf } from "#store/uses.ts";
import type { Route } from "./+types/album.numbers";

export const meta: Route.MetaFunction = () => [{ title: "Numbers and letters · Hearth Clock" }];

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const { id } = member.household;
  const [things, albums] = await reading(() =>
    Promise.all([readDrawer(context.db, id), readUses(context.db, id, usesOf(aggregate))]),
  );
  return numbersView(aggregate, things, albums, new URL(request.url).searchParams.get("zero") === "yes");
}

export const shouldRevalidate = revalidateWhenReached;

export default function NumbersRoute({ loaderData }: Route.ComponentProps) {
  return <Numbers view={loaderData} />;
}
