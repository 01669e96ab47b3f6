import { createReadableStreamFromReadable } from "@react-router/node";
import { attachment } from "#app/http/download.ts";
import { reading, requireAlbum } from "#app/http/page.ts";
import { packAlbum } from "#press/archive.ts";
import type { Route } from "./+types/album.archive";

/** The album as an archive; `?places=out` takes the places out of its photos. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const places = new URL(request.url).searchParams.get("places") !== "out";
  const zip = await reading(() =>
    packAlbum(context.db, member.household.id, aggregate, places, context.wall(member).date, context.now),
  );
  return new Response(createReadableStreamFromReadable(zip), {
    headers: {
      "Content-Type": "application/zip",
      "Content-Disposition": attachment(aggregate.album.title, "zip"),
      "Cache-Control": "private, no-store",
    },
  });
}
