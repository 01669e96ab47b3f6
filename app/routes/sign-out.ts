import { redirect } from "react-router";
import { to } from "#app/addresses.ts";
import { withCookies } from "#app/http/page.ts";
import type { Route } from "./+types/sign-out";

export async function action({ context }: Route.ActionArgs) {
  return redirect(to.signIn(), { headers: withCookies(await context.auth.signOut()) });
}

export function loader() {
  return redirect("/");
}
