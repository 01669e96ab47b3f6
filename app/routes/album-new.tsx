import { redirect } from "react-router";
import { to } from "#app/addresses.ts";
import { PLAN_FIELDS, parseNewAlbum } from "#app/http/album-form.ts";
import { readForm } from "#app/http/body.ts";
import { sendOrKeep } from "#app/http/keep-page.ts";
import { reading, requireMember, writing } from "#app/http/page.ts";
import { NewAlbum } from "#app/places/new-album/new-album.tsx";
import { newAlbumView } from "#app/places/new-album/view.ts";
import { presetById } from "#core/album/formats.ts";
import { createAlbum } from "#store/album.ts";
import { readFormats } from "#store/library/pages.ts";
import type { Route } from "./+types/album-new";

export const meta: Route.MetaFunction = () => [{ title: "New album · Hearth Clock" }];

export async function loader({ context }: Route.LoaderArgs) {
  const member = await requireMember(context);
  const measured = await reading(() => readFormats(context.db, member.household.id));
  return newAlbumView(context.wall(member).date, measured);
}

export async function action({ request, context }: Route.ActionArgs) {
  const form = await readForm(request, ["book", ...PLAN_FIELDS]);
  return writing(async () => {
    const member = await requireMember(context);
    const parsed = parseNewAlbum(form, await readFormats(context.db, member.household.id));
    if (!parsed.ok) return { ok: false as const, reason: "fields" as const, errors: parsed.errors };
    // Measures of one's own were taken with a ruler.
    const isMeasured = presetById(String(form.get("book"))) === undefined;
    const album = await createAlbum(context.db, member.household.id, parsed.plan, isMeasured ? ["measure"] : []);
    throw redirect(to.month(album));
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);

export default function NewAlbumRoute({ loaderData, actionData }: Route.ComponentProps) {
  return <NewAlbum {...loaderData} answer={actionData ?? null} />;
}
