import type { Print, PrintFrom } from "../core/album/print.ts";
import type { labOrder, print, printSheet } from "./schema/index.ts";

/** A print with where it comes from, as the relational query returns it. */
export type PrintRow = typeof print.$inferSelect & {
  sheet: Pick<typeof printSheet.$inferSelect, "number"> | null;
  order: Pick<typeof labOrder.$inferSelect, "number" | "dueOn"> | null;
};

function fromOf({ sheetId, sheet, orderId, order }: PrintRow): PrintFrom {
  if (sheetId && sheet) return { kind: "sheet", id: sheetId, number: sheet.number };
  return orderId && order ? { kind: "lab", id: orderId, number: order.number, due: order.dueOn } : { kind: "hand" };
}

export const toPrint = (row: PrintRow): Print => ({
  id: row.id,
  of: row.useId ?? row.cardId ?? "",
  from: fromOf(row),
  place: row.place,
  at: { x: row.x, y: row.y, w: row.w, h: row.h },
  turned: row.turned,
  spare: row.spare,
  madeAs: row.madeAs,
  state: row.state,
  tile: row.tile,
  paper: row.paperW === null || row.paperH === null ? null : { w: row.paperW, h: row.paperH },
});
