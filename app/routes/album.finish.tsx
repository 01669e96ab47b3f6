import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { reading, requireAlbum } from "#app/http/page.ts";
import { Finish } from "#app/places/finish/finish.tsx";
import { endLines } from "#app/places/finish/view.ts";
import { pagesOf, progressOf } from "#core/album/page.ts";
import { countPrivate } from "#core/share/share.ts";
import { memberNames } from "#store/household.ts";
import type { Route } from "./+types/album.finish";

export const meta: Route.MetaFunction = () => [{ title: "Finish · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const { id: householdId, people } = member.household;
  const keepers = await reading(() => memberNames(context.db, householdId, people));
  const pages = pagesOf(aggregate);
  const today = context.wall(member).date;
  const secret = [...aggregate.days, ...aggregate.matters].reduce(
    (sum, { content }) => sum + countPrivate(content, today),
    0,
  );
  return {
    secret,
    albumId: aggregate.album.id,
    photos: aggregate.photos.size,
    leaves: aggregate.leaves.length,
    ...progressOf(pages),
    ends: endLines(aggregate, { people, keepers }, today),
  };
}

export const shouldRevalidate = revalidateWhenReached;

export default function FinishRoute({ loaderData }: Route.ComponentProps) {
  return <Finish {...loaderData} />;
}
