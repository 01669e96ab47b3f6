import { Mat } from "#app/drawing/mat.tsx";
import { useIsKeeper } from "#app/parts/role.tsx";
import { useRunning } from "#app/parts/use-running.ts";
import { Zoomed } from "#app/parts/zoomed.tsx";
import { DayArranger } from "./day-arranger.tsx";
import { type DayView, entryName } from "./view.ts";

/** The day's leaves on the mat: holding still as sent, and to be taken up as soon as the page runs. */
export function DayMat({ view }: { view: DayView }) {
  // Where things lie is a keeper's to say; others see it.
  const isRunning = useRunning();
  const isKeeper = useIsKeeper();
  return isKeeper && isRunning ? (
    <DayArranger view={view} />
  ) : (
    // The bar that comes with the pieces has its room already.
    <div className={`flex min-h-0 flex-1 flex-col ${isKeeper ? "pb-28" : ""}`}>
      <Zoomed>
        <Mat
          mat={view.mat}
          label={`The page of ${entryName(view)}, ${view.sizeSaid}, with everything on it, to scale`}
        />
      </Zoomed>
    </div>
  );
}
