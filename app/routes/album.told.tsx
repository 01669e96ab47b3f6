import { data } from "react-router";
import { jsonIn, readForm } from "#app/http/body.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { notFound, requireAlbum, writing } from "#app/http/page.ts";
import { Told } from "#app/places/told/told.tsx";
import { toldView } from "#app/places/told/view.ts";
import { many } from "#app/wording/count.ts";
import { TOLD_CHANGE } from "#core/album/edit-schema.ts";
import { tellDays } from "#core/month/told.ts";
import { changeMonth } from "#store/day.ts";
import type { Route } from "./+types/album.told";

export const meta: Route.MetaFunction = () => [{ title: "Which days are told · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { aggregate } = await requireAlbum(context, params.album);
  return toldView(aggregate);
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await readForm(request, ["change"]);
  const sent = TOLD_CHANGE.safeParse(jsonIn(form.get("change")));
  if (!sent.success) throw data(null, { status: 400 });
  const { tell, skip } = sent.data;
  return writing(async () => {
    const { author } = await requireAlbum(context, params.album);
    const changed = await changeMonth(context.db, author, { what: "told" }, (slots, span) =>
      tellDays(slots, span, sent.data),
    );
    if (!changed.ok) {
      if (changed.reason === "not-found") throw notFound();
      return { ok: false as const, reason: changed.reason };
    }
    const said = [
      skip.length > 0 && `${many(skip.length, "day")} skipped`,
      tell.length > 0 && `${many(tell.length, "day")} taken up again`,
    ];
    return { ok: true as const, said: `${said.filter(Boolean).join(", ")}. “Take back” undoes it in one.` };
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function ToldRoute({ loaderData, actionData }: Route.ComponentProps) {
  return <Told view={loaderData} answer={actionData ?? null} />;
}
