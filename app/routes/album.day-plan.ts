import { requireAlbum } from "#app/http/page.ts";
import { pagesOf } from "#core/album/page.ts";
import { attachment } from "#core/format/attachment.ts";
import { dayPlanRows } from "#core/format/day-plan.ts";
import { writeCsv } from "#press/csv.ts";
import type { Route } from "./+types/album.day-plan";

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const rows = dayPlanRows(aggregate.album, pagesOf(aggregate), context.wall(member).date);
  return new Response(writeCsv(rows), {
    headers: {
      "Content-Type": "text/csv; charset=utf-8; header=present",
      "Content-Disposition": attachment(aggregate.album.title, "csv"),
      "Cache-Control": "private, no-store",
    },
  });
}
