import { useState } from "react";
import type { MatBox } from "#app/drawing/mat-text.ts";
import type { Focusable } from "./workplace.tsx";

/** Something on a mat that can be looked at alone, and where it lies. */
export type OnMat = Focusable & { readonly box: MatBox };

/** Which of several things on a mat is looked at alone; all of them again where it is there no more. */
export function useFocus(things: readonly OnMat[]): {
  readonly chosen: string | null;
  readonly onChoose: (id: string | null) => void;
  /** The part of the mat that shows it; null while all is shown. */
  readonly box: MatBox | null;
} {
  const [asked, onChoose] = useState<string | null>(null);
  const found = things.length > 1 ? things.find(({ id }) => id === asked) : undefined;
  return { chosen: found?.id ?? null, onChoose, box: found?.box ?? null };
}
