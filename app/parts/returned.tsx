import { useId } from "react";
import { Button } from "#app/parts/button.tsx";
import { type Returned, wordsIn } from "#app/sending/outbox.ts";
import { useOutbox } from "#app/sending/outbox-provider.tsx";
import { BOOK_PROBLEM } from "#app/wording/book.ts";
import { EDIT_PROBLEM } from "#app/wording/day.ts";
import { SLOT_PROBLEM } from "#app/wording/month.ts";
import { UNREACHABLE } from "#app/wording/sending.ts";

const WHY: Record<string, string> = {
  ...SLOT_PROBLEM,
  ...EDIT_PROBLEM,
  ...BOOK_PROBLEM,
  "not-found": "What they belong to is not in this album any more.",
  "not-taken": "The server would not take them: perhaps this page is older than the program is now.",
  broken: `${UNREACHABLE.broken.split(". ")[0]} over them, three times.`,
};

/** Words that the server would not take, given back to whoever wrote them, until they say what becomes of them. */
export function ReturnedWords() {
  const { state } = useOutbox();
  if (state.returned.length === 0) return null;
  return (
    <section aria-label="Words that could not be saved" className="grid gap-3 border-b border-line bg-panel px-5 py-3">
      {state.returned.map((returned) => (
        <OneReturned key={returned.entry.id} returned={returned} />
      ))}
    </section>
  );
}

function OneReturned({ returned: { entry, reason } }: { returned: Returned }) {
  const { sendAgain, letGo } = useOutbox();
  const id = useId();
  const words = wordsIn(entry.sent);
  return (
    <div role="alert" className="grid max-w-3xl gap-2 border-l-4 border-ember pl-3">
      <label htmlFor={id} className="font-medium">
        These words could not be saved. {WHY[reason] ?? "Nothing was changed."}
      </label>
      <textarea id={id} readOnly rows={Math.min(6, words.split("\n").length + 1)} value={words} className="field" />
      <div className="flex flex-wrap gap-3">
        <Button small onClick={() => sendAgain(entry.id)}>
          Try again
        </Button>
        <Button small look="quiet" onClick={() => void navigator.clipboard?.writeText(words)}>
          Copy them
        </Button>
        <Button small look="quiet" onClick={() => letGo(entry.id)}>
          Let them go
        </Button>
      </div>
    </div>
  );
}
