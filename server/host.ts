import type { Server } from "node:http";
import path from "node:path";
import { setTimeout as wait } from "node:timers/promises";
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
import { readSettings } from "./settings.ts";
import { workFile } from "./work/file.ts";
import { openWork, type Work } from "./work/open.ts";

const KEPT_OPEN_MS = 50_000;
/** How long what is being answered when the process ends may still take. */
const LAST_ANSWERS_MS = 5000;
const LET_GO_EVERY_MS = 50;
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

/** Why nothing can be saved by way of this database now; null where it can. */
async function whyNotReady(store: Store): Promise<string | null> {
  try {
    const { rows } = await store.pool.query<{ only: string }>(
      "select current_setting('transaction_read_only') as only",
    );
    return rows[0]?.only === "on" ? "the database only reads: it is a standby, or set so" : null;
  } catch {
    return "the database does not answer";
  }
}

/** The Express application over an open store. `build` is the compiled app; `clientFiles` where its assets lie. */
export function makeApp(
  given: Given,
  build: ServerBuild | (() => Promise<ServerBuild>),
  clientFiles: string | null,
  proxies: readonly string[] = ["loopback"],
  isEnding: () => boolean = () => false,
): Express {
  const { store } = given;
  const app = express();
  app.disable("x-powered-by");
  app.set("trust proxy", [...proxies]);
  app.use(...securityHeaders());
  if (clientFiles) app.use(filesOf(clientFiles));
  // A page is packed once for one reader: a light setting is soonest there. Files are packed already.
  const filter = (request: express.Request, response: express.Response) =>
    !response.getHeader("Content-Disposition") && compression.filter(request, response);
  app.use(compression({ level: 4, filter }));
  app.get("/ready", async (_request, response) => {
    const why = isEnding() ? "this process is ending" : await whyNotReady(store);
    response
      .status(why ? 503 : 200)
      .set("Cache-Control", "no-store")
      .type("text/plain")
      .send(why ?? "ready");
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

/** Takes no more, answers what is being answered, and lets go of each connection as soon as nothing is asked on it. */
async function answerTheRest(server: Server): Promise<void> {
  const closed = new Promise((resolve) => server.close(resolve));
  const idle = setInterval(() => server.closeIdleConnections(), LET_GO_EVERY_MS);
  const late = setTimeout(() => server.closeAllConnections(), LAST_ANSWERS_MS);
  server.closeIdleConnections();
  await closed;
  clearInterval(idle);
  clearTimeout(late);
}

export type HostPlace = { readonly databaseUrl: string; readonly port: number; readonly projectRoot: string };
export type Host = { readonly server: Server; readonly close: () => Promise<void>; readonly schema: string };

/** Opens the store, brings it up to date, and serves until told to end: on loopback where nothing else is set. */
export async function startHost({ databaseUrl, port, projectRoot }: HostPlace): Promise<Host> {
  const settings = readSettings(process.env);
  const store = openStore(databaseUrl, settings.connections);
  const waiting = (why: unknown) => log.warn(describeError(why), "waiting for the database");
  const migrations = path.join(projectRoot, "store/migrations");
  const schema = await migrateStore(store, migrations, waiting).catch(async (error) => {
    await store.close();
    throw error;
  });
  const build = (await import("virtual:react-router/server-build")) as unknown as ServerBuild;
  const reading = openReadingPool(projectRoot);
  const work = openWork(projectRoot, databaseUrl);
  const given = makeGiven(store, reading.read, work);
  let ending = false;
  const app = makeApp(given, build, path.join(projectRoot, "build/client"), settings.proxies, () => ending);
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
    const listening = app.listen(port, settings.host, () => resolve(listening));
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
      ending = true;
      clearInterval(tidying);
      await wait(settings.drainSeconds * 1000);
      await answerTheRest(server);
      await work.close();
      await reading.close();
      await store.close();
    },
  };
}
