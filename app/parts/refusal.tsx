import { useOutbox } from "#app/sending/sending.tsx";
import { BOOK_PROBLEM } from "#app/wording/book.ts";
import { EDIT_PROBLEM } from "#app/wording/day.ts";
import { SLOT_PROBLEM } from "#app/wording/month.ts";

/** Why the last change was refused for good, in the place it was made. */
export function Refusal() {
  const { state } = useOutbox();
  if (!state.refused) return null;
  const words: Record<string, string> = { ...SLOT_PROBLEM, ...EDIT_PROBLEM, ...BOOK_PROBLEM };
  return (
    <p role="alert" className="my-3 border-l-4 border-ember pl-3 font-medium">
      {words[state.refused.reason] ?? "That could not be done. Nothing was changed."}
    </p>
  );
}
