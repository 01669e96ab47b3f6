import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import type { Server } from "node:http";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import path from "node:path";
import { gzipSync } from "node:zlib";
import express from "express";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { filesOf } from "./files.ts";

const folder = mkdtempSync(path.join(tmpdir(), "hearth-files-"));
const script = "export const words = 'so many words';\n".repeat(40);
let server: Server;
let base: string;
beforeAll(async () => {
  mkdirSync(path.join(folder, "assets"));
  for (const name of ["month-1a.js", "gone-2b.js", "today-worker-3c.js"]) {
    writeFileSync(path.join(folder, "assets", name), script);
    writeFileSync(path.join(folder, "assets", `${name}.gz`), gzipSync(script));
  }
  writeFileSync(path.join(folder, "flame.svg"), "<svg/>");
  const app = express().use(filesOf(folder));
  server = await new Promise((resolve) => {
    const listening = app.listen(0, "127.0.0.1", () => resolve(listening));
  });
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => {
  server.close();
  rmSync(folder, { recursive: true });
});
const get = (file: string, encoding = "gzip") => fetch(base + file, { headers: { "accept-encoding": encoding } });

describe("the files of the program", () => {
  it("come packed to who takes them so, whole to who does not, and are kept for a year", async () => {
    for (const [asked, encoding] of [
      ["gzip", "gzip"],
      ["identity", null],
    ] as const) {
      const answer = await get("/assets/month-1a.js", asked);
      expect([answer.status, answer.headers.get("content-encoding")]).toEqual([200, encoding]);
      expect(answer.headers.get("content-type")).toContain("javascript");
      expect(answer.headers.get("cache-control")).toBe("public, max-age=31536000, immutable");
      expect(await answer.text()).toBe(script);
    }
    expect((await get("/flame.svg")).headers.get("cache-control")).toBe("public, max-age=3600");
  });

  it("let the worker of today serve the address of today, and no other file", async () => {
    const allowed = async (file: string) => (await get(file)).headers.get("service-worker-allowed");
    expect(await allowed("/assets/today-worker-3c.js")).toBe("/today");
    expect(await allowed("/assets/month-1a.js")).toBeNull();
  });

  it("are not there when a newer program was put in their place, and the server goes on", async () => {
    for (const name of ["gone-2b.js", "gone-2b.js.gz"]) rmSync(path.join(folder, "assets", name));
    expect((await get("/assets/gone-2b.js")).status).toBe(404);
    expect((await get("/assets/month-1a.js")).status).toBe(200);
    expect((await get("/assets/%E0%A4%A")).status).toBe(400);
  });
});
