import * as fc from "fast-check";
import { strFromU8, unzipSync } from "fflate";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { readArchive } from "../../core/format/archive.ts";
import { parseLength } from "../../core/measure/length.ts";
import { parseDate } from "../../core/month/dates.ts";
import { readDeckFile } from "../../press/deck-file.ts";
import { readPicture } from "../../press/picture.ts";
import { type Running, startServer } from "../../scripts/running-server.ts";
import { openStore } from "../../store/db.ts";
import { freshDatabase } from "../fresh-database.ts";
import { ENTRIES } from "../matrix/entries.ts";
import { makeWorld, quickVisitor, type World } from "../matrix/world.ts";
import { archiveOf, sendForm, sendJson, type Visitor } from "./visitor.ts";

/** How often each parser is tried with something made up; `./hearth test --large` tries twenty times as often. */
const TRIES = process.env.HEARTH_LARGE === "1" ? 20 : 1;
/** Longer than this nothing may take, whatever is sent: what never ends is found, on machines that have other work too. */
const LONGEST_MS = 8000;

/** Values that have broken programs before: ends of ranges, other kinds, texts that steer, lists of too many. */
const anyJunk: fc.Arbitrary<unknown> = fc.oneof(
  fc.constantFrom<unknown>(
    null,
    true,
    0,
    -1,
    0.5,
    2 ** 31,
    2 ** 53,
    1e300,
    "",
    "\u0000",
    "\u001b[2J",
    "'; drop table album; --",
  ),
  fc.constantFrom<unknown>([], {}, "0000-00-00", "9999-99-99T99:99", "x".repeat(5000), Array(500).fill(0), {
    __proto__: null,
  }),
  fc.string({ unit: "binary", maxLength: 20 }),
  fc.json().map((text) => JSON.parse(text) as unknown),
);

/** The same thing with one of its values, chosen by `at`, turned into something else or left out. */
function spoiled(value: unknown, at: number, junk: unknown): unknown {
  const places: { holder: Record<string, unknown>; key: string }[] = [];
  const copy = structuredClone({ root: value }) as Record<string, unknown>;
  const walk = (holder: Record<string, unknown>) => {
    for (const key of Object.keys(holder)) {
      places.push({ holder, key });
      const inner = holder[key];
      if (typeof inner === "object" && inner !== null) walk(inner as Record<string, unknown>);
    }
  };
  walk(copy);
  const place = places[at % places.length];
  if (place && junk === undefined) delete place.holder[place.key];
  else if (place) place.holder[place.key] = junk;
  return copy.root;
}

describe("parsers", () => {
  it("read or refuse whatever text they are given", () => {
    fc.assert(
      fc.property(fc.string({ unit: "binary", maxLength: 300 }), (text) => {
        parseLength(text, "inch");
        parseLength(text, "cm");
        parseDate(text);
        readArchive(text);
        for (const name of ["a.csv", "a.txt"]) readDeckFile(name, new TextEncoder().encode(text));
      }),
      { numRuns: 300 * TRIES, endOnFailure: true },
    );
  });

  it("read or refuse a picture with any of its bytes changed, cut off or doubled", async () => {
    const whole = await sharp({ create: { width: 60, height: 40, channels: 3, background: "#b8451b" } })
      .withExif({ IFD2: { DateTimeOriginal: "2026:12:09 17:48:00" } })
      .jpeg()
      .toBuffer();
    const change = fc.record({
      at: fc.nat({ max: whole.length - 1 }),
      bytes: fc.uint8Array({ minLength: 1, maxLength: 8 }),
      cut: fc.nat({ max: whole.length }),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(change, { minLength: 1, maxLength: 3 }), async (changes) => {
        const bytes = Buffer.from(whole);
        for (const { at, bytes: put } of changes) bytes.set(put.subarray(0, bytes.length - at), at);
        const read = await readPicture(bytes.subarray(0, changes[0]?.cut || bytes.length), "a.jpg");
        if (!read.ok) expect(["damaged", "not-a-picture", "too-many-pixels", "too-large"]).toContain(read.reason);
      }),
      { numRuns: 60 * TRIES, endOnFailure: true },
    );
  });
});

describe("every action", () => {
  let database: Awaited<ReturnType<typeof freshDatabase>>;
  let server: Running;
  let who: Visitor;
  let ids: World;
  beforeAll(async () => {
    database = await freshDatabase();
    server = await startServer(database.url);
    const store = openStore(database.url);
    who = await quickVisitor(store.db, server.base);
    ids = await makeWorld(store.db, who);
    await store.close();
  });
  afterAll(async () => {
    await server.stop();
    await database.drop();
  });

  it("of reading archives reads or refuses one with any of its values spoiled", async () => {
    const files = unzipSync(await archiveOf(who, `/albums/${ids.album}`));
    const good = JSON.parse(strFromU8(files["album.json"] ?? new Uint8Array())) as unknown;
    expect(readArchive(JSON.stringify(good)).ok).toBe(true);
    const anyTry = fc.record({ at: fc.nat({ max: 4000 }), junk: fc.option(anyJunk, { nil: undefined }) });
    let read = 0;
    for (const { at, junk } of fc.sample(anyTry, { seed: 26, numRuns: 400 * TRIES }))
      if (readArchive(JSON.stringify(spoiled(good, at, junk)) ?? "").ok) read += 1;
    // Some values may be anything of their kind; most may not.
    expect(read).toBeLessThan(200 * TRIES);
  });

  it("takes or refuses what it is sent with one value spoiled, in time, and never breaks over it", async () => {
    const album = `/albums/${ids.album}`;
    // What ends the album itself would leave nothing to try the others on.
    const all = Object.entries(ENTRIES).flatMap(([file, { writes }]) =>
      Object.entries(writes ?? {}).flatMap(([intent, write]) =>
        "json" in write.send || "form" in write.send
          ? intent === "put-away"
            ? []
            : [{ name: `${file} ${intent}`, write }]
          : [],
      ),
    );
    const anyTry = fc.record({ at: fc.nat({ max: 60 }), junk: fc.option(anyJunk, { nil: undefined }) });
    for (const { name, write } of all) {
      for (const { at, junk } of fc.sample(anyTry, { seed: 9 + name.length, numRuns: 5 * TRIES })) {
        const to = write.path(album, ids);
        const began = performance.now();
        const answer =
          "json" in write.send
            ? await sendJson(who, to, spoiled(write.send.json(ids), at, junk))
            : "form" in write.send
              ? await sendForm(
                  who,
                  to,
                  spoiled(write.send.form(ids), at, JSON.stringify(junk) ?? "") as Record<string, string>,
                )
              : null;
        const said = `${name} with ${JSON.stringify(junk)} at ${at}`;
        expect(answer?.status, said).toBeLessThan(500);
        expect(performance.now() - began, said).toBeLessThan(LONGEST_MS);
      }
    }
    expect(server.process.exitCode).toBeNull();
  });
});
