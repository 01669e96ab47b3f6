import { data } from "react-router";
import { z } from "zod";
import { readForm } from "#app/http/body.ts";
import { withFile } from "#app/http/files.ts";
import { JSON_TEXT } from "#app/http/json-text.ts";
import { revalidateWhenReached, sendOrKeep } from "#app/http/keep-page.ts";
import { requireAlbum, writing } from "#app/http/page.ts";
import type { PlanAnswer } from "#app/places/plan-table/answer.ts";
import { PlanTable } from "#app/places/plan-table/plan-table.tsx";
import { many } from "#app/wording/count.ts";
import { isPlanHead, PLAN_FIELDS, readPlanTable } from "#core/format/plan-table.ts";
import { LIMITS } from "#core/limits.ts";
import { LINE, TEXT } from "#core/words/text-schema.ts";
import { readCsv } from "#press/csv.ts";
import { decode } from "#press/decode-text.ts";
import { takePlan } from "#store/plan-table.ts";
import type { Route } from "./+types/album.plan-table";

export const meta: Route.MetaFunction = () => [{ title: "The plan as a table · Hearth Clock" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { aggregate } = await requireAlbum(context, params.album);
  return { albumId: aggregate.album.id };
}

const FILE = { file: "file", most: LIMITS.planTableBytes.most, fields: [] };
const CHANGES = z
  .array(
    z
      .object({ dayId: z.uuid(), field: z.enum(PLAN_FIELDS), was: z.string().max(200_000), becomes: TEXT })
      .refine(({ field, becomes }) => field !== "title" || LINE.safeParse(becomes).success),
  )
  .max(LIMITS.planRows.most);

/** A file is read and what it would change is told; what is chosen of that comes back, and is taken over. */
export async function action({ request, params, context }: Route.ActionArgs) {
  if (request.headers.get("content-type")?.startsWith("multipart/form-data"))
    return withFile(request, FILE, ({ file }) =>
      writing(async (): Promise<PlanAnswer> => {
        const { aggregate } = await requireAlbum(context, params.album);
        if (!file || file.bytes === 0) return { ok: false, reason: "no-file" };
        if (file.tooLarge) return { ok: false, reason: "too-large" };
        const { text, encoding } = decode(await file.read());
        const read = readPlanTable(readCsv(text, isPlanHead), aggregate);
        if (!read.ok) return read;
        const { changes, passed, columns } = read;
        return { ok: true, read: { changes, passed, columns, guessed: encoding === "guessed" } };
      }),
    );
  const form = await readForm(request, ["changes"]);
  const sent = JSON_TEXT.pipe(CHANGES).safeParse(form.get("changes"));
  if (!sent.success) throw data(null, { status: 400 });
  return writing(async (): Promise<PlanAnswer> => {
    const { author } = await requireAlbum(context, params.album);
    const { taken, left } = await takePlan(context.db, author, sent.data);
    if (taken === 0) return { ok: false, reason: "not-found" };
    const beside = left > 0 ? ` ${many(left, "thing was", "things were")} changed meanwhile and left as they are.` : "";
    return { ok: true, said: `${many(taken, "change")} taken over.${beside}` };
  });
}

export const clientAction = (args: Route.ClientActionArgs) => sendOrKeep(args);
export const shouldRevalidate = revalidateWhenReached;

export default function PlanTableRoute({ loaderData }: Route.ComponentProps) {
  return <PlanTable {...loaderData} />;
}
