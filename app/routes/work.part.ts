import { data } from "react-router";
import { isId, notFound, requireMember, writing } from "#app/http/page.ts";
import { keepPart } from "#store/work.ts";
import type { Route } from "./+types/work.part";

/** Takes one part of a file that a work waits for. Sent twice, because its answer was lost, it is there once. */
export async function action({ request, params, context }: Route.ActionArgs) {
  return writing(async () => {
    const member = await requireMember(context);
    const place = Number(params.part);
    if (!isId(params.work) || !/^\d{1,6}$/.test(params.part)) throw notFound();
    if (!request.headers.get("content-type")?.startsWith("application/octet-stream")) throw data(null, { status: 400 });
    const bytes = Buffer.from(await request.arrayBuffer());
    return { ok: await keepPart(context.db, member.household.id, params.work, place, bytes) };
  });
}

export const loader = () => {
  throw notFound();
};
