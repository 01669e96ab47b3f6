import { randomBytes } from "node:crypto";
import type { NextFunction, Request, RequestHandler, Response } from "express";
import helmet from "helmet";

/** The most a form of words may weigh, and the most any upload may: an archive of a big album. */
const MOST_FORM_BYTES = 2 * 1024 * 1024;
const MOST_UPLOAD_BYTES = 1024 ** 3;

const withNonce = (_request: unknown, response: unknown) => `'nonce-${(response as Response).locals.nonce}'`;

/** A strict content policy: only our own files, and only scripts that this answer itself named. */
export function securityHeaders(): RequestHandler[] {
  return [
    (_request, response, next) => {
      response.locals.nonce = randomBytes(16).toString("base64");
      next();
    },
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'", withNonce],
          styleSrc: ["'self'", withNonce],
          imgSrc: ["'self'", "blob:"],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          manifestSrc: ["'self'"],
          workerSrc: ["'self'"],
          formAction: ["'self'"],
          baseUri: ["'none'"],
          frameAncestors: ["'none'"],
        },
      },
      // Same-origin keeps the Origin header on our own forms, which the check below needs.
      referrerPolicy: { policy: "same-origin" },
      strictTransportSecurity: process.env.HEARTH_HTTPS === "1" ? { maxAge: 31_536_000 } : false,
    }),
  ];
}

const isWrite = ({ method }: Request) => !["GET", "HEAD", "OPTIONS"].includes(method);

/** Refuses a write that did not come from one of our own pages. */
export function sameOriginWrites(request: Request, response: Response, next: NextFunction): void {
  if (!isWrite(request)) return next();
  const { origin } = request.headers;
  const sameHost = origin !== undefined && URL.canParse(origin) && new URL(origin).host === request.headers.host;
  if (sameHost) return next();
  response
    .status(403)
    .type("text/plain")
    .send("This form did not come from Hearth Clock. Nothing was changed. Open the page again and send it from there.");
}

/** Refuses a body of unknown or unreasonable weight before any of it is read. */
export function bodyLimits(request: Request, response: Response, next: NextFunction): void {
  if (!isWrite(request)) return next();
  const length = Number(request.headers["content-length"]);
  if (!Number.isInteger(length)) {
    response.status(411).type("text/plain").send("The size of what was sent is not known. Nothing was changed.");
    return;
  }
  const most = request.headers["content-type"]?.startsWith("multipart/form-data") ? MOST_UPLOAD_BYTES : MOST_FORM_BYTES;
  if (length <= most) return next();
  response
    .status(413)
    .type("text/plain")
    .send("That is too much at once. Nothing was changed. What you wrote is still on the page you came from.");
}
