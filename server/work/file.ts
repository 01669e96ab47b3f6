import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import type { Request, Response } from "express";
import { z } from "zod";
import { fileHeaders } from "../../core/format/attachment.ts";
import { LIMITS } from "../../core/limits.ts";
import { isAtLeast } from "../../core/share/role.ts";
import type { Db } from "../../store/db.ts";
import type { Member } from "../../store/household.ts";
import { readPart, readWork } from "../../store/work.ts";
import { describeError, log } from "../log.ts";

const OUTCOME = z.object({
  bytes: z.int().positive(),
  title: z.string(),
  ending: z.enum(["zip", "pdf", "html"]).default("zip"),
});
const SLICE = 1024 * 1024;

/** The stretch of a file that is asked for, both ends in it; the whole where none is, null where there is no such stretch. */
export function rangeOf(header: string | undefined, bytes: number): { from: number; to: number } | null {
  const [, first, last] = /^bytes=(\d*)-(\d*)$/.exec(header ?? "") ?? [];
  if (first === undefined || last === undefined || first + last === "") return { from: 0, to: bytes - 1 };
  const from = first === "" ? Math.max(0, bytes - Number(last)) : Number(first);
  const to = first === "" || last === "" ? bytes - 1 : Math.min(Number(last), bytes - 1);
  return from > to ? null : { from, to };
}

async function* slices(db: Db, workId: string, from: number, to: number): AsyncGenerator<Buffer> {
  const size = LIMITS.partBytes.most;
  for (let at = from; at <= to; ) {
    const place = Math.floor(at / size);
    const most = Math.min(SLICE, to + 1 - at, (place + 1) * size - at);
    const slice = await readPart(db, workId, place, at - place * size, most);
    if (!slice || slice.length === 0) throw new Error("a part of the file is gone");
    yield slice;
    at += slice.length;
  }
}

/**
 * Sends the file that a work made, a little at a time, as fast as it is taken. One that breaks off ends visibly, and can
 * be gone on with from where it stopped.
 */
export const workFile =
  (db: Db, senderOf: (response: Response) => Promise<Member | null>) =>
  async (request: Request, response: Response): Promise<void> => {
    const sender = await senderOf(response);
    if (!sender) return response.redirect("/sign-in");
    // Files have what is private in them.
    const mayRead = isAtLeast(sender.role, "helper");
    const id = z.uuid().safeParse(request.params.work);
    const found = id.success && mayRead ? await readWork(db, sender.household.id, id.data) : null;
    const made = OUTCOME.safeParse(found?.outcome);
    if (!found || found.kind === "read-archive" || found.state !== "done" || !made.success) {
      response.status(404).type("text/plain").send("There is no such file any more. Write it again.");
      return;
    }
    const { bytes, title, ending } = made.data;
    const range = rangeOf(request.headers.range, bytes);
    response.set({
      ...fileHeaders(title, ending),
      "Accept-Ranges": "bytes",
      ETag: `"${found.id}"`,
    });
    if (!range) {
      response.set("Content-Range", `bytes */${bytes}`).status(416).end();
      return;
    }
    const { from, to } = range;
    response.status(to - from + 1 < bytes ? 206 : 200).set("Content-Length", String(to - from + 1));
    if (response.statusCode === 206) response.set("Content-Range", `bytes ${from}-${to}/${bytes}`);
    if (request.method === "HEAD") {
      response.end();
      return;
    }
    try {
      await pipeline(Readable.from(slices(db, found.id, from, to)), response);
    } catch (error) {
      // A reader who goes away is no fault; anything else is.
      if (!request.destroyed) log.error(describeError(error), "a file broke off");
      response.destroy();
    }
  };
