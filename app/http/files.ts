import { createWriteStream } from "node:fs";
import { mkdtemp, readFile, rm, stat } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import type { ReadableStream as NodeStream } from "node:stream/web";
import busboy from "busboy";
import { data } from "react-router";
import { LIMITS } from "#core/limits.ts";

/** A file as it was handed in. It lies on the disk until it is read; `tooLarge` where it was cut off at its limit. */
export type HandedFile = {
  readonly name: string;
  readonly bytes: number;
  readonly tooLarge: boolean;
  readonly read: () => Promise<Buffer>;
  /** Where it lies until the work is done. */
  readonly place: string;
};
export type HandedForm = { readonly file: HandedFile | null; readonly fields: ReadonlyMap<string, string> };

/**
 * Takes a form with one file in it: the file goes to the disk as it comes, however slowly, and is gone when `work` is
 * done. Only the fields named are kept. Anything that is no such form is refused.
 */
export async function withFile<T>(
  request: Request,
  wanted: { readonly file: string; readonly most: number; readonly fields?: readonly string[] },
  work: (form: HandedForm) => Promise<T>,
): Promise<T> {
  const folder = await mkdtemp(path.join(tmpdir(), "hearth-in-"));
  try {
    return await work(await take(request, wanted, path.join(folder, "file")));
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

async function take(
  request: Request,
  { file: wanted, most, fields: names = [] }: Parameters<typeof withFile>[1],
  place: string,
): Promise<HandedForm> {
  const refused = () => data(null, { status: 400 });
  let parser: busboy.Busboy;
  try {
    const { fileSize, fieldSize } = { fileSize: most + 1, fieldSize: LIMITS.deckBytes.most };
    const limits = { files: 1, fields: names.length + 4, parts: names.length + 5, fileSize, fieldSize };
    parser = busboy({ headers: Object.fromEntries(request.headers), defParamCharset: "utf8", limits });
  } catch {
    throw refused();
  }
  const fields = new Map<string, string>();
  let [name, writing]: [string | null, Promise<void>] = [null, Promise.resolve()];
  parser.on("field", (field, value, { valueTruncated }) => {
    if (names.includes(field) && !valueTruncated) fields.set(field, value);
  });
  parser.on("file", (field, stream, { filename }) => {
    if (field !== wanted || !filename) return void stream.resume();
    name = filename;
    writing = pipeline(stream, createWriteStream(place, { mode: 0o600 }));
    // Waited for below; a form that breaks off before is told there.
    writing.catch(() => {});
  });
  try {
    if (!request.body) throw new Error("no body");
    await pipeline(Readable.fromWeb(request.body as NodeStream), parser);
    await writing;
  } catch {
    throw refused();
  }
  if (name === null) return { file: null, fields };
  const { size } = await stat(place);
  return { file: { name, bytes: size, tooLarge: size > most, read: () => readFile(place), place }, fields };
}
