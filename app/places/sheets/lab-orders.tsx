import { useState } from "react";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { Options } from "#app/parts/options.tsx";
import { many } from "#app/wording/count.ts";
import { isToCut, onLabPaper } from "#core/sheet/lab.ts";
import { anyLab } from "#core/sheet/printer.ts";
import type { SheetAct } from "./acts.ts";
import { LabForm } from "./lab-form.tsx";
import type { PrintTick } from "./use-prints.ts";
import type { SheetsView, Wish } from "./view.ts";

type Props = {
  readonly view: SheetsView;
  readonly chosen: readonly Wish[];
  readonly act: (act: SheetAct) => void;
  readonly tick: (tick: PrintTick) => void;
  readonly busy: boolean;
};

/** Prints from a lab instead: the order goes to the one that is simulated, and comes after its days. */
export function LabOrders({ view, chosen: all, act, tick, busy }: Props) {
  const { orders, albumId, labs, unit } = view;
  const [asked, setAsked] = useState<string | null>(null);
  const [form, setForm] = useState<"change" | "new" | null>(null);
  const lab = labs.find(({ id }) => id === asked) ?? labs[0] ?? anyLab(unit);
  const laid = all.map((wish) => ({ wish, on: onLabPaper(wish.use.print, lab.lab) }));
  const chosen = laid.flatMap(({ wish, on }) => (on ? [{ wish, on }] : []));
  const tooLarge = laid.length - chosen.length;
  const toCut = chosen.filter(({ on }) => isToCut(on)).length;
  if (orders.length === 0 && all.length === 0) return null;
  return (
    <section aria-label="From a lab" className="grid gap-2 border-t border-line pt-4">
      <h2 className="text-lg">From a lab</h2>
      {orders.map(({ id, number, ordered, due, isDue, arrived, days, prints, lab: from, toCut: larger, uncut }) => (
        <div key={id} className="grid gap-1.5 border-b border-line pb-2.5 text-sm last:border-0">
          <p>
            <strong className="font-semibold">Order {number}</strong>
            {from && ` at ${from}`}, {many(prints, "print")}, sent {ordered}:{" "}
            {arrived ? "it has come." : isDue ? `due ${due}, it should be here.` : `due ${due}.`}
          </p>
          <p className="text-quiet">For {days.join("; ")}.</p>
          {larger > 0 && (
            <p>
              {many(larger, "print comes", "prints come")} on larger paper, with a fine line to cut along
              {arrived && uncut === 0 && ": cut out"}.
            </p>
          )}
          <div className="flex flex-wrap gap-2">
            <Button small onClick={() => tick({ how: "arrived", order: id, on: !arrived })}>
              {arrived ? "It has not come after all" : "It has come"}
            </Button>
            {arrived && larger > 0 && (
              <Button small onClick={() => tick({ how: "cut-out", order: id, on: uncut > 0 })}>
                {uncut > 0 ? "All cut out" : "Not cut out after all"}
              </Button>
            )}
            {!arrived && (
              <Button small keepers look="quiet" disabled={busy} onClick={() => act({ act: "drop-order", order: id })}>
                Take it back
              </Button>
            )}
            <a className="link self-center" href={to.document(albumId, "lab-order", `${id}.zip`)} download>
              Its files<span className="sr-only"> of order {number}</span>
            </a>
          </div>
        </div>
      ))}
      {labs.length > 1 && (
        <label className="flex flex-wrap items-center gap-2 text-sm font-medium">
          Lab
          <select
            className="field w-auto py-1 font-normal"
            value={lab.id ?? ""}
            onChange={(event) => setAsked(event.target.value)}
          >
            <Options all={labs.map(({ id, name }) => [id ?? "", name] as const)} />
          </select>
        </label>
      )}
      {tooLarge > 0 && (
        <p className="text-sm">
          {many(tooLarge, "print is", "prints are")} larger than every paper of {lab.name}.
        </p>
      )}
      {chosen.length > 0 && (
        <div className="grid gap-1.5">
          <p className="text-sm text-quiet">
            Files of each paper’s size and a list go to the simulated lab, which takes {many(lab.lab.days, "day")}.
            {toCut > 0 &&
              ` ${many(toCut, "print comes", "prints come")} on larger paper, with a fine line to cut along.`}
          </p>
          <div>
            <Button
              keepers
              disabled={busy}
              onClick={() => act({ act: "order", lab: lab.id, uses: chosen.map(({ wish }) => wish.use.id) })}
            >
              Order {chosen.length === 1 ? "this print" : `these ${chosen.length} prints`}
              {lab.id !== null && ` from ${lab.name}`}
            </Button>
          </div>
        </div>
      )}
      {form === null ? (
        <div className="flex flex-wrap gap-x-2">
          {lab.id !== null && (
            <Button small keepers look="quiet" className="-ml-2.5" onClick={() => setForm("change")}>
              {lab.name}: papers and measures
            </Button>
          )}
          <Button
            small
            keepers
            look="quiet"
            className={lab.id === null ? "-ml-2.5" : ""}
            onClick={() => setForm("new")}
          >
            {lab.id === null ? "Keep a lab: its papers and measures" : "Another lab"}
          </Button>
        </div>
      ) : (
        <LabForm
          key={form === "new" ? "new" : lab.id}
          lab={form === "new" ? { ...anyLab(unit), name: "" } : lab}
          {...{ albumId, unit, act }}
          onDone={() => setForm(null)}
        />
      )}
    </section>
  );
}
