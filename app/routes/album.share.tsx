import { data } from "react-router";
import { to } from "#app/addresses.ts";
import { readForm } from "#app/http/body.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { isId, reading, requireAlbum, writing } from "#app/http/page.ts";
import type { ShareAnswer } from "#app/places/share/answer.ts";
import { Share } from "#app/places/share/share.tsx";
import { shareView } from "#app/places/share/view.ts";
import { parseDate, printShort, wallClock } from "#core/month/dates.ts";
import { GOES_OUT } from "#core/share/goes-out-schema.ts";
import { clean } from "#core/words/clean.ts";
import { addShare, changeShare, closeShare, openShare, readShares, removeShare } from "#store/share.ts";
import type { Route } from "./+types/album.share";

export const meta: Route.MetaFunction = () => [{ title: "Share · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { member, aggregate, author } = await requireAlbum(context, params.album);
  const links = await reading(() => readShares(context.db, author));
  const saidAt = (at: Date) => printShort(wallClock(at.getTime(), member.household.timeZone).date);
  return shareView(aggregate, links, context.wall(member).date, saidAt);
}

/** What an address begins with, as the one who asks sees ours. */
const originOf = (request: Request): string => request.headers.get("origin") ?? new URL(request.url).origin;

const jsonOf = (text: string): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
};

export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await readForm(request, ["intent", "id", "name", "date", "goes"]);
  const said = (name: string) => String(form.get(name) ?? "");
  const id = said("id");
  if (!isId(id)) throw data(null, { status: 400 });
  return writing(async (): Promise<ShareAnswer> => {
    const { author } = await requireAlbum(context, params.album);
    const { db } = context;
    switch (form.get("intent")) {
      case "add": {
        const name = clean(said("name")).trim().slice(0, 200);
        return name === "" ? { ok: false, reason: "no-name" } : addShare(db, author, id, name);
      }
      case "name": {
        const name = clean(said("name")).trim().slice(0, 200);
        return name === "" ? { ok: false, reason: "no-name" } : changeShare(db, author, id, { name });
      }
      case "ends": {
        const date = said("date");
        const endsOn = date === "" ? null : parseDate(date);
        if (date !== "" && !endsOn) return { ok: false, reason: "not-a-day" };
        return changeShare(db, author, id, { endsOn });
      }
      case "choose": {
        const goes = GOES_OUT.safeParse(jsonOf(said("goes")));
        if (!goes.success) throw data(null, { status: 400 });
        return changeShare(db, author, id, { goes: goes.data });
      }
      case "open": {
        const opened = await openShare(db, author, id);
        return opened.ok ? { ok: true, address: `${originOf(request)}${to.shared(opened.secret)}` } : opened;
      }
      case "close":
        return closeShare(db, author, id);
      case "remove":
        return removeShare(db, author, id);
      default:
        throw data(null, { status: 400 });
    }
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function ShareRoute({ loaderData }: Route.ComponentProps) {
  return <Share view={loaderData} />;
}
