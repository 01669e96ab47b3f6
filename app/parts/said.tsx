import type { ReactNode } from "react";
import { UNREACHABLE } from "#app/wording/sending.ts";

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

/** That the server or its database did not answer a form; `kept` says what of it is still there. */
export const unreachableForm = (reason: keyof typeof UNREACHABLE, kept: string): string =>
  `${UNREACHABLE[reason].split(". ")[0]}. ${kept}`;
