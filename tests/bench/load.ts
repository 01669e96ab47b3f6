import { readFileSync } from "node:fs";
import { setTimeout as wait } from "node:timers/promises";
import { type Running, startServer } from "../../scripts/running-server.ts";
import { openStore } from "../../store/db.ts";
import { edit, get, type Visitor } from "../faults/visitor.ts";
import { makeWorld, quickVisitor, type World } from "../matrix/world.ts";

const USERS = 100;
const EVERY_MS = 1500;
const MINUTES = Number(process.env.HEARTH_LOAD_MINUTES ?? 5);

/** Megabytes that a process holds. Linux. */
const memoryOf = ({ process: { pid } }: Running) =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))?.[1]) / 1024;

type User = { readonly who: Visitor; readonly ids: World; title: string };

/**
 * A hundred keepers at two processes on one database, each a page or a save every second and a half. What one process
 * saved the other must show: a page that shows what was there before counts as an error, as does any answer but 200.
 */
export async function measureLoad(databaseUrl: string): Promise<Record<string, number>> {
  const servers = [await startServer(databaseUrl), await startServer(databaseUrl)];
  try {
    const store = openStore(databaseUrl);
    const users: User[] = [];
    for (let at = 0; at < USERS; at++) {
      const who = await quickVisitor(store.db, "");
      users.push({ who, ids: await makeWorld(store.db, who), title: "" });
    }
    await store.close();
    const times: number[] = [];
    let errors = 0;
    const one = async (user: User, round: number) => {
      const base = servers[round % 2]?.base ?? "";
      const who = { ...user.who, base };
      const album = `/albums/${user.ids.album}`;
      const began = performance.now();
      if (round % 3 === 0) {
        const title = `Round ${round}`;
        const sent = { what: "edit", dayId: user.ids.day, base: null, edit: { kind: "title", text: title } };
        const saved = await edit(who, album, { act: crypto.randomUUID(), ...sent });
        times.push(performance.now() - began);
        if (saved.status === 200) user.title = title;
        else errors += 1;
        await saved.arrayBuffer();
        return;
      }
      const page = await get(who, round % 3 === 1 ? `${album}/days/2026-12-01` : `${album}/month`);
      const text = await page.text();
      times.push(performance.now() - began);
      if (page.status !== 200 || !text.includes(user.title)) errors += 1;
    };
    const keeper = async (user: User, at: number, until: number) => {
      await wait((at * EVERY_MS) / USERS);
      for (let round = at; Date.now() < until; round++) {
        const next = Date.now() + EVERY_MS;
        await one(user, round).catch(() => (errors += 1));
        await wait(Math.max(0, next - Date.now()));
      }
    };
    const run = (minutes: number) => {
      const until = Date.now() + minutes * 60_000;
      return Promise.all(users.map((user, at) => keeper(user, at, until)));
    };
    // The first half minute fills what is remembered; growth is counted from there.
    await run(0.5);
    const before = servers.reduce((sum, each) => sum + memoryOf(each), 0);
    times.length = 0;
    await run(MINUTES);
    const after = servers.reduce((sum, each) => sum + memoryOf(each), 0);
    times.sort((a, b) => a - b);
    return {
      "load.p95_ms": times[Math.floor(times.length * 0.95)] ?? 0,
      "load.errors": errors,
      "load.rss_growth_mb": after - before,
    };
  } finally {
    for (const server of servers) await server.stop();
  }
}
