import { useRouteLoaderData } from "react-router";
import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { notFound, reading, requireAlbum } from "#app/http/page.ts";
import { DayBench } from "#app/places/day/day-bench.tsx";
import { SetAsideDay } from "#app/places/day/set-aside.tsx";
import { type DayView, dayView, setAsideView } from "#app/places/day/view.ts";
import { parseDate, printShort, wallClock } from "#core/month/dates.ts";
import { readOtherYears } from "#store/other-years.ts";
import type { Route } from "./+types/album.day";
import type { loader as albumLoader } from "./album.tsx";

const titled = (view: DayView | null | undefined): string =>
  view ? `${view.label || view.when} ${view.parts[0]?.content.title ?? ""} · ` : "";

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${titled(loaderData?.view)}Hearth Clock` }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const date = parseDate(params.date);
  const saidAt = (iso: string) => {
    const { date: on, time } = wallClock(Date.parse(iso), member.household.timeZone);
    return `${printShort(on)}, ${time}`;
  };
  const view = date && dayView(aggregate, date, saidAt);
  if (view) {
    const { span } = aggregate.album;
    const years = await reading(() => readOtherYears(context.db, member.household.id, span, date));
    return { view, years, aside: null };
  }
  const aside = date && setAsideView(aggregate, date);
  if (!aside) throw notFound();
  return { view: null, years: [], aside };
}

export const shouldRevalidate = revalidateWhenReached;

export default function DayRoute({ loaderData: { view, years, aside } }: Route.ComponentProps) {
  const album = useRouteLoaderData<typeof albumLoader>("routes/album");
  if (aside) return <SetAsideDay aside={aside} />;
  return album ? <DayBench key={view.date} view={view} rows={album.rows} today={album.wallDate} years={years} /> : null;
}
