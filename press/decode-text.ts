import iconv from "iconv-lite";

/** How the letters of a file were written; `guessed` where nothing in it says so. */
export type Encoding = "utf-8" | "utf-16" | "guessed";

/** Reads letters by the mark at the file's head, as UTF-8 where they are that, and else as Windows-1252. */
export function decode(bytes: Uint8Array): { text: string; encoding: Encoding } {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return { text: new TextDecoder("utf-16le").decode(bytes), encoding: "utf-16" };
  if (first === 0xfe && second === 0xff) return { text: new TextDecoder("utf-16be").decode(bytes), encoding: "utf-16" };
  try {
    return { text: new TextDecoder("utf-8", { fatal: true }).decode(bytes), encoding: "utf-8" };
  } catch {
    // Not the decoder of Node.js, which in some versions takes this for ISO 8859-1.
    return { text: iconv.decode(Buffer.from(bytes), "windows-1252"), encoding: "guessed" };
  }
}
