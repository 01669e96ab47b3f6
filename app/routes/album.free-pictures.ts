import { notFound, reading, requireAlbum } from "#app/http/page.ts";
import { pageOf } from "#app/places/album/view.ts";
import type { FreeForDay } from "#app/places/day/free-pictures.tsx";
import { pagesOf } from "#core/album/page.ts";
import { parseDate } from "#core/month/dates.ts";
import { freePictures } from "#store/roll.ts";
import type { Route } from "./+types/album.free-pictures";

const MOST = 40;

/** The pictures that a day may have: its own that lie on no page yet, and those that were banked. */
export async function loader({ params, context }: Route.LoaderArgs): Promise<FreeForDay> {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const page = pageOf(pagesOf(aggregate), parseDate(params.date));
  if (!page) throw notFound();
  const dates = page.days.map(({ date }) => date);
  const all = await reading(() => freePictures(context.db, member.household.id, aggregate.album.id, dates, MOST));
  const isOwn = (date: string | null) => dates.some((each) => each === date);
  return { own: all.filter(({ date }) => isOwn(date)), banked: all.filter(({ date }) => !isOwn(date)) };
}
