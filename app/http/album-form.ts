import { SPAN_PROBLEM } from "#app/wording/month.ts";
import { presetById } from "#core/album/formats.ts";
import { type AlbumFormat, type AlbumPlan, PREPARING, type Preparing, USUAL_PREPARING } from "#core/album/model.ts";
import type { Unit } from "#core/measure/length.ts";
import { NUMBERINGS, type Numbering } from "#core/month/numbering.ts";
import { parseSpan, type Span } from "#core/month/span.ts";
import { clean } from "#core/words/clean.ts";

/** What is wrong, by the name of the field it is wrong in. */
export type FieldErrors = Readonly<Record<string, string>>;
/** The fields of an album's plan as its forms send them. */
export const PLAN_FIELDS = ["title", "start", "end", "numbering", "unit", "preparing"] as const;

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

/** A new album: a preset or measured book, everything else as typed. */
export function parseNewAlbum(form: FormData, measured: readonly { id: string; format: AlbumFormat }[]): ParsedPlan {
  const errors: Record<string, string> = {};
  const [title, span, numbering, format] = [
    readTitle(form, errors),
    readSpan(form, errors),
    readNumbering(form, errors),
    bookNamed(text(form, "book"), measured),
  ];
  if (!format) errors.book = "Choose a book.";
  if (!format || !span || Object.keys(errors).length > 0) return { ok: false, errors };
  return { ok: true, plan: { title, span, numbering, preparing: USUAL_PREPARING, unit: readUnit(form), format } };
}

function bookNamed(id: string, measured: readonly { id: string; format: AlbumFormat }[]): AlbumFormat | undefined {
  const preset = presetById(id);
  if (!preset) return measured.find((each) => each.id === id)?.format;
  const { id: _, unit: __, ...format } = preset;
  return format;
}

/** How much is made ahead; a form from before it was asked leaves it as usual. */
const readPreparing = (form: FormData): Preparing =>
  PREPARING.find((each) => each === text(form, "preparing")) ?? USUAL_PREPARING;

/** Days, numbers and unit, as the settings form sends them; the book's measures stay as they are. */
export function parseAlbumSettings(form: FormData, format: AlbumFormat): ParsedPlan {
  const errors: Record<string, string> = {};
  const [title, span, numbering] = [readTitle(form, errors), readSpan(form, errors), readNumbering(form, errors)];
  if (!span || Object.keys(errors).length > 0) return { ok: false, errors };
  return { ok: true, plan: { title, span, numbering, preparing: readPreparing(form), unit: readUnit(form), format } };
}
