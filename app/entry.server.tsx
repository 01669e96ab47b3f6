import { PassThrough } from "node:stream";
import { createReadableStreamFromReadable } from "@react-router/node";
import { isbot } from "isbot";
import { renderToPipeableStream } from "react-dom/server";
import { type AppLoadContext, type EntryContext, type HandleErrorFunction, ServerRouter } from "react-router";

const RENDER_LIMIT = 10_000;

export default function handleRequest(request: Request, status: number, headers: Headers, entry: EntryContext, context: AppLoadContext): Promise<Response> {
  return new Promise((resolve, reject) => {
    let answered = status;
    // A crawler gets the finished page, a person the first bytes as soon as there are any.
    const ready = isbot(request.headers.get("user-agent") ?? "") ? "onAllReady" : "onShellReady";
    const { pipe, abort } = renderToPipeableStream(<ServerRouter context={entry} url={request.url} nonce={context.nonce} />, {
      nonce: context.nonce,
      [ready]: () => {
        const body = new PassThrough();
        headers.set("Content-Type", "text/html; charset=utf-8");
        headers.set("Cache-Control", "private, no-store");
        headers.set("Server-Timing", `queries;desc="${context.queries()}"`);
        resolve(new Response(createReadableStreamFromReadable(body), { headers, status: answered }));
        pipe(body);
      },
      onShellError: reject,
      onError: (error: unknown) => {
        answered = 500;
        context.logError(error);
      },
    });
    setTimeout(abort, RENDER_LIMIT).unref();
  });
}

export const handleError: HandleErrorFunction = (error, { request, context }) => {
  if (!request.signal.aborted) context.logError(error);
};
