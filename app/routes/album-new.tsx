import { redirect } from "react-router";
import { parseNewAlbum } from "#app/http/album-form.ts";
import { sendOrKeep } from "#app/http/keep-page.ts";
import { requireMember, writing } from "#app/http/page.ts";
import { NewAlbum } from "#app/places/new-album/new-album.tsx";
import { newAlbumView } from "#app/places/new-album/view.ts";
import { createAlbum } from "#store/album.ts";
import type { Route } from "./+types/album-new";

export const meta: Route.MetaFunction = () => [{ title: "New album · Hearth Clock" }];

export async function loader({ context }: Route.LoaderArgs) {
  return newAlbumView(context.wall(await requireMember(context)).date);
}

export async function action({ request, context }: Route.ActionArgs) {
  const parsed = parseNewAlbum(await request.formData());
  if (!parsed.ok) return { ok: false as const, reason: "fields" as const, errors: parsed.errors };
  return writing(async () => {
    const member = await requireMember(context);
    throw redirect(`/albums/${await createAlbum(context.db, member.household.id, parsed.plan)}/month`);
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);

export default function NewAlbumRoute({ loaderData, actionData }: Route.ComponentProps) {
  return <NewAlbum {...loaderData} answer={actionData ?? null} />;
}
