import type { Away } from "#app/wording/sending.ts";

/** The part of the page that something was sent from, which says what came of it. */
export type Of = "hands" | "invitations" | "passphrase" | "sessions" | "going";
export type HouseholdAnswer =
  | { readonly ok: true; readonly of: Of /** Of an invitation made just now. */; readonly address?: string }
  | { readonly ok: false; readonly of: Of; readonly said: string };
export type Answer = HouseholdAnswer | { readonly ok: false; readonly reason: Away };
