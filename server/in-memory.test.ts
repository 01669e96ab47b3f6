import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { roomInMemory } from "./in-memory.ts";

describe("room in memory", () => {
  it("never holds more than there is room for, except one that is larger than all of it, and serves everybody", async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.integer({ min: 1, max: 150 }), { minLength: 1, maxLength: 20 }), async (sizes) => {
        const room = roomInMemory(100);
        let [held, at] = [0, 0];
        const order: number[] = [];
        await Promise.all(
          sizes.map((bytes, index) =>
            room(bytes, async () => {
              held += bytes;
              at += 1;
              order.push(index);
              expect(held <= 100 || at === 1).toBe(true);
              await new Promise((resolve) => setTimeout(resolve, 1));
              held -= bytes;
              at -= 1;
            }),
          ),
        );
        expect(order).toEqual(sizes.map((_, index) => index));
      }),
      { numRuns: 30 },
    );
  });

  it("is free again after a failure, which is told to whoever asked", async () => {
    const room = roomInMemory(10);
    await expect(room(10, () => Promise.reject(new Error("broke")))).rejects.toThrow("broke");
    expect(await room(10, async () => "done")).toBe("done");
  });
});
