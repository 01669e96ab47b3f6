import { randomUUID } from "node:crypto";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { buffer } from "node:stream/consumers";
import { eq } from "drizzle-orm";
import fc from "fast-check";
import { strToU8, unzipSync, zipSync } from "fflate";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { CalendarDate } from "../core/month/dates.ts";
import { ALL_GOES_OUT } from "../core/share/going-out.ts";
import { readAlbums } from "../store/album.ts";
import { pictureThing } from "../store/drawer.ts";
import { readHousehold } from "../store/household.ts";
import { readHands } from "../store/members.ts";
import { album, household, jotting, member, photo, template } from "../store/schema/index.ts";
import { changeShare } from "../store/share.ts";
import { type Keeper, newKeeper, openTestStore, secondMember } from "../tests/household.ts";
import { fingerprint } from "../tests/matrix/states.ts";
import { makeWorld, quickVisitor, type World } from "../tests/matrix/world.ts";
import { saidIn } from "../tests/moved.ts";
import { packHousehold, unpackHousehold } from "./household-file.ts";
import { readPicture } from "./picture.ts";

const store = openTestStore();
const { db } = store;
const now = new Date("2026-12-09T18:40:00Z");
let ids: World;
let packed: Buffer;
let files: string;
beforeAll(async () => {
  files = mkdtempSync(path.join(tmpdir(), "hearth-moved-"));
  ids = await makeWorld(db, await quickVisitor(db, "http://nowhere"));
  const settings = { people: ["Ilo", "Odette"], latitude: 58.5, longitude: -3.1, timeZone: "Europe/London" };
  await db
    .update(household)
    .set({ name: "Orrin Skerry", ...settings })
    .where(eq(household.id, ids.householdId));
  // Ids hidden in words: an own template in a pattern and with an own layout, a day and a picture that a link keeps back.
  const author = { householdId: ids.householdId, albumId: ids.album, memberId: ids.keeper, at: now };
  const pattern = { cycle: [ids.template], rules: [], without: [] };
  await db.update(album).set({ pattern }).where(eq(album.id, ids.album));
  await db.update(template).set({ layout: ids.layout }).where(eq(template.id, ids.template));
  await changeShare(db, author, ids.share, { goes: { ...ALL_GOES_OUT, entries: [ids.day], pieces: [ids.use] } });
  await pictureThing(db, author, ids.thing, ids.loose);
  // A world says when its pictures were taken; the pictures themselves, which are asked when they come in, do not.
  await db.update(photo).set({ capturedAt: null }).where(eq(photo.householdId, ids.householdId));
  packed = await pack(ids.householdId);
});
afterAll(async () => {
  rmSync(files, { recursive: true });
  await store.close();
});

async function pack(householdId: string): Promise<Buffer> {
  const home = await readHousehold(db, householdId);
  if (!home) throw new Error("no such household");
  return buffer((await packHousehold(db, home, "2026-12-09" as CalendarDate, now)).zip);
}
const laid = (zip: Uint8Array): string => {
  const name = path.join(files, `${randomUUID()}.zip`);
  writeFileSync(name, zip);
  return name;
};
const unpack = (keeper: Keeper, zip: Uint8Array, change: Partial<Parameters<typeof unpackHousehold>[3]> = {}) =>
  unpackHousehold(db, keeper.householdId, laid(zip), { readPicture, reader: keeper.memberId, at: now, ...change });
/** The same file with another text in the place of one of its texts. */
const changed = (name: string, change: (text: string) => string): Uint8Array => {
  const all = unzipSync(packed);
  return zipSync({ ...all, [name]: strToU8(change(Buffer.from(all[name] ?? []).toString("utf8"))) });
};

