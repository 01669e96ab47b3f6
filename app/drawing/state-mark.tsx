import type { Ring, RingState } from "#core/album/steps.ts";

/** The dial's four marks as a small square: filled, hatched, open, or a short line. */
export function StateMark({ ring, state }: { ring: Ring; state: RingState }) {
  return (
    <svg viewBox="0 0 16 16" className="size-4 shrink-0" aria-hidden="true">
      {state === "not-needed" ? (
        <line x1="3" y1="8" x2="13" y2="8" className="stroke-edge" strokeWidth="2" />
      ) : (
        <>
          <rect
            x="1"
            y="1"
            width="14"
            height="14"
            className={`${state === "done" ? `fill-ring-${ring}` : "fill-panel"} ${state === "open" ? "stroke-edge" : `stroke-ring-${ring}`}`}
            strokeWidth="1.4"
          />
          {state === "begun" && (
            <path d="M1 9 9 1M1 15 15 1M7 15 15 7" className={`stroke-ring-${ring}`} strokeWidth="2" />
          )}
        </>
      )}
    </svg>
  );
}
