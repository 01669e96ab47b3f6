import { useMemo } from "react";
import { newId } from "#app/parts/new-id.ts";
import { pendingSent } from "#app/sending/pending.ts";
import { useOutbox } from "#app/sending/sending.tsx";
import { printSize } from "#core/measure/size.ts";
import type { SentPrint } from "#core/sheet/sheet-schema.ts";
import { tickSheet } from "#core/sheet/sheet-ticks.ts";
import type { MadeSheet, SheetsView } from "./view.ts";

/** What is said of a sheet, a print, what is on paper elsewhere, or an order. */
export type PrintTick = SentPrint extends infer Each ? (Each extends SentPrint ? Omit<Each, "what"> : never) : never;

/** Sends what is ticked of sheets, prints and orders, and what of it is still on its way, in order. */
export function usePrints(): { tick: (each: PrintTick) => void; pending: readonly SentPrint[] } {
  const { state, put } = useOutbox();
  const pending = useMemo(() => pendingSent(state, "print"), [state]);
  // Each tick is its own: said and taken back, both leave, in order.
  return { tick: (each) => put(`print:${newId()}`, { what: "print", ...each } as SentPrint), pending };
}

/** When something that is on its way will have been said: it is not known to the minute, and not shown. */
const SOON = "9999-12-31T00:00:00Z";

/** A sheet with everything said of it that is on its way, as the server makes it. */
export function sheetNow(sheet: MadeSheet, pending: readonly SentPrint[]): MadeSheet {
  return pending.reduce<MadeSheet>((now, sent) => {
    const isOfIt = sent.how === "printed" ? sent.sheets.includes(sheet.id) : "sheet" in sent && sent.sheet === sheet.id;
    if ((sent.how === "printed" || sent.how === "cut" || sent.how === "all-cut") && isOfIt) {
      const ticked = tickSheet(now, now.prints, sent, SOON);
      return ticked ? { ...ticked.sheet, prints: ticked.prints } : now;
    }
    if (sent.how !== "spoiled") return now;
    const state = sent.on ? "spoiled" : "printed";
    const prints = now.prints.map((each) =>
      each.id === sent.print && each.state !== "made" ? ({ ...each, state } as const) : each,
    );
    return { ...now, prints };
  }, sheet);
}

/** What is said to be on paper elsewhere, or not after all, and is on its way: by id, the last word of each. */
const elsewhereOf = (pending: readonly SentPrint[], of: "photos" | "cards"): ReadonlyMap<string, boolean> =>
  new Map(
    pending.flatMap((sent) =>
      sent.how === "elsewhere" && sent.of === of ? sent.ids.map((id) => [id, sent.on] as const) : [],
    ),
  );

type Waiting<W> = { readonly wishes: readonly W[]; readonly had: SheetsView["had"] };

/** Wishes and what is had elsewhere, as what is on its way makes them. What comes back is wanted once it is saved. */
export function wishesNow<W extends { readonly day: string }>(
  { wishes, had }: Waiting<W>,
  of: "photos" | "cards",
  pending: readonly SentPrint[],
  said: (wish: W) => { readonly id: string; readonly said: string },
): Waiting<W> {
  const elsewhere = elsewhereOf(pending, of);
  if (elsewhere.size === 0) return { wishes, had };
  const isGone = (id: string) => elsewhere.get(id) === true;
  return {
    wishes: wishes.filter((wish) => !isGone(said(wish).id)),
    had: [
      ...had.filter(({ id }) => elsewhere.get(id) !== false),
      ...wishes.flatMap((wish) => (isGone(said(wish).id) ? [{ ...said(wish), day: wish.day }] : [])),
    ],
  };
}

/** Print sheets as they are with everything said of them that is on its way. */
export function sheetsNow(view: SheetsView, pending: readonly SentPrint[]): SheetsView {
  if (pending.length === 0) return view;
  const said = (how: "arrived" | "cut-out") =>
    new Map(pending.flatMap((sent) => (sent.how === how ? [[sent.order, sent.on] as const] : [])));
  const [arrived, cutOut] = [said("arrived"), said("cut-out")];
  return {
    ...view,
    ...wishesNow(view, "photos", pending, ({ use }) => ({ id: use.id, said: printSize(use.print, view.unit) })),
    sheets: view.sheets.map((sheet) => sheetNow(sheet, pending)),
    orders: view.orders.map((order) => {
      const cut = cutOut.get(order.id);
      return {
        ...order,
        arrived: arrived.get(order.id) ?? order.arrived,
        uncut: cut === undefined ? order.uncut : cut ? 0 : order.toCut,
      };
    }),
  };
}
