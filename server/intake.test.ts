import { createServer, type Server } from "node:http";
import { connect } from "node:net";
import express from "express";
import { afterEach, describe, expect, it } from "vitest";
import { LIMITS } from "../core/limits.ts";
import type { Member } from "../store/household.ts";
import { roomInMemory } from "./in-memory.ts";
import { intake, intakeOf } from "./intake.ts";
import { rangeOf } from "./work/file.ts";

const FORM = "application/x-www-form-urlencoded";
const MULTIPART = "multipart/form-data; boundary=x";

describe("the intake", () => {
  it("take files only where files come in, of the kind and size that come in there", () => {
    expect(intakeOf("/photos", MULTIPART)).toMatchObject({ isFile: true });
    expect(intakeOf("/albums/a/days/2026-12-09/photos.data", MULTIPART)).toMatchObject({ isFile: true });
    expect(intakeOf("/work/a/parts/12", "application/octet-stream")).toEqual({
      most: LIMITS.partBytes.most,
      isFile: true,
    });
    for (const path of ["/sign-in", "/sign-up.data", "/look", "/today/jot", "/albums/a/settings", "/work/a"])
      expect(intakeOf(path, MULTIPART), path).toBeNull();
    expect(intakeOf("/photos", "application/octet-stream")).toBeNull();
  });

  it("take a few words from anybody, and as much as the longest change from everywhere else", () => {
    for (const path of ["/sign-in", "/sign-in.data", "/sign-up", "/look", "/sign-out"])
      expect(intakeOf(path, FORM)).toEqual({ most: LIMITS.doorBytes.most, isFile: false });
    expect(intakeOf("/albums/a.data", "application/json")).toEqual({ most: LIMITS.formBytes.most, isFile: false });
    expect(intakeOf("/albums/a/undo", "")).toEqual({ most: LIMITS.formBytes.most, isFile: false });
  });
});

describe("a body on its way", () => {
  let server: Server | undefined;
  afterEach(() => server?.close());
  const member = { id: "m", household: { id: "h" } } as Member;
  /** A server whose intake knows the sender or not; an answered request never ends by itself where `hold` is set. */
  async function open(sender: Member | null, { silence = 60_000, hold = false } = {}): Promise<number> {
    const app = express();
    app.use(intake(async () => sender, silence));
    app.use((_request, response) => void (hold || response.send("in")));
    server = createServer(app).listen(0, "127.0.0.1");
    await new Promise((resolve) => server?.once("listening", resolve));
    const address = server.address();
    return typeof address === "object" && address ? address.port : 0;
  }
  /** Says that so many bytes come, sends some of them, and tells how the server answered before it got the rest. */
  const begin = (port: number, path: string, type: string, length: number, sent = "x"): Promise<string> =>
    new Promise((resolve) => {
      let heard = "";
      const socket = connect(port, "127.0.0.1");
      socket.on("data", (chunk) => {
        heard += chunk;
        if (heard.includes("\r\n\r\n")) socket.destroy();
      });
      socket.on("close", () => resolve(heard.split("\r\n")[0] ?? ""));
      socket.on("error", () => {});
      socket.write(
        `POST ${path} HTTP/1.1\r\nHost: x\r\nContent-Type: ${type}\r\nContent-Length: ${length}\r\n\r\n${sent}`,
      );
    });

  it("is refused by what it says of itself, before any of it is waited for", async () => {
    const port = await open(null);
    expect(await begin(port, "/sign-in", MULTIPART, 200_000_000)).toContain("415");
    expect(await begin(port, "/sign-in", FORM, 200_000_000)).toContain("413");
    expect(await begin(port, "/photos", MULTIPART, 4_000_000)).toContain("401");
    expect(await begin(port, "/albums/a.data", "application/json", 100_000)).toContain("401");
  });

  it("that stops coming is let go, a file's too", async () => {
    const port = await open(member, { silence: 300, hold: true });
    expect(await begin(port, "/look", FORM, 100)).toBe("");
    expect(await begin(port, "/photos", MULTIPART, 1000)).toBe("");
    // One that was refused is not waited for without end either.
    const gone = new Promise((resolve) => {
      const socket = connect(port, "127.0.0.1", () =>
        socket.write("POST /look HTTP/1.1\r\nHost: x\r\nContent-Type: text/odd\r\nContent-Length: 9\r\n\r\nx"),
      );
      socket.on("data", () => {});
      socket.on("close", resolve);
    });
    await gone;
  });

  it("waits for others of its household where enough are on their way, and is told so", async () => {
    const port = await open(member, { hold: true });
    const held = Array.from({ length: LIMITS.uploadsOfHousehold.most }, () => begin(port, "/photos", MULTIPART, 1000));
    await new Promise((resolve) => setTimeout(resolve, 100));
    expect(await begin(port, "/photos", MULTIPART, 1000)).toContain("429");
    server?.closeAllConnections();
    await Promise.all(held);
  });
});

describe("room in memory", () => {
  it("is never held by more than there is, lets what is larger go alone, and lets go what fails", async () => {
    const inRoom = roomInMemory(10);
    let [held, most] = [0, 0];
    const work = (bytes: number) =>
      inRoom(bytes, async () => {
        held += bytes;
        most = Math.max(most, held);
        await new Promise((resolve) => setTimeout(resolve, 2));
        held -= bytes;
        if (bytes === 7) throw new Error("failed");
        return bytes;
      }).catch(() => -1);
    expect(await Promise.all([4, 4, 4, 7, 25, 1, 3].map(work))).toEqual([4, 4, 4, -1, 25, 1, 3]);
    expect(most).toBe(25);
    const without = await Promise.all([6, 6, 6].map(work));
    expect([without, held]).toEqual([[6, 6, 6], 0]);
  });
});

describe("a stretch of a file", () => {
  it("is read as RFC 9110 writes it", () => {
    expect(rangeOf(undefined, 100)).toEqual({ from: 0, to: 99 });
    expect(rangeOf("bytes=0-9", 100)).toEqual({ from: 0, to: 9 });
    expect(rangeOf("bytes=90-", 100)).toEqual({ from: 90, to: 99 });
    expect(rangeOf("bytes=-10", 100)).toEqual({ from: 90, to: 99 });
    expect(rangeOf("bytes=50-400", 100)).toEqual({ from: 50, to: 99 });
    expect(rangeOf("bytes=100-", 100)).toBeNull();
    // What is not understood is the whole. Source: RFC 9110, 14.2.
    expect(rangeOf("lines=1-2", 100)).toEqual({ from: 0, to: 99 });
    expect(rangeOf("bytes=-", 100)).toEqual({ from: 0, to: 99 });
  });
});
