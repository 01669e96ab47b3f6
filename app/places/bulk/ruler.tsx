import { useState } from "react";
import { useFetcher } from "react-router";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { TextField } from "#app/parts/field.tsx";
import { Said } from "#app/parts/said.tsx";
import { sayThick, withinSaid } from "#app/wording/bulk.ts";
import { shortDate } from "#app/wording/dates.ts";
import { LENGTH_PROBLEM } from "#app/wording/format.ts";
import { isAway, nothingDone } from "#app/wording/sending.ts";
import { type Correction, isLikely, type RulerMark } from "#core/bulk/ruler.ts";
import { micrometres } from "#core/material/material.ts";
import { parseLength, toMillimetres, type Unit } from "#core/measure/length.ts";
import type { CalendarDate } from "#core/month/dates.ts";
import type { RulerAct, RulerAnswer } from "./acts.ts";

type Props = {
  albumId: string;
  unit: Unit;
  today: CalendarDate;
  marks: readonly RulerMark[];
  correction: Correction;
  /** How thick what is in the book today is reckoned to be where it is thickest, uncorrected. */
  now: number;
};

/** The real closed book put to a ruler: what it said corrects the reckoning from then on. */
export function Ruler({ albumId, unit, today, marks, correction: { factor, within }, now }: Props) {
  const fetcher = useFetcher<RulerAnswer>({ key: "ruler" });
  const [typed, setTyped] = useState("");
  const parsed = typed.trim() === "" ? null : parseLength(typed, unit);
  const measured = parsed?.ok ? micrometres(toMillimetres(parsed.length) * 1000) : null;
  const reckoned = micrometres(now);
  const isOdd = measured !== null && !isLikely({ measured, reckoned });
  const send = (act: RulerAct) =>
    void fetcher.submit(act as never, {
      method: "post",
      action: to.part(albumId, "bulk"),
      encType: "application/json",
    });
  const answer = fetcher.data;
  return (
    <section aria-labelledby="ruler" className="grid gap-2 border-t border-line pt-3">
      <h2 id="ruler" className="text-lg">
        Put a ruler to it
      </h2>
      <p className="text-sm">
        {marks.length === 0
          ? `Reckoned from typical thicknesses, right to about ${withinSaid(within)}. Close the book on what is in it, and measure the leaves where they are thickest, without the boards.`
          : `Corrected by ${marks.length === 1 ? "one measure" : `${marks.length} measures`}: ${factorSaid(factor)}. Right to about ${withinSaid(within)}.`}
      </p>
      {reckoned > 0 ? (
        <form
          className="flex flex-wrap items-end gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            if (measured === null || isOdd) return;
            send({ act: "measured", mark: { on: today, measured, reckoned } });
            setTyped("");
          }}
        >
          <TextField
            label="It measures"
            value={typed}
            placeholder={unit === "inch" ? "inches" : "cm"}
            error={
              parsed && !parsed.ok
                ? LENGTH_PROBLEM[parsed.reason]
                : isOdd
                  ? `It is reckoned to be ${sayThick(now, unit)}: this is of another book, or in another measure.`
                  : undefined
            }
            onChange={(event) => setTyped(event.target.value)}
          />
          <Button keepers type="submit" disabled={measured === null || isOdd || fetcher.state !== "idle"}>
            Keep
          </Button>
        </form>
      ) : (
        <p className="text-sm text-quiet">Nothing is said to be in the book yet, so there is nothing to measure.</p>
      )}
      {answer && !answer.ok && (
        <Said good={false}>
          {isAway(answer.reason)
            ? nothingDone(answer.reason)
            : answer.reason === "too-many"
              ? "There are as many measures as are kept. Forget some first."
              : "The album is not there any more."}
        </Said>
      )}
      {marks.length > 0 && (
        <ul className="grid text-sm">
          {marks.map((mark, at) => (
            <li
              // biome-ignore lint/suspicious/noArrayIndexKey: the same may be measured twice on one day
              key={at}
              className="flex flex-wrap items-center justify-between gap-2 border-b border-line py-1"
            >
              <span>
                {shortDate(mark.on)}: {sayThick(mark.measured, unit)}, reckoned {sayThick(mark.reckoned, unit)}
              </span>
              <Button small keepers look="quiet" onClick={() => send({ act: "forget", mark })}>
                Forget
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** `it is a tenth thinner than its papers`, in per cent. */
function factorSaid(factor: number): string {
  const by = Math.round(Math.abs(1 - factor) * 100);
  if (by === 0) return "it is as thick as was reckoned";
  return `it is ${by} % ${factor < 1 ? "thinner" : "thicker"} than its papers`;
}
