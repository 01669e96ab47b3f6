import { sql } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import { describeError } from "../../server/log.ts";
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

  it("says only the type of something thrown that is no error", () => {
    expect(describeError("a private sentence")).toEqual({ error: "string" });
  });
});
