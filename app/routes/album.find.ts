import { reading, requireAlbum } from "#app/http/page.ts";
import { type FoundAnywhere, findAll } from "#app/places/words/view.ts";
import { findPictures } from "#store/roll.ts";
import { readTexts } from "#store/texts.ts";
import type { Route } from "./+types/album.find";

const MOST = 12;

/** What the household's albums have of these words: texts, this album's first, and pictures of the roll. */
export async function loader({ request, params, context }: Route.LoaderArgs): Promise<FoundAnywhere> {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const query = (new URL(request.url).searchParams.get("q") ?? "").trim().slice(0, 100);
  if (query === "") return { query, texts: [], pictures: [] };
  const { id: householdId } = member.household;
  const [texts, pictures] = await reading(() =>
    Promise.all([readTexts(context.db, householdId), findPictures(context.db, householdId, query, MOST)]),
  );
  return { query, texts: findAll(texts, query, aggregate.album.id).slice(0, MOST), pictures };
}
