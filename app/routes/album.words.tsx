import { readForm } from "#app/http/body.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { reading, requireAlbum, writing } from "#app/http/page.ts";
import { wordsView } from "#app/places/words/view.ts";
import { Words } from "#app/places/words/words.tsx";
import { LIMITS } from "#core/limits.ts";
import { clean } from "#core/words/clean.ts";
import { setPeople } from "#store/household.ts";
import { journaled } from "#store/journal/line.ts";
import { readTexts } from "#store/texts.ts";
import type { Route } from "./+types/album.words";

export const meta: Route.MetaFunction = () => [{ title: "Words · Hearth Clock" }];

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const query = (new URL(request.url).searchParams.get("q") ?? "").trim().slice(0, 100);
  const texts = query === "" ? null : await reading(() => readTexts(context.db, member.household.id));
  return wordsView(aggregate, member.household.people, context.wall(member).date, query, texts);
}

/** Keeps the names of those who are written about. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await readForm(request, ["people"]);
  return writing(async () => {
    const { author } = await requireAlbum(context, params.album);
    const names = clean(String(form.get("people") ?? ""))
      .split(/[,\n]/)
      .map((name) => name.trim().slice(0, 60))
      .filter(Boolean);
    const people = [...new Set(names)].slice(0, LIMITS.peopleNames.most);
    await journaled(context.db, author, { what: "people" }, (tx) => setPeople(tx, author.householdId, people));
    return { ok: true as const };
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function WordsRoute({ loaderData }: Route.ComponentProps) {
  return <Words view={loaderData} />;
}
