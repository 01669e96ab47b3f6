import { Said } from "#app/parts/said.tsx";
import { type Away, isAway, nothingDone } from "#app/wording/sending.ts";
import type { DeckPreview, PromptsAnswer } from "./acts.ts";

const REFUSED: Record<Exclude<Extract<PromptsAnswer, { ok: false }>["reason"], Away>, string> = {
  "no-name": "Give the deck a name. What you wrote is still in the box.",
  "name-taken": "Another deck of yours has that name. What you wrote is still in the box.",
  "no-slips": "There is no slip in it that could be read. Nothing was kept.",
  "too-large": "That file is over a megabyte, which no deck is. Nothing was kept.",
  "not-found": "That deck is not there any more.",
  "nothing-put": "All of these stayed in the jar: something else stands on their days by now.",
};

/** What a deck would be: how many slips, how they begin, and what was taken for the head of a table. */
function Preview({ of: { count, first, head } }: { of: DeckPreview }) {
  return (
    <>
      Nothing is kept yet. {count === 1 ? "One slip was read" : `${count} slips were read`}: {first.join(" · ")}
      {count > first.length && " …"}
      {head !== null && (
        <span className="block font-normal">
          The first line, “{head}”, was taken for the head of a table, because it holds nothing but names of columns. If
          it is a slip, put a word before it.
        </span>
      )}
    </>
  );
}

/** What came of dealing, or of a deck that was handed in: every line that was left out, and why. */
export function DealOutcome({ answer }: { answer: PromptsAnswer | null }) {
  if (!answer) return null;
  const refused = answer.ok ? null : answer.reason;
  if (refused !== null && isAway(refused))
    return <Said good={false}>{nothingDone(refused, "Nothing was changed. Try again.")}</Said>;
  return (
    <Said good={answer.ok}>
      {refused !== null ? (
        REFUSED[refused]
      ) : "preview" in answer ? (
        <Preview of={answer.preview} />
      ) : (
        answer.ok && answer.said
      )}
      {"guessed" in answer &&
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
