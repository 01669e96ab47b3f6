import { data } from "react-router";
import { jsonIn, readForm } from "#app/http/body.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { notFound, reading, requireAlbum, writing } from "#app/http/page.ts";
import { bookData } from "#app/places/book/data.ts";
import { Foundations } from "#app/places/foundations/foundations.tsx";
import { many } from "#app/wording/count.ts";
import { pagesOf } from "#core/album/page.ts";
import { toDatedPage } from "#core/book/dated-page.ts";
import { PATTERN } from "#core/book/edit-schema.ts";
import { dressPage, type Pattern, previewPattern } from "#core/book/pattern.ts";
import { readBook } from "#core/book/read.ts";
import { templatesFor } from "#core/book/shipped-templates.ts";
import { COPIED, type Template, templateOf } from "#core/book/template.ts";
import { parseDate } from "#core/month/dates.ts";
import { clean } from "#core/words/clean.ts";
import type { AlbumAggregate } from "#store/album.ts";
import { setFoundations } from "#store/foundations.ts";
import { journaled } from "#store/journal/line.ts";
import { readTemplates, saveTemplate } from "#store/library/pages.ts";
import type { Route } from "./+types/album.foundations";

export const meta: Route.MetaFunction = () => [{ title: "Foundation pages · Hearth Clock" }];

/** The side that the address asks to copy or keep, as a template: `leaf.face`. */
function takenFrom({ album, days, leaves, prints, layouts }: AlbumAggregate, asked: string | null): Template | null {
  const [leafId, face] = asked?.split(".") ?? [];
  if (!leafId || (face !== "front" && face !== "back")) return null;
  const read = readBook(album, pagesOf({ album, days, leaves, prints }), leaves, layouts).leaves.find(
    ({ leaf }) => leaf.id === leafId,
  );
  const side = read?.[face];
  if (!read || !side) return null;
  const name = side.page?.label ? `As on page ${side.page.label}` : "As on that leaf";
  return templateOf(
    side.pieces.map(({ piece }) => piece),
    side.content,
    { id: COPIED, name, page: read.build.page, kind: read.build.kind, layout: read.build.layout?.id ?? null },
  );
}

/** Whether a pattern is for days that were picked, and not for the month. */
const isForSome = ({ cycle, rules }: Pattern): boolean =>
  cycle.length === 0 && rules.every(({ when }) => when === "dates");

function asked(request: Request) {
  const query = new URL(request.url).searchParams;
  const keeping = query.has("keep");
  const dates = (query.get("days") ?? "").split(",").flatMap((text) => parseDate(text) ?? []);
  return { side: query.get("keep") ?? query.get("copy"), keeping, dates };
}

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  const own = await reading(() => readTemplates(context.db, member.household.id));
  const { side, keeping, dates } = asked(request);
  return {
    data: bookData(aggregate),
    templates: templatesFor(aggregate.album.format.nominal, own),
    own: own.map(({ id }) => id),
    taken: takenFrom(aggregate, side),
    last: aggregate.album.pattern,
    keeping,
    dates,
  };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await readForm(request, ["intent", "name", "pattern"]);
  return writing(async () => {
    const { aggregate, author } = await requireAlbum(context, params.album);
    const { householdId } = author;
    const taken = takenFrom(aggregate, asked(request).side);
    switch (form.get("intent")) {
      case "keep": {
        const name = clean(String(form.get("name") ?? "")).trim();
        if (!taken) throw notFound();
        if (name === "" || name.length > 120) return { ok: false as const, reason: "no-name" as const };
        const kept = { what: "stash", how: "kept", thing: "template" } as const;
        await journaled(context.db, author, kept, (tx) => saveTemplate(tx, householdId, { ...taken, name }));
        return { ok: true as const, said: `${name} is kept, for every album with pages of this size.` };
      }
      case "set": {
        const sent = PATTERN.safeParse(jsonIn(form.get("pattern")));
        if (!sent.success) throw data(null, { status: 400 });
        const own = await readTemplates(context.db, householdId);
        const templates = [...(taken ? [taken] : []), ...templatesFor(aggregate.album.format.nominal, own)];
        const { album, days, leaves, prints, layouts } = aggregate;
        const pages = pagesOf({ album, days, leaves, prints }).map(toDatedPage);
        const book = readBook(album, pages, leaves, layouts);
        const set = previewPattern(sent.data, templates, pages, book).flatMap(({ page, outcome }) => {
          const dayId = page.days[0]?.id;
          if (outcome.kind !== "sets" || !dayId) return [];
          const pieces = dressPage(page, outcome.template, book, () => crypto.randomUUID());
          return [{ dayId, leaf: outcome.leaf?.leaf.id ?? null, make: outcome.make, pieces }];
        });
        // One for single days, or of a side that is copied, is no pattern of the month.
        const count = await setFoundations(context.db, author, set, isForSome(sent.data) ? null : sent.data);
        if (count === 0) return { ok: false as const, reason: "not-taken" as const };
        return {
          ok: true as const,
          said: `${many(count, "page is", "pages are")} set. “Take back” undoes all of them.`,
        };
      }
      default:
        throw data(null, { status: 400 });
    }
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function FoundationsRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { taken, keeping, dates } = loaderData;
  return <Foundations key={`${taken?.name}${keeping}${dates.join()}`} {...loaderData} answer={actionData ?? null} />;
}
