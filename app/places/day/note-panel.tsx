import { KeptText } from "./kept-fields.tsx";
import type { DayView } from "./view.ts";

/** Whatever does not belong on the page: a loose end, a name to ask for. */
export function NotePanel({ view }: { view: DayView }) {
  return (
    <section aria-labelledby="note-name" className="grid gap-2 border-b border-line py-3.5">
      <h2 id="note-name" className="text-lg">
        Note to self
      </h2>
      {view.parts.map((part) => (
        <KeptText
          key={part.id}
          part={part}
          name="note"
          label={view.parts.length > 1 ? `Note for ${part.dateSaid}` : "Note"}
          text={part.content.note}
          toEdit={(text) => ({ kind: "note", text })}
          placeholder="A loose end, a name to ask for"
        />
      ))}
    </section>
  );
}
