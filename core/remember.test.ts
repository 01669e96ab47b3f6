import { describe, expect, it } from "vitest";
import { remembering } from "./remember.ts";

describe("what is remembered", () => {
  it("is reckoned once while it is asked for, and so many at the most are kept, those asked for last", () => {
    const asked: string[] = [];
    const kept = remembering<{ readonly of: string }>(2);
    const ask = (key: string) =>
      kept(key, () => {
        asked.push(key);
        return { of: key };
      });
    expect(ask("a")).toBe(ask("a"));
    ask("b");
    ask("a");
    ask("c");
    expect(ask("a").of).toBe("a");
    expect(asked).toEqual(["a", "b", "c"]);
    ask("b");
    expect(asked).toEqual(["a", "b", "c", "b"]);
  });
});
