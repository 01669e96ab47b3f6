import type { ServerResponse } from "node:http";
import path from "node:path";
import { Router } from "express";
import packed from "express-static-gzip";

/**
 * What a browser loads, from the folder it was built into: packed as it lies there for who takes it so, and kept by the
 * browser; for a year where its name changes with it.
 */
export function filesOf(folder: string): Router {
  const setHeaders = (response: ServerResponse, file: string) => {
    // The worker of today serves its address, though its file lies among the others.
    if (/^today-worker\b/.test(path.basename(file))) response.setHeader("Service-Worker-Allowed", "/today");
  };
  const kept = { immutable: true, maxAge: "1y", setHeaders };
  return Router()
    .use("/assets", packed(path.join(folder, "assets"), { index: false, serveStatic: kept }))
    .use(packed(folder, { index: false, serveStatic: { maxAge: "1h" } }));
}
