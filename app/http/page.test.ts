import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { newId } from "#app/parts/new-id.ts";
import { tooManyTries } from "#app/wording/door.ts";
import { STATUS_MEANS } from "../../tests/statuses.ts";
import { awayFor, isUnreachable, sendOrKeep } from "./keep-page.ts";
import { ownPath } from "./page.ts";

describe("a path of ours", () => {
  it("never leads to another host, whatever it is made of", () => {
    const anyPath = fc.array(
      fc.constantFrom("/", "\\", ".", "..", "@", ":", "elsewhere.example", "?a=b", "#", "%2f", "\t"),
      { maxLength: 7 },
    );
    fc.assert(
      fc.property(anyPath, (parts) => {
        const led = ownPath(parts.join(""), "/shelf");
        expect(new URL(led, "https://hearth.example").origin).toBe("https://hearth.example");
      }),
      { numRuns: 2000 },
    );
    expect(ownPath("/albums/a/month?day=1", "/shelf")).toBe("/albums/a/month?day=1");
    expect([ownPath(null, "/shelf"), ownPath("shelf", "/"), ownPath("https://elsewhere.example/", "/")]).toEqual([
      "/shelf",
      "/",
      "/",
    ]);
  });
});

describe("an answer that is none of ours", () => {
  it("is told to the page by what it means for what was sent, by whomever it was given", async () => {
    for (const [status, reason] of Object.entries(STATUS_MEANS)) {
      const answer = await sendOrKeep({ serverAction: () => Promise.reject({ status: Number(status) }) });
      expect(answer).toEqual({ ok: false, reason });
      expect([isUnreachable(answer), awayFor(Number(status))]).toEqual([true, reason]);
    }
    // What is another role's to do is refused by us in so many words; a 403 of something between is not.
    const refused = { status: 403, data: { notYours: true } };
    expect(await sendOrKeep({ serverAction: () => Promise.reject(refused) })).toEqual({
      ok: false,
      reason: "not-yours",
    });
    expect(await sendOrKeep({ serverAction: () => Promise.reject(new TypeError("failed to fetch")) })).toEqual({
      ok: false,
      reason: "unreachable",
    });
    expect(await sendOrKeep({ serverAction: () => Promise.reject(new Error("of the server")) })).toEqual({
      ok: false,
      reason: "broken",
    });
    const door = new Response(null, { status: 302, headers: { location: "/sign-in" } });
    await expect(sendOrKeep({ serverAction: () => Promise.reject(door) })).rejects.toBe(door);
  });
});

describe("a new id", () => {
  it("is a version 4 UUID, also where the browser makes none (RFC 9562)", () => {
    const form = /^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/;
    const own = crypto.randomUUID;
    expect(newId()).toMatch(form);
    Object.defineProperty(crypto, "randomUUID", { value: undefined, configurable: true });
    try {
      const made = Array.from({ length: 200 }, newId);
      for (const id of made) expect(id).toMatch(form);
      expect(new Set(made).size).toBe(200);
    } finally {
      Object.defineProperty(crypto, "randomUUID", { value: own, configurable: true });
    }
  });
});

describe("the wait of who tried too often", () => {
  it("is said as a person would say it", () => {
    const wait = (seconds: number) => /Wait (.*?), then/.exec(tooManyTries(seconds))?.[1];
    expect([wait(30), wait(120), wait(900), wait(3600), wait(7200 * 2)]).toEqual([
      "a minute",
      "2 minutes",
      "15 minutes",
      "60 minutes",
      "4 hours",
    ]);
  });
});
