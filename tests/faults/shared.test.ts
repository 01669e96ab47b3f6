import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { newCard } from "../../core/album/model.ts";
import { inches } from "../../core/measure/length.ts";
import type { CalendarDate } from "../../core/month/dates.ts";
import { ALL_GOES_OUT, type GoesOut } from "../../core/share/going-out.ts";
import { FOR_GOOD } from "../../core/share/share.ts";
import { type Running, startServer } from "../../scripts/running-server.ts";
import { setAlbumDeleted } from "../../store/album.ts";
import { saveDayEdit } from "../../store/day.ts";
import { openStore, type Store } from "../../store/db.ts";
import { startSession } from "../../store/household.ts";
import { newUse } from "../../store/photo.ts";
import { readRoll } from "../../store/roll.ts";
import { household } from "../../store/schema/index.ts";
import { addShare, changeShare, closeShare, openShare } from "../../store/share.ts";
import { newBook } from "../book.ts";
import { freshDatabase } from "../fresh-database.ts";
import { quickMember } from "../matrix/world.ts";
import { aPhoto } from "../prints.ts";

/** A running program, and an album of three told days with a card and a picture each, looked at by nobody it knows. */
let database: Awaited<ReturnType<typeof freshDatabase>>;
let server: Running;
let store: Store;
beforeAll(async () => {
  database = await freshDatabase();
  server = await startServer(database.url);
  store = openStore(database.url);
});
afterAll(async () => {
  await server.stop();
  await store.close();
  await database.drop();
});

const SIZE = { w: inches(3), h: inches(4) };
const DATES = ["2026-12-02", "2026-12-04", "2026-12-05"] as const;
const wordsOf = (date: string) => `words of ${date} alone`;

async function albumToShare() {
  const book = await newBook(store);
  const { author, keeper } = book;
  await store.db.update(household).set({ fixedNow: "2026-12-09T18:40" }).where(eq(household.id, keeper.householdId));
  const days = new Map<string, { day: string; card: string; use: string }>();
  for (const date of DATES) {
    await book.give(date);
    const [day, card, use] = [await book.dayId(date), randomUUID(), randomUUID()];
    const edit = (change: Parameters<typeof saveDayEdit>[4]) => saveDayEdit(store.db, author(), day, null, change);
    await edit({ kind: "title", text: `Title ${date}` });
    await edit({ kind: "note", text: "a note to self" });
    await edit({ kind: "next-year", text: "a note for next year" });
    await edit({ kind: "add-card", card: newCard(card, SIZE, wordsOf(date)) });
    const { kept } = await aPhoto(store, keeper.householdId);
    await edit({ kind: "add-photo", photo: { ...newUse(use, kept), print: SIZE, alt: `picture of ${date}` } });
    days.set(date, { day, card, use });
  }
  const link = randomUUID();
  await addShare(store.db, author(), link, "Bram");
  const goes = (change: Partial<GoesOut>) =>
    changeShare(store.db, author(), link, { goes: { ...ALL_GOES_OUT, ...change } });
  const open = async () => {
    const opened = await openShare(store.db, author(), link);
    if (!opened.ok) throw new Error(opened.reason);
    return opened.secret;
  };
  return { ...book, days, link, goes, open };
}
const of = (days: Awaited<ReturnType<typeof albumToShare>>["days"], date: string) => {
  const found = days.get(date);
  if (!found) throw new Error(date);
  return found;
};

const ask = (path: string, headers: Record<string, string> = {}) =>
  fetch(server.base + path, { redirect: "manual", headers });
/** What an answer says, but for what each answer has of its own. */
const plain = async (answer: Response) => (await answer.text()).replaceAll(/nonce="[^"]*"/g, "");

/** Every opening that an address leads to, and every picture in them. */
async function everything(base: string, headers: Record<string, string> = {}) {
  const pages: string[] = [];
  for (let nth = 1; nth < 20; nth++) {
    const answer = await ask(`${base}/${nth}`, headers);
    if (answer.status !== 200) break;
    pages.push(await answer.text());
  }
  const all = pages.join("\n");
  const pictures = [...new Set([...all.matchAll(/href="(\/[^"]*\/pictures\/[^"]*)"/g)].map(([, href]) => href ?? ""))];
  return { all, pages, pictures };
}