describe("a household's file", () => {
  it("is a ZIP that another library reads (fflate), with every picture as it came and nobody's way in", async () => {
    const all = unzipSync(packed);
    expect(
      Object.keys(all)
        .filter((name) => !name.startsWith("photos/"))
        .sort(),
    ).toEqual([
      ...["albums/1/album.json", "albums/1/running.json", "albums/2/album.json", "albums/2/running.json"],
      "household.json",
    ]);
    const said = JSON.parse(Buffer.from(all["household.json"] ?? []).toString("utf8"));
    expect(said).toMatchObject({ format: "hearth-clock-household", formatVersion: 1, name: "Orrin Skerry", albums: 2 });
    expect(said.photos.length).toBeGreaterThan(2);
    for (const { file } of said.photos) expect(all[file]?.length).toBeGreaterThan(100);
    const texts = Object.entries(all).flatMap(([name, bytes]) =>
      name.endsWith(".json") ? Buffer.from(bytes).toString() : [],
    );
    const [row] = await db.select().from(member).where(eq(member.id, ids.keeper));
    expect(texts.join("\n")).not.toContain(row?.mail ?? "-");
    expect(texts.join("\n")).not.toMatch(/argon2|passphrase|secret|token/i);
  });

  it("makes of an empty household the one it was written from, thing for thing, and of that the same file again", async () => {
    const keeper = await newKeeper(store, "Keeper");
    expect(await unpack(keeper, packed)).toMatchObject({ ok: true, albums: 2, present: 0 });
    expect(saidIn(await pack(keeper.householdId))).toEqual(saidIn(packed));
    expect(await readHousehold(db, keeper.householdId)).toMatchObject({ name: "Orrin Skerry", latitude: 58.5 });
    // The reader is who they were; the others come in again by an invitation.
    expect(await readHands(db, keeper.householdId)).toMatchObject([{ id: keeper.memberId, name: "Keeper" }]);
  });

  it("doubles nothing where it is read again, or where some of it is there already, and leaves what is there", async () => {
    const keeper = await newKeeper(store, "Oda");
    await unpack(keeper, packed);
    await db.update(household).set({ name: "Ours" }).where(eq(household.id, keeper.householdId));
    const before = await fingerprint(db, keeper.householdId);
    expect(await unpack(keeper, packed)).toMatchObject({ ok: true, albums: 0, present: 2 });
    expect(await fingerprint(db, keeper.householdId)).toBe(before);
  });

  it("takes whoever reads it for who they are in it, also where another one there has the same name", async () => {
    const keeper = await newKeeper(store, "Keeper");
    const reader = await secondMember(store, keeper, "Keeper");
    await unpack(reader, packed);
    const writers = await db
      .select({ by: jotting.writtenBy })
      .from(jotting)
      .innerJoin(member, eq(member.id, jotting.writtenBy))
      .where(eq(member.householdId, keeper.householdId));
    expect(new Set(writers.map(({ by }) => by))).toEqual(new Set([reader.memberId]));
  });

  it("broken off at any moment and begun anew becomes what it becomes in one go", async () => {
    const whole = saidIn(packed);
    await fc.assert(
      fc.asyncProperty(fc.array(fc.nat(8), { minLength: 1, maxLength: 3 }), async (moments) => {
        const keeper = await newKeeper(store, "Keeper");
        for (const moment of moments) {
          const stop = new AbortController();
          let told = 0;
          const progress = () => {
            told += 1;
            if (told > moment) stop.abort();
          };
          await unpack(keeper, packed, { signal: stop.signal, progress }).catch(() => null);
        }
        expect(await unpack(keeper, packed)).toMatchObject({ ok: true });
        expect(saidIn(await pack(keeper.householdId))).toEqual(whole);
      }),
      { numRuns: 6 },
    );
  });

  it("that is cut off, doctored, or newer is refused, and no album of it comes", async () => {
    const keeper = await newKeeper(store, "Oda");
    const bad: [string, Uint8Array][] = [
      ["not-a-zip", packed.subarray(0, packed.length / 2)],
      ["not-a-household", zipSync({ "album.json": strToU8("{}") })],
      ["newer-format", changed("household.json", (text) => text.replace('"formatVersion": 1', '"formatVersion": 2'))],
      [
        "newer-format",
        changed("albums/2/album.json", (text) => text.replace(/"formatVersion": \d+/, '"formatVersion": 999')),
      ],
      ["damaged", changed("household.json", (text) => text.replace('"albums": 2', '"albums": 3'))],
      ["damaged", changed("household.json", (text) => text.slice(1))],
      ["damaged", changed("household.json", (text) => text.replace('"Europe/London"', '"Nowhere"'))],
      ["damaged", changed("albums/1/running.json", (text) => text.replace('"w":', '"w":-'))],
      [
        "damaged",
        changed("albums/1/running.json", (text) => text.replace(/"sheet":"[^"]*"/, `"sheet":"${randomUUID()}"`)),
      ],
      ["photo-missing", changed("household.json", (text) => text.replace(/photos\/[0-9a-f]{8}/, "photos/00000000"))],
    ];
    for (const [reason, zip] of bad) {
      expect(await unpack(keeper, zip), reason).toEqual(expect.objectContaining({ ok: false, reason }));
      expect(await readAlbums(db, keeper.householdId), reason).toEqual([]);
    }
    expect(await readHousehold(db, keeper.householdId)).toMatchObject({ name: "Oda’s household" });
  });

  it("in which a picture is another than it says is refused before any album comes", async () => {
    const keeper = await newKeeper(store, "Oda");
    const all = unzipSync(packed);
    const [first = "", second = ""] = Object.keys(all).filter((name) => name.startsWith("photos/"));
    const swapped = zipSync({ ...all, [first]: all[second] ?? new Uint8Array() });
    expect(await unpack(keeper, swapped)).toEqual({ ok: false, reason: "damaged" });
    expect(await readAlbums(db, keeper.householdId)).toEqual([]);
  });
});
