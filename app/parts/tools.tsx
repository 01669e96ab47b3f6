import type { ReactNode } from "react";
import { useOneStop } from "./one-stop.ts";

/** Buttons and links that belong to one thing: one stop for the Tab key, the arrow keys lead from one to the next. */
export function Tools({ name, className, children }: { name: string; className?: string; children: ReactNode }) {
  return (
    <div role="toolbar" aria-label={name} {...useOneStop<HTMLDivElement>()} className={className}>
      {children}
    </div>
  );
}