describe("what a link shows", () => {
  it("is every opening with its pictures, to somebody without a session, by a policy of its own and for no index", async () => {
    const { open } = await albumToShare();
    const base = `/shared/${await open()}`;
    const first = await ask(base);
    expect(first.status).toBe(200);
    expect(first.headers.getSetCookie()).toEqual([]);
    expect(first.headers.get("x-robots-tag")).toContain("noindex");
    expect(first.headers.get("referrer-policy")).toBe("no-referrer");
    expect(first.headers.get("cache-control")).toBe("private, no-store");
    const policy = first.headers.get("content-security-policy") ?? "";
    expect(policy).toContain("default-src 'none'");
    expect(policy).toContain("form-action 'none'");
    expect(policy).not.toMatch(/connect-src|script-src[^;]*'self'|unsafe/);
    const { all, pictures } = await everything(base);
    for (const date of DATES) {
      expect(all).toContain(`“${wordsOf(date)}”`);
      expect(all).toContain(`picture of ${date}`);
    }
    expect(all).not.toMatch(/a note to self|a note for next year/);
    expect(pictures).toHaveLength(DATES.length);
    for (const href of pictures) {
      const answer = await ask(href);
      expect([answer.status, answer.headers.get("content-type")]).toEqual([200, "image/jpeg"]);
      const { exif, format } = await sharp(Buffer.from(await answer.arrayBuffer())).metadata();
      expect([exif, format]).toEqual([undefined, "jpeg"]);
    }
  });

  it("has nothing in it of what is private or kept back, page or piece: no word, no picture, not its address", async () => {
    const { open, goes, days, author } = await albumToShare();
    const base = `/shared/${await open()}`;
    const before = await everything(base);
    const [two, four] = [of(days, "2026-12-02"), of(days, "2026-12-04")];
    // A card of one day and its picture are kept back, another day as a whole is private for good.
    await goes({ pieces: [two.card, two.use] });
    await saveDayEdit(store.db, author(), four.day, null, { kind: "day-private", privateUntil: FOR_GOOD });
    const after = await everything(base);
    expect(after.all).not.toContain(wordsOf("2026-12-02"));
    expect(after.all).not.toContain("picture of 2026-12-02");
    for (const gone of [wordsOf("2026-12-04"), "picture of 2026-12-04", "Title 2026-12-04"])
      expect(after.all).not.toContain(gone);
    expect(after.all).toContain(wordsOf("2026-12-05"));
    expect(after.pictures).toHaveLength(1);
    // The addresses that were good before lead to none of them, in whichever opening they are looked for.
    const keys = before.pictures.map((href) => href.split("/").at(-1) ?? "");
    const kept = keys.filter((key) => !after.pictures.some((href) => href.endsWith(key)));
    expect(kept).toHaveLength(2);
    for (const key of kept)
      for (const nth of [1, 2, 3, 4]) expect((await ask(`${base}/${nth}/pictures/${key}`)).status).toBe(404);
    // Named alone, one page is all there is.
    await goes({ pages: "only", entries: [of(days, "2026-12-05").day] });
    const alone = await everything(base);
    expect(alone.all).toContain(wordsOf("2026-12-05"));
    expect(alone.all).not.toContain("Title 2026-12-02");
    await goes({ pages: "only" });
    expect(await (await ask(base)).text()).toContain("Nothing is shown yet.");
  });

  it("has what was private until a day from that day on, by the household's clock", async () => {
    const { open, days, author, keeper } = await albumToShare();
    const base = `/shared/${await open()}`;
    const until = "2026-12-24" as CalendarDate;
    const { day, card } = of(days, "2026-12-02");
    await saveDayEdit(store.db, author(), day, null, {
      kind: "card-secrecy",
      id: card,
      hidden: "",
      privateUntil: until,
    });
    const at = async (now: string) => {
      await store.db.update(household).set({ fixedNow: now }).where(eq(household.id, keeper.householdId));
      return (await everything(base)).all;
    };
    expect(await at("2026-12-23T23:59")).not.toContain(wordsOf("2026-12-02"));
    expect(await at("2026-12-24T00:00")).toContain(wordsOf("2026-12-02"));
  });

  it("is looked at by its household before it is open, exactly as it will be seen; by no other", async () => {
    const { open, keeper, albumId, link, goes, days } = await albumToShare();
    await goes({ entries: [of(days, "2026-12-04").day] });
    const { token } = await startSession(store.db, keeper.memberId, new Date());
    const own = { cookie: `hearth_session=${token}` };
    const preview = `/albums/${albumId}/shared/${link}`;
    const seen = await everything(preview, own);
    const base = `/shared/${await open()}`;
    const out = await everything(base);
    const alike = (pages: readonly string[], at: string) =>
      pages.map((page) => page.replaceAll(at, "").replaceAll(/nonce="[^"]*"/g, ""));
    expect(seen.pages.length).toBeGreaterThan(1);
    expect(alike(seen.pages, preview)).toEqual(alike(out.pages, base));
    for (const href of seen.pictures) expect((await ask(href, own)).status).toBe(200);
    const other = await newBook(store);
    const theirs = await startSession(store.db, other.keeper.memberId, new Date());
    const stranger = { cookie: `hearth_session=${theirs.token}` };
    for (const href of [preview, `${preview}/2`, seen.pictures[0] ?? ""]) {
      expect((await ask(href, stranger)).status).toBe(404);
      expect((await ask(href)).status).toBe(302);
      expect((await ask(href.replace(albumId, other.albumId), own)).status).toBe(404);
    }
  });
});

describe("what somebody of the household sees who only looks", () => {
  it("is what a link shows of which nothing is kept back, and no other address of the album leads to more", async () => {
    const { open, keeper, albumId, days, author } = await albumToShare();
    const [two, four] = [of(days, "2026-12-02"), of(days, "2026-12-04")];
    const secrecy = { kind: "card-secrecy", id: two.card, hidden: "", privateUntil: FOR_GOOD } as const;
    await saveDayEdit(store.db, author(), two.day, null, secrecy);
    await saveDayEdit(store.db, author(), four.day, null, { kind: "day-private", privateUntil: FOR_GOOD });
    const looker = await quickMember(store.db, server.base, keeper.householdId, "looker");
    const as = { cookie: looker.cookie };
    const shown = `/albums/${albumId}/shown`;
    const base = `/shared/${await open()}`;
    const [seen, out] = [await everything(shown, as), await everything(base)];
    const alike = (pages: readonly string[], at: string) =>
      pages.map((page) =>
        page
          .replace('<a class="home" href="/shelf">The shelf</a>', "")
          .replaceAll(at, "")
          .replaceAll(/nonce="[^"]*"/g, ""),
      );
    expect(seen.pages.length).toBeGreaterThan(1);
    expect(alike(seen.pages, shown)).toEqual(alike(out.pages, base));
    for (const gone of [wordsOf("2026-12-02"), wordsOf("2026-12-04"), "picture of 2026-12-04"])
      expect(seen.all).not.toContain(gone);
    for (const href of seen.pictures) expect((await ask(href, as)).status).toBe(200);
    const photos = (await readRoll(store.db, keeper.householdId)).map(({ id }) => id);
    for (const path of [
      ...photos.flatMap((id) => [`/photos/${id}/480`, `/photos/${id}/original`]),
      ...["day-plan/plan.csv", "calendar/days.ics", "words/words.txt"].map(
        (file) => `/albums/${albumId}/documents/${file}`,
      ),
      ...["/today", "/tray", "/albums/read", `/albums/${albumId}/find?q=words`],
    ]) {
      const answer = await ask(path, as);
      expect([302, 404], path).toContain(answer.status);
      expect(await answer.text(), path).not.toMatch(/words of 2026|picture of 2026/);
    }
    // Another household's looker finds nothing.
    const other = await newBook(store);
    const theirs = await quickMember(store.db, server.base, other.keeper.householdId, "looker");
    expect((await ask(shown, { cookie: theirs.cookie })).status).toBe(404);
  });
});

describe("an address that leads nowhere", () => {
  it("is answered alike, whether it was guessed, renewed, closed, is over, or its album is in the tray", async () => {
    const { open, author, link, keeper, albumId } = await albumToShare();
    const first = await open();
    const guessed = await plain(await ask("/shared/AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA"));
    const isNowhere = async (secret: string, why: string) => {
      for (const path of [`/shared/${secret}`, `/shared/${secret}/2`]) {
        const answer = await ask(path);
        expect(answer.status, why).toBe(404);
        expect(await plain(answer), why).toBe(guessed);
      }
      expect((await ask(`/shared/${secret}/1/pictures/x`)).status, why).toBe(404);
    };
    const second = await open();
    await isNowhere(first, "renewed");
    expect((await ask(`/shared/${second}`)).status).toBe(200);
    const ends = (endsOn: CalendarDate | null) => changeShare(store.db, author(), link, { endsOn });
    await ends("2026-12-08" as CalendarDate);
    await isNowhere(second, "over");
    await ends("2026-12-09" as CalendarDate);
    expect((await ask(`/shared/${second}`)).status, "on its last day").toBe(200);
    await setAlbumDeleted(store.db, keeper.householdId, albumId, new Date());
    await isNowhere(second, "in the tray");
    await setAlbumDeleted(store.db, keeper.householdId, albumId, null);
    expect((await ask(`/shared/${second}`)).status).toBe(200);
    await closeShare(store.db, author(), link);
    await isNowhere(second, "closed");
  });

  it("writes nothing, whatever is sent to one that is good", async () => {
    const { open, look } = await albumToShare();
    const secret = await open();
    const before = JSON.stringify((await look()).days);
    for (const method of ["POST", "PUT", "DELETE"]) {
      const answer = await fetch(`${server.base}/shared/${secret}`, { method, headers: { origin: server.base } });
      expect(answer.status).toBeGreaterThanOrEqual(400);
    }
    expect(JSON.stringify((await look()).days)).toBe(before);
  });
});
