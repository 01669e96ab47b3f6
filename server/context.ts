import type { Request, Response } from "express";
import type { PictureReader } from "../press/reading-pool.ts";
import { type AlbumAggregate, readAlbum } from "../store/album.ts";
import type { Store } from "../store/db.ts";
import { makeAuth } from "./auth.ts";
import { wallOf } from "./clock.ts";
import type { HearthContext } from "./context-type.ts";
import { describeError, log } from "./log.ts";

function once<T>(read: () => Promise<T>): () => Promise<T> {
  let result: Promise<T> | undefined;
  return () => {
    result ??= read();
    return result;
  };
}

export function contextFor(
  store: Store,
  readPicture: PictureReader,
  request: Request,
  response: Response,
  queries: () => number,
): HearthContext {
  const now = new Date();
  const auth = makeAuth(store.db, {
    cookieHeader: request.headers.cookie,
    caller: request.ip ?? "",
    secure: request.secure,
    now,
  });
  const albums = new Map<string, Promise<AlbumAggregate | null>>();
  return {
    db: store.db,
    auth,
    now,
    nonce: response.locals.nonce,
    queries,
    member: once(auth.member),
    album: (householdId, albumId) => {
      const known = albums.get(albumId) ?? readAlbum(store.db, householdId, albumId);
      albums.set(albumId, known);
      return known;
    },
    readPicture,
    wall: (member) => wallOf(member.household, now),
    logError: (error) => log.error(describeError(error), "request failed"),
  };
}
