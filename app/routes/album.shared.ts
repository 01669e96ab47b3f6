import { to } from "#app/addresses.ts";
import { reading } from "#app/http/page.ts";
import { requireShare } from "#app/http/require-share.ts";
import { answerOpening } from "#app/http/shared.ts";
import type { Route } from "./+types/album.shared";

/** One opening exactly as whoever gets the link will see it, for its household, whether it is open yet or not. */
export async function loader({ params: { album, share, opening }, context }: Route.LoaderArgs) {
  return reading(async () =>
    answerOpening(context, await requireShare(context, album, share), to.previewed(album, share), opening),
  );
}
