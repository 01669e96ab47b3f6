import { useState } from "react";
import { to } from "#app/addresses.ts";
import { Button } from "#app/parts/button.tsx";
import { TextField } from "#app/parts/field.tsx";
import { LENGTH_PROBLEM } from "#app/wording/format.ts";
import { type Length, parseLength, printNumber, sayLength, ticks, type Unit } from "#core/measure/length.ts";
import { stretchOf } from "#core/sheet/paper.ts";
import { anyPrinter, isMeasured, measuredOf, type PrinterRecord } from "#core/sheet/printer.ts";
import type { SheetAct } from "./acts.ts";

type Fields = "margin" | "across" | "along" | "edgeAcross" | "edgeAlong";
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
  const said = (length: Length) => (length === 0 ? "0" : printNumber(length, unit));
  const [name, setName] = useState(printer.name);
  const [text, setText] = useState<Record<Fields, string>>({
    margin: said(printer.margin),
    across: said(printer.across),
    along: said(printer.along),
    edgeAcross: printer.borderless ? said(printer.borderless.across) : "",
    edgeAlong: printer.borderless ? said(printer.borderless.along) : "",
  });
  const [errors, setErrors] = useState<Partial<Record<Fields | "name", string>>>({});
  const begin = () => {
    const fresh = anyPrinter(unit);
    setNew(true);
    setName("");
    setErrors({});
    setText({
      ...text,
      margin: said(fresh.margin),
      across: said(fresh.bar),
      along: said(fresh.bar),
      edgeAcross: "",
      edgeAlong: "",
    });
  };
  const save = () => {
    const wrong: Partial<Record<Fields | "name", string>> = {};
    const read = (field: Fields): Length | null => {
      const parsed = parseLength(text[field], unit);
      if (parsed.ok) return parsed.length;
      if (field === "margin" && /^0+([.,]0*)?$/.test(text.margin.trim())) return ticks(0);
      wrong[field] = LENGTH_PROBLEM[parsed.reason];
      return null;
    };
    const [margin, across, along] = [read("margin"), read("across"), read("along")];
    const hasEdge = `${text.edgeAcross}${text.edgeAlong}`.trim() !== "";
    const [edgeAcross, edgeAlong] = hasEdge ? [read("edgeAcross"), read("edgeAlong")] : [null, null];
    if (name.trim() === "") wrong.name = "A name, to tell it from the others.";
    setErrors(wrong);
    if (Object.keys(wrong).length > 0 || margin === null || across === null || along === null) return;
    const borderless = edgeAcross !== null && edgeAlong !== null ? { across: edgeAcross, along: edgeAlong } : null;
    const { id, bar } = printer;
    act({ act: "printer", id, name: name.trim(), margin, across, along, bar, borderless } as SheetAct);
    setNew(false);
  };
  const field = (of: Fields, label: string, hint: string) => (
    <TextField
      label={label}
      hint={hint}
      value={text[of]}
      error={errors[of]}
      onChange={(event) => setText({ ...text, [of]: event.target.value })}
    />
  );
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
      <TextField
        label="Name of the printer"
        hint="The one for photos, the one for sheets"
        value={name}
        maxLength={60}
        error={errors.name}
        onChange={(event) => setName(event.target.value)}
      />
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
          <Button look="quiet" small onClick={begin}>
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

/** By how much a printer is off, in words. */
function offSaid(printer: PrinterRecord, borderless: boolean): string {
  const measured = measuredOf(printer, borderless);
  const stretch = stretchOf(measured, measured.bar);
  const off = Math.max(Math.abs(stretch.x - 1), Math.abs(stretch.y - 1));
  return `it prints ${(off * 100).toFixed(2)} % ${stretch.x < 1 || stretch.y < 1 ? "small" : "large"}`;
}
