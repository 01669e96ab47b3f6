import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { requireAlbum } from "#app/http/page.ts";
import { groupsOfChoices } from "#app/places/bench/choices.ts";
import { Choose } from "#app/places/bench/choose.tsx";
import { toMakeOf } from "#app/places/bench/to-make.ts";
import { bookData } from "#app/places/book/data.ts";
import type { Route } from "./+types/album.bench";

export const meta: Route.MetaFunction = () => [{ title: "Bench · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { aggregate } = await requireAlbum(context, params.album);
  return { albumId: aggregate.album.id, groups: groupsOfChoices(), toMake: toMakeOf(bookData(aggregate)) };
}

export const shouldRevalidate = revalidateWhenReached;

export default function BenchRoute({ loaderData }: Route.ComponentProps) {
  return <Choose {...loaderData} />;
}
