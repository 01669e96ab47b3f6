import { revalidateWhenReached } from "#app/http/keep-page.ts";
import { isId, notFound, reading, requireAlbum } from "#app/http/page.ts";
import { Cutting } from "#app/places/sheets/cutting.tsx";
import { madeSheet } from "#app/places/sheets/view.ts";
import { readSheets } from "#store/printing.ts";
import type { Route } from "./+types/album.cutting";

export const meta: Route.MetaFunction = () => [{ title: "Cutting · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { aggregate } = await requireAlbum(context, params.album);
  const sheets = isId(params.sheet) ? await reading(() => readSheets(context.db, aggregate.album.id)) : [];
  const sheet = sheets.find(({ id }) => id === params.sheet);
  if (!sheet) throw notFound();
  const { id: albumId, title, unit } = aggregate.album;
  return { albumId, title, unit, sheet: madeSheet(aggregate, sheet) };
}

export const shouldRevalidate = revalidateWhenReached;

export default function CuttingRoute({ loaderData }: Route.ComponentProps) {
  return <Cutting key={loaderData.sheet.id} {...loaderData} />;
}
