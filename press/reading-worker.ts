import { move, transferableSymbol, valueSymbol } from "piscina";
import sharp from "sharp";
import { readPicture } from "./picture.ts";

// Every picture is read once: what the codec keeps of the last one would only fill the memory.
sharp.cache(false);

/** Reads one picture in a thread of its own, and gives its bytes back with what was read. */
// biome-ignore lint/style/noDefaultExport: the thread pool calls a worker's default export
export default async function read({ bytes: given, name }: { bytes: Uint8Array; name: string }) {
  const picture = await readPicture(Buffer.from(given.buffer, given.byteOffset, given.byteLength), name);
  if (!picture.ok) return picture;
  const { bytes, versions, ...photo } = picture.photo;
  return move({
    [valueSymbol]: { ok: true, photo, bytes, versions },
    [transferableSymbol]: [bytes.buffer],
  });
}
