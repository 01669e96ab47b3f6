import { data, useRouteLoaderData } from "react-router";
import { readJson } from "#app/http/body.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { reading, requireAlbum, writing } from "#app/http/page.ts";
import { RULER_ACT, type RulerAnswer } from "#app/places/bulk/acts.ts";
import { Bulk } from "#app/places/bulk/bulk.tsx";
import { bulkData } from "#app/places/bulk/data.ts";
import { readThings } from "#store/drawer.ts";
import { thingsOn } from "#store/leaf-row.ts";
import { forgetMeasured, keepMeasured } from "#store/ruler.ts";
import type { Route } from "./+types/album.bulk";
import type { loader as albumLoader } from "./album.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Bulk · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const things = await reading(() => readThings(context.db, member.household.id, thingsOn(aggregate.leaves)));
  return bulkData(aggregate, things);
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const sent = RULER_ACT.safeParse(await readJson(request));
  if (!sent.success) throw data(null, { status: 400 });
  return writing(async (): Promise<RulerAnswer> => {
    const { author } = await requireAlbum(context, params.album);
    const { act, mark } = sent.data;
    return act === "measured" ? keepMeasured(context.db, author, mark) : forgetMeasured(context.db, author, mark);
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function BulkRoute({ loaderData }: Route.ComponentProps) {
  const album = useRouteLoaderData<typeof albumLoader>("routes/album");
  return album ? <Bulk data={loaderData} today={album.wallDate} /> : null;
}
