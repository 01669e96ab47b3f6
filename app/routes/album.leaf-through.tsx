import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { reading, requireAlbum } from "#app/http/page.ts";
import { bookData } from "#app/places/book/data.ts";
import { Leafing } from "#app/places/finish/leafing.tsx";
import { albumsByDate } from "#store/album.ts";
import type { Route } from "./+types/album.leaf-through";

export const meta: Route.MetaFunction = () => [{ title: "Leaf through · Hearth Clock" }];

export async function loader({ params, context, request }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const householdId = member.household.id;
  const all = await reading(() => albumsByDate(context.db, householdId, aggregate.album.span.start));
  const others = all.filter(({ id }) => id !== aggregate.album.id);
  const wanted = new URL(request.url).searchParams.get("beside");
  const chosen = others.find(({ id }) => id === wanted);
  const beside = chosen && (await reading(() => context.album(householdId, chosen.id)));
  return {
    data: bookData(aggregate),
    span: aggregate.album.span,
    others: others.map(({ id, title }) => ({ id, title })),
    beside: beside ? { title: beside.album.title, span: beside.album.span, data: bookData(beside) } : null,
  };
}

export const shouldRevalidate = revalidateWhenReached;

export default function LeafThroughRoute({ loaderData }: Route.ComponentProps) {
  return <Leafing {...loaderData} />;
}
