import { FORMAT_PROBLEM, LENGTH_PROBLEM, SPAN_PROBLEM } from "#app/ui/wording.ts";
import { checkFormat, presetById } from "#core/album/formats.ts";
import { type AlbumFormat, type AlbumPlan, BINDINGS } from "#core/album/model.ts";
import { type Length, parseLength, type Unit } from "#core/measure/length.ts";
import { NUMBERINGS, type Numbering } from "#core/month/numbering.ts";
import { parseSpan, type Span } from "#core/month/span.ts";
import { clean } from "#core/words/clean.ts";

/** What is wrong, by the name of the field it is wrong in. */
export type FieldErrors = Readonly<Record<string, string>>;
export type ParsedPlan = { ok: true; plan: AlbumPlan } | { ok: false; errors: FieldErrors };

const text = (form: FormData, name: string): string => {
  const value = form.get(name);
  return typeof value === "string" ? clean(value).trim() : "";
};

function readTitle(form: FormData, errors: Record<string, string>): string {
  const title = text(form, "title");
  if (title === "") errors.title = "Give the album a title.";
  if (title.length > 120) errors.title = "Use at most 120 letters.";
  return title;
}

function readSpan(form: FormData, errors: Record<string, string>): Span | null {
  const parsed = parseSpan(text(form, "start"), text(form, "end"));
  if (parsed.ok) return parsed.span;
  errors.end = SPAN_PROBLEM[parsed.reason];
  return null;
}

function readNumbering(form: FormData, errors: Record<string, string>): Numbering {
  const found = NUMBERINGS.find((each) => each === text(form, "numbering"));
  if (!found) errors.numbering = "Say what the number means.";
  return found ?? "date";
}

const readUnit = (form: FormData): Unit => (text(form, "unit") === "cm" ? "cm" : "inch");

/** A new album: a preset book, everything else as typed. */
export function parseNewAlbum(form: FormData): ParsedPlan {
  const errors: Record<string, string> = {};
  const [title, span, numbering, preset] = [
    readTitle(form, errors),
    readSpan(form, errors),
    readNumbering(form, errors),
    presetById(text(form, "book")),
  ];
  if (!preset) errors.book = "Choose a book.";
  if (!preset || !span || Object.keys(errors).length > 0) return { ok: false, errors };
  const { id: _, unit: __, ...format } = preset;
  return { ok: true, plan: { title, span, numbering, unit: readUnit(form), format } };
}

/** The length fields of a measured format, as the settings form names them. */
export const FORMAT_LENGTHS = ["nominalW", "nominalH", "openingW", "openingH", "outerW", "outerH"] as const;

function readFormat(form: FormData, unit: Unit, errors: Record<string, string>): AlbumFormat | null {
  const length = (name: string): Length => {
    const parsed = parseLength(text(form, name), unit);
    if (!parsed.ok) errors[name] = LENGTH_PROBLEM[parsed.reason];
    return parsed.ok ? parsed.length : (0 as Length);
  };
  const [nominalW, nominalH, openingW, openingH, outerW, outerH] = FORMAT_LENGTHS.map(length) as [
    Length,
    Length,
    Length,
    Length,
    Length,
    Length,
  ];
  const noMargin = /^0*([.,]0*)?$/.test(text(form, "margin"));
  const margin = noMargin ? (0 as Length) : length("margin");
  const capacityMm = Number(text(form, "capacity").replace(",", "."));
  if (!(capacityMm > 0 && capacityMm <= 1000))
    errors.capacity = "Give what the rings or the spine hold, in millimetres.";
  const binding = BINDINGS.find((each) => each === text(form, "binding"));
  if (!binding) errors.binding = "Say how the leaves are held.";
  const name = text(form, "formatName");
  if (name === "" || name.length > 120) errors.formatName = "Give the book a name of up to 120 letters.";
  if (!binding || Object.keys(errors).length > 0) return null;
  const format: AlbumFormat = {
    name,
    binding,
    nominal: { w: nominalW, h: nominalH },
    opening: { w: openingW, h: openingH },
    outer: { w: outerW, h: outerH },
    margin,
    capacity: Math.round(capacityMm * 1000),
  };
  const problem = checkFormat(format);
  if (problem) errors[problem === "margin-over-outer" ? "margin" : "openingW"] = FORMAT_PROBLEM[problem];
  return problem ? null : format;
}

/** Everything about an album, as its settings form sends it. */
export function parseAlbumSettings(form: FormData): ParsedPlan {
  const errors: Record<string, string> = {};
  const unit = readUnit(form);
  const [title, span, numbering, format] = [
    readTitle(form, errors),
    readSpan(form, errors),
    readNumbering(form, errors),
    readFormat(form, unit, errors),
  ];
  if (!span || !format || Object.keys(errors).length > 0) return { ok: false, errors };
  return { ok: true, plan: { title, span, numbering, unit, format } };
}
