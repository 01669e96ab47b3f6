import { z } from "zod";

/** A form field that holds JSON, read; anything else is an issue like any other. */
export const JSON_TEXT = z.string().transform((text, issues): unknown => {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    issues.addIssue("not JSON");
    return z.NEVER;
  }
});
