import { useRouteLoaderData } from "react-router";
import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { requireAlbum } from "#app/http/page.ts";
import { Month } from "#app/places/month/month.tsx";
import { monthView } from "#app/places/month/view.ts";
import type { loader as rootLoader } from "#app/root.tsx";
import { parseDate } from "#core/month/dates.ts";
import type { Route } from "./+types/album.month";
import type { loader as albumLoader } from "./album.tsx";

const MINUTES = [20, 45, 90] as const;

export const meta: Route.MetaFunction = () => [{ title: "Month · Hearth Clock" }];

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const query = new URL(request.url).searchParams;
  const minutes = MINUTES.find((each) => String(each) === query.get("minutes")) ?? 45;
  const view = monthView(aggregate, context.wall(member).date, { date: parseDate(query.get("day") ?? ""), minutes });
  return { view, asked: query.get("as") };
}

export const shouldRevalidate = revalidateWhenReached;

export default function MonthRoute({ loaderData }: Route.ComponentProps) {
  const album = useRouteLoaderData<typeof albumLoader>("routes/album");
  const root = useRouteLoaderData<typeof rootLoader>("root");
  return album ? (
    <Month {...loaderData} rows={album.rows} phone={root?.phone ?? false} minuteChoices={MINUTES} />
  ) : null;
}
