import { afterAll, describe, expect, it } from "vitest";
import { openTestStore } from "../tests/household.ts";
import { isBadValue, isStoreGone, openStore } from "./db.ts";

const store = openTestStore();
afterAll(() => store.close());

const coded = (code: string, message = "x") => Object.assign(new Error(message), { code });
const wrapped = (cause: unknown) => new Error("Failed query", { cause });

describe("a database that is away", () => {
  it("is known by all its faces: PostgreSQL's codes, the machine's, the network's, and what the driver says without one", () => {
    for (const code of ["57P01", "57P02", "57P03", "08006", "08P01", "53100", "53300", "57014", "55P03", "25006"])
      expect(isStoreGone(wrapped(coded(code))), code).toBe(true);
    for (const code of ["ECONNREFUSED", "ECONNRESET", "EPIPE", "ETIMEDOUT", "EHOSTUNREACH", "ENOTFOUND", "EAI_AGAIN"])
      expect(isStoreGone(coded(code)), code).toBe(true);
    for (const said of [
      "Connection terminated unexpectedly",
      "Connection terminated due to connection timeout",
      "Client has encountered a connection error and is not queryable",
      "timeout exceeded when trying to connect",
      "Cannot use a pool after calling end on the pool",
    ])
      expect(isStoreGone(wrapped(new Error(said))), said).toBe(true);
    expect(isStoreGone(new AggregateError([coded("ECONNREFUSED")]))).toBe(true);
  });

  it("is not a statement that is wrong, nor words of a keeper that sound like it", () => {
    for (const code of ["23505", "23503", "42601", "22P02", "40P01"])
      expect(isStoreGone(coded(code)), code).toBe(false);
    expect(isStoreGone(coded("23505", "the connection terminated, she wrote"))).toBe(false);
    expect(isStoreGone("Connection terminated")).toBe(false);
  });

  it("says so where nobody listens, and where a pool is closed", async () => {
    const nowhere = openStore("postgres://x:y@127.0.0.1:1/none");
    await expect(nowhere.pool.query("select 1")).rejects.toSatisfy(isStoreGone);
    await nowhere.close();
    await expect(nowhere.pool.query("select 1")).rejects.toSatisfy(isStoreGone);
  });
});

describe("a transaction", () => {
  it("that PostgreSQL ends to let another pass is begun again, and both are done", async () => {
    await store.db.execute("create table if not exists lock_test (id int primary key, n int not null)");
    await store.db.execute("insert into lock_test values (1, 0), (2, 0) on conflict (id) do update set n = 0");
    let begun = 0;
    // Each has its first row before either asks for the other's, however slow the machine is.
    let held = 0;
    let goOn = () => {};
    const bothHold = new Promise<void>((resolve) => {
      goOn = resolve;
    });
    const cross = (first: number, second: number) =>
      store.db.transaction(async (tx) => {
        begun += 1;
        await tx.execute(`update lock_test set n = n + 1 where id = ${first}`);
        held += 1;
        if (held === 2) goOn();
        await bothHold;
        await tx.execute(`update lock_test set n = n + 1 where id = ${second}`);
      });
    await Promise.all([cross(1, 2), cross(2, 1)]);
    const { rows } = await store.db.execute<{ n: number }>("select n from lock_test order by id");
    expect([rows.map(({ n }) => n), begun]).toEqual([[2, 2], 3]);
    await store.db.execute("drop table lock_test");
  });
});

describe("a value that cannot be kept", () => {
  it("is told apart from a fault", async () => {
    const failed = (statement: string) => store.db.execute(statement).catch((error: unknown) => error);
    expect(isBadValue(await failed("select 'abc'::int"))).toBe(true);
    expect(isBadValue(await failed("select '0000-01-01'::date"))).toBe(true);
    expect(isBadValue(await failed("select 9999999999::int"))).toBe(true);
    expect(isBadValue(await failed("select nothing"))).toBe(false);
  });
});
