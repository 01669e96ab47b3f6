import { createReadableStreamFromReadable } from "@react-router/node";
import { isId, notFound, requireAlbum } from "#app/http/page.ts";
import { pageName } from "#app/places/album/view.ts";
import { allPagesOf } from "#core/album/matter.ts";
import { attachment } from "#core/format/attachment.ts";
import { asMade } from "#core/sheet/printing.ts";
import { packOrder } from "#press/lab-order.ts";
import { readOriginal } from "#store/photo.ts";
import type { Route } from "./+types/album.lab-file";

/** An order as it goes to a lab: a ZIP of files of each print's size, and a list. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  if (!isId(params.order) || params.file !== "order.zip") throw notFound();
  const made = new Map(
    aggregate.prints
      .filter(({ from }) => from.kind === "lab" && from.id === params.order)
      .map((each) => [each.of, each]),
  );
  const prints = allPagesOf(aggregate).flatMap((page) =>
    page.content.photos.flatMap((use) => {
      const print = made.get(use.id);
      return print ? [{ use: asMade(use, print), day: pageName(page) }] : [];
    }),
  );
  if (prints.length === 0) throw notFound();
  const zip = packOrder(prints, (id) => readOriginal(context.db, member.household.id, id), context.now);
  return new Response(createReadableStreamFromReadable(zip), {
    headers: {
      "Content-Type": "application/zip",
      "Content-Disposition": attachment(`${aggregate.album.title} lab order`, "zip"),
      "Cache-Control": "private, no-store",
    },
  });
}
