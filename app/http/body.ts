import { data } from "react-router";
import { LIMITS } from "#core/limits.ts";

const refused = () => data(null, { status: 400 });

/**
 * The fields of a form that are asked for by name, each once; all others are passed over, whatever they are called. A body
 * that is no form, or has more fields than any form of ours, is refused before it is taken apart.
 */
export async function readForm(request: Request, names: readonly string[]): Promise<FormData> {
  if (!request.headers.get("content-type")?.startsWith("application/x-www-form-urlencoded")) throw refused();
  const text = await request.text();
  let fields = 1;
  for (let at = text.indexOf("&"); at >= 0; at = text.indexOf("&", at + 1)) fields += 1;
  if (fields > LIMITS.formFields.most) throw refused();
  const sent = new URLSearchParams(text);
  const form = new FormData();
  for (const name of names) {
    const value = sent.get(name);
    if (value !== null) form.append(name, value);
  }
  return form;
}

/** The JSON in a form's field; null where it is none. */
export function jsonIn(field: FormDataEntryValue | null): unknown {
  try {
    return JSON.parse(String(field));
  } catch {
    return null;
  }
}

/** The JSON of a body; null where it is none. */
export const readJson = (request: Request): Promise<unknown> => request.json().catch(() => null);
