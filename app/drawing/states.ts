import { RINGS, type RingState, type RingStates } from "#core/album/steps.ts";

/** The five ring states of a page as five letters, rim inward: d done, b begun, o open, n not needed. */
export type StateCode = string & { readonly __code: "rings" };
export type StateLetter = "d" | "b" | "o" | "n";

const LETTER: Record<RingState, StateLetter> = { done: "d", begun: "b", open: "o", "not-needed": "n" };
const STATE: Record<StateLetter, RingState> = { d: "done", b: "begun", o: "open", n: "not-needed" };

export const codeOf = (states: RingStates): StateCode =>
  RINGS.map((ring) => LETTER[states[ring]]).join("") as StateCode;
export const stateAt = (code: StateCode, ring: number): StateLetter => (code[ring] ?? "o") as StateLetter;
export const stateNamed = (code: StateCode, ring: number): RingState => STATE[stateAt(code, ring)];
