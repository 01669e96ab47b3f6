import { UNSAFE_ErrorResponseImpl as ErrorResponse } from "react-router";
import { describe, expect, it } from "vitest";
import { troubleSaid } from "./trouble.ts";

describe("what stands where a page should be", () => {
  it("tells apart what is not there, what does not answer, what did not load, and what broke", () => {
    const said = (error: unknown) => troubleSaid(error).title;
    expect(said(new ErrorResponse(404, "", null))).toBe("Not found");
    expect(said(new ErrorResponse(503, "", null))).toBe("The database does not answer");
    // A browser's own words: Chromium, Firefox and WebKit for a request without an answer, then for a file of a page.
    for (const words of ["Failed to fetch", "NetworkError when attempting to fetch resource.", "Load failed"])
      expect(said(new TypeError(words)), words).toBe("No connection");
    for (const words of [
      "Failed to fetch dynamically imported module: https://here/assets/a.js",
      "error loading dynamically imported module",
      "Importing a module script failed.",
      "page-did-not-load",
    ])
      expect(said(new TypeError(words)), words).toBe("This page did not load");
    expect(said(new TypeError("x is undefined"))).toBe("Something went wrong here");
    expect(said("a string")).toBe("Something went wrong here");
  });

  it("always says that nothing saved is lost, and offers to try again where that may help", () => {
    for (const error of [new ErrorResponse(503, "", null), new TypeError("Failed to fetch"), new Error("broke")]) {
      expect(troubleSaid(error).text).toContain("Nothing you saved is lost");
      expect(troubleSaid(error).again).toBe(true);
    }
    expect(troubleSaid(new ErrorResponse(404, "", null)).again).toBe(false);
  });
});
