import { describe, expect, it } from "vitest";
import { inRuns } from "./runs.ts";

const line = (id: string, said: string, change: object = {}) => ({
  ...{ id, said, at: "9 Dec, 18:40", by: null, takenBack: false, open: true },
  ...change,
});

describe("the list of changes", () => {
  it("tells saves of the same in a row once, by the last of them, and nothing else together", () => {
    const told = inRuns([
      line("7", "Words changed"),
      line("6", "Words changed"),
      line("5", "Title changed"),
      line("4", "Title changed", { by: "Tobiah" }),
      line("3", "Title changed", { takenBack: true }),
      line("2", "Title changed", { takenBack: true }),
      line("1", "Words changed"),
    ]);
    expect(told.map(({ id, times }) => [id, times])).toEqual([
      ["7", 2],
      ["5", 1],
      ["4", 1],
      ["3", 1],
      ["2", 1],
      ["1", 1],
    ]);
  });
});
