import { useMemo } from "react";
import { withPendingBook } from "#app/sending/outbox.ts";
import { useOutbox } from "#app/sending/outbox-provider.tsx";
import { daysOfLeaf, type Leaf } from "#core/album/leaf.ts";
import type { DayView } from "./view.ts";

/** The leaves of a day's bench with every change that is still on its way, and those among them the day has a side of. */
export function useDayLeaves(view: DayView): { leaves: readonly Leaf[]; own: readonly Leaf[] } {
  const { state } = useOutbox();
  return useMemo(() => {
    const leaves = withPendingBook(view.bench.leaves, state);
    const ids = new Set(view.parts.map(({ id }) => id));
    return { leaves, own: leaves.filter((leaf) => daysOfLeaf(leaf).some((id) => ids.has(id))) };
  }, [view, state]);
}
