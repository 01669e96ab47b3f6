import type { NextFunction, Request, Response } from "express";
import type { PictureReader } from "../press/reading-pool.ts";
import { type AlbumAggregate, readAlbum } from "../store/album.ts";
import type { Store } from "../store/db.ts";
import type { Member } from "../store/household.ts";
import type { SessionDevice } from "../store/schema/index.ts";
import { type Auth, makeAuth } from "./auth.ts";
import { wallOf } from "./clock.ts";
import type { HearthContext } from "./context-type.ts";
import type { Limiter } from "./limiter.ts";
import { describeError, log } from "./log.ts";
import type { Work } from "./work/open.ts";

/** Does a reading once, however often its answer is asked for. */
export function once<T>(read: () => Promise<T>): () => Promise<T> {
  let result: Promise<T> | undefined;
  return () => {
    result ??= read();
    return result;
  };
}

/** The caller's network address; null where it cannot be told: everybody behind a proxy that does not say has that proxy's. */
export function callerOf(request: Request): string | null {
  const address = request.ip?.replace(/^::ffff:/, "") ?? "";
  return address === "" || address === "::1" || address.startsWith("127.") ? null : address;
}

/** What a request comes from, as browsers say it (User-Agent Client Hints; before them “Mobi” among their words). */
export function deviceOf({ headers }: Pick<Request, "headers">): SessionDevice | null {
  const [hint, agent] = [headers["sec-ch-ua-mobile"], headers["user-agent"]];
  if (hint === "?1" || (agent && /\bMobi/.test(agent))) return "phone";
  return hint === "?0" || agent ? "computer" : null;
}

/** What the browser's own address bar would hold: the same page asked for as data is the same address. */
function addressOf({ originalUrl }: Request): string {
  const { pathname, searchParams } = new URL(`http://here${originalUrl.startsWith("/") ? originalUrl : "/"}`);
  searchParams.delete("_routes");
  const query = searchParams.toString();
  return pathname.replace(/\.data$/, "") + (query === "" ? "" : `?${query}`);
}

export type Given = {
  readonly store: Store;
  readonly limiter: Limiter;
  readonly readPicture: PictureReader;
  readonly work: Work;
  readonly room: number;
  readonly inMemory: HearthContext["inMemory"];
};

export function contextFor(given: Given, request: Request, response: Response, queries: () => number): HearthContext {
  const { store, readPicture, work } = given;
  const { now, auth, member, nonce } = response.locals as Known;
  const albums = new Map<string, Promise<AlbumAggregate | null>>();
  return {
    db: store.db,
    auth,
    now,
    nonce,
    queries,
    member,
    address: addressOf(request),
    byScript: /\.data$/.test(request.path) || Boolean(request.is("application/json")),
    isWrite: !["GET", "HEAD"].includes(request.method),
    album: (householdId, albumId) => {
      const known = albums.get(albumId) ?? readAlbum(store.db, householdId, albumId);
      albums.set(albumId, known);
      return known;
    },
    visit: () => given.limiter.visit(callerOf(request)),
    guessed: () => given.limiter.guessed(callerOf(request)),
    readPicture,
    poke: work.poke,
    room: given.room,
    inMemory: given.inMemory,
    wall: (sender) => wallOf(sender.household, now),
    logError: (error) => log.error(describeError(error), "request failed"),
  };
}

/** What is known of a request before it is answered, beside its nonce. */
type Known = { now: Date; auth: Auth; member: () => Promise<Member | null>; nonce: string };

/** Notes when a request came and how its sender is found out, once for all who ask. */
export const knowSender =
  ({ store, limiter }: Given) =>
  (request: Request, response: Response, next: NextFunction): void => {
    const now = new Date();
    const auth = makeAuth(store.db, limiter, {
      cookieHeader: request.headers.cookie,
      caller: callerOf(request),
      secure: request.secure,
      device: deviceOf(request),
      now,
    });
    Object.assign(response.locals, { now, auth, member: once(auth.member) });
    next();
  };
