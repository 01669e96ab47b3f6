import { data } from "react-router";
import { readJson } from "#app/http/body.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { reading, requireAlbum, writing } from "#app/http/page.ts";
import { CUT_ACT, type CutAnswer } from "#app/places/paper-cutting/acts.ts";
import { PaperCutting } from "#app/places/paper-cutting/paper-cutting.tsx";
import { paperCuttingView } from "#app/places/paper-cutting/view.ts";
import { cutSheet, readDrawer } from "#store/drawer.ts";
import { usesOf } from "#store/uses.ts";
import type { Route } from "./+types/album.paper-cutting";

export const meta: Route.MetaFunction = () => [{ title: "Cut from paper · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const things = await reading(() => readDrawer(context.db, member.household.id));
  return paperCuttingView(aggregate.album, things, usesOf(aggregate).uses);
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const sent = CUT_ACT.safeParse(await readJson(request));
  if (!sent.success) throw data(null, { status: 400 });
  return writing(async (): Promise<CutAnswer> => {
    const { author } = await requireAlbum(context, params.album);
    return cutSheet(context.db, author, sent.data);
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function PaperCuttingRoute({ loaderData }: Route.ComponentProps) {
  return <PaperCutting view={loaderData} />;
}
