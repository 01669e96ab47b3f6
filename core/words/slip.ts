/** What a deck is drawn for: a cue for the words, or something to try with one's hands. */
export const JARS = ["prompt", "technique"] as const;
export type Jar = (typeof JARS)[number];

/** When a slip may be dealt: any day, only on its date in any year (`MM-DD`), or on some weekdays (1 Monday to 7 Sunday). */
export type On =
  | { readonly kind: "any" }
  | { readonly kind: "date"; readonly date: string }
  | { readonly kind: "weekdays"; readonly days: readonly number[] };
export const ANY_DAY: On = { kind: "any" };

/** One cue. Its kind keeps neighbours different when a month is dealt. */
export type Slip = { readonly id: string; readonly kind: string; readonly text: string; readonly on: On };
export type Deck = { readonly id: string; readonly name: string; readonly jar: Jar; readonly slips: readonly Slip[] };
