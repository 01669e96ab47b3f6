import { useState } from "react";
import { TextField } from "#app/parts/field.tsx";
import { LENGTH_PROBLEM } from "#app/wording/format.ts";
import { type Length, parseLengthIn, printNumber, type Unit } from "#core/measure/length.ts";
import { stretchOf } from "#core/sheet/paper.ts";
import { measuredOf, type PrinterRecord } from "#core/sheet/printer.ts";

const FIELDS = ["margin", "across", "along", "edgeAcross", "edgeAlong"] as const;
type Field = (typeof FIELDS)[number];

const said = (length: Length, unit: Unit) => (length === 0 ? "0" : printNumber(length, unit));
const textsOf = ({ margin, across, along, borderless }: PrinterRecord, unit: Unit): Record<Field, string> => ({
  margin: said(margin, unit),
  across: said(across, unit),
  along: said(along, unit),
  edgeAcross: borderless ? said(borderless.across, unit) : "",
  edgeAlong: borderless ? said(borderless.along, unit) : "",
});

export type Measures = Pick<PrinterRecord, "name" | "margin" | "across" | "along" | "borderless">;

/** The name and measures of a printer or a lab as they are typed, and read together when they are to be kept. */
export function useMeasures(printer: PrinterRecord, unit: Unit) {
  const [name, setName] = useState(printer.name);
  const [text, setText] = useState(() => textsOf(printer, unit));
  const [errors, setErrors] = useState<Partial<Record<Field | "name", string>>>({});
  const read = (): Measures | null => {
    const wrong: Partial<Record<Field | "name", string>> = {};
    const length = (field: Field): Length | null => {
      const parsed = parseLengthIn(text[field], unit, field === "margin" ? "zero" : "positive");
      if (parsed.ok) return parsed.length;
      wrong[field] = LENGTH_PROBLEM[parsed.reason];
      return null;
    };
    const [margin, across, along] = [length("margin"), length("across"), length("along")];
    const hasEdge = `${text.edgeAcross}${text.edgeAlong}`.trim() !== "";
    const [edgeAcross, edgeAlong] = hasEdge ? [length("edgeAcross"), length("edgeAlong")] : [null, null];
    if (name.trim() === "") wrong.name = "A name, to tell it from the others.";
    setErrors(wrong);
    if (Object.keys(wrong).length > 0 || margin === null || across === null || along === null) return null;
    const borderless = edgeAcross !== null && edgeAlong !== null ? { across: edgeAcross, along: edgeAlong } : null;
    return { name: name.trim(), margin, across, along, borderless };
  };
  /** Begins anew with the measures of another. */
  const begin = (other: PrinterRecord) => {
    setName(other.name);
    setText(textsOf(other, unit));
    setErrors({});
  };
  const field = (of: Field, label: string, hint: string) => (
    <TextField
      label={label}
      hint={hint}
      value={text[of]}
      error={errors[of]}
      onChange={(event) => setText({ ...text, [of]: event.target.value })}
    />
  );
  const nameField = (label: string, hint: string) => (
    <TextField
      label={label}
      hint={hint}
      value={name}
      maxLength={60}
      error={errors.name}
      onChange={(event) => setName(event.target.value)}
    />
  );
  return { read, begin, field, nameField };
}

/** By how much a printer or a lab is off, in words. */
export function offSaid(printer: PrinterRecord, borderless: boolean): string {
  const measured = measuredOf(printer, borderless);
  const stretch = stretchOf(measured, measured.bar);
  const off = Math.max(Math.abs(stretch.x - 1), Math.abs(stretch.y - 1));
  return `it prints ${(off * 100).toFixed(2)} % ${stretch.x < 1 || stretch.y < 1 ? "small" : "large"}`;
}
