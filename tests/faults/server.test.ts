import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Cluster, startPostgres } from "../../scripts/postgres.ts";
import { type Running, startServer } from "../../scripts/running-server.ts";

/** The built program over a database of its own that these tests may pull the plug of. */
let cluster: Cluster;
let server: Running;
beforeAll(async () => {
  cluster = await startPostgres("faults");
  server = await startServer(cluster.url);
});
afterAll(async () => {
  await server.stop();
  await cluster.stop();
});

const FORM = { "content-type": "application/x-www-form-urlencoded" };
const post = (path: string, body: string, headers: Record<string, string> = {}) =>
  fetch(server.base + path, {
    method: "POST",
    redirect: "manual",
    body,
    headers: { origin: server.base, ...FORM, ...headers },
  });
const get = (path: string, cookie = "") => fetch(server.base + path, { redirect: "manual", headers: { cookie } });
const passphrase = "four plain words here";

async function signUp(mail = `${randomUUID()}@example.org`) {
  const answer = await post(
    "/sign-up",
    new URLSearchParams({ name: "Keeper", mail, passphrase, timeZone: "UTC" }).toString(),
  );
  return {
    mail,
    cookie: answer.headers.get("set-cookie")?.split(";")[0] ?? "",
    setCookie: answer.headers.get("set-cookie") ?? "",
    device: answer.headers.getSetCookie()[1]?.split(";")[0] ?? "",
  };
}
async function makeAlbum(cookie: string) {
  const form = {
    title: "Mine",
    start: "2026-12-01",
    end: "2026-12-31",
    numbering: "date",
    book: "ring-6x8",
    unit: "inch",
  };
  const answer = await post("/albums/new", new URLSearchParams(form).toString(), { cookie });
  return answer.headers.get("location")?.replace("/month", "") ?? "";
}
/** The id of a day, read from the page's own data. */
async function dayId(album: string, date: string, cookie: string) {
  const page = await (await get(`${album}/days/${date}.data`, cookie)).text();
  return /"([0-9a-f-]{36})","dateSaid"/.exec(page)?.[1] ?? "";
}
const edit = (album: string, cookie: string, sent: unknown) =>
  fetch(`${server.base}${album}/sent`, {
    method: "POST",
    redirect: "manual",
    body: JSON.stringify(sent),
    headers: { origin: server.base, "content-type": "application/json", cookie },
  });

describe("the door", () => {
  it("gives a session cookie that no script can read and no other site can send", async () => {
    const { setCookie } = await signUp();
    expect(setCookie).toMatch(/HttpOnly/);
    expect(setCookie).toMatch(/SameSite=Lax/);
  });

  it("says the same of a wrong passphrase and an unknown address, and shuts for a while after too many", async () => {
    const { mail, device } = await signUp();
    const attempt = async (address: string) =>
      (
        await post("/sign-in", new URLSearchParams({ mail: address, passphrase: "a wrong passphrase" }).toString())
      ).text();
    const wrong = "do not belong together";
    expect(await attempt(mail)).toContain(wrong);
    expect(await attempt(`${randomUUID()}@example.org`)).toContain(wrong);
    for (let time = 0; time < 8; time++) await attempt(mail);
    expect(await attempt(mail)).toContain("Too many tries");
    const right = (headers = {}) => post("/sign-in", new URLSearchParams({ mail, passphrase }).toString(), headers);
    expect((await right()).headers.get("set-cookie")).toBeNull();
    // The tries of others do not keep the owner out of a device that was signed in before.
    expect((await right({ cookie: device })).headers.getSetCookie().join()).toMatch(/hearth_session=/);
  });

  it("leads everybody without a session away from every place", async () => {
    for (const path of [
      "/shelf",
      "/albums/new",
      "/tray",
      `/albums/${randomUUID()}/month`,
      `/photos/${randomUUID()}/480`,
    ]) {
      const answer = await get(path);
      const location = `/sign-in?${new URLSearchParams({ to: path })}`;
      expect([answer.status, answer.headers.get("location")]).toEqual([302, location]);
    }
  });
});

