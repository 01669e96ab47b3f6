import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { many } from "#app/wording/count.ts";
import type { SheetAct } from "./acts.ts";
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
  const { orders, albumId } = view;
  const chosen = all.filter(({ use }) => use.onIt.length === 0 && use.repeat === null);
  const withWords = all.length - chosen.length;
  if (orders.length === 0 && all.length === 0) return null;
  return (
    <section aria-label="From a lab" className="grid gap-2 border-t border-line pt-4">
      <h2 className="text-lg">From a lab</h2>
      {orders.map(({ id, number, ordered, due, isDue, arrived, days, prints }) => (
        <div key={id} className="grid gap-1.5 border-b border-line pb-2.5 text-sm last:border-0">
          <p>
            <strong className="font-semibold">Order {number}</strong>, {many(prints, "print")}, sent {ordered}:{" "}
            {arrived ? "it has come." : isDue ? `due ${due}, it should be here.` : `due ${due}.`}
          </p>
          <p className="text-quiet">For {days.join("; ")}.</p>
          <div className="flex flex-wrap gap-2">
            <Button small onClick={() => tick({ how: "arrived", order: id, on: !arrived })}>
              {arrived ? "It has not come after all" : "It has come"}
            </Button>
            {!arrived && (
              <Button small look="quiet" disabled={busy} onClick={() => act({ act: "drop-order", order: id })}>
                Take it back
              </Button>
            )}
            <a className="link self-center" href={to.document(albumId, "lab-order", `${id}.zip`)} download>
              Its files<span className="sr-only"> of order {number}</span>
            </a>
          </div>
        </div>
      ))}
      {withWords > 0 && (
        <p className="text-sm">
          {many(withWords, "print has", "prints have")} something printed on the picture, or a pattern repeated: that is
          made here, not at the lab.
        </p>
      )}
      {chosen.length > 0 && (
        <div className="grid gap-1.5">
          <p className="text-sm text-quiet">
            Files of each print’s size and a list go to the simulated lab, which takes three days.
          </p>
          <div>
            <Button disabled={busy} onClick={() => act({ act: "order", uses: chosen.map(({ use }) => use.id) })}>
              Order {chosen.length === 1 ? "this print" : `these ${chosen.length} prints`}
            </Button>
          </div>
        </div>
      )}
    </section>
  );
}
