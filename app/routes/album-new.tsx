import { redirect } from "react-router";
import { to } from "#app/addresses.ts";
import { PLAN_FIELDS, parseNewAlbum } from "#app/http/album-form.ts";
import { readForm } from "#app/http/body.ts";
import { sendOrKeep } from "#app/http/keep-page.ts";
import { isId, reading, requireMember, writing } from "#app/http/page.ts";
import { NewAlbum } from "#app/places/new-album/new-album.tsx";
import { newAlbumView, oldChoice } from "#app/places/new-album/view.ts";
import { presetById } from "#core/album/formats.ts";
import { bonesOf } from "#core/finish/bones.ts";
import { createAlbum } from "#store/album.ts";
import { albumsToBeginFrom } from "#store/bones.ts";
import { readFormats } from "#store/library/pages.ts";
import type { Route } from "./+types/album-new";

export const meta: Route.MetaFunction = () => [{ title: "New album · Hearth Clock" }];

export async function loader({ context, request }: Route.LoaderArgs) {
  const member = await requireMember(context);
  const { id } = member.household;
  const [measured, olds] = await reading(() =>
    Promise.all([readFormats(context.db, id), albumsToBeginFrom(context.db, id)]),
  );
  const wanted = new URL(request.url).searchParams.get("from");
  return {
    ...newAlbumView(context.wall(member).date, measured),
    olds: olds.map(oldChoice),
    from: olds.find((each) => each.id === wanted)?.id ?? null,
  };
}

export async function action({ request, context }: Route.ActionArgs) {
  const form = await readForm(request, ["book", "from", ...PLAN_FIELDS]);
  return writing(async () => {
    const member = await requireMember(context);
    const { id } = member.household;
    const from = String(form.get("from") ?? "");
    const old = isId(from) ? await context.album(id, from) : null;
    // One that went to the tray meanwhile is told: the new one would be begun from nothing.
    if (from !== "" && !old)
      return { ok: false as const, reason: "fields" as const, errors: { from: "That album is gone. Choose another." } };
    const formats = await readFormats(context.db, id);
    const parsed = parseNewAlbum(form, old ? [...formats, { id: from, format: old.album.format }] : formats);
    if (!parsed.ok) return { ok: false as const, reason: "fields" as const, errors: parsed.errors };
    // Measures of one's own were taken with a ruler.
    const isMeasured = presetById(String(form.get("book"))) === undefined;
    const bones = old && bonesOf({ ...old.album, days: old.days, tallies: old.tallies }, parsed.plan.span);
    const album = await createAlbum(context.db, id, parsed.plan, isMeasured ? ["measure"] : [], bones);
    throw redirect(to.month(album));
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);

export default function NewAlbumRoute({ loaderData, actionData }: Route.ComponentProps) {
  return <NewAlbum {...loaderData} answer={actionData ?? null} />;
}
