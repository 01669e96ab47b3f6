import { redirect } from "react-router";
import type { Route } from "./+types/look";

/** The path the request came from, on this host; the home page when it does not say. */
function cameFrom(request: Request): string {
  const referer = request.headers.get("referer");
  if (!referer || !URL.canParse(referer)) return "/";
  const { host, pathname, search } = new URL(referer);
  return host === request.headers.get("host") ? pathname + search : "/";
}

/** Remembers the look on this device for a year, and goes back. */
export async function action({ request }: Route.ActionArgs) {
  const look = (await request.formData()).get("look") === "night" ? "night" : "day";
  return redirect(cameFrom(request), {
    headers: { "Set-Cookie": `look=${look}; Path=/; Max-Age=31536000; SameSite=Lax` },
  });
}

export const loader = () => redirect("/");
