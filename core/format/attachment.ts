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
