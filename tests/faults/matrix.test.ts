import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Running, startServer } from "../../scripts/running-server.ts";
import { openStore, type Store } from "../../store/db.ts";
import { doAgain, takeBack } from "../../store/journal/take-back.ts";
import { freshDatabase } from "../fresh-database.ts";
import { BESIDE_ROUTES, ENTRIES, type Write } from "../matrix/entries.ts";
import { missingEntries } from "../matrix/routes.ts";
import { fingerprint, inUse } from "../matrix/states.ts";
import { makeWorld, quickMember, quickVisitor, type World } from "../matrix/world.ts";
import { get, nobody, sendFile, sendForm, sendJson, sendPart, type Visitor } from "./visitor.ts";

/** Every read and write of every route, tried by its owner, under another album, by another household and by nobody. */
let database: Awaited<ReturnType<typeof freshDatabase>>;
let server: Running;
let store: Store;
let owner: Visitor;
let stranger: Visitor;
let mine: World;
let theirs: World;
let jpeg: Buffer;
beforeAll(async () => {
  database = await freshDatabase();
  server = await startServer(database.url);
  store = openStore(database.url);
  [owner, stranger] = [await quickVisitor(store.db, server.base), await quickVisitor(store.db, server.base)];
  [mine, theirs] = [await makeWorld(store.db, owner), await makeWorld(store.db, stranger)];
  jpeg = await sharp({ create: { width: 80, height: 60, channels: 3, background: "#b8451b" } })
    .jpeg()
    .toBuffer();
});
afterAll(async () => {
  await server.stop();
  await store.close();
  await database.drop();
});

const under = (album: string) => `/albums/${album}`;
const READS = [...Object.entries(ENTRIES), ["beside the routes", BESIDE_ROUTES] as const].flatMap(
  ([file, { reads }]) => (reads ? [{ file, reads }] : []),
);
const WRITES = Object.entries(ENTRIES).flatMap(([file, { writes }]) =>
  Object.entries(writes ?? {}).map(([intent, write]) => ({ file, intent, write })),
);

function bodyOf({ send }: Write, ids: World): string {
  if ("json" in send) return JSON.stringify(send.json(ids));
  return "form" in send ? JSON.stringify(send.form(ids)) : "";
}
/** Whether what is sent names something of the household's in its body. */
const namesIn = (body: string, ids: World) => Object.values(ids).some((id) => id !== "" && body.includes(id));

function send(who: Visitor, { path, send: how }: Write, album: string, ids: World): Promise<Response> {
  const to = path(under(album), ids);
  if ("json" in how) return sendJson(who, to, how.json(ids));
  if ("form" in how) return sendForm(who, to, how.form(ids));
  return "file" in how ? sendFile(who, to, jpeg) : sendPart(who, ids.work, 0, Buffer.from("123456789"));
}

/** Refused: by a status, by leading to the door, or by an answer that says no. */
async function isRefused(answer: Response): Promise<boolean> {
  const text = await answer.text();
  if (answer.status >= 400) return true;
  if (/\/sign-in/.test(answer.headers.get("location") ?? text)) return true;
  return /"ok"\s*[:,]\s*false/.test(text);
}

/** What anybody of a household does for themselves. */
const OWN_DOORS = ["end", "end-others", "passphrase", "leave"].map((intent) => `routes/our-household.tsx ${intent}`);
/** What a helper may do: words, pictures and ticks. Read off the issue, not off the program. */
const HELPED = new Set([
  ...[
    ...["title", "note", "next-year", "add-card", "card-text", "card-back", "card-size", "card-setting"],
    ...["card-preprint", "carry-over", "remove-card", "add-jotting", "jotting-text", "remove-jotting", "leave-alone"],
    ...["photo-alt", "photo-print", "photo-crop", "photo-repeat", "photo-together", "photo-together-crop"],
    ...["photo-on-it", "remove-photo", "step", "dries", "finish"],
  ].map((kind) => `routes/album.sent.ts edit:${kind}`),
  ...["tick", "tick-making", "say-line"].map((kind) => `routes/album.sent.ts book:${kind}`),
  ...["mark", "mark-text", "unmark"].map((how) => `routes/album.sent.ts tally:${how}`),
  ...["printed", "all-cut", "cut", "spoiled", "elsewhere", "arrived", "cut-out"].map(
    (how) => `routes/album.sent.ts print:${how}`,
  ),
  ...["star", "set-aside", "banked", "date", "look", "faces", "person", "nobody"].map(
    (kind) => `routes/album.sent.ts mark:${kind}`,
  ),
  ...["bring", "another-picture", "move-photo", "move-jotting"].map((what) => `routes/album.sent.ts ${what}`),
  ...["hours", "minutes", "forget"].map((intent) => `routes/album.hours.tsx ${intent}`),
  ...["begin", "end", "drop"].map((intent) => `routes/album.pace.tsx ${intent}`),
  ...["routes/today.tsx jot", "routes/photos.ts picture", "routes/photos.ts known", "routes/work.ts write-document"],
]);

