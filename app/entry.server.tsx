import { Writable } from "node:stream";
import { renderToPipeableStream } from "react-dom/server";
import { type AppLoadContext, type EntryContext, type HandleErrorFunction, ServerRouter } from "react-router";
import { PUT_OFF } from "./parts/seen-first.ts";

const RENDER_LIMIT = 10_000;

/**
 * Our loaders wait for their data, so a page is ready as soon as it begins: it is gathered and sent whole, which spares
 * the many small writes of a stream.
 */
export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  entry: EntryContext,
  context: AppLoadContext,
): Promise<Response> {
  return new Promise((resolve, reject) => {
    let answered = status;
    const parts: Buffer[] = [];
    const gathering = new Writable({
      write: (part: Buffer, _encoding, taken) => {
        parts.push(part);
        taken();
      },
      final: (done) => {
        headers.set("Content-Type", "text/html; charset=utf-8");
        headers.set("Cache-Control", "private, no-store");
        headers.set("Server-Timing", `queries;desc="${context.queries()}"`);
        resolve(new Response(scriptsLast(Buffer.concat(parts).toString()), { headers, status: answered }));
        done();
      },
    });
    const { pipe, abort } = renderToPipeableStream(
      <ServerRouter context={entry} url={request.url} nonce={context.nonce} />,
      {
        nonce: context.nonce,
        onAllReady: () => pipe(gathering),
        onShellError: reject,
        onError: (error: unknown) => {
          answered = 500;
          context.logError(error);
        },
      },
    );
    const limit = setTimeout(abort, RENDER_LIMIT);
    gathering.once("finish", () => clearTimeout(limit));
  });
}

/**
 * The page with its scripts put off until it is seen: see parts/seen-first.ts. No word of a page can look like the router's
 * own elements, because `<` is written otherwise in all of them.
 */
const scriptsLast = (page: string): string =>
  page
    .replaceAll('<link rel="modulepreload"', `<link rel="${PUT_OFF}"`)
    .replace(/(<script nonce="[^"]*" type=)"module"/, `$1"${PUT_OFF}"`);

export const handleError: HandleErrorFunction = (error, { request, context }) => {
  if (!request.signal.aborted) context.logError(error);
};
