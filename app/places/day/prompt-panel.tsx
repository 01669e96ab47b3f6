import { lazy, Suspense, useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { KeptLine, KeptText } from "./kept-fields.tsx";
import { Panel, Without } from "./panel.tsx";
import type { DayView } from "./view.ts";

const DeckList = lazy(() => import("./deck-list.tsx").then((module) => ({ default: module.DeckList })));

export function PromptPanel({ view }: { view: DayView }) {
  const [first, ...others] = view.parts;
  const [open, setOpen] = useState(false);
  if (!first) return null;
  return (
    <Panel
      id="prompt"
      ring="prompt"
      state={view.states.prompt}
      name="Prompt"
      aside={view.promptFrom && `from ${view.promptFrom}`}
    >
      <KeptText
        part={first}
        name="prompt"
        label="Prompt"
        text={first.content.prompt.text}
        toEdit={(text) => ({ kind: "prompt", text, slip: null })}
        placeholder="A cue for the day, or take one from the deck"
      />
      {others.map(
        (part) =>
          part.content.prompt.text && (
            <p key={part.id} className="text-sm text-quiet">
              For {part.dateSaid}: {part.content.prompt.text}
            </p>
          ),
      )}
      <KeptLine
        part={first}
        name="technique"
        label="Technique to try"
        text={first.content.technique.text}
        toEdit={(text) => ({ kind: "technique", text, slip: null })}
        placeholder="A technique to try"
        className="text-sm"
      />
      <div className="flex flex-wrap items-center gap-x-4">
        <Button small onClick={() => setOpen(!open)} aria-expanded={open}>
          {open ? "Close the deck" : "Take one from the deck"}
        </Button>
        <Link className="link text-sm" to={to.prompts(view.albumId)}>
          Deal the month
        </Link>
        {first.content.prompt.text === "" && <Without day={first} part="prompt" />}
      </div>
      {open && (
        <Suspense fallback={<p className="text-sm text-quiet">Fetching the deck</p>}>
          <DeckList part={first} used={view.slipsUsed} onTaken={() => setOpen(false)} />
        </Suspense>
      )}
    </Panel>
  );
}
