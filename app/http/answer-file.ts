import { Readable } from "node:stream";
import { createReadableStreamFromReadable } from "@react-router/node";
import { type FileEnding, fileHeaders } from "#core/format/attachment.ts";

type Piece = Buffer | Uint8Array;

/** A file that is written out, whole or in pieces as they come. Nothing is answered before the first piece is there. */
export async function answerFile(
  title: string,
  ending: FileEnding,
  body: string | AsyncIterable<Piece>,
): Promise<Response> {
  const headers = fileHeaders(title, ending);
  if (typeof body === "string") return new Response(body, { headers });
  const pieces = body[Symbol.asyncIterator]();
  const first = await pieces.next();
  async function* all(): AsyncGenerator<Piece> {
    try {
      for (let now = first; !now.done; now = await pieces.next()) yield now.value;
    } finally {
      await pieces.return?.();
    }
  }
  return new Response(createReadableStreamFromReadable(Readable.from(all(), { objectMode: false })), { headers });
}
