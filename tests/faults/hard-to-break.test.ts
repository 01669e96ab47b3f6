import { randomBytes, randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import { connect } from "node:net";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { LIMITS } from "../../core/limits.ts";
import { type Running, startServer } from "../../scripts/running-server.ts";
import { openStore } from "../../store/db.ts";
import { freshDatabase } from "../fresh-database.ts";
import {
  archiveOf,
  dayId,
  edit,
  get,
  handArchiveIn,
  makeAlbum,
  nobody,
  PASSPHRASE,
  putOnDay,
  sendFile,
  sendForm,
  sendJson,
  sendPart,
  signUp,
  type Visitor,
  workEnd,
} from "./visitor.ts";

/** The built program over a database of its own, attacked and starved. */
let database: Awaited<ReturnType<typeof freshDatabase>>;
let server: Running;
beforeAll(async () => {
  database = await freshDatabase();
  server = await startServer(database.url);
});
afterAll(async () => {
  await server.stop();
  await database.drop();
});

const keeper = () => signUp(server.base);
/** What the server's process holds now, in megabytes. Linux. */
const memory = () =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.process.pid}/status`, "utf8"))?.[1]) / 1024;
/** A picture that nothing packs: as many bytes as can be for its pixels. */
const noise = (side: number) =>
  sharp(randomBytes(side * side * 3), { raw: { width: side, height: side, channels: 3 } })
    .jpeg({ quality: 100, chromaSubsampling: "4:4:4" })
    .toBuffer();
/** A picture of few pixels that weighs much: what follows its end is nobody's, and kept with it (as phones add films). */
const heavy = async (side: number, bytes: number) => Buffer.concat([await noise(side), randomBytes(bytes)]);

describe("a form", () => {
  it("whose fields are called like places in a list is read by its known names alone", async () => {
    const out = nobody(server.base);
    for (const path of ["/sign-in.data", "/sign-up.data"])
      for (const name of ["a[5000000]", "a[999999999]", "mail[99999999]", "a.b.c.d[400000].e", "__proto__[x]"]) {
        const answer = await (await sendForm(out, path, { [name]: "1", mail: "nobody", passphrase: "x" })).text();
        expect(answer.length, `${path} ${name}`).toBeLessThan(5000);
      }
  });

  it("of more fields than any of ours, or that is no form at all, is refused and told so", async () => {
    const who = await keeper();
    const album = await makeAlbum(who);
    const many = Array.from({ length: LIMITS.formFields.most + 1 }, (_, at) => `f${at}=`).join("&");
    const send = (path: string, body: string, type: string) =>
      fetch(server.base + path, {
        method: "POST",
        redirect: "manual",
        body,
        headers: { origin: server.base, "content-type": type, cookie: who.cookie },
      });
    expect((await send("/sign-in.data", many, "application/x-www-form-urlencoded")).status).toBe(400);
    for (const path of [
      "/tray",
      `${album}/settings`,
      `${album}/pockets`,
      `${album}/measure`,
      `${album}/words`,
      "/albums/new",
    ]) {
      expect((await send(`${path}.data`, "{}", "application/json")).status, path).toBe(400);
      expect((await send(`${path}.data`, "x", "text/plain")).status, path).toBe(415);
      expect((await send(`${path}.data`, "--x--", "multipart/form-data; boundary=x")).status, path).toBe(415);
    }
    expect((await send(`${album}/prompts.data`, "no parts", "multipart/form-data; boundary=x")).status).toBe(400);
    expect((await send("/photos", "no parts", "multipart/form-data; boundary=x")).status).toBe(400);
  });
});

describe("bodies of two hundred megabytes", () => {
  it("cost the server nothing, wherever they are sent, by whomever, one or many at once", async () => {
    const { hostname, port } = new URL(server.base);
    const chunk = Buffer.alloc(256 * 1024, 0x61);
    /** Pours as much as the server takes; ends when it lets go. */
    const pour = (path: string, type: string) =>
      new Promise<number>((resolve) => {
        let sent = 0;
        const socket = connect(Number(port), hostname);
        const more = () => {
          while (sent < 200_000_000 && !socket.destroyed) {
            sent += chunk.length;
            if (!socket.write(chunk)) return void socket.once("drain", more);
          }
          socket.end();
        };
        socket.on("error", () => {});
        socket.on("data", () => {});
        socket.on("close", () => resolve(sent));
        socket.write(
          `POST ${path} HTTP/1.1\r\nHost: ${hostname}:${port}\r\nOrigin: ${server.base}\r\nContent-Type: ${type}\r\nContent-Length: 200000000\r\n\r\n`,
        );
        more();
      });
    const before = memory();
    const multipart = "multipart/form-data; boundary=x";
    const doors = ["/sign-in", "/sign-up.data", "/look", "/photos", `/albums/${randomUUID()}/sent`];
    const sent = await Promise.all(doors.flatMap((path) => [pour(path, multipart), pour(path, "application/json")]));
    expect(Math.max(...sent)).toBeLessThan(50_000_000);
    expect(memory() - before).toBeLessThan(128);
    expect((await get(nobody(server.base), "/sign-in")).status).toBe(200);
  });
});

describe("what cannot be kept", () => {
  it("is refused where it is sent, and never a fault of the server", async () => {
    const who = await keeper();
    const album = await makeAlbum(who);
    const day = await dayId(who, album, "2026-12-09");
    const date = { title: "Old", numbering: "date", book: "ring-6x8", unit: "inch" };
    expect(
      await (await sendForm(who, "/albums/new.data", { ...date, start: "0000-12-01", end: "0000-12-05" })).text(),
    ).toContain("ok");
    const nul = { act: "keep-hand", hand: { name: "Pe\u0000tra", em: 100, line: 200 } };
    expect((await sendJson(who, `${album}/hands.data`, nul)).status).toBe(200);
    expect(await (await get(who, `${album}/hands.data`)).text()).toContain("Petra");
    for (const address of [
      "/photos/x/480",
      `/photos/${randomUUID()}/abc`,
      `/photos/${randomUUID()}/1e9`,
      `${album}/days/0000-01-01`,
    ])
      expect((await get(who, address)).status, address).toBe(404);
    const jotting = { id: randomUUID(), text: "J", at: "2026-12-09T18:40", privateUntil: "0000-01-01" };
    expect(
      (await edit(who, album, { what: "edit", dayId: day, base: null, edit: { kind: "add-jotting", jotting } })).status,
    ).toBe(400);
    const answer = await get(who, `${album}/month.data`);
    expect(answer.headers.get("cache-control")).toContain("no-store");
  });

  it("steers no drawing: characters that no text has reach neither SVG nor PDF", async () => {
    const who = await keeper();
    const album = await makeAlbum(who);
    const day = await dayId(who, album, "2026-12-09");
    const leaf = randomUUID();
    const make = { kind: "paper", layout: null, size: null, basePaper: "", insert: null, note: "", oldHoles: null };
    const nobody_ = { kind: "nobody" };
    await edit(who, album, {
      what: "book",
      seen: null,
      edit: { kind: "add-leaf", id: leaf, make, after: null, front: { kind: "day", dayId: day }, back: nobody_ },
    });
    const card = { id: randomUUID(), size: { w: 24_384, h: 32_512 }, text: "A\u0001bell\u0008 rings\u001b[2J" };
    await edit(who, album, { what: "edit", dayId: day, base: null, edit: { kind: "add-card", card } });
    const pieces = [
      { id: card.id, what: { kind: "card", card: card.id }, at: { x: 0, y: 0 }, turn: 0, outside: false, dayId: null },
    ];
    await edit(who, album, { what: "book", seen: null, edit: { kind: "arrange", leaf, face: "front", pieces } });
    const svg = await (await get(who, `${album}/documents/leaf/${leaf}.front.svg`)).text();
    // biome-ignore lint/suspicious/noControlCharactersInRegex: these are what is looked for
    expect(svg).not.toMatch(/[\u0000-\u0008\u000b\u000c\u000e-\u001f]/);
    expect(svg).toContain("bell");
    expect((await get(who, `${album}/documents/leaf/${leaf}.front.pdf`)).status).toBe(200);
  });
});

describe("the way back", () => {
  it("leads only within: from the look, and from the door", async () => {
    const who = await keeper();
    for (const path of ["//elsewhere.example/x", "/\\elsewhere.example", "/.//elsewhere.example"]) {
      const looked = await fetch(`${server.base}/look`, {
        method: "POST",
        redirect: "manual",
        body: "look=night",
        headers: {
          origin: server.base,
          "content-type": "application/x-www-form-urlencoded",
          referer: server.base + path,
        },
      });
      expect(looked.headers.get("location"), path).toMatch(/^\/(?![/\\])/);
      const inside = await get(who, `/sign-in?${new URLSearchParams({ to: path })}`);
      expect(inside.headers.get("location"), path).toMatch(/^\/(?![/\\])/);
    }
    const there = await get(who, "/sign-in?to=%2Falbums%2Fx%2Fmonth%3Fday%3D1");
    expect(there.headers.get("location")).toBe("/albums/x/month?day=1");
  });

  it("is kept through an ended session, which the door tells", async () => {
    const who = await keeper();
    const album = await makeAlbum(who);
    const ended: Visitor = { ...who, cookie: "hearth_session=ended" };
    const led = await get(ended, `${album}/month`);
    expect(led.headers.get("location")).toBe(`/sign-in?${new URLSearchParams({ to: `${album}/month`, ended: "yes" })}`);
    const door = await get(ended, led.headers.get("location") ?? "");
    expect(await door.text()).toContain("You were signed out");
    const back = await sendForm(nobody(server.base), led.headers.get("location") ?? "", {
      mail: who.mail,
      passphrase: PASSPHRASE,
    });
    expect(back.headers.get("location")).toBe(`${album}/month`);
    const save = await edit(ended, album, {
      what: "edit",
      dayId: randomUUID(),
      base: null,
      edit: { kind: "title", text: "T" },
    });
    expect(save.status).toBe(401);
  });

  it("is no way in from the same host over another scheme", async () => {
    const answer = await fetch(`${server.base}/sign-in`, {
      method: "POST",
      redirect: "manual",
      body: "intent=demo",
      headers: { origin: server.base.replace("http:", "https:"), "content-type": "application/x-www-form-urlencoded" },
    });
    expect(answer.status).toBe(403);
  });
});

describe("an archive", () => {
  it("of fifty megabytes goes out and comes in whole, by parts, begun anew where it broke off, with the server as lean as before", async () => {
    const who = await keeper();
    const album = await makeAlbum(who, "Fifty");
    const before = memory();
    for (let at = 0; at < 18; at++) {
      const added = await putOnDay(
        who,
        album,
        `2026-12-0${(at % 9) + 1}`,
        at < 2 ? await noise(1000 + at) : await heavy(60 + at, 2_700_000),
      );
      expect(added.status).toBe(200);
    }
    const zip = await archiveOf(who, album);
    expect(zip.length).toBeGreaterThan(40_000_000);
    const other = await keeper();
    // The server ends in the middle, and the same file goes on where it stopped.
    const id = randomUUID();
    const part = LIMITS.partBytes.most;
    await sendJson(other, "/work", { kind: "read-archive", id, copy: false, bytes: zip.length });
    for (let place = 0; place < 5; place++)
      await sendPart(other, id, place, zip.subarray(place * part, (place + 1) * part));
    server.process.kill("SIGKILL");
    server = await startServer(database.url, Number(new URL(server.base).port));
    const told = (await (await get(other, `/work/${id}`)).json()) as { parts: number[] };
    expect(told.parts).toEqual([0, 1, 2, 3, 4]);
    await handArchiveIn(other, zip, id);
    const end = await workEnd(other, id);
    expect(end).toMatchObject({ state: "done", outcome: { ok: true } });
    const again = unzipSync(await archiveOf(other, `/albums/${end.outcome?.albumId}`));
    expect(Object.keys(again).sort()).toEqual(Object.keys(unzipSync(zip)).sort());
    // Reading pictures may hold six hundred; all of the archive at once, twice over, would be far more.
    expect(memory() - before).toBeLessThan(600);
  }, 120_000);

  it("breaks off visibly where it does, and is gone on with by a range", async () => {
    const who = await keeper();
    const album = await makeAlbum(who);
    const id = randomUUID();
    await sendJson(who, "/work", {
      kind: "write-archive",
      id,
      albumId: album.replace("/albums/", ""),
      forWhom: "self",
    });
    await workEnd(who, id);
    const whole = Buffer.from(await (await get(who, `/work/${id}/file`)).arrayBuffer());
    const rest = await get(who, `/work/${id}/file`, { range: "bytes=100-" });
    expect([rest.status, rest.headers.get("content-range")]).toEqual([
      206,
      `bytes 100-${whole.length - 1}/${whole.length}`,
    ]);
    expect(Buffer.from(await rest.arrayBuffer()).equals(whole.subarray(100))).toBe(true);
    expect((await get(who, `/work/${id}/file`, { range: `bytes=${whole.length}-` })).status).toBe(416);
    expect((await get(await keeper(), `/work/${id}/file`)).status).toBe(404);
    const store = openStore(database.url);
    await store.pool.query("delete from work_part where work_id = $1", [id]);
    await store.close();
    await expect(get(who, `/work/${id}/file`).then((answer) => answer.arrayBuffer())).rejects.toThrow();
  });

  it("handed in four times at once becomes one album", async () => {
    const who = await keeper();
    const zip = await archiveOf(who, await makeAlbum(who, "Four times"));
    const other = await keeper();
    const ids = await Promise.all(Array.from({ length: 4 }, () => handArchiveIn(other, zip)));
    const ends = await Promise.all(ids.map((id) => workEnd(other, id)));
    expect(ends.map(({ outcome }) => outcome?.reason ?? "read").sort()).toEqual([
      "already-here",
      "already-here",
      "already-here",
      "read",
    ]);
    expect((await (await get(other, "/shelf.data")).text()).split("Four times").length).toBe(2);
    // One that is here may be read beside it, on request.
    const refused = ids[ends.findIndex(({ state }) => state === "refused")] ?? "";
    await sendJson(other, `/work/${refused}`, { act: "read-as-copy" });
    expect(await workEnd(other, refused)).toMatchObject({ state: "done" });
  });

  it("made to hurt is refused by what it holds, and pages are answered meanwhile", async () => {
    const who = await keeper();
    const good = unzipSync(await archiveOf(who, await makeAlbum(who)));
    const text = JSON.parse(strFromU8(good["album.json"] ?? new Uint8Array()));
    const zipOf = (change: object) =>
      Buffer.from(zipSync({ ...good, "album.json": strToU8(JSON.stringify({ ...text, ...change })) }));
    const leaf = (at: number) => ({ ...text.book.leaves[0], id: randomUUID(), at });
    const split = (depth: number): unknown =>
      depth === 0
        ? { kind: "pocket" }
        : { kind: "rows", seam: 0, parts: Array(8).fill({ share: 1, node: split(depth - 1) }) };
    const layout = { id: randomUUID(), name: "Deep", page: { w: 152.4, h: 203.2 }, margin: 0, root: split(6) };
    const narrow = {
      ...layout,
      root: { kind: "rows", seam: 400, parts: Array(3).fill({ share: 1, node: { kind: "pocket" } }) },
    };
    const format = text.album.format;
    const hurts: [string, object, string][] = [
      ["300,000 bad days", { days: Array(300_000).fill({}) }, "too-much-inside"],
      [
        "4,000 leaves",
        { book: { ...text.book, leaves: Array.from({ length: 4000 }, (_, at) => leaf(at)) } },
        "too-much-inside",
      ],
      ["a layout split 8⁶ ways", { book: { ...text.book, layouts: [layout] } }, "too-much-inside"],
      ["a layout wider than its page", { book: { ...text.book, layouts: [narrow] } }, "damaged"],
      ["11,000 jottings", { days: [{ ...text.days[0], jottings: Array(11_000).fill({}) }] }, "too-much-inside"],
      ["a day merged into itself", { days: [{ ...text.days[0], mergedInto: text.days[0].id }] }, "damaged"],
      [
        "measures that contradict each other",
        { album: { ...text.album, format: { ...format, margin: format.outer.w + 1 } } },
        "damaged",
      ],
      ["a year nought", { album: { ...text.album, start: "0000-12-01" } }, "damaged"],
    ];
    for (const [name, change, reason] of hurts) {
      const id = await handArchiveIn(who, zipOf(change));
      const [end, page] = await Promise.all([workEnd(who, id), get(who, "/shelf")]);
      expect(end.outcome, name).toMatchObject({ ok: false, reason });
      expect(page.status).toBe(200);
    }
    const bomb = zipSync({ "album.json": [new Uint8Array(40_000_000).fill(0x5b), { level: 9 }] });
    expect((await workEnd(who, await handArchiveIn(who, Buffer.from(bomb)))).outcome?.reason).toBe("too-much-inside");
  });

  it("that cannot be written says so, and gives nobody half of one", async () => {
    const who = await keeper();
    const album = await makeAlbum(who);
    await putOnDay(who, album, "2026-12-01", await noise(60));
    const store = openStore(database.url);
    try {
      // Its picture's bytes are gone, as no program of ours leaves them.
      await store.pool.query("alter table photo disable trigger all");
      await store.pool.query("alter table picture disable trigger all");
      await store.pool.query(
        "delete from picture where sha256 in (select p.sha256 from photo p join member m on m.household_id = p.household_id where m.mail = $1)",
        [who.mail],
      );
      const id = randomUUID();
      const albumId = album.replace("/albums/", "");
      await sendJson(who, "/work", { kind: "write-archive", id, albumId, forWhom: "self" });
      expect((await workEnd(who, id)).state).toBe("failed");
      expect((await get(who, `/work/${id}/file`)).status).toBe(404);
    } finally {
      await store.pool.query("alter table photo enable trigger all");
      await store.pool.query("alter table picture enable trigger all");
      await store.close();
    }
  });

  it("that is cancelled is read no further, and leaves no album", async () => {
    const who = await keeper();
    const zip = await archiveOf(who, await makeAlbum(who, "Never mind"));
    const other = await keeper();
    const id = randomUUID();
    await sendJson(other, "/work", { kind: "read-archive", id, copy: false, bytes: zip.length });
    await sendPart(other, id, 0, zip);
    await sendJson(other, `/work/${id}`, { act: "cancel" });
    expect((await workEnd(other, id)).state).toBe("cancelled");
    expect(await (await get(other, "/shelf.data")).text()).not.toContain("Never mind");
  });
});

describe("a household's room", () => {
  it("is not gone over: a picture and an archive that do not go in are told, before they are sent", async () => {
    const small = await startServer(database.url, 0, "silent", { HEARTH_QUOTA_GB: "0.0001" });
    try {
      const who = await signUp(small.base);
      const bytes = await noise(400);
      expect(await (await sendFile(who, "/photos", bytes)).json()).toEqual({ ok: false, reason: "no-room" });
      const album = await makeAlbum(who);
      expect(await (await putOnDay(who, album, "2026-12-01", bytes)).text()).toContain("no-room");
      const asked = { kind: "read-archive", id: randomUUID(), copy: false, bytes: 200_000 };
      expect(await (await sendJson(who, "/work", asked)).json()).toEqual({ ok: false, reason: "no-room" });
      expect(await (await get(who, "/albums/read")).text()).toContain("has room for");
    } finally {
      await small.stop();
    }
  });
});
