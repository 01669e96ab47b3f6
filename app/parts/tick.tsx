import type { ReactNode } from "react";

/** A box to tick, its words beside it. */
export function Tick({ on, onTurn, children }: { on: boolean; onTurn: () => void; children: ReactNode }) {
  return (
    <label className="flex min-h-8 items-center gap-2 text-sm">
      <input type="checkbox" checked={on} onChange={onTurn} className="size-4 accent-ember" />
      {children}
    </label>
  );
}
