import { describe, expect, it } from "vitest";
import { deviceOf } from "./context.ts";

const device = (headers: Record<string, string>) => deviceOf({ headers });

describe("what a request comes from", () => {
  it("is a phone where the browser's hint or its words say so, by the words for it that browsers agree on", () => {
    // User-Agent Client Hints (W3C Community Group): Sec-CH-UA-Mobile. “Mobi” among the words: MDN's advice, from memory.
    expect(device({ "sec-ch-ua-mobile": "?1", "user-agent": "A browser" })).toBe("phone");
    expect(device({ "user-agent": "A browser/5.0 (Some system; Mobile) More" })).toBe("phone");
    expect(device({ "sec-ch-ua-mobile": "?0", "user-agent": "A browser" })).toBe("computer");
    expect(device({ "user-agent": "A browser that says nothing of it" })).toBe("computer");
    expect(device({ "user-agent": "An Immobile one" })).toBe("computer");
    expect(device({})).toBeNull();
  });
});
