import { requireMember } from "#app/http/page.ts";
import { PHONE_NAMES } from "#demo/phone.ts";
import type { Route } from "./+types/phone";

/** What is on the simulated phone, by name. */
export async function loader({ context }: Route.LoaderArgs) {
  await requireMember(context);
  return Response.json(PHONE_NAMES, { headers: { "Cache-Control": "private, no-store" } });
}
