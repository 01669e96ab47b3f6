import { randomUUID } from "node:crypto";
import { Readable } from "node:stream";
import { buffer } from "node:stream/consumers";
import fc from "fast-check";
import { afterAll, describe, expect, it } from "vitest";
import { newThing } from "../core/drawer/thing.ts";
import { DRAWER_ENTRY, readDrawerFile, writeDrawerFile } from "../core/format/drawer-file.ts";
import { inches } from "../core/measure/length.ts";
import { size } from "../core/measure/size.ts";
import { keepThing, pictureThing, readColoured, readDrawer } from "../store/drawer.ts";
import { takeBack } from "../store/journal/take-back.ts";
import { readRoll } from "../store/roll.ts";
import { newBook } from "../tests/book.ts";
import { openTestStore } from "../tests/household.ts";
import { aPhoto } from "../tests/prints.ts";
import { anyThing } from "../tests/samples.ts";
import { packDrawer, unpackDrawer } from "./drawer-file.ts";
import { readPicture } from "./picture.ts";
import { openZip, writeZip } from "./zip.ts";

const store = openTestStore();
afterAll(() => store.close());
const { db } = store;
const inMemory = (bytes: Buffer) => ({
  bytes: bytes.length,
  read: (from: number, to: number) => Readable.from([bytes.subarray(from, to)]),
});

describe("a drawer's own file", () => {
  it("reads back as what was written, whatever is in the drawer", () => {
    fc.assert(
      fc.property(fc.array(anyThing, { maxLength: 5 }), (things) => {
        const filed = things.map((thing, at) => ({
          ...thing,
          picture: at % 2 ? null : `pictures/${"a".repeat(64)}.jpg`,
        }));
        expect(readDrawerFile(writeDrawerFile(filed))).toEqual({ ok: true, things: filed });
      }),
    );
  });

  it("is refused when it is something else, from a newer version, or broken", () => {
    const text = writeDrawerFile([{ ...newThing("Oak", "paper"), picture: null }]);
    const raw = JSON.parse(text);
    const said = (change: object) => readDrawerFile(JSON.stringify({ ...raw, ...change }));
    expect(said({ format: "hearth-clock-album" })).toEqual({ ok: false, reason: "not-a-drawer" });
    expect(said({ formatVersion: 2 })).toEqual({ ok: false, reason: "newer-format" });
    expect(readDrawerFile(text.slice(0, -9))).toEqual({ ok: false, reason: "damaged" });
    for (const change of [{ count: -1 }, { kind: "gold" }, { picture: "../x.jpg" }, { size: { w: 0, h: 1 } }])
      expect(said({ things: [{ ...raw.things[0], ...change }] })).toEqual({ ok: false, reason: "damaged" });
    expect(readDrawerFile(`\uFEFF${text}`)).toMatchObject({ ok: true });
  });

  it("comes into another household with its pictures, doubles nothing when it is read again, and is taken back", async () => {
    const { author, keeper } = await newBook(store);
    const other = await newBook(store);
    const [stars, tape] = [randomUUID(), randomUUID()];
    const sheet = { ...newThing("Linen Stars", "paper", 6), size: size(inches(12), inches(12)), lies: "shelf" };
    await keepThing(db, author(), stars, sheet);
    await keepThing(db, author(), tape, newThing("Rope tape", "tape"));
    const { kept, photo } = await aPhoto(store, keeper.householdId);
    await pictureThing(db, author(), stars, kept.id);
    const file = await buffer(await packDrawer(db, keeper.householdId, new Date(0)));
    const zip = await openZip(inMemory(file));
    expect(zip.ok && [...zip.entries.keys()].sort()).toEqual([DRAWER_ENTRY, `pictures/${photo.sha256}.jpg`].sort());

    const there = other.keeper.householdId;
    const read = () => unpackDrawer(db, other.author(), inMemory(file), readPicture);
    expect(await read()).toMatchObject({ ok: true, fresh: 2, changed: 0, same: 0 });
    const plain = (drawer: Awaited<ReturnType<typeof readDrawer>>) => drawer.map(({ id: _, ...each }) => each);
    expect(plain(await readDrawer(db, there))).toEqual(plain(await readDrawer(db, keeper.householdId)));
    const [shown] = await readColoured(db, there);
    expect(shown).toMatchObject({ name: "Linen Stars" });
    expect((await readRoll(db, there)).map(({ id }) => id)).toEqual([shown?.photoId]);
    expect(await read()).toMatchObject({ ok: true, fresh: 0, same: 2 });
    expect(await readDrawer(db, there)).toHaveLength(2);
    expect(await takeBack(db, other.author())).toMatchObject({ ok: true });
    expect(await readDrawer(db, there)).toEqual([]);
  });

  it("is taken without pictures that are missing or are none, and refused where it is no such ZIP", async () => {
    const { author, keeper } = await newBook(store);
    const things = [
      { ...newThing("Oak", "paper"), picture: `pictures/${"a".repeat(64)}.jpg` },
      { ...newThing("Ash", "paper"), picture: `pictures/${"b".repeat(64)}.jpg` },
    ];
    const packed = (name: string, text: string) => ({ name, packed: true, bytes: async () => Buffer.from(text) });
    const zipOf = (...files: ReturnType<typeof packed>[]) => buffer(writeZip(files, new Date(0)));
    const file = await zipOf(
      packed(DRAWER_ENTRY, writeDrawerFile(things)),
      packed(things[0]?.picture ?? "", "no picture"),
    );
    expect(await unpackDrawer(db, author(), inMemory(file), readPicture)).toMatchObject({ ok: true, fresh: 2 });
    expect(await readColoured(db, keeper.householdId)).toEqual([]);
    const strange = await zipOf(packed("album.json", "{}"));
    expect(await unpackDrawer(db, author(), inMemory(strange), readPicture)).toEqual({
      ...{ ok: false, reason: "not-a-drawer" },
    });
    expect(await unpackDrawer(db, author(), inMemory(file.subarray(0, 99)), readPicture)).toMatchObject({ ok: false });
    expect(await readDrawer(db, keeper.householdId)).toHaveLength(2);
  });
});
