import { randomBytes } from "node:crypto";
import path from "node:path";
import sharp from "sharp";
import { afterAll, describe, expect, it } from "vitest";
import { openReadingPool } from "./reading-pool.ts";

const pool = openReadingPool(path.resolve(import.meta.dirname, ".."));
afterAll(() => pool.close());
const jpeg = (side: number) =>
  sharp({ create: { width: side, height: side, channels: 3, background: "#b8451b" } })
    .jpeg()
    .toBuffer();

describe("a picture that goes to a thread", () => {
  it("is given away with its memory, and comes back with what was read of it", async () => {
    const room = Buffer.concat([await jpeg(40), randomBytes(30_000)]);
    const was = Buffer.from(room);
    // It need not fill the memory that it lies in.
    const given = room.subarray(0, 25_000);
    const read = await pool.read(given, "a.jpg");
    expect(read.ok && read.photo.bytes.equals(was.subarray(0, 25_000))).toBe(true);
    expect(given).toHaveLength(0);
    if (!read.ok) return;
    expect([read.photo.width, read.photo.height, read.photo.versions.length]).toEqual([40, 40, 3]);
    expect(Buffer.from(read.photo.bytes.buffer).equals(was)).toBe(true);
  });

  it("is copied where it shares its memory with others", async () => {
    const small = await jpeg(8);
    const [mine, other] = [Buffer.allocUnsafe(small.length), Buffer.from("what lies beside it")];
    small.copy(mine);
    const read = await pool.read(mine, "a.jpg");
    expect(read.ok && read.photo.bytes.equals(small)).toBe(true);
    expect(mine.equals(small)).toBe(true);
    expect(other.toString()).toBe("what lies beside it");
  });

  it("is refused for what it is", async () => {
    expect(await pool.read(randomBytes(20_000), "a.jpg")).toEqual({ ok: false, reason: "not-a-picture" });
    const broken = Buffer.concat([Buffer.from("\xff\xd8\xff", "latin1"), randomBytes(20_000)]);
    expect(await pool.read(broken, "a.jpg")).toEqual({ ok: false, reason: "damaged" });
  });
});
