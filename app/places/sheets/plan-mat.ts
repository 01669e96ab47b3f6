import type { MatBox } from "#app/drawing/mat-text.ts";
import type { OnMat } from "#app/parts/use-focus.ts";
import type { Printed } from "#core/document/printed.ts";
import type { Unit } from "#core/measure/length.ts";
import { paperName } from "#core/sheet/paper.ts";
import { sheetsMat } from "./sheet-drawing.ts";
import type { Gang } from "./use-gang.ts";
import type { MadeSheet } from "./view.ts";

/** What lies where a print is planned, and what is written on it. */
export type Shown = { readonly of: Printed; readonly label: string };
export type NamedMat = {
  readonly box: MatBox;
  readonly drawing: string;
  readonly label: string;
  readonly parts: readonly OnMat[];
};

const MOST_SHOWN = 4;
const wordsOn = (label: string, spare: boolean) => [label, spare && "spare"].filter(Boolean).join(" ");

/** The planned sheets on the mat; when nothing is planned, the ones made last. Cards say themselves what they are. */
export function planMat(
  gang: Gang,
  shownAt: (word: string) => Shown | undefined,
  made: readonly MadeSheet[],
  unit: Unit,
  what: "prints" | "cards",
): NamedMat {
  const planned = gang.sheets.map(({ paper, prints, waste }) => ({
    paper,
    waste,
    prints: prints.map(({ id, at, turned, spare }) => {
      const found = shownAt(id);
      return { at, turned, of: found?.of ?? null, words: wordsOn(found?.label ?? "", spare) };
    }),
  }));
  if (planned.length > 0) {
    const titles = planned.map(({ paper }, at) => ({
      name: `Sheet ${at + 1}`,
      title: `Sheet ${at + 1} of ${planned.length}, ${paperName(paper, unit)}`,
    }));
    const count = gang.sheets.reduce((sum, { prints }) => sum + prints.length, 0);
    return { ...sheetsMat(planned, titles, unit), label: `${planned.length} sheets with ${count} ${what}` };
  }
  const latest = made.slice(0, MOST_SHOWN).map(({ paper, waste, prints }) => ({
    paper,
    waste,
    prints: prints.map(({ at, turned, of, label, spare }) => ({
      at,
      turned,
      of,
      words: wordsOn(of?.kind === "card" ? "" : label, spare),
    })),
  }));
  const titles = made.slice(0, MOST_SHOWN).map(({ number }) => ({ name: `Sheet ${number}`, title: `Sheet ${number}` }));
  return { ...sheetsMat(latest, titles, unit), label: latest.length > 0 ? "The sheets made last" : "An empty mat" };
}
