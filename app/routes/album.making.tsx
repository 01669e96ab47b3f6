import { data, useRouteLoaderData, useSearchParams } from "react-router";
import { readJson } from "#app/http/body.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { notFound, reading, requireAlbum, writing } from "#app/http/page.ts";
import { KEEP_ACT, type KeepAnswer } from "#app/places/bench/acts.ts";
import { Making } from "#app/places/bench/making.tsx";
import { bookData } from "#app/places/book/data.ts";
import { craftOf } from "#core/craft/catalog.ts";
import { keepAs, readMakings } from "#store/library/makings.ts";
import type { Route } from "./+types/album.making";
import type { loader as albumLoader } from "./album.tsx";

export const meta: Route.MetaFunction = ({ params }) => [
  { title: `${craftOf(params.kind)?.name ?? "Bench"} · Hearth Clock` },
];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  if (!craftOf(params.kind)) throw notFound();
  const kept = await reading(() => readMakings(context.db, member.household.id));
  const ofKind = kept.filter(({ kind }) => kind === params.kind);
  return { kind: params.kind, book: bookData(aggregate), kept: ofKind };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const sent = KEEP_ACT.safeParse(await readJson(request));
  if (!sent.success || sent.data.kind !== params.kind || !craftOf(params.kind)) throw data(null, { status: 400 });
  const { act: _, ...making } = sent.data;
  return writing(async (): Promise<KeepAnswer> => {
    const { author } = await requireAlbum(context, params.album);
    const kept = await keepAs(context.db, author, making);
    return kept.ok ? { ok: true, said: `${making.name} is kept: begin others from it, in every album.` } : kept;
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);

export const shouldRevalidate = revalidateWhenReached;

export default function MakingRoute({ loaderData }: Route.ComponentProps) {
  const [query] = useSearchParams();
  const album = useRouteLoaderData<typeof albumLoader>("routes/album");
  return album ? (
    <Making
      key={`${loaderData.kind} ${query.get("like")} ${query.get("kept")}`}
      kind={loaderData.kind}
      data={loaderData.book}
      kept={loaderData.kept}
      dayDate={album.dayDate}
    />
  ) : null;
}
