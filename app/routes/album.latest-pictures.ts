import { reading, requireAlbum } from "#app/http/page.ts";
import type { LatestPictures } from "#app/parts/latest-pictures.tsx";
import { latestPictures } from "#store/roll.ts";
import type { Route } from "./+types/album.latest-pictures";

const MOST = 18;

/** The pictures of the roll that came in last. */
export async function loader({ params, context }: Route.LoaderArgs): Promise<LatestPictures> {
  const { member } = await requireAlbum(context, params.album);
  return { pictures: await reading(() => latestPictures(context.db, member.household.id, MOST)) };
}
