import { data, Outlet, useRouteLoaderData } from "react-router";
import { readJson } from "#app/http/body.ts";
import { carryOut } from "#app/http/carry-out.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { requireAlbum, requireAuthor, writing } from "#app/http/page.ts";
import { AlbumFrame } from "#app/places/album/frame.tsx";
import { frameView } from "#app/places/album/view.ts";
import type { loader as rootLoader } from "#app/root.tsx";
import { ACT, SENT } from "#core/format/sent.ts";
import { onceOnly } from "#store/act.ts";
import type { Route } from "./+types/album";

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  return frameView(aggregate, context.wall(member), member.id);
}

/** Every change to a day or the book of the album comes through here, whichever place it was made in. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const body = await readJson(request);
  const sent = SENT.safeParse(body);
  const act = ACT.safeParse(body);
  if (!sent.success || !act.success) throw data(null, { status: 400 });
  return writing(async () => {
    const author = await requireAuthor(context, params.album);
    return onceOnly(context.db, author.householdId, act.data.act ?? null, (db) => carryOut(db, author, sent.data));
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function AlbumRoute({ loaderData }: Route.ComponentProps) {
  const root = useRouteLoaderData<typeof rootLoader>("root");
  return (
    <AlbumFrame view={loaderData} look={root?.look ?? "system"} phone={root?.phone ?? false}>
      <Outlet />
    </AlbumFrame>
  );
}
