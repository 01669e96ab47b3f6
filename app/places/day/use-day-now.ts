import { useMemo } from "react";
import { stepsNow, withPendingPage } from "#app/sending/pending.ts";
import { useOutbox } from "#app/sending/sending.tsx";
import { daysOfLeaf, type Leaf } from "#core/album/leaf.ts";
import { poolContent, ringStates } from "#core/album/steps.ts";
import type { DayView } from "./view.ts";

/** A page as it is with every change of its days and leaves that is still on its way, and how far that makes its parts. */
export function useDayNow(view: DayView): DayView {
  const { state } = useOutbox();
  return useMemo(() => {
    if (state.entries.length + state.clashes.length === 0) return view;
    const { binding } = view.bench.format;
    const page = { days: view.parts, leaves: view.bench.leaves, prints: view.prints };
    const now = withPendingPage(page, state, binding);
    const { days, leaves } = now;
    const parts = view.parts.map((part, at) => ({ ...part, content: days[at]?.content ?? part.content }));
    const [first, ...others] = parts.map(({ content }) => content);
    if (!first) return view;
    const steps = view.skipped ? [] : stepsNow(now, binding);
    const states = ringStates(poolContent(first, others), steps, view.skipped);
    return { ...view, parts, steps, states, bench: { ...view.bench, leaves } };
  }, [view, state]);
}

/** The leaves of a page's bench, and those among them that its days have a side of. */
export function useDayLeaves({ parts, bench: { leaves } }: DayView): {
  leaves: readonly Leaf[];
  own: readonly Leaf[];
} {
  return useMemo(() => {
    const ids = new Set(parts.map(({ id }) => id));
    return { leaves, own: leaves.filter((leaf) => daysOfLeaf(leaf).some((id) => ids.has(id))) };
  }, [parts, leaves]);
}