describe("a request that is not one of ours", () => {
  it("is refused when it comes from another site or from nowhere, and changes nothing", async () => {
    const { cookie } = await signUp();
    const body = new URLSearchParams({
      title: "Forged",
      start: "2026-12-01",
      end: "2026-12-02",
      numbering: "date",
      book: "ring-6x8",
      unit: "inch",
    }).toString();
    expect((await post("/albums/new", body, { cookie, origin: "https://elsewhere.example" })).status).toBe(403);
    expect(
      (await fetch(`${server.base}/albums/new`, { method: "POST", body, headers: { ...FORM, cookie } })).status,
    ).toBe(403);
    expect(await (await get("/shelf", cookie)).text()).not.toContain("Forged");
  });

  it("finds another household's album as little as one that never was", async () => {
    const [owner, stranger] = [await signUp(), await signUp()];
    const album = await makeAlbum(owner.cookie);
    const nowhere = `/albums/${randomUUID()}`;
    for (const place of ["/month", "/days/2026-12-09", "/finish", "/settings", "/documents/day-plan/plan.csv"]) {
      const [theirs, none] = [await get(album + place, stranger.cookie), await get(nowhere + place, stranger.cookie)];
      expect([theirs.status, none.status]).toEqual([404, 404]);
      const plain = (html: string) =>
        html.replaceAll(/nonce="[^"]*"|[0-9a-f-]{36}|nonce[^,]*,"[^"]*"|\\"[A-Za-z0-9+/=]{24}\\"/g, "");
      expect(plain(await theirs.text())).toBe(plain(await none.text()));
    }
    expect((await get(`${album}/days/2027-03-01`, owner.cookie)).status).toBe(404);
    expect((await get("/albums/not-an-id/month", owner.cookie)).status).toBe(404);
  });

  it("with a forged or broken body changes nothing and is told so", async () => {
    const { cookie } = await signUp();
    const album = await makeAlbum(cookie);
    for (const sent of [
      {},
      { what: "edit" },
      { what: "edit", dayId: randomUUID(), base: 0, edit: { kind: "page-size", size: { w: -4, h: 9 } } },
      "nonsense",
    ]) {
      expect((await edit(album, cookie, sent)).status).toBe(400);
    }
    const span = {
      title: "X",
      start: "2026-12-31",
      end: "2026-12-01",
      numbering: "date",
      book: "ring-6x8",
      unit: "inch",
    };
    expect(await (await post("/albums/new", new URLSearchParams(span).toString(), { cookie })).text()).toContain(
      "The last day is before the first",
    );
    const long = { ...span, start: "2026-01-01", end: "2026-12-31" };
    expect(await (await post("/albums/new", new URLSearchParams(long).toString(), { cookie })).text()).toContain(
      "up to 62 days",
    );
  });

  it("that weighs too much is refused before it is read", async () => {
    const { cookie } = await signUp();
    expect((await post("/albums/new", "x".repeat(3 * 1024 * 1024), { cookie })).status).toBe(413);
  });
});

describe("every page", () => {
  it("carries a content policy that lets no foreign and no unnamed script run", async () => {
    const answer = await get("/sign-in");
    const policy = answer.headers.get("content-security-policy") ?? "";
    const nonce = /'nonce-([^']+)'/.exec(policy)?.[1] ?? "";
    expect(policy).toContain("default-src 'none'");
    expect(policy).not.toMatch(/unsafe-(inline|eval)/);
    const html = await answer.text();
    for (const [tag] of html.matchAll(/<script(?![^>]*\bsrc=)[^>]*>/g)) expect(tag).toContain(`nonce="${nonce}"`);
    expect(html).not.toMatch(/ style="/);
    expect(answer.headers.get("x-content-type-options")).toBe("nosniff");
    expect(answer.headers.get("x-powered-by")).toBeNull();
  });
});

describe("the plug pulled out", () => {
  it("a database gone in the middle of a save is told, and the save goes through when it is back", async () => {
    const { cookie } = await signUp();
    const album = await makeAlbum(cookie);
    const id = await dayId(album, "2026-12-09", cookie);
    const sent = { what: "edit", dayId: id, base: 0, edit: { kind: "title", text: "Counting lit windows" } };
    await cluster.stop("immediate");
    const told = await edit(album, cookie, sent);
    expect(told.status).toBe(503);
    expect(await told.text()).toContain("store-gone");
    const page = await get(`${album}/days/2026-12-09`, cookie);
    expect(page.status).toBe(503);
    expect(await page.text()).toContain("Nothing you saved is lost");
    await cluster.start();
    expect((await edit(album, cookie, sent)).status).toBe(200);
    expect(await (await get(`${album}/days/2026-12-09`, cookie)).text()).toContain("Counting lit windows");
  });

  it("a server killed without warning has lost nothing that it acknowledged", async () => {
    const { cookie } = await signUp();
    const album = await makeAlbum(cookie);
    const id = await dayId(album, "2026-12-09", cookie);
    const titles = Array.from({ length: 12 }, (_, at) => `Told ${at}`);
    let acknowledged = "";
    const saving = (async () => {
      for (const text of titles) {
        const answer = await edit(album, cookie, {
          what: "edit",
          dayId: id,
          base: null,
          edit: { kind: "title", text },
        }).catch(() => null);
        if (answer?.status !== 200) return;
        acknowledged = text;
        if (text === "Told 7") server.process.kill("SIGKILL");
      }
    })();
    await saving;
    expect(acknowledged).toMatch(/^Told/);
    const port = Number(new URL(server.base).port);
    server = await startServer(cluster.url, port);
    const page = await (await get(`${album}/days/2026-12-09`, cookie)).text();
    const at = titles.indexOf(acknowledged);
    expect(titles.slice(at, at + 2).some((title) => page.includes(title))).toBe(true);
  });
});

