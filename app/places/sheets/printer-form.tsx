import { useState } from "react";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { sayLength, type Unit } from "#core/measure/length.ts";
import { anyPrinter, isMeasured, type PrinterRecord } from "#core/sheet/printer.ts";
import type { SheetAct } from "./acts.ts";
import { offSaid, useMeasures } from "./use-measures.tsx";

type Props = {
  readonly printer: PrinterRecord;
  readonly albumId: string;
  readonly unit: Unit;
  readonly act: (act: SheetAct) => void;
};

/** A printer: its name, its white edge, and what the bars of its test page came out as, with that edge and without. */
export function PrinterForm({ printer: kept, albumId, unit, act }: Props) {
  const [isNew, setNew] = useState(false);
  const printer = isNew ? { ...anyPrinter(unit), name: "" } : kept;
  const { read, begin, field, nameField } = useMeasures(kept, unit);
  const save = () => {
    const measures = read();
    if (!measures) return;
    act({ act: "printer", id: printer.id, bar: printer.bar, ...measures });
    setNew(false);
  };
  const meant = `Meant: ${sayLength(printer.bar, unit)}`;
  return (
    <section aria-label="The printer" className="grid gap-3 border-t border-line pt-4">
      <h2 className="text-lg">{isNew ? "Another printer" : printer.name}</h2>
      <p className="text-sm">
        {isMeasured(printer)
          ? `Corrected: ${offSaid(printer, false)}${printer.borderless ? `; to the paper’s edge ${offSaid(printer, true)}` : ""}. Every sheet is made up for it.`
          : "Not measured yet. Print the test page, measure both bars, and every later sheet is made up for what they are off."}{" "}
        <a className="link" href={to.document(albumId, "scale-test", "page.pdf")} download>
          Test page
        </a>
      </p>
      {nameField("Name of the printer", "The one for photos, the one for sheets")}
      <div className="grid grid-cols-3 gap-3">
        {field("margin", "White edge", "What it leaves unprinted")}
        {field("across", "Bar across", meant)}
        {field("along", "Bar along", meant)}
      </div>
      <details open={printer.borderless !== null}>
        <summary className="min-h-8 content-center text-sm">Measured apart, printed to the paper’s edge</summary>
        <p className="pb-2 text-sm text-quiet">
          Most printers enlarge what they print to the edge. Print the test page so too, and say what its bars came out
          as.
        </p>
        <div className="grid grid-cols-2 gap-3">
          {field("edgeAcross", "Across, to the edge", meant)}
          {field("edgeAlong", "Along, to the edge", meant)}
        </div>
      </details>
      <div className="flex flex-wrap items-center gap-2">
        <Button onClick={save}>Keep these</Button>
        {!isNew && (
          <Button
            look="quiet"
            small
            onClick={() => {
              setNew(true);
              begin({ ...anyPrinter(unit), name: "" });
            }}
          >
            Another printer
          </Button>
        )}
        {!isNew && kept.id !== null && (
          <Button
            look="quiet"
            small
            aria-label={`Put the printer ${kept.name} away`}
            onClick={() => kept.id !== null && act({ act: "drop-printer", printer: kept.id })}
          >
            Put it away
          </Button>
        )}
      </div>
    </section>
  );
}
