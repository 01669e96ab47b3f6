import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { requireAlbum } from "#app/http/page.ts";
import { openerLines } from "#app/places/finish/openers-view.ts";
import { WhatOpens } from "#app/places/finish/what-opens.tsx";
import { printSize } from "#core/measure/size.ts";
import type { Route } from "./+types/album.what-opens";

export const meta: Route.MetaFunction = () => [{ title: "What opens where · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { aggregate } = await requireAlbum(context, params.album);
  const { id, format, unit } = aggregate.album;
  return { albumId: id, openers: openerLines(aggregate), pageSaid: printSize(format.nominal, unit) };
}

export const shouldRevalidate = revalidateWhenReached;

export default function WhatOpensRoute({ loaderData }: Route.ComponentProps) {
  return <WhatOpens {...loaderData} />;
}
