import { lazy, Suspense } from "react";
import type { OpensHere } from "#core/finish/opened-here.ts";

/** Loaded when something is opened: it needs the arithmetic of the bench. */
const OpenedPiece = lazy(async () => ({ default: (await import("#app/places/arrange/opened-piece.tsx")).OpenedPiece }));

/** A construction as it is opened where it lies; once it has no state so far on, it is closed again. */
export const OpenedHere = ({ thing, nth, onOver }: { thing: OpensHere; nth: number; onOver: () => void }) => (
  <Suspense fallback={null}>
    <OpenedPiece
      piece={thing.piece}
      lies={thing.lies}
      drawn={thing.drawn}
      nth={nth}
      onOver={onOver}
      onReach={() => undefined}
    />
  </Suspense>
);
