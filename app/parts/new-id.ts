/** A new id, also on a page that came over plain http, where the browser's own maker of ids is not there. */
export function newId(): string {
  if (typeof crypto.randomUUID === "function") return crypto.randomUUID();
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  // Version 4 and its variant. Source: RFC 9562, 5.4.
  bytes[6] = ((bytes[6] ?? 0) & 0x0f) | 0x40;
  bytes[8] = ((bytes[8] ?? 0) & 0x3f) | 0x80;
  const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, "0")).join("");
  return [8, 12, 16, 20, 32].map((to, at, all) => hex.slice(all[at - 1] ?? 0, to)).join("-");
}
