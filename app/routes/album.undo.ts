import { redirect } from "react-router";
import { sendOrKeep } from "#app/http/keep-page.ts";
import { isId, notFound, requireMember, writing } from "#app/http/page.ts";
import { undoLastChange } from "#store/day.ts";
import type { Route } from "./+types/album.undo";

export async function action({ params, context }: Route.ActionArgs) {
  return writing(async () => {
    const member = await requireMember(context);
    if (!isId(params.album)) throw notFound();
    return undoLastChange(context.db, {
      householdId: member.household.id,
      albumId: params.album,
      memberId: member.id,
      at: context.now,
    });
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);

export const loader = ({ params }: Route.LoaderArgs) => redirect(`/albums/${params.album}/month`);
