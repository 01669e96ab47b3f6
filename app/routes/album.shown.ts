import { to } from "#app/addresses.ts";
import { reading } from "#app/http/page.ts";
import { requireShown } from "#app/http/require-shown.ts";
import { answerOpening } from "#app/http/shared.ts";
import type { Route } from "./+types/album.shown";

/** One opening of an album, for somebody of its household who only looks: what a link shows of which nothing is kept back. */
export async function loader({ params: { album, opening }, context }: Route.LoaderArgs) {
  return reading(async () =>
    answerOpening(context, await requireShown(context, album), to.shown(album), opening, to.shelf()),
  );
}
