import { useMemo, useState } from "react";
import type { Outboxed } from "#app/sending/outbox.ts";
import { pendingSent } from "#app/sending/pending.ts";
import { useOutbox } from "#app/sending/sending.tsx";
import { tilesOf } from "#core/album/tiles.ts";
import { parseLength, type Unit } from "#core/measure/length.ts";
import { type Size, size } from "#core/measure/size.ts";
import {
  CUT_STEPS,
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
import { PRINT_PAPERS, printableOf } from "#core/sheet/paper.ts";
import { anyPrinter, type Choices, firstChoices, measuredOf, type PrinterRecord } from "#core/sheet/printer.ts";
import { type Packing, usePacking } from "./use-packing.ts";

/** Something wanted on paper, and how much in need of a second one. */
export type Want = PrintWish & { readonly risk: number };

/** An own paper as typed; null while it is none. */
export function ownPaper({ own }: Choices, unit: Unit): Size | null {
  const [w, h] = [parseLength(own.w, unit), parseLength(own.h, unit)];
  return w.ok && h.ok ? size(w.length, h.length) : null;
}

function settingsOf(choices: Choices, printer: PrinterRecord, unit: Unit): GangSettings {
  const own = ownPaper(choices, unit);
  const sizes = choices.papers.flatMap((id): Size[] => {
    const known = PRINT_PAPERS.find((paper) => paper.id === id);
    return known ? [known.size] : own ? [own] : [];
  });
  const step = CUT_STEPS[choices.step];
  const machine = measuredOf(printer, choices.borderless);
  return {
    papers: sizes.flatMap((paper) => {
      const printable = printableOf(paper, machine, machine.bar, step);
      return printable ? [{ size: paper, printable }] : [];
    }),
    gap: choices.gap,
    canTurn: choices.canTurn,
    step,
  };
}

/** What was chosen on a printer and is still on its way. What was chosen before any was kept is the first one's, as the server has it. */
function pendingChoices(state: Outboxed, id: string | null, printers: readonly PrinterRecord[]): Choices | null {
  const mine = ({ printer }: { printer: string | null }) => (printer ?? printers[0]?.id ?? null) === id;
  return pendingSent(state, "choices").findLast(mine)?.choices ?? null;
}

export type Gang = {
  /** The printer that is used, of those there are. */
  readonly printer: PrinterRecord;
  readonly printers: readonly PrinterRecord[];
  readonly setPrinter: (id: string | null) => void;
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

/** For which printer sheets of this plan are made. */
export const madeOn = ({ printer, choices }: Gang) => ({ printer: printer.id, borderless: choices.borderless });

/** The best sheets so far for what is wanted, as the choices are now. */
export function useGang(wants: readonly Want[], printers: readonly PrinterRecord[], unit: Unit): Gang {
  const [asked, setPrinter] = useState<string | null>(null);
  const printer = printers.find(({ id }) => id === asked) ?? printers[0] ?? anyPrinter(unit);
  const { state, put } = useOutbox();
  const choices = pendingChoices(state, printer.id, printers) ?? printer.last ?? firstChoices(unit);
  const setChoices = (next: Choices) => {
    // Found so the next evening, on whichever device.
    put(`choices:${printer.id}`, { what: "choices", printer: printer.id, choices: next as never, unit });
  };
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
    printer,
    printers,
    setPrinter,
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
