import type { ReactNode } from "react";
import { type Away, isAway, nothingDone } from "#app/wording/sending.ts";
import { Said } from "./said.tsx";

/** What a form is answered: done, with what was done in words, or refused for a reason. */
type Answer<Why extends string> =
  | { readonly ok: true; readonly said?: string }
  | { readonly ok: false; readonly reason: Why };

/**
 * What came of a form, where it was sent from; nothing where it was done without a word. `why` has the words for each
 * refusal, null for one that is said elsewhere; `kept` says what is still there when nobody answered.
 */
export function Outcome<Why extends string>({
  answer,
  done,
  why,
  kept,
}: {
  answer: Answer<Why> | null;
  /** Said where the answer has no words of its own. */
  done?: string;
  why: Readonly<Record<Exclude<Why, Away>, ReactNode>>;
  kept: string;
}) {
  if (!answer) return null;
  const said = answer.ok
    ? (answer.said ?? done)
    : isAway(answer.reason)
      ? nothingDone(answer.reason, kept)
      : why[answer.reason as Exclude<Why, Away>];
  return said ? <Said good={answer.ok}>{said}</Said> : null;
}
