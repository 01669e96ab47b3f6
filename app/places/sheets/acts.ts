import { z } from "zod";
import type { Away } from "#app/wording/sending.ts";
import { type Length, LONGEST } from "#core/measure/length.ts";
import { IN_TICKS, sizeSchema } from "#core/measure/length-schema.ts";
import { MOST_LAB_DAYS } from "#core/sheet/printer.ts";
import { GANGED_SHEETS } from "#core/sheet/sheet-schema.ts";
import { textOf } from "#core/words/text-schema.ts";

const LENGTH = z
  .int()
  .positive()
  .max(LONGEST)
  .transform((n) => n as Length);
const MARGIN = z
  .int()
  .min(0)
  .max(LONGEST)
  .transform((n) => n as Length);

/** For which printer sheets are made, and whether they are printed to the paper's edge. */
export const ON_PRINTER = { printer: z.uuid().nullable().default(null), borderless: z.boolean().default(false) };

/** Something made or put away, whose answer is waited for: sheets, orders, the printer. What is only ticked goes as any change. */
export const SHEET_ACT = z.discriminatedUnion("act", [
  z.object({ act: z.literal("make"), sheets: GANGED_SHEETS, ...ON_PRINTER }),
  z.object({ act: z.literal("drop"), sheet: z.uuid() }),
  z.object({
    ...{ act: z.literal("printer"), id: z.uuid().nullable(), name: textOf(60, 1) },
    ...{ margin: MARGIN, across: LENGTH, along: LENGTH, bar: LENGTH },
    borderless: z.object({ across: LENGTH, along: LENGTH }).nullable(),
    /** What it is besides where it is a lab. */
    lab: z
      .object({
        papers: z.array(sizeSchema(IN_TICKS)).max(40),
        days: z.int().min(0).max(MOST_LAB_DAYS),
      })
      .nullable()
      .default(null),
  }),
  z.object({ act: z.literal("drop-printer"), printer: z.uuid() }),
  z.object({
    act: z.literal("order"),
    lab: z.uuid().nullable().default(null),
    uses: z.array(z.uuid()).min(1).max(500),
  }),
  z.object({ act: z.literal("drop-order"), order: z.uuid() }),
]);
export type SheetAct = z.input<typeof SHEET_ACT>;

export type SheetsAnswer =
  | { ok: true; said?: string }
  | {
      ok: false;
      reason: "changed-since" | "not-found" | "printed" | "implausible" | "lab-refused" | Away;
    };
