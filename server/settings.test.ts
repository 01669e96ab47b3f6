import { describe, expect, it } from "vitest";
import { readSettings } from "./settings.ts";

describe("settings", () => {
  it("are those of one machine where nothing is said", () => {
    expect(readSettings({})).toEqual({ host: "127.0.0.1", proxies: ["loopback"], connections: 12, drainSeconds: 0 });
    expect(readSettings({ HEARTH_HOST: " ", HEARTH_POOL: "" })).toEqual(readSettings({}));
  });

  it("are what is said, proxies after what is always believed", () => {
    expect(
      readSettings({
        HEARTH_HOST: "0.0.0.0",
        HEARTH_PROXY: "10.0.0.0/8, uniquelocal",
        HEARTH_POOL: "5",
        HEARTH_DRAIN: "10",
      }),
    ).toEqual({
      host: "0.0.0.0",
      proxies: ["loopback", "10.0.0.0/8", "uniquelocal"],
      connections: 5,
      drainSeconds: 10,
    });
  });

  it("that cannot be meant are told, with what they may be", () => {
    for (const HEARTH_POOL of ["1", "many", "-3", "2.5", "1000"])
      expect(() => readSettings({ HEARTH_POOL })).toThrow(/HEARTH_POOL is “.*”.*from 2 to 200/);
    expect(() => readSettings({ HEARTH_DRAIN: "soon" })).toThrow(/HEARTH_DRAIN/);
  });
});
