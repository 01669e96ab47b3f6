import { parseCookie, stringifySetCookie } from "cookie";
import type { Look } from "#app/parts/look-switch.tsx";

const NAME = "look";
const YEAR = 365 * 86_400;

/** The look that this device keeps; the system's where it keeps none. */
export function lookOf(request: Request): Look {
  const kept = parseCookie(request.headers.get("cookie") ?? "")[NAME];
  return kept === "day" || kept === "night" ? kept : "system";
}

/** Has this device keep a look for a year. */
export const keepLook = (look: "day" | "night"): string =>
  stringifySetCookie(NAME, look, { path: "/", maxAge: YEAR, sameSite: "lax" });
