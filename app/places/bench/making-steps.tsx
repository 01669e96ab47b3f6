import { useState } from "react";
import { Mat } from "#app/drawing/mat.tsx";
import { Button } from "#app/parts/button.tsx";
import { useBookEdits } from "#app/places/arrange/book-edits.ts";
import { many } from "#app/wording/count.ts";
import { ACT_NAME, CAUTION_SAID, driesSaid, HELD_NAME, saidIn } from "#app/wording/making.ts";
import { type Leaf, leftOf } from "#core/album/leaf.ts";
import type { Made } from "#core/craft/craft.ts";
import type { Unit } from "#core/measure/length.ts";
import { partMat } from "./making-mat.ts";
import { builtOf, type There } from "./there.ts";

type Props = { kind: string; made: Made; unit: Unit; there: There | null; leaves: readonly Leaf[] };

/**
 * What is done at the table, one step at a time and large, with the part it is done to, its adhesive and its caution. Of one
 * that lies on a page each is ticked, and begun again where it was left.
 */
export function MakingSteps({ kind, made, unit, there, leaves }: Props) {
  const { change } = useBookEdits();
  const built = there && builtOf(there.placed.piece);
  // Set anew but not changed on its page yet, it has other steps than the piece there.
  const isOfPiece = built?.kind === kind && built.steps.length === made.steps.length;
  const ticked = isOfPiece ? built.ticked : [];
  const [asked, setAsked] = useState<number | null>(null);
  const firstOpen = made.steps.findIndex((_, nth) => !ticked.includes(nth));
  const at = Math.min(asked ?? Math.max(0, firstOpen), made.steps.length - 1);
  const step = made.steps[at];
  if (!step) return <p className="p-6">Nothing is to be done: it is there as it is.</p>;
  const part = made.parts.find(({ id }) => id === step.part);
  const isDone = ticked.includes(at);
  const isLast = at === made.steps.length - 1;
  const tick = (done: boolean) => {
    if (there && isOfPiece) {
      const { read, face, placed } = there;
      const on = { leaf: read.leaf.id, face, piece: placed.piece.id, nth: at };
      change(leaves, { kind: "tick-making", ...on, done }, `making:${placed.piece.id}:${at}`);
    }
    setAsked(done && !isLast ? at + 1 : at);
  };
  const left = built && isOfPiece ? leftOf(built) : null;
  return (
    <section
      aria-label="Steps"
      className="grid h-full min-h-0 grid-rows-[minmax(0,1fr)_auto] bg-mat wide:overflow-hidden"
    >
      <div className="min-h-0 overflow-clip max-wide:h-[30vh]">
        {part && <Mat mat={partMat(part, unit)} label={`The ${part.name}, flat`} />}
      </div>
      <div className="grid gap-3 bg-ground p-4 wide:p-6" aria-live="polite">
        <p className="text-sm text-quiet">
          Step {at + 1} of {made.steps.length}. {ACT_NAME[step.act]}.{isDone && " Done."}
          {built && isOfPiece && (left ? ` About ${many(left.minutes, "minute")} left.` : " All of it is made.")}
        </p>
        <p className="text-2xl leading-snug">{saidIn(step, unit)}</p>
        {step.held && <p className="text-lg">{HELD_NAME[step.held]}</p>}
        {step.dries !== undefined && <p className="text-sm">{driesSaid(step.dries)}</p>}
        {step.caution && <p className="border-l-4 border-ring-paper pl-3 text-sm">{CAUTION_SAID[step.caution]}</p>}
        <div className="flex flex-wrap gap-3 max-wide:sticky max-wide:bottom-14 max-wide:z-10 max-wide:bg-ground max-wide:py-2">
          <Button className="min-h-12" disabled={at === 0} onClick={() => setAsked(at - 1)}>
            Step before
          </Button>
          {isDone ? (
            <>
              <Button className="min-h-12" onClick={() => tick(false)}>
                Not done after all
              </Button>
              <Button look="main" className="min-h-12" disabled={isLast} onClick={() => setAsked(at + 1)}>
                Next step
              </Button>
            </>
          ) : (
            <Button look="main" className="min-h-12" disabled={isLast && !isOfPiece} onClick={() => tick(true)}>
              {isLast ? "Done, it is made" : "Done, next step"}
            </Button>
          )}
        </div>
        {!there && (
          <p className="text-sm text-quiet">Laid on a page, its ticks are kept and its minutes are planned.</p>
        )}
        {there && !isOfPiece && (
          <p className="text-sm text-quiet">It is set anew: change it on its page first, and its ticks are kept.</p>
        )}
      </div>
    </section>
  );
}
