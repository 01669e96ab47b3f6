import { useState } from "react";
import { Mat } from "#app/drawing/mat.tsx";
import { Button } from "#app/parts/button.tsx";
import { ACT_NAME, CAUTION_SAID, HELD_NAME, saidIn } from "#app/wording/making.ts";
import type { Made } from "#core/craft/craft.ts";
import type { Unit } from "#core/measure/length.ts";
import { partMat } from "./making-mat.ts";

/** What is done at the table, one step at a time and large, with the part it is done to, its adhesive and its caution. */
export function MakingSteps({ made, unit }: { made: Made; unit: Unit }) {
  const [asked, setAsked] = useState(0);
  const at = Math.min(asked, made.steps.length - 1);
  const step = made.steps[at];
  if (!step) return <p className="p-6">Nothing is to be done: it is there as it is.</p>;
  const part = made.parts.find(({ id }) => id === step.part);
  return (
    <section aria-label="Steps" className="grid h-full min-h-0 grid-rows-[minmax(0,1fr)_auto] overflow-hidden bg-mat">
      <div className="min-h-0 max-wide:h-[40vh]">
        {part && <Mat mat={partMat(part, unit)} label={`The ${part.name}, flat`} />}
      </div>
      <div className="grid gap-3 bg-ground p-4 wide:p-6" aria-live="polite">
        <p className="text-sm text-quiet">
          Step {at + 1} of {made.steps.length}. {ACT_NAME[step.act]}.
        </p>
        <p className="text-2xl leading-snug">{saidIn(step, unit)}</p>
        {step.held && <p className="text-lg">{HELD_NAME[step.held]}</p>}
        {step.caution && <p className="border-l-4 border-ring-paper pl-3 text-sm">{CAUTION_SAID[step.caution]}</p>}
        <div className="flex gap-3">
          <Button className="min-h-12" disabled={at === 0} onClick={() => setAsked(at - 1)}>
            Step before
          </Button>
          <Button
            look="main"
            className="min-h-12"
            disabled={at === made.steps.length - 1}
            onClick={() => setAsked(at + 1)}
          >
            Done, next step
          </Button>
        </div>
      </div>
    </section>
  );
}
