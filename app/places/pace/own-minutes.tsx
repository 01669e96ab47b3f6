import { type ReactNode, useState } from "react";
import { Form, useNavigation } from "react-router";
import { Button } from "#app/parts/button.tsx";
import { many } from "#app/wording/count.ts";
import { STEP_TO_DO } from "#app/wording/day.ts";
import type { Step } from "#core/album/model.ts";

export type OwnView = readonly {
  readonly step: Step;
  readonly minutes: number;
  readonly low: number;
  readonly high: number;
  readonly seen: number;
  readonly isSet: boolean;
}[];

/** What steps really take somebody: learned from sittings, or said by hand, or forgotten. */
export function OwnMinutesForm({
  own,
  version,
  outcome,
}: {
  own: OwnView;
  version: number;
  /** What came of saving or forgetting them. */
  outcome: ReactNode;
}) {
  const busy = useNavigation().state !== "idle";
  const said = Object.fromEntries(own.flatMap(({ step, minutes, isSet }) => (isSet ? [[step, String(minutes)]] : [])));
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>(said);
  const set = Object.fromEntries(
    Object.entries(typed).flatMap(([step, text]) => (text.trim() === "" ? [] : [[step, Number(text)]])),
  );
  return (
    <Form method="post" className="grid content-start gap-3">
      <input type="hidden" name="minutes" value={JSON.stringify(set)} />
      <input type="hidden" name="version" value={version} />
      <div>
        <h2 className="border-b border-line pb-1 text-xl">Minutes of your own</h2>
        <p className="pt-1 text-sm text-quiet">
          They begin as typical ones, from memory, and move with what a sitting shows. What you say by hand counts
          instead.
        </p>
      </div>
      <table className="w-full text-sm">
        <thead>
          <tr className="text-left text-quiet">
            <th className="py-1 font-normal">Step</th>
            <th className="py-1 font-normal">About</th>
            <th className="py-1 font-normal">How sure</th>
            <th className="py-1 font-normal">By hand</th>
          </tr>
        </thead>
        <tbody>
          {own.map(({ step, minutes, low, high, seen, isSet }) => (
            <tr key={step} className="border-t border-line">
              <th scope="row" className="py-1 pr-2 text-left font-normal">
                {STEP_TO_DO[step]}
              </th>
              <td className="py-1 pr-2 tabular-nums">{minutes} min</td>
              <td className="py-1 pr-2 text-quiet">
                {isSet
                  ? "said by hand"
                  : `${low} to ${high}; ${seen === 0 ? "typical" : `${many(seen, "time")} timed`}`}
              </td>
              <td className="py-1">
                <input
                  type="number"
                  min={1}
                  max={960}
                  aria-label={`${STEP_TO_DO[step]}, minutes by hand`}
                  value={typed[step] ?? ""}
                  onChange={(event) => setTyped({ ...typed, [step]: event.target.value })}
                  className="field w-16 px-2 py-0.5"
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="flex flex-wrap gap-3">
        <Button type="submit" small name="intent" value="minutes" disabled={busy}>
          Save these minutes
        </Button>
        <Button type="submit" small look="quiet" name="intent" value="forget" disabled={busy}>
          Forget what was learned
        </Button>
      </div>
      {outcome}
    </Form>
  );
}
