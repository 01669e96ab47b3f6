import { useState } from "react";
import { usePut } from "#app/sending/sending.tsx";
import { DECKS } from "#core/words/decks.ts";
import type { DayPart } from "./view.ts";

type Props = { readonly part: DayPart; readonly used: Readonly<Record<string, string>>; readonly onTaken: () => void };

const PROMPTS = DECKS.filter(({ jar }) => jar === "prompt");

/** The shipped decks, to take a slip from. Loaded when they are opened. */
export function DeckList({ part, used, onTaken }: Props) {
  const put = usePut();
  const [at, setAt] = useState(0);
  const deck = PROMPTS[at];
  if (!deck) return null;
  return (
    <div className="grid gap-1">
      <select
        aria-label="Which deck"
        className="field py-1 text-sm"
        value={at}
        onChange={(event) => setAt(Number(event.target.value))}
      >
        {PROMPTS.map(({ id, name }, index) => (
          <option key={id} value={index}>
            {name}
          </option>
        ))}
      </select>
      <ul
        aria-label={`The deck ${deck.name}`}
        className="grid max-h-72 gap-px overflow-y-auto border border-line bg-line"
      >
        {deck.slips.map(({ id, text }) => (
          <li key={id} className="bg-raised">
            <button
              type="button"
              className="min-h-10 w-full px-3 py-1.5 text-left outline-offset-[-2px] hover:text-ember"
              onClick={() => {
                put(`${part.id}:prompt`, {
                  what: "edit",
                  dayId: part.id,
                  base: part.version,
                  edit: { kind: "prompt", text, slip: id },
                });
                onTaken();
              }}
            >
              {text}
              {used[id] !== undefined && <span className="text-sm text-quiet"> On day {used[id]} already.</span>}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
