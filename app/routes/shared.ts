import { to } from "#app/addresses.ts";
import { reading } from "#app/http/page.ts";
import { answerOpening, lookedAt } from "#app/http/shared.ts";
import type { Route } from "./+types/shared";

/** One opening of an album, for whoever has the link: no session, no scripts of ours but what turns a page. */
export async function loader({ params: { secret, opening }, context }: Route.LoaderArgs) {
  return reading(async () => answerOpening(context, await lookedAt(context, secret), to.shared(secret), opening));
}
