import { notFound, requireAlbum } from "#app/http/page.ts";
import { attachment } from "#core/format/attachment.ts";
import { punchGuide } from "#core/sheet/true-size.ts";
import { sheetPdf, sheetSvg } from "#press/sheet.ts";
import type { Route } from "./+types/album.punch-guide";

const NO_PHOTOS = async () => null;

/** The album's holes at true size, as PDF or SVG. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { aggregate } = await requireAlbum(context, params.album);
  const { format, unit } = aggregate.album;
  const { ending } = params;
  if (ending !== "pdf" && ending !== "svg") throw notFound();
  const build = punchGuide(format, unit);
  const body =
    ending === "pdf" ? new Uint8Array(await sheetPdf(build, NO_PHOTOS, context.now)) : await sheetSvg(build, NO_PHOTOS);
  return new Response(body, {
    headers: {
      "Content-Type": ending === "pdf" ? "application/pdf" : "image/svg+xml",
      "Content-Disposition": attachment(`Punch guide ${format.name}`, ending),
      "Cache-Control": "private, no-store",
    },
  });
}
