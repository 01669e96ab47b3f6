import { FORMAT_PROBLEM, LENGTH_PROBLEM, marginOver } from "#app/wording/format.ts";
import { checkFormat, overMeasured } from "#core/album/formats.ts";
import { type AlbumFormat, BINDING_EDGES, BINDINGS } from "#core/album/model.ts";
import { LIMITS } from "#core/limits.ts";
import { type Length, parseLength, printNumber, sayLength, ticks, type Unit } from "#core/measure/length.ts";

/** The measuring form's fields, all as text. */
export const FORMAT_LENGTHS = [
  ...([
    "nominalW",
    "nominalH",
    "openingW",
    "openingH",
    "outerW",
    "outerH",
    "bareW",
    "bareH",
    "coverW",
    "coverH",
  ] as const),
  ...(["margin", "holeInset", "holeDiameter"] as const),
];
/** Every field by its name. */
export const FORMAT_FIELDS = [
  ...FORMAT_LENGTHS,
  ...(["formatName", "binding", "bindingEdge", "capacity", "leaves", "holePositions"] as const),
];
export type FormatLength = (typeof FORMAT_LENGTHS)[number];
export type FormatField =
  | FormatLength
  | "formatName"
  | "binding"
  | "bindingEdge"
  | "capacity"
  | "leaves"
  | "holePositions";
export type FormatText = Readonly<Record<FormatField, string>>;
export type FormatErrors = Readonly<Partial<Record<FormatField, string>>>;
export type ReadFormat = { ok: true; format: AlbumFormat } | { ok: false; errors: FormatErrors };

/** Lengths that may be nothing: a sewn book has no margin and no holes. */
const MAY_BE_NOTHING: readonly FormatLength[] = ["margin", "holeInset", "holeDiameter"];
const isNothing = (text: string) => /^0*([.,]0*)?$/.test(text.trim());

/** Forty holes with their units and spaces. */
const MOST_LETTERS = 40 * LIMITS.lengthLetters.most;

/** Places of holes, divided by semicolons, or by commas where those are not decimal commas. */
function readPositions(text: string, unit: Unit): { ok: true; positions: Length[] } | { ok: false; error: string } {
  if (text.length > MOST_LETTERS) return { ok: false, error: "That is more than 40 holes." };
  const parts = (text.includes(";") ? text.split(";") : text.split(/,\s+|,(?=[^\d])/))
    .map((part) => part.trim())
    .filter(Boolean);
  const positions: Length[] = [];
  for (const part of parts) {
    const parsed = parseLength(part, unit);
    if (!parsed.ok) return { ok: false, error: `“${part}”: ${LENGTH_PROBLEM[parsed.reason]}` };
    positions.push(parsed.length);
  }
  if (positions.length > 40) return { ok: false, error: "That is more than 40 holes." };
  return { ok: true, positions: positions.sort((a, b) => a - b) };
}

/** Reads the measuring form as typed; every field that is wrong says why. */
export function readFormat(text: FormatText, unit: Unit): ReadFormat {
  const errors: Partial<Record<FormatField, string>> = {};
  const lengths = {} as Record<FormatLength, Length>;
  for (const name of FORMAT_LENGTHS) {
    if (MAY_BE_NOTHING.includes(name) && isNothing(text[name])) {
      lengths[name] = ticks(0);
      continue;
    }
    const parsed = parseLength(text[name], unit);
    if (parsed.ok) lengths[name] = parsed.length;
    else errors[name] = LENGTH_PROBLEM[parsed.reason];
  }
  const capacity = Number(text.capacity.replace(",", "."));
  if (!(capacity > 0 && capacity <= 1000)) errors.capacity = "Give what the rings or the spine hold, in millimetres.";
  const leaves = text.leaves.trim() === "" ? null : Number(text.leaves);
  if (leaves !== null && !(Number.isInteger(leaves) && leaves >= 1 && leaves <= 200))
    errors.leaves = "Count the leaves, 1 to 200, or leave it empty.";
  const binding = BINDINGS.find((each) => each === text.binding);
  if (!binding) errors.binding = "Say how the leaves are held.";
  const bindingEdge = BINDING_EDGES.find((each) => each === text.bindingEdge);
  if (!bindingEdge) errors.bindingEdge = "Say which edge the book holds.";
  const name = text.formatName.trim();
  if (name === "" || name.length > 120) errors.formatName = "Give the book a name of up to 120 letters.";
  const holes = readPositions(text.holePositions, unit);
  if (!holes.ok) errors.holePositions = holes.error;
  if (!binding || !bindingEdge || !holes.ok || Object.keys(errors).length > 0) return { ok: false, errors };
  const format: AlbumFormat = {
    name,
    binding,
    bindingEdge,
    nominal: { w: lengths.nominalW, h: lengths.nominalH },
    opening: { w: lengths.openingW, h: lengths.openingH },
    outer: { w: lengths.outerW, h: lengths.outerH },
    bare: { w: lengths.bareW, h: lengths.bareH },
    cover: { w: lengths.coverW, h: lengths.coverH },
    margin: lengths.margin,
    holes: { positions: holes.positions, inset: lengths.holeInset, diameter: lengths.holeDiameter },
    capacity: Math.round(capacity * 1000),
    leaves: binding === "sewn" ? leaves : null,
  };
  const problem = checkFormat(format);
  if (!problem && overMeasured(format) > 0) {
    const say = (length: Length) => sayLength(length, unit);
    const [opening, outer] =
      bindingEdge === "left" ? [format.opening.w, format.outer.w] : [format.opening.h, format.outer.h];
    return { ok: false, errors: { margin: marginOver(say(opening), say(format.margin), say(outer)) } };
  }
  if (!problem) return { ok: true, format };
  const at: Record<typeof problem, FormatField> = {
    "opening-over-outer": "openingW",
    "margin-over-outer": "margin",
    "hole-outside": "holePositions",
    "holes-overlap": "holePositions",
    "hole-of-nothing": "holeDiameter",
  };
  return { ok: false, errors: { [at[problem]]: FORMAT_PROBLEM[problem] } };
}

/** A measured format as text to edit. */
export function formatText(format: AlbumFormat, unit: Unit): FormatText {
  const say = (length: Length) => (length === 0 ? "0" : printNumber(length, unit));
  return {
    formatName: format.name,
    binding: format.binding,
    bindingEdge: format.bindingEdge,
    capacity: String(format.capacity / 1000),
    leaves: format.leaves === null ? "" : String(format.leaves),
    nominalW: say(format.nominal.w),
    nominalH: say(format.nominal.h),
    openingW: say(format.opening.w),
    openingH: say(format.opening.h),
    outerW: say(format.outer.w),
    outerH: say(format.outer.h),
    bareW: say(format.bare.w),
    bareH: say(format.bare.h),
    coverW: say(format.cover.w),
    coverH: say(format.cover.h),
    margin: say(format.margin),
    holeInset: say(format.holes.inset),
    holeDiameter: say(format.holes.diameter),
    holePositions: format.holes.positions.map(say).join("; "),
  };
}