describe("requests about the book that were made by hand", () => {
  const make = { kind: "paper", layout: null, size: null, basePaper: "", insert: null, note: "", oldHoles: null };
  const nobody = { kind: "nobody" };
  const book = (change: object) => ({ what: "book", seen: null, edit: change });
  const piece = (change: object = {}) => ({
    id: "a",
    what: { kind: "filler", size: { w: 8128, h: 8128 }, name: "" },
    at: { x: 0, y: 0 },
    turn: 0,
    outside: false,
    dayId: null,
    ...change,
  });

  it("with a piece of nothing or of enormous size, a turn that is none, or one piece twice, are refused whole", async () => {
    const { cookie } = await signUp();
    const album = await makeAlbum(cookie);
    const leaf = randomUUID();
    const add = { kind: "add-leaf", id: leaf, make, after: null, front: nobody, back: nobody };
    expect((await edit(album, cookie, book(add))).status).toBe(200);
    const lay = (...pieces: object[]) => edit(album, cookie, book({ kind: "arrange", leaf, face: "front", pieces }));
    const sized = (w: number) => piece({ what: { kind: "filler", size: { w, h: 10 }, name: "" } });
    for (const bad of [
      [sized(0)],
      [sized(-5)],
      [sized(640_001)],
      [sized(0.5)],
      [piece({ turn: 4 })],
      [piece(), piece()],
      [piece({ at: { x: 9e9, y: 0 } })],
    ])
      expect((await lay(...bad)).status, JSON.stringify(bad)).toBe(400);
    expect((await edit(album, cookie, book({ kind: "arrange", leaf, face: "spine", pieces: [] }))).status).toBe(400);
    expect(await (await get(`${album}/book.data`, cookie)).text()).toContain(leaf);
    expect((await lay(piece())).status).toBe(200);
  });

  it("naming another household's leaf, day or album find nothing and change nothing", async () => {
    const [mine, theirs] = [await signUp(), await signUp()];
    const [own, foreign] = [await makeAlbum(mine.cookie), await makeAlbum(theirs.cookie)];
    const leaf = randomUUID();
    const add = (id: string) => book({ kind: "add-leaf", id, make, after: null, front: nobody, back: nobody });
    await edit(own, mine.cookie, add(leaf));
    const said = async (sent: object, album = foreign) => (await edit(album, theirs.cookie, sent)).text();
    expect(await said(book({ kind: "turn-leaf", leaf }))).toContain("leaf-gone");
    expect(await said(add(leaf))).toContain("not-found");
    expect(await said(add(randomUUID()), own)).toContain("not-found");
    const day = await dayId(own, "2026-12-01", mine.cookie);
    const mineToo = randomUUID();
    await edit(foreign, theirs.cookie, add(mineToo));
    expect(
      await said(book({ kind: "own-side", leaf: mineToo, face: "front", owner: { kind: "day", dayId: day } })),
    ).toContain("not-found");
    expect(
      await said({ what: "try-out", how: "add", id: randomUUID(), leafId: leaf, face: "front", pieces: [] }),
    ).toContain("not-found");
    for (const path of [
      `${own}/book`,
      `${own}/leaves/${leaf}/front`,
      `${own}/documents/leaf/${leaf}.front.pdf`,
      `${own}/documents/punch-guide/guide.pdf`,
    ])
      expect((await get(path, theirs.cookie)).status, path).toBe(404);
    expect((await get(`${foreign}/leaves/${leaf}/front`, theirs.cookie)).status).toBe(404);
    expect((await get(`${own}/documents/leaf/${leaf}.front.pdf`, mine.cookie)).status).toBe(200);
  });

  it("with a layout whose parts exceed the whole, without pockets, or too deep, are told, and nothing is kept", async () => {
    const { cookie } = await signUp();
    const album = await makeAlbum(cookie);
    const page = { w: 48_768, h: 65_024 };
    const save = async (draft: object) =>
      (
        await post(
          `${album}/pockets.data`,
          new URLSearchParams({ intent: "save", name: "Bad", layout: JSON.stringify(draft) }).toString(),
          { cookie },
        )
      ).text();
    const pocket = { kind: "pocket" };
    const wide = { kind: "columns", seam: 40_000, parts: [1, 1, 1].map((share) => ({ share, node: pocket })) };
    const deep = Array.from({ length: 9 }).reduce<object>(
      (node) => ({
        kind: "rows",
        seam: 0,
        parts: [
          { share: 1, node },
          { share: 1, node: pocket },
        ],
      }),
      pocket,
    );
    for (const root of [wide, { ...wide, seam: 0, parts: [] }, deep, { kind: "spiral" }, "not JSON"])
      expect(await save({ page, margin: 0, root })).toContain("bad-layout");
    expect(await save({ page, margin: 30_000, root: pocket })).toContain("bad-layout");
    expect(await (await get(`${album}/pockets.data`, cookie)).text()).not.toContain("Bad");
  });
});
