import { data } from "react-router";
import { z } from "zod";
import { readJson } from "#app/http/body.ts";
import { notFound, requireMember, writing } from "#app/http/page.ts";
import type { WorkAnswer } from "#app/places/background/work-sender.ts";
import { LONG_DOCUMENT } from "#core/document/asked.ts";
import { LIMITS } from "#core/limits.ts";
import { askWork, keptBytes } from "#store/work.ts";
import type { Route } from "./+types/work";

const ASKED = z.discriminatedUnion("kind", [
  z.object({
    kind: z.literal("read-archive"),
    id: z.uuid(),
    copy: z.boolean(),
    bytes: z.int().positive().max(LIMITS.archiveBytes.most),
  }),
  z.object({ kind: z.literal("write-archive"), id: z.uuid(), albumId: z.uuid(), forWhom: z.enum(["self", "others"]) }),
  z.object({ kind: z.literal("write-household"), id: z.uuid() }),
  z.object({ kind: z.literal("write-document"), id: z.uuid(), albumId: z.uuid(), document: LONG_DOCUMENT }),
]);

/** Asks for something that takes longer than a page may wait for; how it goes is told at the work's own address. */
export async function action({ request, context }: Route.ActionArgs) {
  const sent = ASKED.safeParse(await readJson(request));
  if (!sent.success) throw data(null, { status: 400 });
  return writing(async (): Promise<WorkAnswer> => {
    // What is looked at on paper or screen is a helper's too; an album as a file is a keeper's.
    const member = await requireMember(context, sent.data.kind === "write-document" ? "helper" : "keeper");
    const householdId = member.household.id;
    const { id, kind } = sent.data;
    const common = { id, householdId, memberId: member.id, kind, at: context.now };
    const today = context.wall(member).date;
    if (sent.data.kind === "write-household") {
      const work = await askWork(context.db, { ...common, asked: { today }, fileBytes: null });
      context.poke();
      return typeof work === "string" ? { ok: false, reason: work } : { ok: true };
    }
    if (sent.data.kind === "write-archive" || sent.data.kind === "write-document") {
      const { kind: _, id: __, albumId, ...what } = sent.data;
      if (!(await context.album(householdId, albumId))) return { ok: false, reason: "not-found" };
      const asked = { albumId, ...what, today };
      const work = await askWork(context.db, { ...common, asked, fileBytes: null });
      context.poke();
      return typeof work === "string" ? { ok: false, reason: work } : { ok: true };
    }
    const { copy, bytes } = sent.data;
    const room = (await keptBytes(context.db, householdId)) + bytes <= context.room;
    if (!room) return { ok: false, reason: "no-room" };
    const work = await askWork(context.db, { ...common, asked: { copy, bytes }, fileBytes: bytes });
    return typeof work === "string" ? { ok: false, reason: work } : { ok: true };
  });
}

export const loader = () => {
  throw notFound();
};
