import { randomUUID } from "node:crypto";
import pg from "pg";

/** A database of its own for one file, on the server that all tests share; gone when it is dropped. */
export async function freshDatabase(): Promise<{ readonly url: string; readonly drop: () => Promise<void> }> {
  const shared = process.env.DATABASE_URL ?? "";
  const name = `test_${randomUUID().replaceAll("-", "")}`;
  const run = async (statement: string) => {
    const client = new pg.Client({ connectionString: shared });
    await client.connect();
    await client.query(statement);
    await client.end();
  };
  await run(`create database ${name}`);
  const url = new URL(shared);
  url.pathname = `/${name}`;
  return { url: url.toString(), drop: () => run(`drop database if exists ${name} with (force)`) };
}
