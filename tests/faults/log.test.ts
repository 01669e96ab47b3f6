import { sql } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import { startServer } from "../../scripts/running-server.ts";
import { describeError } from "../../server/log.ts";
import { freshDatabase } from "../fresh-database.ts";
import { openTestStore } from "../household.ts";

const store = openTestStore();
afterAll(() => store.close());

describe("the log", () => {
  it("keeps an error's kind and place and none of the words that caused it", async () => {
    const secret = "what the twins must not read";
    const failed = await store.db.execute(sql`select ${secret}::int`).catch((error: unknown) => error);
    expect(String(failed)).toContain(secret);
    const written = JSON.stringify(describeError(failed));
    expect(written).not.toContain("twins");
    expect(written).toContain("22P02");
    expect(written).toMatch(/at .*log\.test/);
  });

  it("has a line for each request, without what was asked for in it, nor the secret address of a feed or a link", async () => {
    const database = await freshDatabase();
    const server = await startServer(database.url, 0, "info");
    let written = "";
    server.process.stdout?.on("data", (text: Buffer) => {
      written += text.toString();
    });
    const ask = (path: string) => fetch(server.base + path, { redirect: "manual" });
    expect((await ask("/feeds/s3cretAndLong.ics")).status).toBe(404);
    await ask("/feeds/s3cretAndLong/more.ics");
    await ask("/shared/s3cretAndLong/2");
    await ask("/sign-in?next=%2Fwhat-the-twins-want");
    const lines = () => written.split("\n").filter((line) => line.includes('"status"')).length;
    // A line is written when its answer has gone, which is after it came.
    await expect.poll(lines, { timeout: 20_000 }).toBe(4);
    await server.stop();
    await database.drop();
    expect(written).toContain('"/feeds/…"');
    expect(written).toContain('"/shared/…"');
    expect(written).toContain('"/sign-in"');
    expect(written).not.toMatch(/s3cret|twins/);
  });

  it("says only the type of something thrown that is no error", () => {
    expect(describeError("a private sentence")).toEqual({ error: "string" });
  });
});
