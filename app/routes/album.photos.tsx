import { data } from "react-router";
import { readJson } from "#app/http/body.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { reading, requireAlbum, writing } from "#app/http/page.ts";
import { SENT_MARK } from "#app/places/photos/marks.ts";
import { Roll } from "#app/places/photos/roll.tsx";
import { rollView } from "#app/places/photos/view.ts";
import { markPhotos, readRoll } from "#store/roll.ts";
import { keptBytes } from "#store/work.ts";
import type { Route } from "./+types/album.photos";

export const meta: Route.MetaFunction = () => [{ title: "Photos · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const [roll, kept] = await reading(() =>
    Promise.all([readRoll(context.db, member.household.id), keptBytes(context.db, member.household.id)]),
  );
  return { view: rollView(aggregate, roll), room: { kept, most: context.room } };
}

/** Says one thing of pictures of the roll. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const sent = SENT_MARK.safeParse(await readJson(request));
  if (!sent.success) throw data(null, { status: 400 });
  return writing(async () => {
    const { member } = await requireAlbum(context, params.album);
    const { ids, mark } = sent.data;
    const marked = await markPhotos(context.db, member.household.id, ids, mark);
    // None of them is here, or all are wanted where they are: said, and not as if it were done.
    return marked > 0 ? { ok: true as const, marked } : { ok: false as const, reason: "not-taken" as const };
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function PhotosRoute({ loaderData }: Route.ComponentProps) {
  return <Roll {...loaderData} />;
}
