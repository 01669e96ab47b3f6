import type { MatBox, StillMat } from "./mat-text.ts";

export const viewBoxOf = ({ x, y, w, h }: MatBox): string => `${x} ${y} ${w} ${h}`;

/** The cutting mat with everything on it to one scale, holding still. */
export function Mat({ mat, label, className = "h-full w-full" }: { mat: StillMat; label: string; className?: string }) {
  return (
    <svg
      viewBox={viewBoxOf(mat.box)}
      preserveAspectRatio="xMidYMid meet"
      className={`block overflow-visible ${className}`}
      role="img"
      aria-label={label}
      // biome-ignore lint/security/noDangerouslySetInnerHtml: written by core/draw/svg.ts, which escapes every word
      dangerouslySetInnerHTML={{ __html: mat.drawing }}
    />
  );
}
