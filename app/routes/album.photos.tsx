import { data } from "react-router";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { reading, requireAlbum, requireMember, writing } from "#app/http/page.ts";
import { SENT_MARK } from "#app/places/photos/marks.ts";
import { Roll } from "#app/places/photos/roll.tsx";
import { rollView } from "#app/places/photos/view.ts";
import { markPhotos, readRoll } from "#store/roll.ts";
import type { Route } from "./+types/album.photos";

export const meta: Route.MetaFunction = () => [{ title: "Photos · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  return rollView(aggregate, await reading(() => readRoll(context.db, member.household.id)));
}

/** Says one thing of pictures of the roll. */
export async function action({ request, context }: Route.ActionArgs) {
  const sent = SENT_MARK.safeParse(await request.json().catch(() => null));
  if (!sent.success) throw data(null, { status: 400 });
  return writing(async () => {
    const member = await requireMember(context);
    const { ids, mark } = sent.data;
    return { ok: true as const, marked: await markPhotos(context.db, member.household.id, ids, mark) };
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function PhotosRoute({ loaderData }: Route.ComponentProps) {
  return <Roll view={loaderData} />;
}
