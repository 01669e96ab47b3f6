import { randomBytes } from "node:crypto";
import type { NextFunction, Request, RequestHandler, Response } from "express";
import helmet from "helmet";

const withNonce = (_request: unknown, response: unknown) => `'nonce-${(response as Response).locals.nonce}'`;

type Directives = Record<string, (string | typeof withNonce)[]>;
const headers = (directives: Directives, referrer: "same-origin" | "no-referrer"): RequestHandler =>
  helmet({
    contentSecurityPolicy: { useDefaults: false, directives },
    referrerPolicy: { policy: referrer },
    strictTransportSecurity: process.env.HEARTH_HTTPS === "1" ? { maxAge: 31_536_000 } : false,
  });

/** Of our own pages: only our own files, and only scripts that this answer itself named. */
const OWN: Directives = {
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
};
/** Of a page that a link shows: its few lines, its pictures and letters; it can ask for and send nothing else. */
const SHARED: Directives = {
  defaultSrc: ["'none'"],
  scriptSrc: [withNonce],
  styleSrc: [withNonce],
  imgSrc: ["'self'"],
  fontSrc: ["'self'"],
  formAction: ["'none'"],
  baseUri: ["'none'"],
  frameAncestors: ["'none'"],
};
const IS_SHARED = /^\/(albums\/[^/]+\/)?(shared\/|shown(\/|$))/;

/** A strict content policy for every answer, and a stricter one for what is looked at by a link. */
export function securityHeaders(): RequestHandler[] {
  // Same-origin keeps the Origin header on our own forms, which the check below needs.
  const [own, shared] = [headers(OWN, "same-origin"), headers(SHARED, "no-referrer")];
  return [
    (_request, response, next) => {
      response.locals.nonce = randomBytes(16).toString("base64");
      next();
    },
    (request, response, next) => (IS_SHARED.test(request.path) ? shared : own)(request, response, next),
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
