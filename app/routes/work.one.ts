import { data } from "react-router";
import { z } from "zod";
import { readJson } from "#app/http/body.ts";
import { isId, notFound, reading, requireMember, writing } from "#app/http/page.ts";
import type { WorkTold } from "#app/places/background/work-sender.ts";
import { beginWork, cancelWork, partsOf, readAgain, readWork } from "#store/work.ts";
import type { Route } from "./+types/work.one";

/** How a piece of the household's work goes: what its page asks for while it waits. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const member = await requireMember(context);
  const found = isId(params.work) ? await reading(() => readWork(context.db, member.household.id, params.work)) : null;
  if (!found) throw notFound();
  const { state, done, whole, outcome } = found;
  const parts = state === "gathering" ? await reading(() => partsOf(context.db, found.id)) : [];
  return Response.json({ state, done, whole, outcome, parts } as WorkTold, {
    headers: { "Cache-Control": "private, no-store" },
  });
}

const ACT = z.object({ act: z.enum(["begin", "cancel", "read-as-copy"]) });

export async function action({ request, params, context }: Route.ActionArgs) {
  const sent = ACT.safeParse(await readJson(request));
  if (!sent.success) throw data(null, { status: 400 });
  return writing(async () => {
    const member = await requireMember(context, "helper");
    const { work } = params;
    if (!isId(work)) throw notFound();
    const isOwn = async () => (await readWork(context.db, member.household.id, work))?.memberId === member.id;
    if (member.role !== "keeper" && !(await isOwn())) throw notFound();
    const does = { begin: beginWork, cancel: cancelWork, "read-as-copy": readAgain }[sent.data.act];
    const ok = await does(context.db, member.household.id, work);
    context.poke();
    return { ok };
  });
}
