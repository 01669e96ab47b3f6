import type { Away } from "#app/wording/sending.ts";

export type ShareAnswer =
  | { readonly ok: true /** The address of a link that was opened just now. */; readonly address?: string }
  | { readonly ok: false; readonly reason: "not-found" | "too-many" | "no-name" | "not-a-day" | Away };

/** Why nothing was done, in words. */
export const WHY = {
  "not-found": "That link is not there any more.",
  "too-many": "There are forty links to this album. Take one away first.",
  "no-name": "Say whom it is for.",
  "not-a-day": "That is not a date.",
} as const;
