import { PRIVATE_MEANS, PrivateUntil, privateSaid } from "#app/parts/private-until.tsx";
import { useIsKeeper } from "#app/parts/role.tsx";
import type { CalendarDate } from "#core/month/dates.ts";
import { isPrivate } from "#core/share/share.ts";
import type { CardDesk } from "./use-card.ts";

/** Words that lie behind something, and a card that nobody is handed before a day. */
export function Secrecy({ desk, today }: { desk: CardDesk; today: CalendarDate }) {
  const isKeeper = useIsKeeper();
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
            disabled={!isKeeper}
            maxLength={120}
            placeholder="the flip, a pocket, the print"
            onChange={(event) => desk.keep(event.target.value, privateUntil)}
          />
        </label>
        <div className="grid content-start gap-0.5 text-sm">
          <span className="text-quiet">Private</span>
          <PrivateUntil name="this card" until={privateUntil} onKeep={(until) => desk.keep(hidden, until)} />
        </div>
        {privateUntil && (
          <p className="col-span-2 text-sm text-quiet">
            {privateSaid(privateUntil, !isPrivate(desk.card, today))} {PRIVATE_MEANS}
          </p>
        )}
      </div>
    </details>
  );
}
