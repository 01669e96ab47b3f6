import { data, Outlet, useRouteLoaderData } from "react-router";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { isId, notFound, requireAlbum, requireMember, writing } from "#app/http/page.ts";
import { AlbumFrame } from "#app/places/album/frame.tsx";
import { frameView } from "#app/places/album/view.ts";
import type { loader as rootLoader } from "#app/root.tsx";
import { SENT } from "#core/album/edit-schema.ts";
import { parseDate } from "#core/month/dates.ts";
import { mergeWithNeighbour, moveStory, setSkipped, split } from "#core/month/slots.ts";
import { changeMonth, movePhoto, saveDayEdit } from "#store/day.ts";
import type { Route } from "./+types/album";

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate } = await requireAlbum(context, params.album);
  return frameView(aggregate, context.wall(member), member.id);
}

/** Every change to a day of the album comes through here, whichever place it was made in. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const sent = SENT.safeParse(await request.json().catch(() => null));
  if (!sent.success) throw data(null, { status: 400 });
  return writing(async () => {
    const member = await requireMember(context);
    if (!isId(params.album)) throw notFound();
    const author = { householdId: member.household.id, albumId: params.album, memberId: member.id, at: context.now };
    const asked = sent.data;
    if (asked.what === "edit") return saveDayEdit(context.db, author, asked.dayId, asked.base, asked.edit);
    if (asked.what === "move-photo") {
      const to = parseDate(asked.to);
      return to
        ? movePhoto(context.db, author, asked.dayId, asked.useId, to)
        : { ok: false as const, reason: "no-such-day" as const };
    }
    return changeMonth(context.db, author, (slots, span) => {
      switch (asked.how) {
        case "skip":
          return setSkipped(slots, span, asked.dayId, asked.on);
        case "merge":
          return mergeWithNeighbour(slots, span, asked.dayId, asked.side);
        case "split":
          return split(slots, span, asked.dayId);
        case "move": {
          const to = parseDate(asked.to);
          return to ? moveStory(slots, span, asked.dayId, to) : { ok: false, reason: "no-such-day" };
        }
      }
    });
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function AlbumRoute({ loaderData }: Route.ComponentProps) {
  const root = useRouteLoaderData<typeof rootLoader>("root");
  return (
    <AlbumFrame view={loaderData} look={root?.look ?? "system"} phone={root?.phone ?? false}>
      <Outlet />
    </AlbumFrame>
  );
}
