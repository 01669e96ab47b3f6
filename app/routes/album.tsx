import { Outlet, useRouteLoaderData } from "react-router";
import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { requireAlbum } from "#app/http/page.ts";
import { AlbumFrame } from "#app/places/album/frame.tsx";
import { frameView } from "#app/places/album/view.ts";
import type { loader as rootLoader } from "#app/root.tsx";
import type { Route } from "./+types/album";

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  return frameView(aggregate, context.wall(member), member.id);
}

export const shouldRevalidate = revalidateWhenReached;

export default function AlbumRoute({ loaderData }: Route.ComponentProps) {
  const root = useRouteLoaderData<typeof rootLoader>("root");
  return (
    <AlbumFrame view={loaderData} look={root?.look ?? "system"} phone={root?.phone ?? false}>
      <Outlet />
    </AlbumFrame>
  );
}
