import type { Server } from "node:http";
import path from "node:path";
import { createRequestHandler } from "@react-router/express";
import compression from "compression";
import express, { type Express } from "express";
import type { ServerBuild } from "react-router";
import { LIMITS } from "../core/limits.ts";
import { openReadingPool, type PictureReader } from "../press/reading-pool.ts";
import { forgetActs } from "../store/act.ts";
import { countingQueries, isStoreGone, openStore, type Store } from "../store/db.ts";
import type { Member } from "../store/household.ts";
import { forgetChanges } from "../store/journal/read.ts";
import { dropGone } from "../store/leaving.ts";
import { dropExpiredInvitations } from "../store/members.ts";
import { migrateStore } from "../store/migrate.ts";
import { dropExpired } from "../store/tray.ts";
import { dropExpiredWork, householdRoom } from "../store/work.ts";
import { contextFor, type Given, knowSender } from "./context.ts";
import { filesOf } from "./files.ts";
import { roomInMemory } from "./in-memory.ts";
import { intake } from "./intake.ts";
import { openLimiter } from "./limiter.ts";
import { describeError, log } from "./log.ts";
import { sameOriginWrites, securityHeaders } from "./security.ts";
import { workFile } from "./work/file.ts";
import { openWork, type Work } from "./work/open.ts";

const KEPT_OPEN_MS = 50_000;
const DAY = 86_400_000;

function requestLog(request: express.Request, response: express.Response, next: express.NextFunction): void {
  const began = performance.now();
  response.on("finish", () => {
    // The path alone: a query may hold what somebody searched for.
    log.info({
      method: request.method,
      // The address of a feed, a link or an invitation is its secret.
      path: request.path.replace(/^\/(feeds|shared|invited)\/.*/, "/$1/…"),
      status: response.statusCode,
      ms: Math.round(performance.now() - began),
    });
  });
  next();
}

/** What every request is given, beside itself. */
export const makeGiven = (store: Store, readPicture: PictureReader, work: Work): Given => ({
  store,
  readPicture,
  work,
  limiter: openLimiter(store.pool),
  room: householdRoom(process.env.HEARTH_QUOTA_GB),
  inMemory: roomInMemory(LIMITS.picturesInMemoryBytes.most),
});

/** The Express application over an open store. `build` is the compiled app; `clientFiles` where its assets lie. */
export function makeApp(
  given: Given,
  build: ServerBuild | (() => Promise<ServerBuild>),
  clientFiles: string | null,
): Express {
  const { store } = given;
  const app = express();
  app.disable("x-powered-by");
  app.set("trust proxy", "loopback");
  app.use(...securityHeaders());
  if (clientFiles) app.use(filesOf(clientFiles));
  // A page is packed once for one reader: a light setting is soonest there. Files are packed already.
  const filter = (request: express.Request, response: express.Response) =>
    !response.getHeader("Content-Disposition") && compression.filter(request, response);
  app.use(compression({ level: 4, filter }));
  app.get("/ready", (_request, response) => {
    store.pool.query("select 1").then(
      () => response.type("text/plain").send("ready"),
      () => response.status(503).type("text/plain").send("the database does not answer"),
    );
  });
  app.use(requestLog, sameOriginWrites, knowSender(given), intake(senderOf));
  // What a household is told of itself is for nobody's cache; a page that may be kept says so itself.
  app.use((request, response, next) => {
    if (request.path.endsWith(".data")) response.set("Cache-Control", "private, no-store");
    next();
  });
  app.get("/work/:work/file", workFile(store.db, senderOf));
  app.use((request, response, next) => {
    countingQueries((queries) =>
      createRequestHandler({ build, getLoadContext: () => contextFor(given, request, response, queries) })(
        request,
        response,
        next,
      ),
    );
  });
  app.use((error: unknown, _request: express.Request, response: express.Response, _next: express.NextFunction) => {
    const gone = isStoreGone(error);
    if (!gone) log.error(describeError(error), "request failed");
    if (response.headersSent) return void response.destroy();
    response
      .status(gone ? 503 : 500)
      .type("text/plain")
      .send(
        gone
          ? "The database does not answer. Nothing you saved is lost. Try again in a moment."
          : "Something went wrong here. Nothing you saved is lost. Go back and try again.",
      );
  });
  return app;
}

const senderOf = (response: express.Response): Promise<Member | null> => response.locals.member();

export type HostSettings = { readonly databaseUrl: string; readonly port: number; readonly projectRoot: string };
export type Host = { readonly server: Server; readonly close: () => Promise<void>; readonly schema: string };

/** Opens the store, brings it up to date, and serves on loopback until told to end. */
export async function startHost({ databaseUrl, port, projectRoot }: HostSettings): Promise<Host> {
  const store = openStore(databaseUrl);
  const schema = await migrateStore(store, path.join(projectRoot, "store/migrations")).catch(async (error) => {
    await store.close();
    throw error;
  });
  const build = (await import("virtual:react-router/server-build")) as unknown as ServerBuild;
  const reading = openReadingPool(projectRoot);
  const work = openWork(projectRoot, databaseUrl);
  const given = makeGiven(store, reading.read, work);
  const app = makeApp(given, build, path.join(projectRoot, "build/client"));
  const inBackground = (what: string, doing: Promise<unknown>) =>
    void doing.catch((error: unknown) => log.error(describeError(error), `${what} failed`));
  const tidy = () => {
    const now = new Date();
    inBackground("tidying the tray", dropExpired(store.db, now));
    inBackground("tidying the work", dropExpiredWork(store.db, now));
    inBackground("tidying invitations", dropExpiredInvitations(store.db, now));
    inBackground("letting households go", dropGone(store.db, now));
    inBackground("forgetting acts", forgetActs(store.db, now));
    inBackground("forgetting changes", forgetChanges(store.db, now));
  };
  const tidying = setInterval(tidy, DAY);
  tidying.unref();
  tidy();
  const server = await new Promise<Server>((resolve, reject) => {
    const listening = app.listen(port, "127.0.0.1", () => resolve(listening));
    listening.once("error", reject);
  });
  // A file may take its time, as long as it keeps coming: the intake sees to that.
  server.requestTimeout = 0;
  server.headersTimeout = LIMITS.bodySilenceMs.most;
  // Longer than a pause between two changes, so that one that is sent does not meet its connection being closed.
  server.keepAliveTimeout = KEPT_OPEN_MS;
  return {
    server,
    schema,
    close: async () => {
      clearInterval(tidying);
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await work.close();
      await reading.close();
      await store.close();
    },
  };
}
