import type { ReactNode } from "react";

/** What came of a form, where it was sent from: read out at once when it went wrong. */
export function Said({ good, children }: { good: boolean; children: ReactNode }) {
  return (
    <div
      role={good ? "status" : "alert"}
      className={`border-l-4 pl-3 font-medium ${good ? "border-ring-words" : "border-ember"}`}
    >
      {children}
    </div>
  );
}
