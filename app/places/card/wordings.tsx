import { diffWords } from "diff";
import { useState } from "react";
import { Button } from "#app/parts/button.tsx";
import type { CardDesk } from "./use-card.ts";
import type { SavedWording } from "./view.ts";

/** How the words were: every save, compared with what stands there now, and brought back if wished. */
export function Wordings({ wordings, desk }: { wordings: readonly SavedWording[]; desk: CardDesk }) {
  const [shown, setShown] = useState<number | null>(null);
  const chosen = wordings.find(({ id }) => id === shown);
  const { card, front, back } = desk;
  return (
    <details className="border-t border-line pt-3">
      <summary className="min-h-8 cursor-pointer font-medium">
        Earlier words<span className="font-normal text-quiet">, {wordings.length} kept</span>
      </summary>
      {wordings.length === 0 && <p className="mt-2 text-sm text-quiet">Every change is kept from the first word on.</p>}
      <ol className="mt-2 grid max-h-48 overflow-y-auto">
        {wordings.map(({ id, said, text, back: behind }) => (
          <li key={id}>
            <button
              type="button"
              aria-pressed={id === shown}
              onClick={() => setShown(id === shown ? null : id)}
              className={`grid min-h-9 w-full grid-cols-[auto_minmax(0,1fr)] items-baseline gap-3 border-b border-line py-1 text-left text-sm hover:text-ember ${id === shown ? "font-semibold" : ""}`}
            >
              <span>{said}</span>
              <span className="truncate text-quiet">{`${text} ${behind}`.trim() || "nothing"}</span>
            </button>
          </li>
        ))}
      </ol>
      {chosen && (
        <div className="mt-3 grid gap-2">
          <p className="text-sm text-quiet">Struck through: left out since. Underlined: new since.</p>
          <Difference from={chosen.text} to={card.text} name="Front" />
          {(chosen.back || card.back) && <Difference from={chosen.back} to={card.back} name="Back" />}
          <div>
            <Button
              small
              disabled={chosen.text === card.text && chosen.back === card.back}
              onClick={() => {
                if (chosen.text !== card.text) front.change(chosen.text);
                if (chosen.back !== card.back) back.change(chosen.back);
              }}
            >
              Bring these words back
            </Button>
          </div>
        </div>
      )}
    </details>
  );
}

function Difference({ from, to, name }: { from: string; to: string; name: string }) {
  let at = 0;
  const parts = diffWords(from, to).map((part) => {
    at += part.value.length;
    return { ...part, key: `${at} ${part.added} ${part.removed}` };
  });
  return (
    <p className="whitespace-pre-wrap border-l-2 border-line pl-3">
      <span className="sr-only">{name}, then and now: </span>
      {parts.map(({ key, value, added, removed }) =>
        added ? (
          <ins key={key} className="text-ember decoration-2">
            {value}
          </ins>
        ) : removed ? (
          <del key={key} className="text-quiet">
            {value}
          </del>
        ) : (
          <span key={key}>{value}</span>
        ),
      )}
    </p>
  );
}
