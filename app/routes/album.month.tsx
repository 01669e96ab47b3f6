import { data, useRouteLoaderData } from "react-router";
import { readForm } from "#app/http/body.ts";
import { endsFor } from "#app/http/ends-for.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { reading, requireAlbum, writing } from "#app/http/page.ts";
import { standingOf } from "#app/places/month/first-view.ts";
import { Month } from "#app/places/month/month.tsx";
import { monthView } from "#app/places/month/view.ts";
import { tonightOf } from "#app/places/pace/evening-view.ts";
import type { loader as rootLoader } from "#app/root.tsx";
import { STEP_TO_DO } from "#app/wording/day.ts";
import { parseDate, wallClock } from "#core/month/dates.ts";
import { FIRST_STEPS, isFirstStep } from "#core/pace/first-evening.ts";
import { settleFirst } from "#store/first-evening.ts";
import { journaled } from "#store/journal/line.ts";
import { lastTouched } from "#store/journal/read.ts";
import { readPace } from "#store/pace.ts";
import type { Route } from "./+types/album.month";
import type { loader as albumLoader } from "./album.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Month · Hearth Clock" }];

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { member, aggregate, author } = await requireAlbum(context, params.album);
  const query = new URL(request.url).searchParams;
  const today = context.wall(member).date;
  const pace = await reading(() => readPace(context.db, author));
  const ends = await endsFor(context, member, aggregate, today);
  const tonight = tonightOf(aggregate, pace, today, query.get("minutes"), ends);
  const view = monthView(aggregate, today, parseDate(query.get("day") ?? ""), tonight);
  const dayOf = (iso: string) => wallClock(Date.parse(iso), member.household.timeZone).date;
  const written = [...aggregate.lastWrites.values()].map(({ at }) => at).sort();
  const last = written.at(-1);
  let standing = standingOf(aggregate, today, last ? dayOf(last) : null, (step) => STEP_TO_DO[step]);
  // Pieces moved and pages ticked are no words of a day: asked only of an album that looks long left.
  const touched = standing && (await reading(() => lastTouched(context.db, aggregate.album.id)));
  if (touched) standing = standingOf(aggregate, today, dayOf(touched.toISOString()), (step) => STEP_TO_DO[step]);
  return { view, standing, asked: query.get("as") };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await readForm(request, ["intent", "step"]);
  const step = String(form.get("step"));
  if (form.get("intent") !== "leave" || !(step === "all" || isFirstStep(step))) throw data(null, { status: 400 });
  return writing(async () => {
    const { author } = await requireAlbum(context, params.album);
    await journaled(context.db, author, { what: "first-evening" }, (tx) =>
      settleFirst(tx, author, step === "all" ? FIRST_STEPS : [step]),
    );
    return { ok: true as const };
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);

export const shouldRevalidate = revalidateWhenReached;

export default function MonthRoute({ loaderData }: Route.ComponentProps) {
  const album = useRouteLoaderData<typeof albumLoader>("routes/album");
  const root = useRouteLoaderData<typeof rootLoader>("root");
  return album ? <Month {...loaderData} rows={album.rows} first={album.first} phone={root?.phone ?? false} /> : null;
}
