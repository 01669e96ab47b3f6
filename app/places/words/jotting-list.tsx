import { Ellipsis } from "lucide-react";
import { useState } from "react";
import { Button } from "#app/parts/button.tsx";
import { KeptField } from "#app/parts/kept-field.tsx";
import { Options } from "#app/parts/options.tsx";
import { PrivateUntil, privateSaid } from "#app/parts/private-until.tsx";
import { withPendingPart } from "#app/sending/pending.ts";
import { useKeptWords, useOutbox } from "#app/sending/sending.tsx";
import { EMPTY_DAY } from "#core/album/model.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import type { JottingLine } from "./view.ts";

type Props = {
  readonly jottings: readonly JottingLine[];
  readonly dates: readonly { readonly date: CalendarDate; readonly said: string }[];
  /** The day they are on; null on a page that is no day's. */
  readonly day: CalendarDate | null;
  /** Offers to take a jotting's words over. */
  readonly onTake?: (text: string) => void;
};

/** What was jotted on a day, each with its time, to be moved to another day or put away. */
export function JottingList({ jottings, dates, day, onTake }: Props) {
  const { state, put } = useOutbox();
  const [correcting, setCorrecting] = useState<string | null>(null);
  // As they are with what is on its way.
  const now = jottings.flatMap((line) =>
    withPendingPart(line.dayId, { ...EMPTY_DAY, jottings: [line] }, state).jottings.map((each) => ({
      ...line,
      ...each,
    })),
  );
  if (now.length === 0)
    return onTake ? <p className="text-sm text-quiet">Nothing was jotted on this day.</p> : <span />;
  return (
    <ul className="grid content-start gap-2" aria-label="Jottings">
      {now.map(({ id, dayId, version, text, at, privateUntil, isPrivate, by }) => (
        <li key={id} className="relative grid grid-cols-[3.25rem_minmax(0,1fr)] gap-x-2 pr-9 text-sm">
          <time dateTime={at} className="pt-0.5 text-quiet tabular-nums">
            {at.slice(11)}
          </time>
          <div className="grid gap-1">
            {correcting === id ? (
              <Correcting {...{ id, dayId, version, text, at }} onDone={() => setCorrecting(null)} />
            ) : (
              <p className="text-base whitespace-pre-wrap">
                {text}
                {by && <span className="text-sm text-quiet"> {by}</span>}
                {privateUntil && <span className="text-sm text-quiet"> {privateSaid(privateUntil, !isPrivate)}</span>}
              </p>
            )}
            <div className="flex flex-wrap items-center gap-x-3">
              {onTake && (
                <Button small onClick={() => onTake(text)}>
                  Add it to the card
                </Button>
              )}
              <details>
                <summary
                  title="Correct it, move it, keep it private, or put it away"
                  className="absolute -top-1 right-0 grid size-8 list-none place-items-center rounded-sm text-quiet hover:text-ember [&::-webkit-details-marker]:hidden"
                >
                  <Ellipsis className="size-5" aria-hidden="true" />
                  <span className="sr-only">More for the jotting of {at.slice(11)}</span>
                </summary>
                <div className="flex flex-wrap items-center gap-x-3">
                  <Button
                    small
                    look="quiet"
                    className="-ml-2.5"
                    aria-label={`Correct the jotting of ${at.slice(11)}`}
                    onClick={() => setCorrecting(id)}
                  >
                    Correct
                  </Button>
                  <select
                    aria-label={`Move the jotting of ${at.slice(11)} to another day`}
                    className="-ml-1 w-28 rounded-sm border border-transparent bg-transparent py-1 text-quiet hover:border-edge"
                    value=""
                    onChange={(event) =>
                      put(`${dayId}:move-jotting:${id}`, { what: "move-jotting", dayId, id, to: event.target.value })
                    }
                  >
                    <Options
                      all={[
                        ["", "Move to"],
                        ...dates.filter((each) => each.date !== day).map(({ date, said }) => [date, said] as const),
                      ]}
                    />
                  </select>
                  <PrivateUntil
                    name={`the jotting of ${at.slice(11)}`}
                    until={privateUntil}
                    onKeep={(until) =>
                      put(`${dayId}:jotting-private:${id}`, {
                        what: "edit",
                        dayId,
                        base: null,
                        edit: { kind: "jotting-private", id, privateUntil: until },
                      })
                    }
                  />
                  <Button
                    small
                    look="quiet"
                    className="-ml-2.5"
                    aria-label={`Put the jotting of ${at.slice(11)} away`}
                    onClick={() =>
                      put(`${dayId}:remove-jotting:${id}`, {
                        what: "edit",
                        dayId,
                        base: null,
                        edit: { kind: "remove-jotting", id },
                      })
                    }
                  >
                    Put away
                  </Button>
                </div>
              </details>
            </div>
          </div>
        </li>
      ))}
    </ul>
  );
}

/** A jotting's words under the hand: they save themselves, and are taken back as any others. */
function Correcting({
  id,
  dayId,
  version,
  text,
  at,
  onDone,
}: Pick<JottingLine, "id" | "dayId" | "version" | "text" | "at"> & { onDone: () => void }) {
  const change = useKeptWords(`${dayId}:jotting:${id}`, dayId, version, (next) => ({
    kind: "jotting-text",
    id,
    text: next,
  }));
  return (
    <div className="grid gap-1.5">
      <KeptField
        aria-label={`Words of the jotting of ${at.slice(11)}`}
        text={text}
        onWords={change}
        rows={3}
        maxLength={100_000}
        className="field text-base"
      />
      <div>
        <Button small onClick={onDone}>
          Done
        </Button>
      </div>
    </div>
  );
}
