import { useRouteLoaderData } from "react-router";
import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { notFound, requireAlbum } from "#app/http/page.ts";
import { DayBench } from "#app/places/day/day-bench.tsx";
import { matterView } from "#app/places/day/view.ts";
import { printShort, wallClock } from "#core/month/dates.ts";
import type { Route } from "./+types/album.page";
import type { loader as albumLoader } from "./album.tsx";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.parts[0]?.content.title || (loaderData?.matter?.name ?? "")} · Hearth Clock` },
];

/** A page of the front or back matter on its bench. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const saidAt = (iso: string) => {
    const { date, time } = wallClock(Date.parse(iso), member.household.timeZone);
    return `${printShort(date)}, ${time}`;
  };
  const view = matterView(aggregate, params.entry, saidAt);
  if (!view) throw notFound();
  return view;
}

export const shouldRevalidate = revalidateWhenReached;

export default function PageRoute({ loaderData }: Route.ComponentProps) {
  const album = useRouteLoaderData<typeof albumLoader>("routes/album");
  return album ? <DayBench key={loaderData.key} view={loaderData} rows={album.rows} today={album.wallDate} /> : null;
}
