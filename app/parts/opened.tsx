import { type ReactNode, startTransition, useEffect, useState } from "react";
import { store, stored } from "./stored.ts";

/** A part of a place that is fetched and made when it is opened; on this device it stays as it was left. */
export function Opened({ name, summary, children }: { name: string; summary: string; children: ReactNode }) {
  const slot = `hearth-opened:${name}`;
  const [isOpen, setOpen] = useState(false);
  useEffect(() => startTransition(() => setOpen(stored(slot) === "yes")), [slot]);
  return (
    <details
      open={isOpen}
      onToggle={({ currentTarget: { open } }) => {
        if (open === isOpen) return;
        setOpen(open);
        store(slot, open ? "yes" : "");
      }}
    >
      <summary className="w-fit min-h-8 cursor-pointer content-center text-quiet hover:text-ember">{summary}</summary>
      {isOpen && children}
    </details>
  );
}
