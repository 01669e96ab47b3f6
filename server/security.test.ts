import type { Request, Response } from "express";
import { describe, expect, it } from "vitest";
import { sameOriginWrites } from "./security.ts";

/** What becomes of a request: null where it is let through, else the status it is answered with. */
function answerTo(request: { method: string; protocol?: string; host?: string; origin?: string }): number | null {
  let answered: number | null = null;
  let through = false;
  const response = {
    status: (code: number) => {
      answered = code;
      return response;
    },
    type: () => response,
    send: () => response,
  };
  sameOriginWrites(
    {
      method: request.method,
      protocol: request.protocol ?? "https",
      headers: { host: request.host ?? "album.example", origin: request.origin },
    } as Request,
    response as unknown as Response,
    () => {
      through = true;
    },
  );
  return through ? null : answered;
}

describe("a write", () => {
  it("is let through from our own pages, by host, scheme and port", () => {
    expect(answerTo({ method: "POST", origin: "https://album.example" })).toBeNull();
    expect(answerTo({ method: "POST", origin: "https://album.example:443" })).toBeNull();
    expect(
      answerTo({ method: "DELETE", protocol: "http", host: "127.0.0.1:4100", origin: "http://127.0.0.1:4100" }),
    ).toBeNull();
  });

  it("is refused from anywhere else, and where it does not say from where", () => {
    for (const origin of [
      undefined,
      "null",
      "https://other.example",
      "http://album.example",
      "https://album.example:444",
      "https://album.example.other.example",
      "no address",
    ])
      expect(answerTo({ method: "POST", ...(origin === undefined ? {} : { origin }) }), String(origin)).toBe(403);
  });

  it("is not what a reading is: that may come from anywhere", () => {
    for (const method of ["GET", "HEAD", "OPTIONS"])
      expect(answerTo({ method, origin: "https://other.example" })).toBeNull();
  });
});
