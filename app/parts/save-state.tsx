import { useIsWaiting, useOutbox } from "#app/sending/sending.tsx";

/** In one word whether everything is safe on the server; the frame has it said aloud. */
export function SaveState() {
  const { state, albumId } = useOutbox();
  const waits = useIsWaiting();
  if ((waits && state.trouble) || state.unkept) {
    return (
      <span className="font-semibold text-flame">{state.unkept ? "Not saved yet" : "Kept here, not yet saved"}</span>
    );
  }
  if (state.clashes.length > 0) return <span className="font-semibold text-flame">Choose whose words</span>;
  if (waits) return <span className="text-on-soot-quiet">Saving</span>;
  return <span className="text-on-soot-quiet">{state.savedIn.includes(albumId) ? "Saved" : ""}</span>;
}
