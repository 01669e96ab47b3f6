import { randomBytes } from "node:crypto";
import type { NextFunction, Request, RequestHandler, Response } from "express";
import helmet from "helmet";

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

/** Refuses a write that did not come from one of our own pages: from another host, or over another scheme. */
export function sameOriginWrites(request: Request, response: Response, next: NextFunction): void {
  if (!isWrite(request)) return next();
  const { origin } = request.headers;
  const own = `${request.protocol}://${request.headers.host}`;
  const same =
    origin !== undefined && URL.canParse(origin) && URL.canParse(own) && new URL(origin).origin === new URL(own).origin;
  if (same) return next();
  response
    .status(403)
    .type("text/plain")
    .send("This form did not come from Hearth Clock. Nothing was changed. Open the page again and send it from there.");
}
