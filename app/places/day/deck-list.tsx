import { useOutbox } from "#app/places/album/outbox-provider.tsx";
import { NOTICING } from "#core/words/decks.ts";
import type { DayPart } from "./view.ts";

type Props = { readonly part: DayPart; readonly used: Readonly<Record<string, string>>; readonly onTaken: () => void };

/** The shipped deck, to take a slip from. Loaded when it is opened. */
export function DeckList({ part, used, onTaken }: Props) {
  const { put } = useOutbox();
  return (
    <ul
      aria-label={`The deck ${NOTICING.name}`}
      className="grid max-h-72 gap-px overflow-y-auto border border-line bg-line"
    >
      {NOTICING.slips.map(({ id, text }) => (
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
  );
}
