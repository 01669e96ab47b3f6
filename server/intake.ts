import type { NextFunction, Request, Response } from "express";
import { LIMITS } from "../core/limits.ts";
import type { Member } from "../store/household.ts";

const isWrite = ({ method }: Request) => !["GET", "HEAD", "OPTIONS"].includes(method);
/** What a form weighs beside the file in it. */
const FORM_ROUND_FILE = 16 * 1024;

/** Where files come in. Everywhere else a body is a few words. */
const UPLOADS: readonly { readonly path: RegExp; readonly type: string; readonly most: number }[] = [
  { path: /^\/photos$/, type: "multipart/form-data", most: LIMITS.pictureBytes.most + FORM_ROUND_FILE },
  {
    path: /^\/albums\/[^/]+\/days\/[^/]+\/photos$/,
    type: "multipart/form-data",
    most: LIMITS.pictureBytes.most + FORM_ROUND_FILE,
  },
  { path: /^\/albums\/[^/]+\/prompts$/, type: "multipart/form-data", most: LIMITS.deckBytes.most + FORM_ROUND_FILE },
  { path: /^\/albums\/[^/]+\/known$/, type: "multipart/form-data", most: LIMITS.calendarBytes.most + FORM_ROUND_FILE },
  {
    path: /^\/albums\/[^/]+\/drawer$/,
    type: "multipart/form-data",
    most: LIMITS.drawerFileBytes.most + FORM_ROUND_FILE,
  },
  {
    path: /^\/albums\/[^/]+\/plan-table$/,
    type: "multipart/form-data",
    most: LIMITS.planTableBytes.most + FORM_ROUND_FILE,
  },
  { path: /^\/albums\/[^/]+\/library$/, type: "multipart/form-data", most: LIMITS.libraryBytes.most + FORM_ROUND_FILE },
  { path: /^\/work\/[^/]+\/parts\/\d+$/, type: "application/octet-stream", most: LIMITS.partBytes.most },
];
/** What anybody may send to, signed in or not. */
const OPEN = /^\/(sign-in|sign-up|sign-out|look|invited\/[^/]+)$/;
const WORDS = ["application/x-www-form-urlencoded", "application/json"];

/** What may be sent to an address: of which kind, how much, and whether it is a file. Null where it may not be sent at all. */
export function intakeOf(path: string, contentType: string): { most: number; isFile: boolean } | null {
  const place = path.replace(/\.data$/, "").replace(/(.)\/$/, "$1");
  const type = contentType.split(";")[0]?.trim().toLowerCase() ?? "";
  const upload = UPLOADS.find((each) => each.path.test(place) && each.type === type);
  if (upload) return { most: upload.most, isFile: true };
  if (type !== "" && !WORDS.includes(type)) return null;
  return { most: OPEN.test(place) ? LIMITS.doorBytes.most : LIMITS.formBytes.most, isFile: false };
}

/**
 * Refuses a body before any of it is read. What is no larger than a picture is let pass unread behind the answer: a
 * browser takes an answer for a broken connection when that ends while it is still sending. Of anything larger the
 * connection is let go.
 */
function refuse(request: Request, response: Response, length: number, status: number, said: string): void {
  if (length <= LIMITS.pictureBytes.most + FORM_ROUND_FILE) request.resume();
  else response.set("Connection", "close");
  response.set("Cache-Control", "no-store").status(status).type("text/plain").send(said);
}

/** Ends a request whose body stops coming, or whose few words take longer than a very slow line needs. */
function watch(request: Request, isFile: boolean, silence: number): void {
  const { socket } = request;
  const began = Date.now();
  let [bytes, heard] = [socket.bytesRead, began];
  const look = setInterval(
    () => {
      const now = Date.now();
      if (socket.bytesRead !== bytes) [bytes, heard] = [socket.bytesRead, now];
      if (request.complete || socket.destroyed) clearInterval(look);
      else if (now - heard >= silence || (!isFile && now - began >= silence)) {
        clearInterval(look);
        socket.destroy();
      }
    },
    Math.max(50, silence / 30),
  );
  look.unref();
  request.once("close", () => clearInterval(look));
}

/**
 * The intake of anything written: how much and of what kind is known before it is read, more than a few
 * words are read from known senders only, and a household sends only so many files at a time.
 */
export function intake(
  senderOf: (response: Response) => Promise<Member | null>,
  silence: number = LIMITS.bodySilenceMs.most,
) {
  const sending = new Map<string, number>();
  return async (request: Request, response: Response, next: NextFunction): Promise<void> => {
    if (!isWrite(request)) return next();
    const length = Number(request.headers["content-length"]);
    if (!Number.isInteger(length))
      return refuse(
        request,
        response,
        Number.POSITIVE_INFINITY,
        411,
        "The size of what was sent is not known. Nothing was changed.",
      );
    const limits = intakeOf(request.path, request.headers["content-type"] ?? "");
    watch(request, limits?.isFile ?? false, silence);
    if (!limits)
      return refuse(request, response, length, 415, "That kind of thing is not taken here. Nothing was changed.");
    if (length > limits.most)
      return refuse(
        request,
        response,
        length,
        413,
        "That is too much at once. Nothing was changed. What you wrote is still on the page you came from.",
      );
    if (length <= LIMITS.unaskedBytes.most && !limits.isFile) return next();
    let sender: Member | null;
    try {
      sender = await senderOf(response);
    } catch (error) {
      return next(error);
    }
    if (!sender) return refuse(request, response, length, 401, "You are not signed in. Nothing was changed.");
    if (!limits.isFile) return next();
    const household = sender.household.id;
    const now = sending.get(household) ?? 0;
    if (now >= LIMITS.uploadsOfHousehold.most) {
      response.set("Retry-After", "2");
      return refuse(
        request,
        response,
        length,
        429,
        "Your household is sending enough at once. This one may come a little later.",
      );
    }
    sending.set(household, now + 1);
    response.once("close", () => {
      const left = (sending.get(household) ?? 1) - 1;
      if (left > 0) sending.set(household, left);
      else sending.delete(household);
    });
    next();
  };
}
