import { randomUUID } from "node:crypto";
import { useEffect } from "react";
import { data, redirect, useRouteLoaderData } from "react-router";
import { to } from "#app/addresses.ts";
import { endsFor } from "#app/http/ends-for.ts";
import { jotByForm } from "#app/http/jotted-form.ts";
import { reading, requireMember } from "#app/http/page.ts";
import { rowsOf } from "#app/places/album/view.ts";
import { tonightOf } from "#app/places/pace/evening-view.ts";
import { useKeptToday } from "#app/places/today/keep-today.ts";
import { Today } from "#app/places/today/today.tsx";
import { type TodayView, todayDays, waitingBefore } from "#app/places/today/view.ts";
import type { loader as rootLoader } from "#app/root.tsx";
import { pagesOf } from "#core/album/page.ts";
import { parseDate } from "#core/month/dates.ts";
import { albumsByDate } from "#store/album.ts";
import { notedForDays } from "#store/next-year.ts";
import { readPace } from "#store/pace.ts";
import type { Route } from "./+types/today";

export const meta: Route.MetaFunction = () => [{ title: "Today · Hearth Clock" }];

/** How many other albums there is a way to. */
const MOST_OTHERS = 6;

/**
 * The album that is under way today, by the household's own clock; else the next to come, else the last there was; or
 * another of the household's that is asked for.
 */
export async function loader({ request, context }: Route.LoaderArgs) {
  const member = await requireMember(context);
  const { household } = member;
  const now = context.wall(member);
  const view = await reading(async (): Promise<TodayView> => {
    const all = await albumsByDate(context.db, household.id, now.date);
    const asked = new URL(request.url).searchParams;
    const here = all.find(({ id }) => id === asked.get("album")) ?? all[0];
    const aggregate = here ? await context.album(household.id, here.id) : null;
    const pace = here && (await readPace(context.db, { memberId: member.id, albumId: here.id }));
    return {
      memberId: member.id,
      timeZone: household.timeZone,
      fixedNow: household.fixedNow,
      now,
      album: aggregate && {
        id: aggregate.album.id,
        title: aggregate.album.title,
        rows: rowsOf(pagesOf(aggregate)),
      },
      others: all.filter((each) => each !== here).slice(0, MOST_OTHERS),
      days: aggregate ? todayDays(aggregate) : [],
      tallies: aggregate?.tallies ?? [],
      noted: aggregate ? await notedForDays(context.db, household.id, aggregate.album.span) : [],
      asked: parseDate(asked.get("day") ?? ""),
      evening:
        aggregate && pace
          ? tonightOf(
              aggregate,
              pace,
              now.date,
              asked.get("minutes"),
              await endsFor(context, member, aggregate, now.date),
            )
          : null,
      page: randomUUID(),
      before: aggregate ? waitingBefore(aggregate, now.date) : { pages: 0, minutes: 0 },
    };
  });
  return data(view, { headers: { "Cache-Control": "private, no-cache" } });
}

/** Where the page runs, its words go through the outbox; this is for a browser that sends the field by itself. */
export async function action({ request, context }: Route.ActionArgs) {
  const jotted = await jotByForm(context, request);
  return jotted.ok
    ? redirect(to.today({ album: jotted.album, day: jotted.date }))
    : data({ text: jotted.text, reason: jotted.reason }, { status: 409 });
}

/** What is shown now: where there is no answer to a page read anew, it stays. */
let shown: TodayView | null = null;

export async function clientLoader({ serverLoader }: Route.ClientLoaderArgs): Promise<TodayView> {
  try {
    return await serverLoader();
  } catch (error) {
    // A way to the door is followed; a server or a database that is away takes nothing off the screen.
    if (shown === null || error instanceof Response) throw error;
    return shown;
  }
}

export default function TodayRoute({ loaderData, actionData }: Route.ComponentProps) {
  const root = useRouteLoaderData<typeof rootLoader>("root");
  useKeptToday(loaderData);
  useEffect(() => {
    shown = loaderData;
  }, [loaderData]);
  return (
    <Today view={loaderData} look={root?.look ?? "system"} phone={root?.phone ?? false} notKept={actionData ?? null} />
  );
}
