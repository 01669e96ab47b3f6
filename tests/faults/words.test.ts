import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Running, startServer } from "../../scripts/running-server.ts";
import { readAlbum } from "../../store/album.ts";
import { openStore, type Store } from "../../store/db.ts";
import { household } from "../../store/schema/index.ts";
import { readWordings } from "../../store/wordings.ts";
import { freshDatabase } from "../fresh-database.ts";

/** The built program over a database of its own, ended by force while words come in. */
let database: Awaited<ReturnType<typeof freshDatabase>>;
let server: Running;
let store: Store;
beforeAll(async () => {
  database = await freshDatabase();
  server = await startServer(database.url);
  store = openStore(database.url);
});
afterAll(async () => {
  await store.close();
  await server.stop();
  await database.drop();
});

const post = (path: string, body: BodyInit, cookie = "", type?: string) =>
  fetch(server.base + path, {
    method: "POST",
    redirect: "manual",
    body,
    headers: { origin: server.base, cookie, ...(type ? { "content-type": type } : {}) },
  });

async function albumOf(): Promise<{ cookie: string; albumId: string; dayId: string; householdId: string }> {
  const form = {
    name: "Keeper",
    mail: `${randomUUID()}@example.org`,
    passphrase: "four plain words here",
    timeZone: "UTC",
  };
  const cookie = (await post("/sign-up", new URLSearchParams(form))).headers.get("set-cookie")?.split(";")[0] ?? "";
  const plan = {
    title: "Mine",
    start: "2026-12-01",
    end: "2026-12-31",
    numbering: "date",
    book: "ring-6x8",
    unit: "inch",
  };
  const made = await post("/albums/new", new URLSearchParams(plan), cookie);
  const albumId = /albums\/([0-9a-f-]{36})/.exec(made.headers.get("location") ?? "")?.[1] ?? "";
  for (const { id: householdId } of await store.db.select({ id: household.id }).from(household)) {
    const aggregate = await readAlbum(store.db, householdId, albumId);
    const day = aggregate?.days.find(({ date }) => date === "2026-12-09");
    if (day) return { cookie, albumId, dayId: day.id, householdId };
  }
  throw new Error("the album is not there");
}

describe("a card being written", () => {
  it("holds one of the texts that were typed, whole, when the server is killed, and every one that was acknowledged", async () => {
    const { cookie, albumId, dayId, householdId } = await albumOf();
    const id = randomUUID();
    const size = { w: 24_384, h: 32_512 };
    const send = (edit: object) =>
      post(
        `/albums/${albumId}/sent`,
        JSON.stringify({ what: "edit", dayId, base: null, edit }),
        cookie,
        "application/json",
      );
    await send({ kind: "add-card", card: { id, size, text: "" } });
    const textOf = (at: number) => `${at} `.repeat(400).trim();
    let acknowledged = 0;
    const killing = new Promise<void>((resolve) =>
      setTimeout(() => {
        server.process.kill("SIGKILL");
        resolve();
      }, 400),
    );
    for (let at = 1; at < 500; at++) {
      const answer = await send({ kind: "card-text", id, text: textOf(at) }).catch(() => null);
      if (!answer?.ok) break;
      acknowledged = at;
    }
    await killing;
    server = await startServer(database.url);
    const aggregate = await readAlbum(store.db, householdId, albumId);
    const card = aggregate?.days.flatMap(({ content }) => content.cards).find((each) => each.id === id);
    if (!card) throw new Error("the card is gone");
    const last = Number(card.text.split(" ")[0]);
    expect(card.text).toBe(textOf(last));
    expect(last === acknowledged || last === acknowledged + 1).toBe(true);
    expect(acknowledged).toBeGreaterThan(0);
    const wordings = await readWordings(store.db, card.id);
    expect(wordings.map(({ text }) => text).slice(0, -1)).toEqual(
      Array.from({ length: last }, (_, at) => textOf(last - at)),
    );
  });
});

describe("what is brought to a day", () => {
  it("takes a jotting once however often it comes at the same time, and refuses one for a day of somebody else", async () => {
    const { cookie, albumId, dayId, householdId } = await albumOf();
    const stranger = await albumOf();
    const jotting = { id: randomUUID(), text: "Once", at: "2026-12-09T18:40" };
    const jot = (who: string, day: string) =>
      post(
        `/albums/${albumId}/sent`,
        JSON.stringify({ what: "bring", dayId: day, jotting, pictures: [] }),
        who,
        "application/json",
      );
    const answers = await Promise.all([1, 2, 3, 4].map(() => jot(cookie, dayId)));
    for (const answer of answers) expect(await answer.json()).toEqual({ ok: true, there: [] });
    const theirs = await jot(stranger.cookie, dayId);
    expect(await theirs.json()).toEqual({ ok: false, reason: "not-found" });
    const day = (await readAlbum(store.db, householdId, albumId))?.days.find(({ id }) => id === dayId);
    expect(day?.content.jottings).toEqual([{ ...jotting, privateUntil: null }]);
    expect((await post(`/albums/${albumId}/sent`, "{}", cookie, "application/json")).status).toBe(400);
  });
});
