import { Said, unreachableForm } from "#app/ui/said.tsx";
import type { PromptsAnswer } from "./acts.ts";

const REFUSED: Record<Extract<PromptsAnswer, { ok: false }>["reason"], string> = {
  "no-name": "Give the deck a name. What you wrote is still in the box.",
  "name-taken": "Another deck of yours has that name. What you wrote is still in the box.",
  "no-slips": "There is no slip in it that could be read. Nothing was kept.",
  "too-large": "That file is over a megabyte, which no deck is. Nothing was kept.",
  "not-found": "That deck is not there any more.",
  unreachable: "",
  "store-gone": "",
};

/** What came of dealing, or of a deck that was handed in: every line that was left out, and why. */
export function Outcome({ answer }: { answer: PromptsAnswer | null }) {
  if (!answer) return null;
  if (!answer.ok && (answer.reason === "unreachable" || answer.reason === "store-gone"))
    return <Said good={false}>{unreachableForm(answer.reason, "Nothing was changed. Try again.")}</Said>;
  return (
    <Said good={answer.ok}>
      {answer.ok ? answer.said : REFUSED[answer.reason]}
      {answer.ok &&
        answer.guessed &&
        " Its letters were guessed to be Windows-1252; look whether the accents are right."}
      {answer.troubles && answer.troubles.length > 0 && (
        <ul className="mt-1 text-sm font-normal">
          {answer.troubles.slice(0, 8).map((trouble) => (
            <li key={`${trouble.line} ${trouble.reason}`}>
              Line {trouble.line}{" "}
              {trouble.reason === "too-long"
                ? `is ${trouble.letters} letters long; a slip holds 500. It was left out.`
                : trouble.reason === "double"
                  ? `says the same as line ${trouble.of}. It was left out.`
                  : trouble.reason === "too-many"
                    ? "and those after it were left out: a deck holds 2,000 slips."
                    : `is for “${trouble.said}”, which is no day. It was left out.`}
            </li>
          ))}
          {answer.troubles.length > 8 && <li>And {answer.troubles.length - 8} more.</li>}
        </ul>
      )}
    </Said>
  );
}
