import { reading } from "#app/http/page.ts";
import { requireShare } from "#app/http/require-share.ts";
import { answerPicture } from "#app/http/shared.ts";
import type { Route } from "./+types/album.shared-picture";

/** A picture of an opening as a link will show it, for its household. */
export async function loader({ params, context }: Route.LoaderArgs) {
  return reading(async () => answerPicture(context, await requireShare(context, params.album, params.share), params));
}
