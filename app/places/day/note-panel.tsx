import { PRIVATE_MEANS, PrivateUntil, privateSaid } from "#app/parts/private-until.tsx";
import { usePut } from "#app/sending/sending.tsx";
import { KeptText } from "./kept-fields.tsx";
import type { DayPart, DayView } from "./view.ts";

/** Whatever does not belong on the page: a loose end, a name to ask for; and whether the day is private. */
/** What the next album is told on the same day. */
function ForNextYear({ part, view }: { part: DayPart; view: DayView }) {
  const of = view.parts.length > 1 ? ` of ${part.dateSaid}` : "";
  return (
    <KeptText
      part={part}
      name="next-year"
      label={`For next year${of}`}
      text={part.content.nextYear}
      toEdit={(text) => ({ kind: "next-year", text })}
      placeholder="For next year: what to do otherwise"
    />
  );
}

export function NotePanel({ view }: { view: DayView }) {
  const put = usePut();
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
      {view.parts.map((part) => (
        <ForNextYear key={part.id} part={part} view={view} />
      ))}
      {view.parts.map((part) => (
        <div key={part.id} className="grid gap-1 text-sm">
          <PrivateUntil
            name={view.parts.length > 1 ? part.dateSaid : view.matter ? "this page" : "this day"}
            until={part.content.privateUntil}
            onKeep={(privateUntil) =>
              put(`${part.id}:private`, {
                what: "edit",
                dayId: part.id,
                base: null,
                edit: { kind: "day-private", privateUntil },
              })
            }
          />
          {part.content.privateUntil && (
            <p className="text-quiet">
              {privateSaid(part.content.privateUntil)} All of it: title, note, prompt, words, pictures and where they
              lie. {PRIVATE_MEANS}
            </p>
          )}
        </div>
      ))}
    </section>
  );
}
