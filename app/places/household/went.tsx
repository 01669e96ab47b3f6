import { Outcome } from "#app/parts/outcome.tsx";
import { Said } from "#app/parts/said.tsx";
import type { Answer } from "./answer.ts";

/** Why something was not done, and what stays as it was; nothing where it was done. */
export function Went({ answer, kept }: { answer: Answer | null; kept: string }) {
  if (!answer || answer.ok) return null;
  return "said" in answer ? <Said good={false}>{answer.said}</Said> : <Outcome answer={answer} why={{}} kept={kept} />;
}
