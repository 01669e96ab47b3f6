import { Ellipsis } from "lucide-react";
import { lazy, Suspense, useState } from "react";
import type { PageRow } from "#app/drawing/page-row.ts";
import type { DayView } from "./view.ts";

const DayMenu = lazy(() => import("./day-menu.tsx").then((module) => ({ default: module.DayMenu })));

/** The button of the day's menu; the menu itself is fetched when it is first wanted. */
export function DayMenuButton({
  view,
  rows,
  onMove,
}: {
  view: DayView;
  rows: readonly PageRow[];
  onMove: (story: string, to: string) => void;
}) {
  const [wanted, setWanted] = useState(false);
  const face = <Ellipsis className="size-5" aria-hidden="true" />;
  const look = "grid size-10 shrink-0 place-content-center rounded-sm hover:bg-panel hover:text-ember";
  const name = "More to do with this day";
  const still = (
    <button
      type="button"
      className={look}
      aria-label={name}
      aria-haspopup="dialog"
      aria-expanded={false}
      onClick={() => setWanted(true)}
    >
      {face}
    </button>
  );
  if (!wanted) return still;
  return (
    <Suspense fallback={still}>
      <DayMenu view={view} rows={rows} onMove={onMove} trigger={{ face, look, name }} />
    </Suspense>
  );
}
