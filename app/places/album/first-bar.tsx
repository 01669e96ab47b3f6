import { Link } from "react-router";
import { to } from "#app/addresses.ts";
import { FIRST_STEP } from "#app/wording/first-evening.ts";
import type { FirstEvening } from "#core/pace/first-evening.ts";

type Props = { readonly albumId: string; readonly steps: FirstEvening; readonly path: string };

/** On the first evening, where one of its steps is done: which it is, and, once it is done, the way to the next. */
export function FirstBar({ albumId, steps, path }: Props) {
  const here = steps.find(({ step }) => FIRST_STEP[step].at(albumId) === path);
  const next = steps.find(({ open, step }) => open && step !== here?.step);
  if (!here) return null;
  return (
    <p className="not-printed flex flex-wrap items-baseline gap-x-4 border-b border-line bg-panel px-5 py-2 text-sm">
      <span>
        The first evening, {steps.indexOf(here) + 1} of {steps.length}: {FIRST_STEP[here.step].toDo.toLowerCase()}.
        {!here.open && <strong className="font-semibold"> Done.</strong>}
      </span>
      {!here.open && next && (
        <Link to={FIRST_STEP[next.step].at(albumId)} className="link font-medium">
          Next: {FIRST_STEP[next.step].toDo.toLowerCase()}
        </Link>
      )}
      <Link to={to.month(albumId)} className="link">
        To the month
      </Link>
    </p>
  );
}
