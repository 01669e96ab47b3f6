import { data } from "react-router";
import { readForm } from "#app/http/body.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { notFound, reading, requireAlbum, writing } from "#app/http/page.ts";
import { FORMAT_FIELDS, type FormatText, readFormat } from "#app/places/measure/format-form.ts";
import { Measure } from "#app/places/measure/measure.tsx";
import { stopWords } from "#app/wording/fit.ts";
import { stopsFitting } from "#core/book/stops-fitting.ts";
import { clean } from "#core/words/clean.ts";
import { updateAlbum } from "#store/album.ts";
import { settleFirst } from "#store/first-evening.ts";
import { journaled } from "#store/journal/line.ts";
import { keepFormat, readFormats } from "#store/library/pages.ts";
import type { Route } from "./+types/album.measure";

export const meta: Route.MetaFunction = () => [{ title: "Measure the book · Hearth Clock" }];

const MOST_SAID = 8;

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const { id, version, format, unit } = aggregate.album;
  const measured = await reading(() => readFormats(context.db, member.household.id));
  return {
    albumId: id,
    version,
    format,
    unit,
    measured: measured.map((each) => ({ id: each.id, name: each.format.name })),
  };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await readForm(request, ["intent", "version", ...FORMAT_FIELDS]);
  const intent = form.get("intent");
  return writing(async () => {
    const { aggregate, author } = await requireAlbum(context, params.album);
    const { album } = aggregate;
    const { householdId } = author;
    const text = Object.fromEntries(
      FORMAT_FIELDS.map((name) => [name, clean(String(form.get(name) ?? ""))]),
    ) as FormatText;
    const read = readFormat(text, album.unit);
    if (!read.ok) return { ok: false as const, reason: "fields" as const, errors: read.errors };
    if (intent === "keep") {
      await journaled(context.db, author, { what: "stash", how: "kept", thing: "format" }, (tx) =>
        keepFormat(tx, householdId, album.unit, read.format),
      );
      return { ok: true as const, said: `${read.format.name} is kept: a new album can begin with it.` };
    }
    if (intent !== "save" && intent !== "save-anyway") throw data(null, { status: 400 });
    const stops = intent === "save" ? stopsFitting(aggregate, read.format) : [];
    if (stops.length > 0) {
      const pieces = stops.slice(0, MOST_SAID).map((stop) => stopWords(stop, album.unit));
      return { ok: false as const, reason: "stops-fitting" as const, pieces, more: stops.length - pieces.length };
    }
    const { id, archiveId: _, version: __, firstSettled: ___, ...plan } = album;
    const saved = await journaled(context.db, author, { what: "measures" }, async (tx) => {
      const updated = await updateAlbum(tx, householdId, id, Number(form.get("version")), {
        ...plan,
        format: read.format,
      });
      if (updated.ok) await settleFirst(tx, author, ["measure"]);
      return updated;
    });
    if (!saved.ok && saved.reason === "not-found") throw notFound();
    return saved.ok
      ? { ok: true as const, said: "Saved. Everything drawn follows these measures." }
      : { ok: false as const, reason: "changed-since" as const };
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function MeasureRoute({ loaderData, actionData }: Route.ComponentProps) {
  return <Measure {...loaderData} answer={actionData ?? null} />;
}
