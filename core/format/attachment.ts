const TYPES = {
  pdf: "application/pdf",
  svg: "image/svg+xml",
  zip: "application/zip",
  html: "text/html; charset=utf-8",
  ics: "text/calendar; charset=utf-8",
  csv: "text/csv; charset=utf-8; header=present",
  txt: "text/plain; charset=utf-8",
  jpg: "image/jpeg",
  json: "application/json; charset=utf-8",
} as const;
export type FileEnding = keyof typeof TYPES;

/** The headers of every file that is written out: its kind, its name from its title, and that nobody on the way keeps it. */
export const fileHeaders = (title: string, ending: FileEnding): Record<string, string> => ({
  "Content-Type": TYPES[ending],
  "Content-Disposition": attachment(title, ending),
  "Cache-Control": "private, no-store",
});

/** A file name from a title: letters, digits and dashes of any script, for a Content-Disposition header. */
export function attachment(title: string, ending: string): string {
  const plain =
    title
      .normalize("NFC")
      .replace(/[^\p{L}\p{N}]+/gu, "-")
      .replace(/^-|-$/g, "") || "album";
  const ascii = plain.normalize("NFKD").replace(/[^\x20-\x7e]/g, "") || "album";
  return `attachment; filename="${ascii}.${ending}"; filename*=UTF-8''${encodeURIComponent(plain)}.${ending}`;
}
