import { lazy, Suspense, useState } from "react";
import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { useOneStop } from "#app/parts/one-stop.ts";
import { KeepersOnly } from "#app/parts/role.tsx";
import { usePut } from "#app/sending/sending.tsx";
import { KeptLine, KeptText } from "./kept-fields.tsx";
import { Panel, Without } from "./panel.tsx";
import type { DayPart, DayView } from "./view.ts";

const DeckList = lazy(() => import("./deck-list.tsx").then((module) => ({ default: module.DeckList })));

/** Says that a day is a tradition: the next album has its title and its prompt on the same day. */
function EveryYear({ part: { id, content }, name }: { part: DayPart; name: string }) {
  const put = usePut();
  return (
    <label className="flex min-h-8 items-center gap-2 text-sm text-quiet">
      <input
        type="checkbox"
        className="size-4 accent-ember"
        checked={content.everyYear}
        onChange={(event) =>
          put(`${id}:every-year`, {
            ...({ what: "edit", dayId: id, base: null } as const),
            edit: { kind: "every-year", on: event.target.checked },
          })
        }
      />
      {name} every year
    </label>
  );
}

export function PromptPanel({ view }: { view: DayView }) {
  const [first, ...others] = view.parts;
  const [open, setOpen] = useState(false);
  const stops = useOneStop<HTMLDivElement>();
  if (!first) return null;
  return (
    <Panel
      id="prompt"
      ring="prompt"
      state={view.states.prompt}
      name="Prompt"
      aside={view.promptFrom && `from ${view.promptFrom}`}
    >
      <KeepersOnly>
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
        <div {...stops} className="flex flex-wrap items-center gap-x-4">
          <Button small onClick={() => setOpen(!open)} aria-expanded={open}>
            {open ? "Close the deck" : "Take one from the deck"}
          </Button>
          <Link className="link text-sm" to={to.prompts(view.albumId)}>
            Deal the month
          </Link>
          {first.content.prompt.text === "" && <Without day={first} part="prompt" />}
          {view.parts.map((part) => (
            <EveryYear key={part.id} part={part} name={others.length > 0 ? `${part.dateSaid} stands` : "It stands"} />
          ))}
        </div>
        {open && (
          <Suspense fallback={<p className="text-sm text-quiet">Fetching the deck</p>}>
            <DeckList part={first} used={view.slipsUsed} onTaken={() => setOpen(false)} />
          </Suspense>
        )}
      </KeepersOnly>
    </Panel>
  );
}
