import { useState } from "react";
import { useOutbox } from "#app/places/album/outbox-provider.tsx";
import { Button } from "#app/ui/button.tsx";
import { KeptText } from "./kept-fields.tsx";
import { Tray, Without } from "./tray.tsx";
import type { DayView } from "./view.ts";

export function PromptTray({ view }: { view: DayView }) {
  const [first, ...others] = view.parts;
  const [open, setOpen] = useState(false);
  if (!first) return null;
  return (
    <Tray id="prompt" ring="prompt" state={view.states.prompt} name="Prompt" aside={view.promptFrom && `from ${view.promptFrom}`}>
      <KeptText part={first} name="prompt" label="Prompt" saved={first.content.prompt.text} toEdit={(text) => ({ kind: "prompt", text, slip: null })} placeholder="A cue for the day, or take one from the deck" />
      {others.map(
        (part) =>
          part.content.prompt.text && (
            <p key={part.id} className="text-sm text-quiet">
              For {part.dateSaid}: {part.content.prompt.text}
            </p>
          ),
      )}
      <div className="flex flex-wrap items-center gap-x-4">
        <Button small onClick={() => setOpen(!open)} aria-expanded={open}>
          {open ? "Close the deck" : `Take one from ${view.deck.name}`}
        </Button>
        {first.content.prompt.text === "" && <Without day={first} part="prompt" />}
      </div>
      {open && <Deck view={view} onTaken={() => setOpen(false)} />}
    </Tray>
  );
}

function Deck({ view, onTaken }: { view: DayView; onTaken: () => void }) {
  const { put } = useOutbox();
  const [first] = view.parts;
  if (!first) return null;
  return (
    <ul aria-label={`The deck ${view.deck.name}`} className="grid max-h-72 gap-px overflow-y-auto border border-line bg-line">
      {view.deck.slips.map(({ id, text, usedOn }) => (
        <li key={id} className="bg-raised">
          <button
            type="button"
            className="min-h-10 w-full px-3 py-1.5 text-left hover:text-ember focus-visible:outline-offset-[-2px]"
            onClick={() => {
              put(`${first.id}:prompt`, { what: "edit", dayId: first.id, base: first.version, edit: { kind: "prompt", text, slip: id } });
              onTaken();
            }}
          >
            {text}
            {usedOn && <span className="text-sm text-quiet"> On day {usedOn} already.</span>}
          </button>
        </li>
      ))}
    </ul>
  );
}
