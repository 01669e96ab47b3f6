import { inches, type Length, millimetres, ticks, type Unit } from "../measure/length.ts";
import { type Size, size } from "../measure/size.ts";
import type { CutStepName } from "./gang.ts";
import { barOf, type Printer, type PrintPaperId, usualMargin } from "./paper.ts";

/** How sheets are made on a printer: its papers that are in the house, and what was chosen when it was last used. */
export type Choices = {
  readonly papers: readonly PrintPaperId[];
  /** An own paper, as it was typed. */
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

/**
 * One of a household's printers: what it leaves white, how long the bars of its test page came out with that white edge,
 * and, where they were measured, printed to the paper's edge: such drivers usually enlarge (common practice).
 */
export type PrinterRecord = Printer & {
  /** Null: an ordinary one, of which nothing is kept yet. */
  readonly id: string | null;
  readonly name: string;
  /** How long the bars are meant to be. */
  readonly bar: Length;
  readonly borderless: { readonly across: Length; readonly along: Length } | null;
  /** Null: nothing was chosen on it yet. */
  readonly last: Choices | null;
};

/** An ordinary printer, until one is kept. */
export const anyPrinter = (unit: Unit): PrinterRecord => {
  const bar = barOf(unit);
  const measures = { margin: usualMargin(unit), across: bar, along: bar, bar };
  return { id: null, name: "The printer", ...measures, borderless: null, last: null };
};

/** What a lab is besides a printer: the papers it prints on (none said: whatever size is asked for), and how many days it takes. */
export type Lab = { readonly papers: readonly Size[]; readonly days: number };

/** A lab that a household orders from, measured as a printer is: by the bars of a test file, with a white edge and without. */
export type LabRecord = PrinterRecord & { readonly lab: Lab };

/** Papers that labs print on: common practice. */
export const LAB_PAPERS: Record<Unit, readonly Size[]> = {
  inch: [
    [3.5, 5],
    [4, 4],
    [4, 6],
    [5, 7],
    [8, 8],
    [8, 10],
  ].map(([w = 0, h = 0]) => size(inches(w), inches(h))),
  cm: [
    [90, 130],
    [100, 150],
    [130, 180],
    [200, 200],
    [200, 300],
  ].map(([w = 0, h = 0]) => size(millimetres(w), millimetres(h))),
};
/** The bars of a lab's test file are short enough for the smallest of its papers. */
const labBarOf = (unit: Unit): Length => (unit === "inch" ? inches(3) : millimetres(80));
/** More days than a lab takes. */
export const MOST_LAB_DAYS = 60;

/** A lab, until one is kept: it prints what it is asked for, true, in three days. */
export const anyLab = (unit: Unit): LabRecord => {
  const bar = labBarOf(unit);
  const measures = { margin: ticks(0), across: bar, along: bar, bar };
  return { id: null, name: "The lab", ...measures, borderless: null, last: null, lab: { papers: [], days: 3 } };
};

/** What a printer does to a sheet: with its white edge, or to the paper's edge, where it leaves none. */
export function measuredOf(printer: PrinterRecord, borderless: boolean): Printer & { readonly bar: Length } {
  const { margin, across, along, bar } = printer;
  if (!borderless) return { margin, across, along, bar };
  return { ...(printer.borderless ?? { across, along }), margin: ticks(0), bar };
}

export const isMeasured = ({ across, along, bar }: Pick<PrinterRecord, "across" | "along" | "bar">): boolean =>
  across !== bar || along !== bar;

/** The printer that a sheet was made for; an ordinary one where that is kept no more. */
export const printerOf = (printers: readonly PrinterRecord[], id: string | null, unit: Unit): PrinterRecord =>
  printers.find((each) => each.id === id) ?? anyPrinter(unit);
