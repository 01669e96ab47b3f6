import { to } from "#app/addresses.ts";
import { countEntries } from "#app/sending/entry.ts";
import { useSending } from "#app/sending/sending.tsx";
import { OFFLINE, UNKEPT, waitingSaid } from "#app/wording/sending.ts";
import { useOffline } from "./use-offline.ts";

/** In one sentence what is not saved yet and why, whatever it is and wherever it was done; nothing while all goes well. */
export function Unsaved({ at }: { at: "top" | "here" }) {
  const { state } = useSending();
  const isOffline = useOffline();
  const { trouble, unkept, entries } = state;
  const waits = trouble !== null && entries.length > 0;
  if (!waits && !unkept && !isOffline) return null;
  return (
    <p
      role="alert"
      className={`not-printed font-medium ${at === "top" ? "sticky top-0 z-20 border-b-2 border-ember bg-panel px-5 py-2" : "border-l-4 border-ember pl-3"}`}
    >
      {unkept ? UNKEPT : waits ? waitingSaid(trouble, isOffline, countEntries(entries)) : OFFLINE}
      {waits && trouble === "signed-out" && (
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
