import { randomUUID } from "node:crypto";
import fc from "fast-check";
import sharp from "sharp";
import { afterAll, afterEach, beforeAll, describe, expect, it, vi } from "vitest";
import { carry } from "../../app/sending/carry.ts";
import type { Device } from "../../app/sending/device.ts";
import type { Sendable } from "../../app/sending/entry.ts";
import { Outbox } from "../../app/sending/outbox.ts";
import { sendFrom } from "../../app/sending/sender.ts";
import { newCard } from "../../core/album/model.ts";
import { inches } from "../../core/measure/length.ts";
import { size } from "../../core/measure/size.ts";
import { type Running, startServer } from "../../scripts/running-server.ts";
import { readAlbum } from "../../store/album.ts";
import { openStore, type Store } from "../../store/db.ts";
import { household } from "../../store/schema/index.ts";
import { freshDatabase } from "../fresh-database.ts";
import { memoryDevice } from "../memory-device.ts";
import { dayId, makeAlbum, signUp, type Visitor } from "./visitor.ts";

/** The outbox of a device against the built program, with a bad line between them, windows that go, and a server that is killed. */
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
afterEach(() => vi.unstubAllGlobals());

/** What becomes of one request on its way: it arrives, is lost before or after it was done, or somebody else answers. */
const FAULTS = ["lost before", "lost after", "guest network", 401, 408, 429, 500, 502, 503, 504] as const;
type Fault = (typeof FAULTS)[number] | "none";

/** A line between this device and the server; `faults` are what becomes of the requests in turn, then all arrive. */
function badLine(who: Visitor, faults: Fault[]): void {
  const real = fetch;
  vi.stubGlobal("fetch", async (path: string, init: RequestInit) => {
    const fault = faults.shift() ?? "none";
    if (fault === "lost before") throw new TypeError("Failed to fetch");
    if (fault === "guest network") return new Response("<h1>Welcome. Please accept our terms.</h1>");
    if (typeof fault === "number") return new Response("<h1>Not now</h1>", { status: fault });
    const headers = { ...init.headers, origin: server.base, cookie: who.cookie };
    const answer = await real(server.base + path, { ...init, headers });
    if (fault === "lost after") throw new TypeError("Failed to fetch");
    return answer;
  });
}

/** A window of the device that sends, until it goes without a word. */
function openWindow(own: Device, slot: string) {
  const outbox = new Outbox(own, slot);
  const gone = new AbortController();
  const isThere = async (): Promise<void> => {
    // A window that is gone hears no answer and writes nothing down.
    if (gone.signal.aborted) await new Promise(() => {});
  };
  const send: Parameters<typeof sendFrom>[1]["carry"] = async (entry) => {
    const answer = await carry(entry, (id) => outbox.pictureOf(id));
    await isThere();
    return answer;
  };
  sendFrom(outbox, { carry: send, answered: async () => {}, now: Date.now, tryAgain: 20 }, gone.signal);
  return { outbox, close: () => gone.abort() };
}

