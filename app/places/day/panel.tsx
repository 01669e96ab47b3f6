import type { ReactNode } from "react";
import { StateMark } from "#app/drawing/state-mark.tsx";
import { useIsKeeper } from "#app/parts/role.tsx";
import { usePut } from "#app/sending/sending.tsx";
import { RING_STATE, WITHOUT } from "#app/wording/day.ts";
import type { Part } from "#core/album/model.ts";
import type { Ring, RingState } from "#core/album/steps.ts";
import type { DayPart } from "./view.ts";

type Props = {
  readonly id: string;
  readonly ring: Ring;
  readonly state: RingState;
  readonly name: string;
  readonly aside?: ReactNode;
  readonly children: ReactNode;
};

/** One panel of the day: its ring's mark, its name, what it holds. */
export function Panel({ id, ring, state, name, aside, children }: Props) {
  return (
    <section id={id} aria-labelledby={`${id}-name`} className="scroll-mt-2 border-b border-line py-3.5">
      <div className="mb-1.5 flex items-center gap-2.5">
        <StateMark ring={ring} state={state} />
        <h2 id={`${id}-name`} className="text-lg">
          {name}
          <span className="sr-only">, {RING_STATE[state]}</span>
        </h2>
        {aside && <div className="ml-auto text-right text-sm text-quiet">{aside}</div>}
      </div>
      <div className="grid gap-2.5 wide:pl-[26px]">{children}</div>
    </section>
  );
}

/** Says that the day does without a part, so that its ring is a short line. */
export function Without({ day, part }: { day: DayPart; part: Part }) {
  const put = usePut();
  const isKeeper = useIsKeeper();
  const key = `${day.id}:waive:${part}`;
  return (
    <label className="flex min-h-8 items-center gap-2 text-sm text-quiet">
      <input
        type="checkbox"
        checked={day.content.waived.includes(part)}
        disabled={!isKeeper}
        onChange={(event) =>
          put(key, { what: "edit", dayId: day.id, base: null, edit: { kind: "waive", part, on: event.target.checked } })
        }
        className="size-4 accent-ember"
      />
      {WITHOUT[part]}
    </label>
  );
}
