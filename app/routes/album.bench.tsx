import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { reading, requireAlbum } from "#app/http/page.ts";
import { groupsOfChoices } from "#app/places/bench/choices.ts";
import { Choose } from "#app/places/bench/choose.tsx";
import { toMakeOf } from "#app/places/bench/to-make.ts";
import { bookData } from "#app/places/book/data.ts";
import { craftOf } from "#core/craft/catalog.ts";
import { USUAL_SHEETS } from "#core/drawer/of-sheets.ts";
import { readMakings } from "#store/library/makings.ts";
import type { Route } from "./+types/album.bench";

export const meta: Route.MetaFunction = () => [{ title: "Bench · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const kept = await reading(() => readMakings(context.db, member.household.id));
  return {
    ...{ albumId: aggregate.album.id, groups: groupsOfChoices(), toMake: toMakeOf(bookData(aggregate)) },
    ...{ unit: aggregate.album.unit, sheets: USUAL_SHEETS[aggregate.album.unit] },
    kept: kept.map(({ id, name, kind }) => ({ id, name, kind, of: craftOf(kind)?.name ?? "" })),
  };
}

export const shouldRevalidate = revalidateWhenReached;

export default function BenchRoute({ loaderData }: Route.ComponentProps) {
  return <Choose {...loaderData} />;
}
