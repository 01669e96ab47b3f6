import { useRouteLoaderData } from "react-router";
import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { notFound, requireAlbum } from "#app/http/page.ts";
import { DayBench } from "#app/places/day/day-bench.tsx";
import { dayView } from "#app/places/day/view.ts";
import { parseDate, printShort, wallClock } from "#core/month/dates.ts";
import type { Route } from "./+types/album.day";
import type { loader as albumLoader } from "./album.tsx";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  {
    title: loaderData
      ? `${loaderData.label} ${loaderData.parts[0]?.content.title ?? ""} · Hearth Clock`
      : "Hearth Clock",
  },
];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const date = parseDate(params.date);
  const saidAt = (iso: string) => {
    const { date: on, time } = wallClock(Date.parse(iso), member.household.timeZone);
    return `${printShort(on)}, ${time}`;
  };
  const view = date ? dayView(aggregate, date, saidAt) : null;
  if (!view) throw notFound();
  return view;
}

export const shouldRevalidate = revalidateWhenReached;

export default function DayRoute({ loaderData }: Route.ComponentProps) {
  const album = useRouteLoaderData<typeof albumLoader>("routes/album");
  return album ? <DayBench key={loaderData.date} view={loaderData} rows={album.rows} /> : null;
}
