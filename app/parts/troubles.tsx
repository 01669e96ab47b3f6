import { to } from "#app/addresses.ts";
import { useOutbox } from "#app/sending/outbox-provider.tsx";
import { BOOK_PROBLEM } from "#app/wording/book.ts";
import { EDIT_PROBLEM } from "#app/wording/day.ts";
import { SLOT_PROBLEM } from "#app/wording/month.ts";
import { UNKEPT, UNREACHABLE } from "#app/wording/sending.ts";

/** What could not be saved and why, in the place it was tried. */
export function Troubles() {
  const { state } = useOutbox();
  if (state.trouble || state.unkept) {
    return (
      <p role="alert" className="my-3 border-l-4 border-ember pl-3 font-medium">
        {state.unkept ? UNKEPT : state.trouble && UNREACHABLE[state.trouble]}
        {state.trouble === "signed-out" && (
          <>
            {" "}
            <a href={to.signIn()} target="_blank" rel="noreferrer" className="link">
              Sign in, in a window beside this one
            </a>
          </>
        )}
      </p>
    );
  }
  if (!state.refused) return null;
  const words: Record<string, string> = { ...SLOT_PROBLEM, ...EDIT_PROBLEM, ...BOOK_PROBLEM };
  return (
    <p role="alert" className="my-3 border-l-4 border-ember pl-3 font-medium">
      {words[state.refused] ?? "That could not be done. Nothing was changed."}
    </p>
  );
}
