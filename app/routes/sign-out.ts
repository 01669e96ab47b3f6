import { redirect } from "react-router";
import { withCookies } from "#app/http/page.ts";
import type { Route } from "./+types/sign-out";

export async function action({ context }: Route.ActionArgs) {
  return redirect("/sign-in", { headers: withCookies(await context.auth.signOut()) });
}

export function loader() {
  return redirect("/");
}
