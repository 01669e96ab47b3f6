import { data } from "react-router";
import { readJson } from "#app/http/body.ts";
import { carryOut } from "#app/http/carry-out.ts";
import { notFound, requireAuthor, writing } from "#app/http/page.ts";
import { maySend } from "#core/format/helped.ts";
import { ACT, SENT } from "#core/format/sent.ts";
import { onceOnly } from "#store/act.ts";
import type { Route } from "./+types/album.sent";

/** Words, pictures and ticks are a helper's too; what else there is, a keeper's. */
const NOT_YOURS = { ok: false, reason: "not-yours" } as const;

/** Every change to a day or the book of the album comes through here, whichever place it was made in, once under its name. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const body = await readJson(request);
  const sent = SENT.safeParse(body);
  const act = ACT.safeParse(body);
  if (!sent.success || !act.success) throw data(null, { status: 400 });
  return writing(async () => {
    const author = await requireAuthor(context, params.album, "helper");
    if (!maySend(author.role, sent.data)) return NOT_YOURS;
    return onceOnly(context.db, author.householdId, act.data.act ?? null, (db) => carryOut(db, author, sent.data));
  });
}

export const loader = () => {
  throw notFound();
};
