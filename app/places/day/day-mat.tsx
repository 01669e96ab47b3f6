import { lazy, Suspense } from "react";
import { Mat } from "#app/drawing/mat.tsx";
import { useRunning } from "#app/parts/use-running.ts";
import { Zoomed } from "#app/parts/zoomed.tsx";
import { type DayView, entryName } from "./view.ts";

const DayArranger = lazy(() => import("./day-arranger.tsx").then((module) => ({ default: module.DayArranger })));

/** The day's leaves on the mat: holding still as sent, and to be taken up as soon as the page runs. */
export function DayMat({ view }: { view: DayView }) {
  const running = useRunning();
  const still = (
    <div className="flex min-h-0 flex-1 flex-col pb-28">
      <Zoomed>
        <Mat
          mat={view.mat}
          label={`The page of ${entryName(view)}, ${view.sizeSaid}, with everything on it, to scale`}
        />
      </Zoomed>
    </div>
  );
  return running ? (
    <Suspense fallback={still}>
      <DayArranger view={view} />
    </Suspense>
  ) : (
    still
  );
}