describe("the matrix of routes", () => {
  it("has an entry for every route and everything that is done there", () => {
    expect(missingEntries()).toEqual([]);
  });

  it("lets a reader see their own, and nobody another household's or another album's", async () => {
    for (const { file, reads } of READS) {
      const own = reads(under(mine.album), mine);
      const elsewhere = reads(under(mine.other), mine);
      for (const [at, address] of own.entries()) {
        expect((await get(owner, address)).status, `${file}: ${address}`).toBe(200);
        const out = await get(nobody(server.base), address);
        expect([302, 401], `${file} signed out`).toContain(out.status);
        // Where no id is named, the address is the reader's own.
        if (!namesIn(address, mine)) continue;
        expect((await get(stranger, address)).status, `${file}: another household`).toBe(404);
        const script = address.replace(/(\?|$)/, ".data$1");
        expect(await (await get(stranger, script)).text(), `${file}: asked for as data`).not.toContain(
          mine.householdId,
        );
        const there = elsewhere[at] ?? address;
        if (there !== address && namesIn(address.replace(mine.album, ""), mine) && !/\/(deck|library)\//.test(address))
          expect((await get(owner, there)).status, `${file}: under another album`).toBe(404);
      }
    }
  });

  it("lets nobody write another household's or another album's, in an address or in a body", async () => {
    const before = await fingerprint(store.db, mine.householdId);
    for (const [at, { file, intent, write }] of WRITES.entries()) {
      const name = `${file} ${intent}`;
      const inBody = namesIn(bodyOf(write, mine), mine);
      const inAddress = namesIn(write.path(under(mine.album), mine), mine);
      expect(await isRefused(await send(nobody(server.base), write, mine.album, mine)), `${name}: signed out`).toBe(
        true,
      );
      if (inAddress)
        expect(await isRefused(await send(stranger, write, mine.album, mine)), `${name}: another household`).toBe(true);
      if (inBody && !write.absent)
        expect(
          await isRefused(await send(stranger, write, theirs.album, mine)),
          `${name}: ids of another household`,
        ).toBe(true);
      if (inBody && !write.ofHousehold && !write.absent)
        expect(await isRefused(await send(owner, write, mine.other, mine)), `${name}: ids of another album`).toBe(true);
      // All that is tried of one route is looked over at once.
      if (WRITES[at + 1]?.file === file) continue;
      expect(await fingerprint(store.db, mine.householdId), `${file} wrote something`).toBe(before);
    }
  });

  it("shows a helper what a keeper sees, and leads whoever only looks to what they may see", async () => {
    const helper = await quickMember(store.db, server.base, mine.householdId, "helper");
    const looker = await quickMember(store.db, server.base, mine.householdId, "looker");
    const open = /^\/(shelf|household|albums\/[^/]+\/shown)$/;
    for (const { file, reads } of READS)
      for (const address of reads(under(mine.album), mine)) {
        expect((await get(helper, address)).status, `${file}: ${address}, a helper`).toBe(200);
        const seen = await get(looker, address);
        if (open.test(address)) expect(seen.status, `${file}: ${address}, a looker`).toBe(200);
        else if (seen.status !== 404)
          expect([seen.status, seen.headers.get("location")], `${file}: ${address}, a looker`).toEqual([
            302,
            `${under(mine.album)}/shown`,
          ]);
      }
  });

  it("takes words, pictures and ticks from a helper, nothing else, and nothing from whoever only looks", async () => {
    const helper = await quickMember(store.db, server.base, mine.householdId, "helper");
    const looker = await quickMember(store.db, server.base, mine.householdId, "looker");
    const before = await fingerprint(store.db, mine.householdId);
    for (const { file, intent, write } of WRITES) {
      const name = `${file} ${intent}`;
      if (OWN_DOORS.includes(name)) continue;
      expect(await isRefused(await send(looker, write, mine.album, mine)), `${name}: a looker`).toBe(true);
      if (HELPED.has(name)) continue;
      expect(await isRefused(await send(helper, write, mine.album, mine)), `${name}: a helper`).toBe(true);
    }
    expect(await fingerprint(store.db, mine.householdId)).toBe(before);

    expect([...HELPED].filter((name) => !WRITES.some(({ file, intent }) => `${file} ${intent}` === name))).toEqual([]);
    let [by, ids] = [helper, mine];
    const taken = async (write: Write) => !(await isRefused(await send(by, write, ids.album, ids)));
    for (const { file, intent, write } of WRITES) {
      if (!HELPED.has(`${file} ${intent}`) || (await taken(write))) continue;
      // What it writes to was taken away by one before it.
      ids = await makeWorld(store.db, await quickVisitor(store.db, server.base));
      by = await quickMember(store.db, server.base, ids.householdId, "helper");
      expect(await taken(write), `${file} ${intent}: a helper`).toBe(true);
    }
  });

  it("has every change of an album in the journal: taken back, everything is as it was, and done again, as it became", async () => {
    // What comes in from outside is no change to take back, nor is what is done to whole albums and to the list itself.
    const beside = /album-new|tray|our-household|work|changes|day\.photos|^routes\/photos|today|phone|sign|put-away/;
    const [keeper, ids] = [owner, mine];
    const author = () => ({
      ...{ householdId: ids.householdId, albumId: ids.album, memberId: ids.keeper },
      at: new Date(),
    });
    const seen: string[] = [];
    for (const { file, intent, write } of WRITES) {
      const name = `${file} ${intent}`;
      if (beside.test(name)) continue;
      const before = await inUse(store.db, ids.householdId);
      await (await send(keeper, write, ids.album, ids)).text();
      const after = await inUse(store.db, ids.householdId);
      if (JSON.stringify(after) === JSON.stringify(before)) continue;
      seen.push(name);
      expect(await takeBack(store.db, await author()), name).toMatchObject({ ok: true });
      expect(await inUse(store.db, ids.householdId), `${name}: taken back`).toEqual(before);
      expect(await doAgain(store.db, await author()), name).toMatchObject({ ok: true });
      expect(await inUse(store.db, ids.householdId), `${name}: done again`).toEqual(after);
      expect(await takeBack(store.db, await author()), name).toMatchObject({ ok: true });
      expect(await inUse(store.db, ids.householdId), `${name}: taken back once more`).toEqual(before);
    }
    expect(seen.length).toBeGreaterThan(60);
    // A hundred changes, each made, taken back and done again, on machines that have other work.
  }, 180_000);

  it("takes all of it from its owner", async () => {
    // A day that stands alone cannot be split, and a file that has not come in cannot be read: said, not done.
    const said = ["leave", "month:split", "picks", "hand-out", "make", "read-as-copy", "begin"];
    let [keeper, ids] = [owner, mine];
    const made = async ({ file, intent, write }: (typeof WRITES)[number]) => {
      const answer = await send(keeper, write, ids.album, ids);
      const name = `${file} ${intent}: ${answer.status} ${await answer.clone().text()}`;
      return { name, taken: answer.status < 400 && (said.includes(intent) || !(await isRefused(answer))) };
    };
    for (const write of WRITES) {
      if ((await made(write)).taken) continue;
      // What it writes to was taken away by one before it: it has a household of its own.
      keeper = await quickVisitor(store.db, server.base);
      ids = await makeWorld(store.db, keeper);
      const again = await made(write);
      expect(again.taken, again.name).toBe(true);
    }
  });
});
