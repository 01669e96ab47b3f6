import { useMemo, useState } from "react";
import { tilesOf } from "#core/album/tiles.ts";
import { type Length, parseLength, ticks, type Unit } from "#core/measure/length.ts";
import { type Size, size } from "#core/measure/size.ts";
import {
  CUT_STEPS,
  type CutStepName,
  canBeParted,
  type GangedSheet,
  type GangSettings,
  gangSheets,
  inParts,
  type PrintWish,
  sortByFit,
  type TooLarge,
  taskOf,
} from "#core/sheet/gang.ts";
import { PRINT_PAPERS, type PrintPaperId, printableOf } from "#core/sheet/paper.ts";
import { type Packing, usePacking } from "./use-packing.ts";
import type { PrinterView } from "./view.ts";

/** Something wanted on paper, and how much in need of a second one. */
export type Want = PrintWish & { readonly risk: number };

/** How the sheets are to be made. */
export type Choices = {
  readonly papers: readonly PrintPaperId[];
  readonly own: { readonly w: string; readonly h: string };
  readonly borderless: boolean;
  readonly gap: Length;
  readonly canTurn: boolean;
  readonly spares: boolean;
  readonly step: CutStepName;
};

export const firstChoices = (unit: Unit): Choices => ({
  papers: [unit === "inch" ? "letter" : "a4"],
  own: { w: "", h: "" },
  borderless: false,
  gap: ticks(0),
  canTurn: true,
  spares: true,
  step: unit === "inch" ? "sixteenth" : "half-millimetre",
});

/** An own paper as typed; null while it is none. */
export function ownPaper({ own }: Choices, unit: Unit): Size | null {
  const [w, h] = [parseLength(own.w, unit), parseLength(own.h, unit)];
  return w.ok && h.ok ? size(w.length, h.length) : null;
}

function settingsOf(choices: Choices, printer: PrinterView, unit: Unit): GangSettings {
  const own = ownPaper(choices, unit);
  const sizes = choices.papers.flatMap((id): Size[] => {
    const known = PRINT_PAPERS.find((paper) => paper.id === id);
    return known ? [known.size] : own ? [own] : [];
  });
  const step = CUT_STEPS[choices.step];
  const machine = choices.borderless ? { ...printer, margin: ticks(0) } : printer;
  return {
    papers: sizes.flatMap((paper) => {
      const printable = printableOf(paper, machine, printer.bar, step);
      return printable ? [{ size: paper, printable }] : [];
    }),
    gap: choices.gap,
    canTurn: choices.canTurn,
    step,
  };
}

export type Gang = {
  readonly choices: Choices;
  readonly setChoices: (choices: Choices) => void;
  readonly packing: Packing & { stop: () => void };
  readonly sheets: readonly GangedSheet[];
  readonly cuts: number;
  readonly spares: number;
  /** What no paper takes as a whole, and which of it is to be made in parts. */
  readonly tooLarge: readonly TooLarge[];
  readonly parted: ReadonlySet<string>;
  readonly setParted: (id: string, on: boolean) => void;
  readonly noPaper: boolean;
};

/** The best sheets so far for what is wanted, as the choices are now. */
export function useGang(wants: readonly Want[], printer: PrinterView, unit: Unit): Gang {
  const [choices, setChoices] = useState<Choices>(() => firstChoices(unit));
  const settings = useMemo(() => settingsOf(choices, printer, unit), [choices, printer, unit]);
  const [parted, setParted] = useState<ReadonlySet<string>>(new Set());
  const { fitting, tooLarge } = useMemo(() => {
    if (settings.papers.length === 0) return { fitting: [], tooLarge: [] };
    const sorted = sortByFit(wants, settings);
    const parts = sorted.tooLarge.flatMap((each) =>
      parted.has(each.id) && canBeParted(each) ? inParts(each, tilesOf(each.tiles)) : [],
    );
    return { fitting: [...sorted.fitting, ...parts], tooLarge: sorted.tooLarge };
  }, [wants, settings, parted]);
  const task = useMemo(() => (fitting.length > 0 ? taskOf(fitting, settings) : null), [fitting, settings]);
  const packing = usePacking(task);
  const { plan } = packing;
  const sheets = useMemo(() => {
    if (!plan || !task || plan.sheets.length === 0) return [];
    const spares = choices.spares
      ? [...fitting].sort((a, b) => b.risk - a.risk).map(({ id, size }) => ({ id, size, canTurn: choices.canTurn }))
      : [];
    return gangSheets(plan, fitting, settings, spares);
  }, [plan, task, fitting, settings, choices.spares, choices.canTurn]);
  return {
    choices,
    setChoices,
    packing,
    sheets,
    tooLarge,
    parted,
    setParted: (id, on) => setParted((was) => new Set(on ? [...was, id] : [...was].filter((each) => each !== id))),
    cuts: sheets.reduce((sum, sheet) => sum + sheet.cuts.length, 0),
    spares: sheets.reduce((sum, { prints }) => sum + prints.filter(({ spare }) => spare).length, 0),
    noPaper: settings.papers.length === 0,
  };
}
