import { z } from "zod";
import { STEPS } from "../album/model.ts";
import { PRINT_STATES } from "../album/print.ts";
import { MOST_ACROSS } from "../album/tiles.ts";
import { LIMITS } from "../limits.ts";
import { IN_MILLIMETRES, sizeSchema } from "../measure/length-schema.ts";
import { type CalendarDate, parseDate } from "../month/dates.ts";
import { FIRST_STEPS } from "../pace/first-evening.ts";
import { OFFER_NAME } from "../pace/hours-schema.ts";
import { GOES_OUT } from "../share/goes-out-schema.ts";
import { onSheet } from "../sheet/sheet-schema.ts";
import { NAME } from "../words/text-schema.ts";

/**
 * `running.json` of an album in a household's file: what an album's own archive has not, because it is its household's running
 * work. Prints, sheets and orders; who wrote what; sittings; links, closed. Ids of days, cards, pictures and the like are
 * those of the archive beside it, ids of printers and members those of `household.json`. Lengths are millimetres.
 */
const ID = z.uuid();
const DATE = z.custom<CalendarDate>((value) => typeof value === "string" && parseDate(value) !== null);
const INSTANT = z.iso.datetime();
const SIZE = sizeSchema(IN_MILLIMETRES);
const { place: PLACE, cut: CUT } = onSheet(IN_MILLIMETRES);
const NUMBER = z.int().min(1).max(100_000);
const PART = z.int().min(0).max(MOST_ACROSS);

const SHEET = z.object({
  id: ID,
  number: NUMBER,
  of: z.enum(["photos", "cards"]),
  paper: SIZE,
  cuts: z.array(CUT).max(8000),
  waste: z.array(PLACE).max(4000),
  cutsDone: z.array(z.int().min(0).max(8000)).max(8000),
  madeAt: INSTANT,
  printedAt: INSTANT.nullable(),
  printer: ID.nullable(),
  borderless: z.boolean(),
});
const ORDER = z
  .object({ id: ID, number: NUMBER, orderedOn: DATE, dueOn: DATE, arrivedAt: INSTANT.nullable(), lab: ID.nullable() })
  .refine(({ orderedOn, dueOn }) => orderedOn <= dueOn, "due before it was ordered");
const PRINT = z
  .object({
    sheet: ID.nullable(),
    order: ID.nullable(),
    place: z.int().min(0).max(100_000),
    /** The picture on a day, or the card, that it is a print of. */
    use: ID.nullable(),
    card: ID.nullable(),
    at: PLACE,
    turned: z.boolean(),
    spare: z.boolean(),
    /** What it was made with, as one word. */
    madeAs: z.string().max(200_000),
    state: z.enum(PRINT_STATES),
    tile: z.object({ across: PART, down: PART, column: PART, row: PART, whole: SIZE }).nullable(),
    paper: SIZE.nullable(),
  })
  .refine(({ use, card }) => (use === null) !== (card === null), "a print of nothing, or of two things")
  .refine(({ sheet, order }) => sheet === null || order === null, "on a sheet and in an order")
  .refine(({ tile, use }) => tile === null || use !== null, "a part of a card");

const RUNNING = z.object({
  sheets: z.array(SHEET).max(2000),
  orders: z.array(ORDER).max(2000),
  prints: z.array(PRINT).max(LIMITS.archivePieces.most),
  /** Who wrote a card, a jotting, or a mark of a tally. */
  written: z.array(z.object({ of: ID, by: ID })).max(LIMITS.archivePieces.most * 2),
  declined: z.array(OFFER_NAME).max(2000),
  sittings: z
    .array(
      z
        .object({ by: ID, date: DATE, began: INSTANT, ended: INSTANT, steps: z.array(z.enum(STEPS)).max(2000) })
        .refine(({ began, ended }) => began <= ended, "ends before it begins"),
    )
    .max(20_000),
  /** Links, closed: their addresses are nowhere. */
  links: z.array(z.object({ name: NAME, goes: GOES_OUT, endsOn: DATE.nullable() })).max(LIMITS.shares.most),
  firstSettled: z.array(z.enum(FIRST_STEPS)).max(FIRST_STEPS.length),
});
export type Running = z.output<typeof RUNNING>;

/** The JSON text of `running.json`. */
export const writeRunning = (running: Running): string => JSON.stringify(RUNNING.encode(running as never));

/** Reads the text of `running.json`, checked as a whole; null where it is not one. */
export function readRunning(text: string): Running | null {
  try {
    const read = RUNNING.safeDecode(JSON.parse(text));
    return read.success && holds(read.data) ? read.data : null;
  } catch {
    return null;
  }
}

/** Whether nothing in it is there twice, and every print lies on a sheet or in an order that is there. */
function holds({ sheets, orders, prints, links: _ }: Running): boolean {
  const once = (all: readonly (string | number)[]) => new Set(all).size === all.length;
  const [ofSheets, ofOrders] = [new Set(sheets.map(({ id }) => id)), new Set(orders.map(({ id }) => id))];
  const places = prints.flatMap(({ sheet, order, place }) => ((sheet ?? order) ? [`${sheet ?? order} ${place}`] : []));
  const elsewhere = prints.flatMap(({ sheet, order, use, card }) => ((sheet ?? order) ? [] : [use ?? card ?? ""]));
  return (
    [
      ...[sheets, orders].map((all) => all.map(({ number }) => number)),
      [...sheets, ...orders].map(({ id }) => id),
    ].every(once) &&
    once(places) &&
    once(elsewhere) &&
    prints.every(({ sheet, order }) => (!sheet || ofSheets.has(sheet)) && (!order || ofOrders.has(order)))
  );
}
