import { describe, expect, it } from "vitest";
import { stepFrom } from "./roll.tsx";

describe("an arrow on the roll", () => {
  it("goes to the next or the one before", () => {
    expect([stepFrom(2, 2, 1), stepFrom(2, 2, -1)]).toEqual([3, 1]);
  });

  it("begins at the first where nothing is chosen yet", () => {
    expect([stepFrom(-1, -1, 1), stepFrom(-1, -1, -1)]).toEqual([0, 0]);
  });

  it("goes on from where the chosen one stood that is shown no more: what came after it stands there now", () => {
    expect([stepFrom(-1, 4, 1), stepFrom(-1, 4, -1)]).toEqual([4, 3]);
  });
});
