import { data, redirect } from "react-router";
import { to } from "#app/addresses.ts";
import { readJson } from "#app/http/body.ts";
import { sendOrKeep } from "#app/http/keep-page.ts";
import { requireAuthor, writing } from "#app/http/page.ts";
import { ACT } from "#core/format/sent.ts";
import { onceOnly } from "#store/act.ts";
import { undoLastChange } from "#store/day.ts";
import type { Route } from "./+types/album.undo";

export async function action({ request, params, context }: Route.ActionArgs) {
  const act = ACT.safeParse(await readJson(request));
  if (!act.success) throw data(null, { status: 400 });
  return writing(async () => {
    const author = await requireAuthor(context, params.album);
    return onceOnly(context.db, author.householdId, act.data.act ?? null, (db) => undoLastChange(db, author));
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);

export const loader = ({ params }: Route.LoaderArgs) => redirect(to.month(params.album));
