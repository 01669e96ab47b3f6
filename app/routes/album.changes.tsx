import { data } from "react-router";
import { readForm } from "#app/http/body.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { isId, notFound, reading, requireAlbum, requireAuthor, requireMember, writing } from "#app/http/page.ts";
import { namesIn, saidAt, turnAnswer } from "#app/http/turn.ts";
import { Changes } from "#app/places/changes/changes.tsx";
import { inRuns } from "#app/places/changes/runs.ts";
import { didSentence } from "#app/wording/journal.ts";
import { onceOnly } from "#store/act.ts";
import { readJournal } from "#store/journal/read.ts";
import { turnLine } from "#store/journal/take-back.ts";
import type { Route } from "./+types/album.changes";

export const meta: Route.MetaFunction = () => [{ title: "Changes · Hearth Clock" }];

/** So many changes are shown at once; earlier ones by going on. */
const AT_ONCE = 60;

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { member, aggregate, author } = await requireAlbum(context, params.album);
  const before = Number(new URL(request.url).searchParams.get("before")) || null;
  const lines = await reading(() => readJournal(context.db, author, AT_ONCE + 1, before));
  const names = namesIn(aggregate);
  const shown = lines.slice(0, AT_ONCE);
  return {
    albumId: aggregate.album.id,
    more: lines.length > AT_ONCE ? (shown.at(-1)?.seq ?? null) : null,
    isFirst: before === null,
    lines: inRuns(
      shown.map(({ id, at, by, isOwn, did, takenBack, open }) => ({
        id,
        at: saidAt(at, member.household.timeZone),
        by: isOwn ? null : (by ?? "Somebody"),
        said: didSentence(did, names),
        takenBack,
        // What others did is a keeper's to take back.
        open: open && (isOwn || author.role === "keeper"),
      })),
    ),
  };
}

/** Takes a change back, or does it again: the member's own last one, or the line that is named. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await readForm(request, ["way", "line", "act"]);
  const way = form.get("way");
  const [line, act] = [form.get("line"), form.get("act")].map((id) => (id === null ? null : String(id)));
  const isWay = way === "back" || way === "again";
  if (!isWay || [line, act].some((id) => id != null && !isId(id))) throw data(null, { status: 400 });
  return writing(async () => {
    const member = await requireMember(context, "helper");
    const author = await requireAuthor(context, params.album, "helper");
    const turned = await onceOnly(context.db, author.householdId, act ?? null, (db) =>
      turnLine(db, author, way, line ?? null, author.role !== "keeper"),
    );
    const aggregate = await context.album(author.householdId, author.albumId);
    if (!aggregate) throw notFound();
    return turnAnswer(turned, way, aggregate, member.household.timeZone);
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function ChangesRoute({ loaderData, actionData }: Route.ComponentProps) {
  return <Changes {...loaderData} answer={actionData ?? null} />;
}
