import { isId, notFound, reading, requireAlbum } from "#app/http/page.ts";
import { leafName } from "#app/places/arrange/boards.ts";
import { FACES } from "#core/album/leaf.ts";
import { pagesOf } from "#core/album/page.ts";
import { shared } from "#core/album/secrecy.ts";
import { readBook } from "#core/book/read.ts";
import { attachment } from "#core/format/attachment.ts";
import { leafSheet } from "#core/sheet/true-size.ts";
import { sheetPdf, sheetSvg } from "#press/sheet.ts";
import { readOriginal } from "#store/photo.ts";
import type { Route } from "./+types/album.leaf-file";

/** One side of a leaf at true size, as PDF or SVG. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const { album, days, leaves, layouts } = aggregate;
  const [name = "", ending = ""] = params.file.split(".");
  const face = FACES.find((each) => each === name);
  if (!face || !isId(params.leaf) || (ending !== "pdf" && ending !== "svg")) throw notFound();
  // A page that is handed on shows a private card without its words.
  const today = context.wall(member).date;
  const open = days.map((day) => ({ ...day, content: shared(day.content, today) }));
  const read = readBook(album, pagesOf({ album, days: open, leaves }), leaves, layouts).leaves.find(
    ({ leaf }) => leaf.id === params.leaf,
  );
  if (!read) throw notFound();
  const title = `${album.title}, ${leafName(read, album.unit)}, ${face}`;
  const build = leafSheet(read, face, album.format, album.unit, title);
  const bytesOf = (photoId: string) => readOriginal(context.db, member.household.id, photoId);
  const body = await reading(async () =>
    ending === "pdf" ? new Uint8Array(await sheetPdf(build, bytesOf, context.now)) : await sheetSvg(build, bytesOf),
  );
  return new Response(body, {
    headers: {
      "Content-Type": ending === "pdf" ? "application/pdf" : "image/svg+xml",
      "Content-Disposition": attachment(title, ending),
      "Cache-Control": "private, no-store",
    },
  });
}
