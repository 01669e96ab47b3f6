import { Button } from "#app/parts/button.tsx";
import { isPrivate } from "#core/album/secrecy.ts";
import { type CalendarDate, parseDate } from "#core/month/dates.ts";
import type { CardDesk } from "./use-card.ts";

/** Words that lie behind something, and words that nobody is shown before a day. */
export function Secrecy({ desk, today }: { desk: CardDesk; today: CalendarDate }) {
  const { hidden, privateUntil } = desk.card;
  return (
    <details className="border-t border-line pt-3" open={hidden !== "" || privateUntil !== null}>
      <summary className="min-h-8 cursor-pointer font-medium">Hidden and private</summary>
      <div className="mt-2 grid grid-cols-2 gap-3">
        <label className="grid content-start gap-0.5 text-sm">
          <span className="text-quiet">Lies behind</span>
          <input
            className="field py-1"
            value={hidden}
            maxLength={120}
            placeholder="the flip, a pocket, the print"
            onChange={(event) => desk.keep(event.target.value, privateUntil)}
          />
        </label>
        <label className="grid content-start gap-0.5 text-sm">
          <span className="text-quiet">Private until</span>
          <input
            type="date"
            className="field py-1"
            value={privateUntil ?? ""}
            onChange={(event) => desk.keep(hidden, parseDate(event.target.value))}
          />
        </label>
        {privateUntil && (
          <p className="col-span-2 text-sm text-quiet">
            {isPrivate({ privateUntil }, today)
              ? "Until then its words are in nothing that leaves this household: no archive, no table, no page printed whole."
              : "That day has come: its words leave this household as any others do."}{" "}
            <Button small look="quiet" onClick={() => desk.keep(hidden, null)}>
              Not private any more
            </Button>
          </p>
        )}
      </div>
    </details>
  );
}
