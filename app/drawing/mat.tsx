import { Drawn } from "./drawn.tsx";
import type { MatBox, StillMat } from "./mat-text.ts";

export const viewBoxOf = ({ x, y, w, h }: MatBox): string => `${x} ${y} ${w} ${h}`;

/** The cutting mat with everything on it to one scale, holding still. */
export function Mat({ mat, label, className = "h-full w-full" }: { mat: StillMat; label: string; className?: string }) {
  return (
    <Drawn
      as="svg"
      viewBox={viewBoxOf(mat.box)}
      preserveAspectRatio="xMidYMid meet"
      className={`block overflow-visible ${className}`}
      role="img"
      aria-label={label}
      markup={mat.drawing}
      suppressHydrationWarning
    />
  );
}
