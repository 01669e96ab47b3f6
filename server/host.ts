import type { Server } from "node:http";
import path from "node:path";
import { createRequestHandler } from "@react-router/express";
import compression from "compression";
import express, { type Express } from "express";
import type { ServerBuild } from "react-router";
import { openReadingPool, type PictureReader } from "../press/reading-pool.ts";
import { countingQueries, migrateStore, openStore, type Store } from "../store/db.ts";
import { dropExpired } from "../store/tray.ts";
import { contextFor } from "./context.ts";
import { describeError, log } from "./log.ts";
import { lookAtOldPictures } from "./old-pictures.ts";
import { bodyLimits, sameOriginWrites, securityHeaders } from "./security.ts";

const DAY = 86_400_000;

function requestLog(request: express.Request, response: express.Response, next: express.NextFunction): void {
  const began = performance.now();
  response.on("finish", () => {
    // The path alone: a query may hold what somebody searched for.
    log.info({
      method: request.method,
      path: request.path,
      status: response.statusCode,
      ms: Math.round(performance.now() - began),
    });
  });
  next();
}

/** The Express application over an open store. `build` is the compiled app; `clientFiles` where its assets lie. */
export function makeApp(
  store: Store,
  readPicture: PictureReader,
  build: ServerBuild | (() => Promise<ServerBuild>),
  clientFiles: string | null,
): Express {
  const app = express();
  app.disable("x-powered-by");
  app.set("trust proxy", "loopback");
  // A page is packed once for one reader: a light setting is soonest there.
  app.use(compression({ level: 4 }), ...securityHeaders());
  if (clientFiles) {
    const setHeaders = (response: express.Response, file: string) => {
      // The worker of today serves its address, though its file lies among the others.
      if (/^today-worker\b/.test(path.basename(file))) response.setHeader("Service-Worker-Allowed", "/today");
    };
    app.use("/assets", express.static(path.join(clientFiles, "assets"), { immutable: true, maxAge: "1y", setHeaders }));
    app.use(express.static(clientFiles, { maxAge: "1h" }));
  }
  app.get("/ready", (_request, response) => {
    store.pool.query("select 1").then(
      () => response.type("text/plain").send("ready"),
      () => response.status(503).type("text/plain").send("the database does not answer"),
    );
  });
  app.use(requestLog, sameOriginWrites, bodyLimits);
  app.use((request, response, next) => {
    countingQueries((queries) =>
      createRequestHandler({ build, getLoadContext: () => contextFor(store, readPicture, request, response, queries) })(
        request,
        response,
        next,
      ),
    );
  });
  app.use((error: unknown, _request: express.Request, response: express.Response, _next: express.NextFunction) => {
    log.error(describeError(error), "request failed");
    if (!response.headersSent)
      response
        .status(500)
        .type("text/plain")
        .send("Something went wrong here. Nothing you saved is lost. Go back and try again.");
  });
  return app;
}

export type HostSettings = { readonly databaseUrl: string; readonly port: number; readonly projectRoot: string };

/** Opens the store, brings it up to date, and serves on loopback until told to end. */
export async function startHost({
  databaseUrl,
  port,
  projectRoot,
}: HostSettings): Promise<{ server: Server; close: () => Promise<void> }> {
  const store = openStore(databaseUrl);
  await migrateStore(store, path.join(projectRoot, "store/migrations"));
  const build = (await import("virtual:react-router/server-build")) as unknown as ServerBuild;
  const reading = openReadingPool(projectRoot);
  const app = makeApp(store, reading.read, build, path.join(projectRoot, "build/client"));
  void lookAtOldPictures(store.db).catch((error: unknown) =>
    log.error(describeError(error), "looking at pictures failed"),
  );
  const tidy = () =>
    dropExpired(store.db, new Date()).catch((error: unknown) =>
      log.error(describeError(error), "tidying the tray failed"),
    );
  const tidying = setInterval(tidy, DAY);
  tidying.unref();
  void tidy();
  const server = await new Promise<Server>((resolve, reject) => {
    const listening = app.listen(port, "127.0.0.1", () => resolve(listening));
    listening.once("error", reject);
  });
  return {
    server,
    close: async () => {
      clearInterval(tidying);
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await reading.close();
      await store.close();
    },
  };
}
