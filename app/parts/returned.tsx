import { useId } from "react";
import { Button } from "#app/parts/button.tsx";
import { picturesIn, type Returned, wordsIn } from "#app/sending/entry.ts";
import { useSending } from "#app/sending/sending.tsx";
import { BOOK_PROBLEM } from "#app/wording/book.ts";
import { many } from "#app/wording/count.ts";
import { EDIT_PROBLEM } from "#app/wording/day.ts";
import { SLOT_PROBLEM } from "#app/wording/month.ts";
import { PHOTO_PROBLEM } from "#app/wording/photo.ts";

const WHY: Record<string, string> = {
  ...SLOT_PROBLEM,
  ...EDIT_PROBLEM,
  ...BOOK_PROBLEM,
  "too-many": "There are as many as are kept already.",
  "not-found": "What they belong to is not in this album any more.",
  "not-taken": "The server would not take them: perhaps this page is older than the program is now.",
  broken: "The server made a mistake over them, three times.",
};
export const whyReturned = (reason: string): string =>
  WHY[reason] ?? (reason in PHOTO_PROBLEM ? "A picture with them was not taken." : "Nothing was changed.");

/** What the server would not take, given back to whoever wrote it, until they say what becomes of it. */
export function ReturnedWords({ returned }: { returned: readonly Returned[] }) {
  if (returned.length === 0) return null;
  return (
    <section aria-label="Words that could not be saved" className="grid gap-3 border-b border-line bg-panel px-5 py-3">
      {returned.map((each) => (
        <OneReturned key={each.entry.id} returned={each} />
      ))}
    </section>
  );
}

function OneReturned({ returned: { entry, reason } }: { returned: Returned }) {
  const { sendAgain, letGo } = useSending();
  const id = useId();
  const words = wordsIn(entry.sent);
  const pictures = picturesIn(entry).length;
  return (
    <div role="alert" className="grid max-w-3xl gap-2 border-l-4 border-ember pl-3">
      <label htmlFor={id} className="font-medium">
        These words could not be saved. {whyReturned(reason)}
      </label>
      <textarea id={id} readOnly rows={Math.min(6, words.split("\n").length + 1)} value={words} className="field" />
      {pictures > 0 && <p className="text-sm">With {many(pictures, "picture")}, kept on this device.</p>}
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
