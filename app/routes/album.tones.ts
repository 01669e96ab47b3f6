import { reading, requireAlbum } from "#app/http/page.ts";
import type { TonesAnswer } from "#app/places/seen-through/use-tones.ts";
import { photoIdsOf } from "#core/photo/together.ts";
import { tonesOf } from "#store/photo.ts";
import type { Route } from "./+types/album.tones";

/** How light and how uneven the pictures of the album are, those of its papers too: fetched once a page that asks is alive. */
export async function loader({ params, context }: Route.LoaderArgs): Promise<TonesAnswer> {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const { days, matters, leaves } = aggregate;
  const used = [...days, ...matters].flatMap(({ content }) => content.photos.flatMap(photoIdsOf));
  const papers = leaves.flatMap(({ make, front, back }) =>
    [make, ...(front.pieces ?? []), ...(back.pieces ?? [])].flatMap(({ of }) => of?.shows?.photoId ?? []),
  );
  const tones = await reading(() => tonesOf(context.db, member.household.id, [...new Set([...used, ...papers])]));
  return { tones: Object.fromEntries(tones) };
}

/** Pictures change little while a page is open: it is asked again by the next that opens. */
export const shouldRevalidate = () => false;
