import sharp from "sharp";
import { readPicture } from "./picture.ts";

// Every picture is read once: what the codec keeps of the last one would only fill the memory.
sharp.cache(false);

/** Reads one picture in a thread of its own. The bytes themselves stay with whoever handed them in. */
// biome-ignore lint/style/noDefaultExport: the thread pool calls a worker's default export
export default async function read({ bytes, name }: { bytes: Uint8Array; name: string }) {
  const picture = await readPicture(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength), name);
  if (!picture.ok) return picture;
  const { bytes: _, ...photo } = picture.photo;
  return { ok: true as const, photo };
}
