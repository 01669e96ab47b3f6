import { requireMember } from "#app/http/page.ts";
import type { Route } from "./+types/empty";

/** A page of this stack with nothing on it but the session: what the bench holds the other pages against. */
export async function loader({ context }: Route.LoaderArgs) {
  await requireMember(context);
  return null;
}

export default function Empty() {
  return <main>Nothing here.</main>;
}
