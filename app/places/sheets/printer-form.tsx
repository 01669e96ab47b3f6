import { useState } from "react";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { TextField } from "#app/parts/field.tsx";
import { LENGTH_PROBLEM } from "#app/wording/format.ts";
import { type Length, parseLength, printNumber, sayLength, ticks } from "#core/measure/length.ts";
import { stretchOf } from "#core/sheet/paper.ts";
import type { SheetAct } from "./acts.ts";
import type { SheetsView } from "./view.ts";

type Fields = "margin" | "across" | "along";

/** The printer's white edge, and what the bars of its test page came out as. */
export function PrinterForm({ view, act }: { view: SheetsView; act: (act: SheetAct) => void }) {
  const { printer, unit, albumId } = view;
  const said = (length: Length) => (length === 0 ? "0" : printNumber(length, unit));
  const [text, setText] = useState<Record<Fields, string>>({
    margin: said(printer.margin),
    across: said(printer.across),
    along: said(printer.along),
  });
  const [errors, setErrors] = useState<Partial<Record<Fields, string>>>({});
  const stretch = stretchOf(printer, printer.bar);
  const off = Math.max(Math.abs(stretch.x - 1), Math.abs(stretch.y - 1));
  const save = () => {
    const read = { margin: null, across: null, along: null } as Record<Fields, Length | null>;
    const wrong: Partial<Record<Fields, string>> = {};
    for (const field of ["margin", "across", "along"] as const) {
      const parsed = parseLength(text[field], unit);
      if (parsed.ok) read[field] = parsed.length;
      else if (field === "margin" && /^0+([.,]0*)?$/.test(text.margin.trim())) read.margin = ticks(0);
      else wrong[field] = LENGTH_PROBLEM[parsed.reason];
    }
    setErrors(wrong);
    const { margin, across, along } = read;
    if (margin !== null && across !== null && along !== null)
      act({ act: "printer", margin, across, along, bar: printer.bar } as SheetAct);
  };
  const field = (name: Fields, label: string, hint: string) => (
    <TextField
      label={label}
      hint={hint}
      value={text[name]}
      error={errors[name]}
      onChange={(event) => setText({ ...text, [name]: event.target.value })}
    />
  );
  return (
    <section aria-label="The printer" className="grid gap-3 border-t border-line pt-4">
      <h2 className="text-lg">The printer</h2>
      <p className="text-sm">
        {printer.measured
          ? `Corrected: it prints ${(off * 100).toFixed(2)} % ${stretch.x < 1 || stretch.y < 1 ? "small" : "large"}, and every sheet is made up for it.`
          : "Not measured yet. Print the test page, measure both bars, and every later sheet is made up for what they are off."}{" "}
        <a className="link" href={to.document(albumId, "scale-test", "page.pdf")} download>
          Test page
        </a>
      </p>
      <div className="grid grid-cols-3 gap-3">
        {field("margin", "White edge", "What it leaves unprinted")}
        {field("across", "Bar across", `Meant: ${sayLength(printer.bar, unit)}`)}
        {field("along", "Bar along", `Meant: ${sayLength(printer.bar, unit)}`)}
      </div>
      <div>
        <Button onClick={save}>Keep these</Button>
      </div>
    </section>
  );
}
