import { redirect } from "react-router";
import type { Route } from "./+types/sign-out";

export async function action({ context }: Route.ActionArgs) {
  return redirect("/sign-in", { headers: { "Set-Cookie": await context.auth.signOut() } });
}

export function loader() {
  return redirect("/");
}