const until = async (is: () => boolean) => {
  for (let time = 0; !is(); time++) {
    if (time > 1500) throw new Error("it is still on its way");
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
};

const picture = async (colour: string) => {
  const bytes = await sharp({ create: { width: 40, height: 30, channels: 3, background: colour } })
    .jpeg()
    .toBuffer();
  return new Blob([new Uint8Array(bytes)], { type: "image/jpeg" });
};

/** A keeper with an album, and a day of it. */
async function keeper() {
  const who = await signUp(server.base);
  const album = await makeAlbum(who);
  return { who, album: album.replace("/albums/", ""), day: await dayId(who, album, "2026-12-09") };
}
async function readOf(album: string) {
  for (const { id } of await store.db.select({ id: household.id }).from(household)) {
    const found = await readAlbum(store.db, id, album);
    if (found) return found;
  }
  throw new Error("the album is not there");
}

/** Everything a keeper can have on its way, done in a window one after the other; what it comes to. */
async function doAll(outbox: Outbox, album: string, day: string) {
  const ids = { card: randomUUID(), jot: randomUUID(), taken: randomUUID(), handed: randomUUID() };
  const put = (key: string, sent: Sendable, pictures?: ReadonlyMap<string, Blob>, of: string | null = album) =>
    void outbox.put({ id: randomUUID(), album: of, key, sent, due: Date.now() }, pictures);
  const edit = (key: string, base: number | null, change: object) =>
    put(`${day}:${key}`, { what: "edit", dayId: day, base, edit: change as never });
  for (const text of ["Lit", "Lit windows", "Counting lit windows"]) edit("title", 0, { kind: "title", text });
  edit("add", null, { kind: "add-card", card: newCard(ids.card, size(inches(3), inches(4))) });
  edit("card", 0, { kind: "card-text", id: ids.card, text: "Eleven on the quay" });
  edit("step", null, { kind: "step", step: "choose", done: true });
  const small = (id: string, name: string) => ({ id, name, size: 400 });
  put(
    "jotting",
    {
      ...{ what: "jotting", dayId: day, day: "Wednesday" },
      jotting: { id: ids.jot, text: "Gulls on the ice", at: "2026-12-09T18:40" },
      pictures: [small(ids.taken, "ice.jpg")],
    },
    new Map([[ids.taken, await picture("#2f4858")]]),
  );
  put(
    "handed",
    { what: "picture", picture: small(ids.handed, "quay.jpg"), dayId: day },
    new Map([[ids.handed, await picture("#b8551b")]]),
  );
  // Four for the roll, of which two are the same.
  for (const colour of ["#101010", "#303030", "#505050", "#505050"]) {
    const id = randomUUID();
    put(
      id,
      { what: "picture", picture: small(id, "roll.jpg"), dayId: null },
      new Map([[id, await picture(colour)]]),
      null,
    );
  }
  return ids;
}

async function expectAllOnce(album: string, day: string, ids: Awaited<ReturnType<typeof doAll>>) {
  const read = await readOf(album);
  const content = read.days.find(({ id }) => id === day)?.content;
  expect(content?.title).toBe("Counting lit windows");
  expect(content?.cards.map(({ id, text }) => [id, text])).toEqual([[ids.card, "Eleven on the quay"]]);
  expect(content?.jottings.map(({ id, text }) => [id, text])).toEqual([[ids.jot, "Gulls on the ice"]]);
  expect(content?.photos.map(({ id }) => id).sort()).toEqual([ids.taken, ids.handed].sort());
  const { rows } = await store.pool.query<{ count: string }>(
    "select count(*) from photo where household_id = (select household_id from album where id = $1)",
    [album],
  );
  expect(Number(rows[0]?.count)).toBe(5);
}

describe("what a device sends", () => {
  it("arrives once and whole over a line that loses, delays and answers for the server as it likes", async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.constantFrom<Fault>(...FAULTS, "none"), { maxLength: 24 }), async (faults) => {
        // The server breaking over one thing three times is another story: it is given back.
        const one500 = faults.filter((fault, at) => fault !== 500 || faults.indexOf(500) === at);
        const { who, album, day } = await keeper();
        badLine(who, one500);
        const own = memoryDevice();
        const { slots, pictures } = own;
        const window = openWindow(own, "window");
        const ids = await doAll(window.outbox, album, day);
        await until(() => window.outbox.snapshot().entries.length === 0);
        window.close();
        vi.unstubAllGlobals();
        expect(window.outbox.snapshot()).toMatchObject({ clashes: [], returned: [], unkept: false });
        await expectAllOnce(album, day, ids);
        await until(() => pictures.size === 0);
        expect(slots.size).toBe(0);
      }),
      { numRuns: 8, endOnFailure: true },
    );
  }, 120_000);

  it("is sent by another window when its own is gone, whenever it goes, and arrives once", async () => {
    for (const after of [0, 3, 15, 60, 200]) {
      const { who, album, day } = await keeper();
      badLine(who, []);
      const own = memoryDevice();
      const { slots } = own;
      const first = openWindow(own, "first");
      const ids = await doAll(first.outbox, album, day);
      await new Promise((resolve) => setTimeout(resolve, after));
      first.close();
      const second = openWindow(own, "second");
      second.outbox.adopt("first");
      await until(() => second.outbox.snapshot().entries.length === 0);
      second.close();
      vi.unstubAllGlobals();
      expect(second.outbox.snapshot()).toMatchObject({ clashes: [], returned: [] });
      await expectAllOnce(album, day, ids);
      expect(slots.size).toBe(0);
    }
  }, 60_000);

  it("waits for a server that is killed while it is on its way, and arrives once when there is one again", async () => {
    const { who, album, day } = await keeper();
    badLine(who, []);
    const window = openWindow(memoryDevice(), "window");
    const ids = await doAll(window.outbox, album, day);
    await new Promise((resolve) => setTimeout(resolve, 40));
    server.process.kill("SIGKILL");
    await until(() => window.outbox.snapshot().trouble === "unreachable");
    server = await startServer(database.url, Number(new URL(server.base).port));
    await until(() => window.outbox.snapshot().entries.length === 0);
    window.close();
    vi.unstubAllGlobals();
    await expectAllOnce(album, day, ids);
  }, 60_000);

  it("comes back with why where the server will never take it, and holds up nothing else", async () => {
    const { who, album, day } = await keeper();
    badLine(who, []);
    const own = memoryDevice();
    const { pictures } = own;
    const { outbox, close } = openWindow(own, "window");
    const nowhere = randomUUID();
    const ids = { jot: randomUUID(), taken: randomUUID(), film: randomUUID(), lost: randomUUID() };
    const put = (key: string, sent: Sendable, blobs?: ReadonlyMap<string, Blob>, of: string | null = album) =>
      void outbox.put({ id: randomUUID(), album: of, key, sent, due: Date.now() }, blobs);
    put("t", { what: "edit", dayId: nowhere, base: 0, edit: { kind: "title", text: "For no day" } });
    put(
      "j",
      {
        ...{ what: "jotting", dayId: nowhere, day: "Nowhere" },
        jotting: { id: ids.jot, text: "Nobody's", at: "2026-12-09T18:40" },
        pictures: [{ id: ids.taken, name: "ice.jpg", size: 400 }],
      },
      new Map([[ids.taken, await picture("#2f4858")]]),
    );
    put(
      "film",
      { what: "picture", picture: { id: ids.film, name: "film.jpg", size: 9 }, dayId: null },
      new Map([[ids.film, new Blob(["no picture"])]]),
      null,
    );
    put("lost", { what: "picture", picture: { id: ids.lost, name: "lost.jpg", size: 9 }, dayId: day });
    put("n", { what: "edit", dayId: day, base: 0, edit: { kind: "note", text: "For a day" } });
    await until(() => outbox.snapshot().entries.length === 0);
    close();
    vi.unstubAllGlobals();
    const { returned, came } = outbox.snapshot();
    expect(returned.map(({ entry, reason }) => [entry.key, reason]).sort()).toEqual([
      ["j", "not-found"],
      ["t", "not-found"],
    ]);
    expect(came.map(({ picture: { name }, result }) => [name, result.ok ? "" : result.reason]).sort()).toEqual([
      ["film.jpg", "not-a-picture"],
      ["lost.jpg", "gone"],
    ]);
    // What was jotted is given back with its picture, and only that lies on the device still.
    expect([...pictures.keys()]).toEqual([ids.taken]);
    const content = (await readOf(album)).days.find(({ id }) => id === day)?.content;
    expect([content?.note, content?.jottings]).toEqual(["For a day", []]);
  }, 60_000);
});
