import { useOutbox } from "#app/sending/outbox-provider.tsx";

/** In one word whether everything is safe on the server; said aloud when it is not. */
export function SaveState() {
  const { state } = useOutbox();
  if (state.trouble || state.unkept) {
    return (
      <span role="status" className="font-semibold text-flame">
        {state.unkept ? "Not saved yet" : "Kept here, not yet saved"}
      </span>
    );
  }
  if (state.clashes.length > 0) return <span className="font-semibold text-flame">Choose whose words</span>;
  if (state.entries.length > 0) return <span className="text-on-soot-quiet">Saving</span>;
  return <span className="text-on-soot-quiet">{state.savedOnce ? "Saved" : ""}</span>;
}
