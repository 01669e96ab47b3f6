import { redirect } from "react-router";
import { readForm } from "#app/http/body.ts";
import { keepLook } from "#app/http/look.ts";
import { ownPath } from "#app/http/page.ts";
import type { Route } from "./+types/look";

/** The path the request came from, on this host; the home page when it does not say. */
function cameFrom(request: Request): string {
  const referer = request.headers.get("referer");
  if (!referer || !URL.canParse(referer)) return "/";
  const { host, pathname, search } = new URL(referer);
  return host === request.headers.get("host") ? ownPath(pathname + search, "/") : "/";
}

/** Remembers the look on this device for a year, and goes back. */
export async function action({ request }: Route.ActionArgs) {
  const look = (await readForm(request, ["look"])).get("look") === "night" ? "night" : "day";
  return redirect(cameFrom(request), {
    headers: { "Set-Cookie": keepLook(look) },
  });
}

export const loader = () => redirect("/");
