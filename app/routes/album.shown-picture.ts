import { reading } from "#app/http/page.ts";
import { requireShown } from "#app/http/require-shown.ts";
import { answerPicture } from "#app/http/shared.ts";
import type { Route } from "./+types/album.shown-picture";

/** A picture of an opening that somebody sees who only looks. */
export async function loader({ params, context }: Route.LoaderArgs) {
  return reading(async () => answerPicture(context, await requireShown(context, params.album), params));
}
