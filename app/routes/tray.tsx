import { readForm } from "#app/http/body.ts";
import { isUnreachable, revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { isId, reading, requireMember, writing } from "#app/http/page.ts";
import { TrayPlace } from "#app/places/tray/tray-place.tsx";
import { printShort } from "#core/month/dates.ts";
import { setAlbumDeleted } from "#store/album.ts";
import { journaled } from "#store/journal/line.ts";
import { KEPT_KINDS, readKeptTray, takeBackKept } from "#store/library/tray.ts";
import { emptyTray, putBack, putLeafOrTryOutBack, readTray, TRAY_DAYS, TRAY_KINDS } from "#store/tray.ts";
import type { Route } from "./+types/tray";

export const meta: Route.MetaFunction = () => [{ title: "Tray · Hearth Clock" }];

export async function loader({ context }: Route.LoaderArgs) {
  const member = await requireMember(context);
  const [{ albums, pieces, leaves }, kept] = await reading(() =>
    Promise.all([readTray(context.db, member.household.id), readKeptTray(context.db, member.household.id)]),
  );
  const daysLeft = (deletedAt: Date) =>
    Math.max(0, TRAY_DAYS - Math.floor((context.now.getTime() - deletedAt.getTime()) / 86_400_000));
  return {
    albums: albums.map(({ id, title, deletedAt }) => ({ id, title, daysLeft: daysLeft(deletedAt) })),
    kept: kept.map(({ deletedAt, ...each }) => ({ ...each, daysLeft: daysLeft(deletedAt) })),
    leaves: leaves.map(({ deletedAt, date, ...leaf }) => ({
      ...leaf,
      on: date && printShort(date),
      daysLeft: daysLeft(deletedAt),
    })),
    pieces: pieces.map(({ deletedAt, date, ...piece }) => ({
      ...piece,
      on: date && printShort(date),
      daysLeft: daysLeft(deletedAt),
    })),
  };
}

export async function action({ request, context }: Route.ActionArgs) {
  const form = await readForm(request, ["intent", "id"]);
  const id = String(form.get("id"));
  return writing(async () => {
    const member = await requireMember(context);
    const { household } = member;
    switch (form.get("intent")) {
      case "empty":
        await emptyTray(context.db, household.id);
        return { ok: true as const };
      case "album":
        return { ok: isId(id) && (await setAlbumDeleted(context.db, household.id, id, null)) };
      case "leaf":
      case "try-out": {
        const kind = form.get("intent") as "leaf" | "try-out";
        const writer = { memberId: member.id, at: context.now };
        return { ok: isId(id) && (await putLeafOrTryOutBack(context.db, household.id, kind, id, writer)) };
      }
    }
    const own = KEPT_KINDS.find((each) => each === form.get("intent"));
    if (own) {
      const doer = { householdId: household.id, albumId: null, memberId: member.id, at: context.now };
      const did = { what: "stash", how: "put-back", thing: own } as const;
      return {
        ok: isId(id) && (await journaled(context.db, doer, did, (tx) => takeBackKept(tx, household.id, own, id))),
      };
    }
    const kind = TRAY_KINDS.find((each) => each === form.get("intent"));
    const writer = { memberId: member.id, at: context.now };
    return { ok: kind !== undefined && isId(id) && (await putBack(context.db, household.id, kind, id, writer)) };
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function TrayRoute({ loaderData, actionData }: Route.ComponentProps) {
  return <TrayPlace {...loaderData} unreachable={isUnreachable(actionData)} />;
}
