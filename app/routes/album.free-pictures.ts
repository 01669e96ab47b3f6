import { notFound, reading, requireAlbum } from "#app/http/page.ts";
import { pageOf } from "#app/places/album/view.ts";
import type { FreeForDay } from "#app/places/day/free-pictures.tsx";
import { pagesOf } from "#core/album/page.ts";
import { parseDate } from "#core/month/dates.ts";
import { freePictures, pictureWords } from "#store/roll.ts";
import type { Route } from "./+types/album.free-pictures";

const MOST = 40;

/** The pictures that a day may have: its own that lie on no page yet, and those that were banked; and what is written in its own. */
export async function loader({ params, context }: Route.LoaderArgs): Promise<FreeForDay> {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const page = pageOf(pagesOf(aggregate), parseDate(params.date));
  if (!page) throw notFound();
  const dates = page.days.map(({ date }) => date);
  const { id: household } = member.household;
  const [all, words] = await reading(() =>
    Promise.all([
      freePictures(context.db, household, aggregate.album.id, dates, MOST),
      pictureWords(context.db, household, dates),
    ]),
  );
  const jotted = new Set(page.days.flatMap(({ content }) => content.jottings.map(({ text }) => text.trim())));
  const isOwn = (date: string | null) => dates.some((each) => each === date);
  return {
    words: words.filter(({ text }) => !jotted.has(text.trim())),
    own: all.filter(({ date }) => isOwn(date)),
    banked: all.filter(({ date }) => !isOwn(date)),
  };
}
