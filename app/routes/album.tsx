import { Outlet, useRouteLoaderData } from "react-router";
import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { reading, requireAlbum } from "#app/http/page.ts";
import { saidAt } from "#app/http/turn.ts";
import { AlbumFrame } from "#app/places/album/frame.tsx";
import { frameView } from "#app/places/album/view.ts";
import { firstEveningOf } from "#app/places/month/first-view.ts";
import type { loader as rootLoader } from "#app/root.tsx";
import { picturesOfDays } from "#store/first-evening.ts";
import type { Route } from "./+types/album";

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const soon = firstEveningOf(aggregate, 0);
  const asks = soon?.some(({ step, open }) => open && step === "pictures");
  const { householdId, album } = { householdId: member.household.id, album: aggregate.album };
  const onRoll = asks ? await reading(() => picturesOfDays(context.db, householdId, album.span)) : 0;
  const { goesAt, timeZone } = member.household;
  const who = { id: member.id, role: member.role, goes: goesAt && saidAt(goesAt, timeZone) };
  return frameView(aggregate, context.wall(member), who, onRoll > 0 ? firstEveningOf(aggregate, onRoll) : soon);
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
