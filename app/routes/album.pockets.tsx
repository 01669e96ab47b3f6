import { data } from "react-router";
import { readForm } from "#app/http/body.ts";
import { JSON_TEXT } from "#app/http/json-text.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { requireAlbum, writing } from "#app/http/page.ts";
import { Pockets } from "#app/places/pockets/pockets.tsx";
import { LAYOUT_DRAFT } from "#core/book/edit-schema.ts";
import { readLayout } from "#core/book/layout.ts";
import { openingOf } from "#core/book/read.ts";
import { clean } from "#core/words/clean.ts";
import { journaled } from "#store/journal/line.ts";
import { saveLayout } from "#store/library/pages.ts";
import type { Route } from "./+types/album.pockets";

export const meta: Route.MetaFunction = () => [{ title: "Pockets · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { aggregate } = await requireAlbum(context, params.album);
  const { id, format, unit } = aggregate.album;
  return { albumId: id, format, unit, own: aggregate.layouts };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await readForm(request, ["intent", "id", "name", "layout"]);
  return writing(async () => {
    const { aggregate, author } = await requireAlbum(context, params.album);
    const { householdId } = author;
    switch (form.get("intent")) {
      case "save": {
        const name = clean(String(form.get("name") ?? "")).trim();
        if (name === "" || name.length > 120) return { ok: false as const, reason: "no-name" as const };
        const draft = JSON_TEXT.pipe(LAYOUT_DRAFT).safeParse(form.get("layout"));
        const goes = draft.success && readLayout(draft.data, openingOf(draft.data.page, aggregate.album.format)).ok;
        if (!draft.success || !goes) return { ok: false as const, reason: "bad-layout" as const };
        const { data: layout } = draft;
        const saved = await journaled(context.db, author, { what: "stash", how: "kept", thing: "layout" }, (tx) =>
          saveLayout(tx, householdId, { name, ...layout }),
        );
        if (!saved) return { ok: false as const, reason: "too-many" as const };
        return { ok: true as const, said: `${name} is saved. It is offered wherever pockets are chosen.` };
      }
      default:
        throw data(null, { status: 400 });
    }
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function PocketsRoute({ loaderData, actionData }: Route.ComponentProps) {
  return <Pockets {...loaderData} answer={actionData ?? null} />;
}
