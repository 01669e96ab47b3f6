import { data } from "react-router";
import type { Route } from "./+types/look";

/** Remembers the look on this device for a year. */
export async function action({ request }: Route.ActionArgs) {
  const look = (await request.formData()).get("look") === "night" ? "night" : "day";
  return data({ look }, { headers: { "Set-Cookie": `look=${look}; Path=/; Max-Age=31536000; SameSite=Lax` } });
}
