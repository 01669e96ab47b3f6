import { reading } from "#app/http/page.ts";
import { answerPicture, lookedAt } from "#app/http/shared.ts";
import type { Route } from "./+types/shared-picture";

/** A picture of an opening that a link shows. */
export async function loader({ params, context }: Route.LoaderArgs) {
  return reading(async () => answerPicture(context, await lookedAt(context, params.secret), params));
}
