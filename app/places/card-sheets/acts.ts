import { z } from "zod";
import { ON_PRINTER } from "#app/places/sheets/acts.ts";
import type { Away } from "#app/wording/sending.ts";
import { GANGED_SHEETS } from "#core/sheet/sheet-schema.ts";

export const CARD_SHEETS_ACT = z.object({ sheets: GANGED_SHEETS, ...ON_PRINTER });
export type CardSheetsAnswer = { ok: true; said: string } | { ok: false; reason: "changed-since" | "not-found" | Away };
