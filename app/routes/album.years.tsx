import { data } from "react-router";
import { readForm } from "#app/http/body.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { reading, requireAlbum, writing } from "#app/http/page.ts";
import { type NextAlbumAnswer, Years, type YearsView } from "#app/places/finish/years.tsx";
import { countedAgain, notedBefore, traditionsOf } from "#core/finish/next-year.ts";
import { askedAgain, builtAgain } from "#core/finish/years.ts";
import { TEXT } from "#core/words/text-schema.ts";
import { readAlbums } from "#store/album.ts";
import { noteForNext } from "#store/next-year.ts";
import type { Route } from "./+types/album.years";

export const meta: Route.MetaFunction = () => [{ title: "Year to year · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs): Promise<YearsView> {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const all = await reading(() => readAlbums(context.db, member.household.id));
  const others = all.filter(({ album }) => album.id !== aggregate.album.id);
  const [here, ...there] = [aggregate, ...others].map(({ album, days, matters, leaves, tallies }) => ({
    ...album,
    ...{ days, matters, leaves, tallies },
  }));
  if (!here) throw new Error("the album itself is among its albums");
  return {
    ...{ albumId: here.id, others: there.length, nextYear: here.nextYear },
    noted: notedBefore(here.span, there),
    traditions: traditionsOf(here, there),
    counted: countedAgain(here, there, context.wall(member).date),
    asked: askedAgain([here, ...there]),
    built: builtAgain(here, there),
  };
}

/** Keeps what is noted for the next album, over what was seen there. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await readForm(request, ["was", "text"]);
  const [was, text] = [form.get("was"), form.get("text")].map((each) => TEXT.safeDecode(String(each ?? "")));
  if (!was?.success || !text?.success) throw data(null, { status: 400 });
  return writing(async (): Promise<NextAlbumAnswer> => {
    const { author } = await requireAlbum(context, params.album);
    return noteForNext(context.db, author, was.data, text.data);
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function YearsRoute({ loaderData }: Route.ComponentProps) {
  return <Years {...loaderData} />;
}
