import { randomBytes } from "node:crypto";
import { Readable } from "node:stream";
import { buffer } from "node:stream/consumers";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { openZip, writeZip, ZipRefused } from "./zip.ts";

const inMemory = (bytes: Buffer) => ({
  bytes: bytes.length,
  read: (from: number, to: number) => Readable.from([bytes.subarray(from, to)], { objectMode: false }),
});

describe("a file in a ZIP", () => {
  it("is read into the room that is given, where it goes in, whatever lay there before", async () => {
    const sizes = fc.array(fc.nat(90_000), { minLength: 1, maxLength: 5 });
    await fc.assert(
      fc.asyncProperty(sizes, async (all) => {
        const files = all.map((size, at) => ({ name: `${at}`, content: randomBytes(size) }));
        const zip = await buffer(
          writeZip(
            files.map(({ name, content }, at) => ({ name, packed: at % 2 === 0, bytes: async () => content })),
            new Date(0),
          ),
        );
        const opened = await openZip(inMemory(zip));
        if (!opened.ok) throw new Error(opened.reason);
        let room: Buffer | undefined;
        for (const { name, content } of files) {
          const read = await opened.entries.get(name)?.read(90_000, room);
          expect(read?.equals(content)).toBe(true);
          if (room && room.length >= content.length) expect(read?.buffer).toBe(room.buffer);
          if (read) room = Buffer.from(read.buffer);
        }
        opened.close();
      }),
      { numRuns: 30 },
    );
  });

  it("is refused where it is larger than it may be", async () => {
    const zip = await buffer(
      writeZip([{ name: "a", packed: false, bytes: async () => Buffer.alloc(101) }], new Date(0)),
    );
    const opened = await openZip(inMemory(zip));
    if (!opened.ok) throw new Error(opened.reason);
    await expect(opened.entries.get("a")?.read(100, Buffer.alloc(200))).rejects.toThrow(ZipRefused);
    opened.close();
  });
});
